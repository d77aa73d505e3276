import type { CuttingAnswer } from "../cutting/solve";
import type { CuttingProblem } from "../cutting/problem";

/** Checks an answer from the problem alone: every piece as often as wanted, all within their stock, none overdrawn. */
export function checkAnswer(answer: CuttingAnswer, problem: CuttingProblem): void {
  const { kerf, pieces, stock } = problem;
  const made = pieces.map(() => 0);
  const drawn = stock.map(() => 0);
  for (const { pattern, repeat } of answer.used) {
    drawn[pattern.stock]! += repeat;
    for (const t of pattern.stretches) {
      const room = stock[pattern.stock]!.clear[t.clear]!;
      const [long, high] = t.order === "rip" ? [room.length, room.width] : [room.width, room.length];
      let across = -kerf;
      for (const strip of t.strips) {
        across += strip.count * (strip.size + kerf);
        let along = -kerf;
        for (const section of strip.sections) {
          along += section.count * (section.size + kerf);
          let side = -kerf;
          for (const item of section.items) {
            const p = pieces[item.piece]!;
            const lies = (t.order === "rip") === item.turned;
            const [x, y] = lies ? [p.width, p.length] : [p.length, p.width];
            if (item.turned && !p.turn) throw new Error(`piece ${item.piece} is turned`);
            if (x > section.size) throw new Error(`piece ${item.piece} is longer than its section`);
            // Crosscut first, the strip is what is ripped; ripped first, the piece is when it is narrower than its strip.
            const ripped = t.order === "crosscut" ? strip.size : y < strip.size ? x : Infinity;
            if (ripped < (problem.style.hold ?? 0))
              throw new Error(`piece ${item.piece} is too short when it is ripped`);
            if (problem.style.stages === 2 && !problem.style.trim && y !== strip.size && t.order === "rip")
              throw new Error(`piece ${item.piece} is not as wide as its strip`);
            const isBlock = p.block === true && t.order === "crosscut" && y >= (problem.style.hold ?? 0);
            if (isBlock && strip.sections.some((s) => s.items.some((i) => i.piece !== item.piece)))
              throw new Error(`piece ${item.piece} is cut as a block, and is not alone in its strip`);
            if (problem.style.stages === 2 && section.items.reduce((n, i) => n + i.count, 0) > 1)
              throw new Error("two pieces across a section of two stages");
            side += item.count * (y + kerf);
            made[item.piece]! += repeat * strip.count * section.count * item.count;
          }
          if (side > strip.size) throw new Error("pieces are wider than their strip");
        }
        if (along > long) throw new Error("a strip is longer than its stock");
      }
      if (across > high) throw new Error("strips are wider than their stock");
    }
  }
  const short = new Map(answer.short.map((s) => [s.piece, s.quantity]));
  pieces.forEach((p, i) => {
    if (made[i]! + (short.get(i) ?? 0) !== p.quantity) throw new Error(`piece ${i}: ${made[i]} of ${p.quantity}`);
  });
  stock.forEach((s, i) => {
    if (drawn[i]! > (s.available ?? Infinity)) throw new Error(`stock ${i} is overdrawn`);
  });
  const cost = drawn.reduce((sum, n, i) => sum + n * stock[i]!.price, 0);
  if (Math.abs(cost - answer.cost) > 1e-6 * Math.max(1, cost)) throw new Error(`costs ${cost}, says ${answer.cost}`);
  if (answer.short.length === 0 && answer.bound > cost + 1e-6)
    throw new Error(`bound ${answer.bound} above cost ${cost}`);
}
