import { generateColumns, wholeModelOf } from "./master";
import { byReducedCost, type Diver, homogeneous, randomOf } from "./primal";
import type { Pattern, Rest, Used, Pricing } from "./problem";

/**
 * Large neighbourhood search (Shaw 1998) for a cutting that lacks a piece or two.
 *
 * Twenty boards are all there may be, and one leg has no place on them. Six boards are taken back, their pieces and the leg cut anew
 * from six: where even fractions of boards could not hold them it is soon known, and six others are taken. Where they can, a small
 * programme in whole numbers is asked, and what then lacks less, or as much in another place, is gone on from.
 */

/** Boards taken back at once, how often, and how often in vain before it is given up. */
const BOARDS = 6;
const TIMES = 30;
const IDLE = 20;
/** What the programme in whole numbers may take in. */
const WHOLE = { patterns: 100, nodes: 5 };

/** Mends a cutting until it gives every piece; of `within` it cuts no more boards. The same attempt makes the same choices. */
export function mend(d: Diver<Pricing>, within: Rest, start: Used, attempt: number, isFound: () => boolean): void {
  const random = randomOf(attempt);
  const lacks = (boards: Pattern[]) =>
    within.left.map((n, i) => Math.max(0, n - boards.reduce((s, p) => s + p.gives[i]!, 0)));
  const areaOf = (lacking: number[]) =>
    lacking.reduce((s, n, i) => s + n * d.pieces[i]!.length * d.pieces[i]!.width, 0);
  let boards = start.flatMap(({ pattern, repeat }) => Array.from({ length: repeat }, () => pattern));
  let lacking = areaOf(lacks(boards));
  for (let t = 0, idle = 0; t < TIMES && idle < IDLE && !isFound() && d.going(); t++) {
    idle++;
    const kept = boards
      .map((p) => ({ p, key: random() }))
      .sort((a, b) => a.key - b.key)
      .map(({ p }) => p)
      .slice(BOARDS);
    const again = recut(d, {
      left: lacks(kept),
      supply: within.supply.map((n, s) => n && n - kept.filter((p) => p.stock === s).length),
    });
    if (!again) continue;
    const next = [...kept, ...again];
    const then = areaOf(lacks(next));
    if (then > lacking) continue;
    [boards, lacking, idle] = [next, then, 0];
    if (lacking === 0) d.consider(boards.map((pattern) => ({ pattern, repeat: 1 })));
  }
}

/** What is left, cut from so few boards; undefined where even fractions of them could not hold it all. */
function recut(d: Diver<Pricing>, rest: Rest): Pattern[] | undefined {
  const { left, supply } = rest;
  for (const p of homogeneous(d, rest)) d.pool.add(p);
  const relaxed = generateColumns(d.stock, d.pricer, left, supply, d.pool, d.lp, {
    rounds: 20,
    going: d.going,
    fitting: true,
  });
  const price = supply.reduce<number>((s, n, k) => s + (n ?? Infinity) * d.stock[k]!.price, 0) + 1e-6;
  if (!relaxed || relaxed.cost > price) return undefined;
  const near = byReducedCost(relaxed.patterns, d.stock, relaxed.duals).slice(0, WHOLE.patterns);
  const solved = d.lp({
    ...wholeModelOf(near, d.stock, left, supply),
    nodes: WHOLE.nodes,
    brief: true,
    target: price,
    going: d.going,
  });
  return (
    solved && near.flatMap((p, i) => Array.from({ length: Math.max(0, Math.round(solved.values[i] ?? 0)) }, () => p))
  );
}
