import type { Chain, Shop } from "./shop";

/** True where nothing but jobs and machines hold each other up: one of each station, no people, set-ups or waits. */
export const isPlain = (shop: Shop, chains: Chain[]): boolean =>
  shop.people === null && shop.counts.every((n) => n === 1) && shop.aim === "finish" &&
  chains.every((c) => c.tasks.every((t) => t.wait === 0 && t.minutes > 0 && (t.key < 0 || t.setUp === 0))); // prettier-ignore

/** Without a better one for so many rounds, it goes on from the best, a little shaken. */
const PATIENCE = 4000;
const SHAKEN = 12;

/**
 * Tabu search on the disjunctive graph of a plain job shop: on one critical path a task of a block goes behind its last or before its
 * first (N6, Balas and Vazacopoulos 1998), judged by an estimate of the longest path through what moved; what was turned round may not be
 * turned back for a while. Begins with machine sequences, and answers with the best: for each machine its tasks in their order.
 */
export function tabuSearch(
  chains: Chain[],
  machines: number[][],
  random: () => number,
  going: () => boolean,
  target: number,
): number[][] {
  // prettier-ignore
  const tasks = chains.flatMap((c) => c.tasks);
  const n = tasks.length;
  const minutes = Float64Array.from(tasks, (t) => t.minutes);
  const first = Float64Array.from(tasks, (t) => (t.step === 0 ? chains[t.chain]!.release : 0));
  // −1 is none before or behind.
  const [jobBefore, jobBehind] = [new Int32Array(n).fill(-1), new Int32Array(n).fill(-1)];
  for (let i = 1; i < n; i++)
    if (tasks[i]!.chain === tasks[i - 1]!.chain) [jobBefore[i], jobBehind[i - 1]] = [i - 1, i];
  const [before, behind] = [new Int32Array(n), new Int32Array(n)];
  const [head, tail] = [new Float64Array(n), new Float64Array(n)];
  const [order, open] = [new Int32Array(n), new Int32Array(n)];

  const link = (of: number[]) => of.forEach((t, i) => ([before[t], behind[t]] = [of[i - 1] ?? -1, of[i + 1] ?? -1]));
  const endOf = (t: number) => (t < 0 ? 0 : head[t]! + minutes[t]!);
  const fromOf = (t: number) => (t < 0 ? 0 : tail[t]! + minutes[t]!);

  /** Heads and tails of all tasks in topological order; how long it all takes. */
  function measure(): number {
    let [last, n0] = [0, 0];
    for (let t = 0; t < n; t++) {
      open[t] = (jobBefore[t]! >= 0 ? 1 : 0) + (before[t]! >= 0 ? 1 : 0);
      if (open[t] === 0) order[last++] = t;
    }
    let span = 0;
    for (; n0 < last; n0++) {
      const t = order[n0]!;
      head[t] = Math.max(first[t]!, endOf(jobBefore[t]!), endOf(before[t]!));
      span = Math.max(span, head[t] + minutes[t]!);
      for (const next of [jobBehind[t]!, behind[t]!]) if (next >= 0 && --open[next]! === 0) order[last++] = next;
    }
    for (let i = n - 1; i >= 0; i--) {
      const t = order[i]!;
      tail[t] = Math.max(fromOf(jobBehind[t]!), fromOf(behind[t]!));
    }
    return span;
  }

  /** The longest path through the tasks of a stretch of one machine if they stood in this order. */
  function estimate(stretch: number[], from: number, to: number): number {
    const heads: number[] = [];
    let end = endOf(from);
    for (const t of stretch) {
      const h = Math.max(first[t]!, endOf(jobBefore[t]!), end);
      heads.push(h);
      end = h + minutes[t]!;
    }
    let [rest, longest] = [fromOf(to), 0];
    for (let i = stretch.length - 1; i >= 0; i--) {
      const t = stretch[i]!;
      const q = Math.max(fromOf(jobBehind[t]!), rest);
      longest = Math.max(longest, heads[i]! + minutes[t]! + q);
      rest = q + minutes[t]!;
    }
    return longest;
  }

  /** Blocks of one critical path: tasks that follow each other on a machine without a gap. */
  function blocks(span: number): number[][] {
    const path: number[] = [];
    let at = Array.from({ length: n }, (_, t) => t).findIndex((t) => head[t] === first[t] && Math.abs(minutes[t]! + head[t]! + tail[t]! - span) < 1e-6 && (jobBefore[t]! < 0 || endOf(jobBefore[t]!) < head[t]!) && (before[t]! < 0 || endOf(before[t]!) < head[t]!)); // prettier-ignore
    while (at >= 0) {
      path.push(at);
      const next: number[] = [behind[at]!, jobBehind[at]!].filter((t) => t >= 0 && Math.abs(endOf(at) - head[t]!) < 1e-6 && Math.abs(head[t]! + minutes[t]! + tail[t]! - span) < 1e-6); // prettier-ignore
      at = next.length === 2 && random() < 0.5 ? next[1]! : (next[0] ?? -1);
    }
    const out: number[][] = [];
    for (const t of path) {
      const last = out.at(-1);
      if (last && behind[last.at(-1)!] === t) last.push(t);
      else out.push([t]);
    }
    return out.filter((b) => b.length > 1);
  }

  const until = new Map<number, number>();
  const arc = (a: number, b: number) => a * n + b;
  const machineOf = (t: number) => tasks[t]!.station;
  let now = machines.map((m) => [...m]);
  now.forEach(link);
  let span = measure();
  let [best, least] = [now.map((m) => [...m]), span];
  let since = 0;
  for (let round = 0; least > target + 1e-7 && going(); round++) {
    let chosen: { stretch: number[]; said: number } | undefined;
    let [seen, fallback] = [0, undefined as number[] | undefined];
    for (const block of blocks(span)) {
      const offer = (i: number, j: number, ahead: boolean) => {
        const part = block.slice(i, j + 1);
        const stretch = ahead ? [part.at(-1)!, ...part.slice(0, -1)] : [...part.slice(1), part[0]!];
        const said = estimate(stretch, before[block[i]!]!, behind[block[j]!]!);
        const turned = ahead ? part.slice(0, -1).map((x) => arc(part.at(-1)!, x)) : part.slice(1).map((x) => arc(x, part[0]!)); // prettier-ignore
        const tabu = turned.some((a) => (until.get(a) ?? 0) > round);
        if (random() < 1 / ++seen) fallback = stretch;
        if (tabu && said >= least) return;
        if (!chosen || said < chosen.said || (said === chosen.said && random() < 0.5)) chosen = { stretch, said };
      };
      const end = block.length - 1;
      for (let i = 0; i < end; i++) {
        // Behind the block's last, before its first: neither closes a ring.
        const [u, v] = [block[i]!, block[end]!];
        if (fromOf(v) >= fromOf(jobBehind[u]!)) offer(i, end, false);
        const [w, x] = [block[0]!, block[i + 1]!];
        if (endOf(w) >= endOf(jobBefore[x]!)) offer(0, i + 1, true);
      }
    }
    const stretch = chosen?.stretch ?? fallback;
    if (!stretch) break;
    const machine = now[machineOf(stretch[0]!)]!;
    const at = Math.min(...stretch.map((t) => machine.indexOf(t)));
    const was = machine.slice(at, at + stretch.length);
    const tenure = 10 + chains.length / machines.length + random() * 8;
    for (const [i, t] of was.entries())
      for (const other of was.slice(i + 1)) if (stretch.indexOf(t) > stretch.indexOf(other)) until.set(arc(t, other), round + tenure); // prettier-ignore
    machine.splice(at, stretch.length, ...stretch);
    link(machine);
    span = measure();
    if (span < least - 1e-7) [best, least, since] = [now.map((m) => [...m]), span, 0];
    else if (++since > PATIENCE) {
      now = best.map((m) => [...m]);
      now.forEach(link);
      span = measure();
      for (let k = 0; k < SHAKEN; k++) {
        const critical = blocks(span);
        const block = critical[Math.floor(random() * critical.length)];
        if (!block) break;
        const i = Math.floor(random() * (block.length - 1));
        const on = now[machineOf(block[i]!)]!;
        const place = on.indexOf(block[i]!);
        // Neighbours on a critical path change places without a ring (van Laarhoven).
        on.splice(place, 2, block[i + 1]!, block[i]!);
        link(on);
        span = measure();
      }
      until.clear();
      since = 0;
    }
  }
  return best;
}
