import type { LpSolver } from "../lp";
import { costOf, type CutStock, type Pattern, type Rest, type Used, type Offer, type Pricing } from "./problem";
import type { Pricer } from "./pricing";
import { type ColumnPool, generateColumns, type MasterAnswer, wholeModelOf } from "./master";

/**
 * Primal heuristics: whole layouts, soon, from pricing and from the relaxed programme.
 *
 * A relaxed answer cuts [2, 1] 4.7 times, [0, 3] 1.5 times and [1, 2] 0.8 times. A dive fixes 4 of the first and 1 of the second,
 * generates columns for what is left, fixes the pattern nearest to whole, and so on until nothing is left: a layout, and with the
 * bound a gap. The sequential heuristic needs no programme: it cuts the fullest board of what is left, again and again.
 */

const isDone = (left: number[]) => left.every((n) => n === 0);

/** Cuts a pattern so often, or as often as there is stock. @returns how often */
function take(rest: Rest, pattern: Pattern, times: number): number {
  const n = Math.min(times, rest.supply[pattern.stock] ?? Infinity);
  pattern.gives.forEach((g, i) => (rest.left[i] = Math.max(0, rest.left[i]! - g * n)));
  if (rest.supply[pattern.stock] !== null) rest.supply[pattern.stock]! -= n;
  return n;
}

/**
 * The sequential heuristic procedure (Haessler 1971): board by board, each the fullest by the duals given that what is left allows,
 * and as often as that goes; free stock first. What cannot be cut when the stock runs out stays in `left`.
 * Told to stop, it is not whole.
 */
export function construct(
  stock: CutStock[],
  pricer: Pricing,
  from: Rest,
  duals: number[],
  going: () => boolean = () => true,
): { used: Used; left: number[]; stopped: boolean } {
  const rest: Rest = { left: [...from.left], supply: [...from.supply] };
  const used: Used = [];
  while (!isDone(rest.left)) {
    if (!going()) return { used, left: rest.left, stopped: true };
    const open = stock.flatMap((_, i) => (rest.supply[i] === 0 ? [] : [i]));
    const free = open.filter((i) => stock[i]!.price === 0);
    let pick: { offer: Offer; score: number } | undefined;
    for (const pool of free.length > 0 ? [free, open] : [open]) {
      const offers = pool.flatMap((i) => pricer.fitting(i, duals, rest.left) ?? []);
      // A board that takes all there is left is judged by its price alone.
      const last = offers.filter((o) => o.pattern.gives.every((n, k) => n === rest.left[k]));
      for (const offer of last.length > 0 ? last : offers) {
        const { price, clear } = stock[offer.pattern.stock]!;
        const area = clear.reduce((n, c) => n + c.length * c.width, 0);
        const score = last.length > 0 ? -price : offer.value / (price || 1e-9 * area);
        if (offer.value > 0 && (!pick || score > pick.score)) pick = { offer, score };
      }
      if (pick) break;
    }
    if (!pick) break;
    const { pattern } = pick.offer;
    const times = Math.min(...pattern.gives.flatMap((n, i) => (n > 0 ? [Math.floor(rest.left[i]! / n)] : [])));
    used.push({ pattern, repeat: take(rest, pattern, times) });
  }
  return { used, left: rest.left, stopped: false };
}

/** Stand-ins for duals: area to a power; above 1 large pieces go first. */
export const areaDuals = (pieces: { length: number; width: number }[], power: number) => {
  const areas = pieces.map((p) => p.length * p.width);
  const largest = Math.max(...areas, 1);
  return areas.map((a) => Math.max(1, Math.round((a / largest) ** power * 1e6)));
};

export interface Diver<P extends Pricing = Pricer> {
  stock: CutStock[];
  pieces: { length: number; width: number }[];
  pricer: P;
  pool: ColumnPool;
  lp: LpSolver;
  going: () => boolean;
  /** The rest is built board by board after every so many steps. */
  buildEvery: number;
  /** Columns give no more than is left once that is less than so many boards. */
  fittingBelow: number;
  /** Once a dive has fewer boards left than `below`, it asks whether what is left can be cut by parts, on top of what is fixed. */
  parts?: {
    below: number;
    /** True when the incumbent is good enough then. */
    cut(rest: Rest, fixed: Used, relaxed: MasterAnswer, attempt: number): boolean;
  };
  /** Whether a layout that costs at least so much could still be better than the incumbent. */
  mayBeat(cost: number): boolean;
  /** Told of every whole layout; true when the incumbent is good enough. */
  consider(used: Used): boolean;
}

/** How often a dive may backtrack; the first is to be quick. */
const BACKTRACKS = { first: 2, later: 25 };
/** What the restricted master in whole numbers may take in. */
const WHOLE = { patterns: 200, nodes: 5 };

/**
 * Dives from a relaxed answer: its whole boards are fixed, then the column nearest to whole, and columns are generated anew for what
 * is left, until nothing is. A choice after which the rest could not beat the incumbent is taken back and is tabu from then on. After
 * a step the rest is also built board by board, which often ends it. `attempt` above 0 is another try, by other choices;
 * the same attempt always makes the same ones.
 */
export function dive(d: Diver<Pricing>, from: Rest, root: MasterAnswer, attempt: number): void {
  const random = randomOf(attempt);
  let rest = from;
  let used: Used = [];
  let relaxed = root;
  const tabu = new Set<Pattern>();
  const dearest = Math.max(...d.stock.map((s) => s.price));
  let parts = d.parts;
  for (let step = 0, back = 0; d.going(); step++) {
    if (parts && relaxed.cost / dearest < parts.below) {
      if (parts.cut(rest, used, relaxed, attempt)) return;
      parts = undefined;
    }
    const chosen = columnsToFix(relaxed, tabu, attempt > 0 ? random : undefined, step === 0 ? attempt % 3 : 0);
    if (!chosen) return;
    const next: Rest = { left: [...rest.left], supply: [...rest.supply] };
    const cut = chosen.used.flatMap(({ pattern, repeat }) => {
      const n = take(next, pattern, repeat);
      return n > 0 ? [{ pattern, repeat: n }] : [];
    });
    const all = [...used, ...cut];
    if (isDone(next.left)) {
      d.consider(all);
      return;
    }
    const boards = (relaxed.cost - costOf(cut, d.stock)) / dearest;
    if (step % d.buildEvery === 0 && buildRest(d, next, all, relaxed, step)) return;
    for (const p of homogeneous(d, next)) d.pool.add(p);
    const after = generateColumns(d.stock, d.pricer, next.left, next.supply, d.pool, d.lp, {
      // Where everything is free there is no telling how many.
      fitting: !(boards >= d.fittingBelow),
      rounds: 20,
      going: d.going,
    });
    if (after && d.mayBeat(costOf(all, d.stock) + after.cost)) {
      [rest, used, relaxed] = [next, all, after];
      tabu.clear();
    } else if (back++ < (attempt === 0 ? BACKTRACKS.first : BACKTRACKS.later)) tabu.add(chosen.used[0]!.pattern);
    else return;
  }
}

/** What a relaxed answer cuts in whole boards; or one of the column nearest to whole that is not tabu. */
function columnsToFix(
  { patterns, values }: MasterAnswer,
  tabu: Set<Pattern>,
  random?: () => number,
  spared = 0,
): { used: Used } | undefined {
  const whole = patterns.flatMap((pattern, i) => {
    // Fewer of each than it says leaves more to choose among.
    const repeat = Math.floor(values[i]! + 1e-6) - spared;
    return repeat > 0 ? [{ pattern, repeat }] : [];
  });
  if (whole.length > 0 && tabu.size === 0) return { used: whole };
  const order = patterns
    .map((pattern, i) => ({ pattern, i, v: values[i]!, score: values[i]! + (random ? 0.5 * random() : 0) }))
    .filter(({ v, pattern }) => v > 1e-6 && !tabu.has(pattern))
    .sort((a, b) => b.score - a.score || a.i - b.i);
  const pick = order[0]?.pattern;
  return pick && { used: [{ pattern: pick, repeat: 1 }] };
}

/** Builds what is left board by board in a few ways. @returns true when that is good enough */
function buildRest(d: Diver<Pricing>, rest: Rest, before: Used, relaxed: MasterAnswer, step: number): boolean {
  const ways =
    step === 0
      ? [relaxed.duals.map((w) => Math.round(w * 1e6)), areaDuals(d.pieces, 1.1)]
      : [areaDuals(d.pieces, 1.05 + 0.1 * (step % 3))];
  return ways.some((duals) => {
    const end = construct(d.stock, d.pricer, rest, duals, d.going);
    for (const u of end.used) d.pool.add(u.pattern);
    return isDone(end.left) && d.consider([...before, ...end.used]);
  });
}

/** Numbers in 0–1 that are the same for the same seed (mulberry32, in the public domain). */
export function randomOf(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** For each piece left and each stock a column of nothing else: with these whatever is left can be cut. */
export function homogeneous(
  { stock, pricer }: Pick<Diver<Pricing>, "stock" | "pricer">,
  { left, supply }: Rest,
): Pattern[] {
  const of = (i: number, s: number, n: number) => {
    const only = left.map((_, k) => (k === i ? n : 0));
    const known = alone.get(pricer) ?? alone.set(pricer, new Map()).get(pricer)!;
    const key = `${s} ${i} ${n}`;
    if (!known.has(key))
      known.set(
        key,
        pricer.fitting(
          s,
          only.map((m) => (m > 0 ? 1 : 0)),
          only,
        )?.pattern,
      );
    return known.get(key);
  };
  return left.flatMap((n, i) =>
    n === 0
      ? []
      : stock.flatMap((_, s) => {
          if (supply[s] === 0) return [];
          // Of more than a board takes it is the same.
          const most = of(i, s, MOST_ALONE)?.gives[i] ?? 0;
          return most === 0 ? [] : (of(i, s, Math.min(n, most)) ?? []);
        }),
  );
}
/** Columns of one piece, by stock, piece and how many there are of it at most. */
const alone = new WeakMap<Pricing, Map<string, Pattern | undefined>>();
const MOST_ALONE = 1e6;

/** Columns, those of least reduced cost first. */
export const byReducedCost = (patterns: Pattern[], stock: CutStock[], duals: number[]): Pattern[] =>
  patterns
    .map((p) => ({ p, reduced: stock[p.stock]!.price - p.gives.reduce((s, n, i) => s + n * duals[i]!, 0) }))
    .sort((a, b) => a.reduced - b.reduced)
    .map(({ p }) => p);

/**
 * The restricted master in whole numbers, over the columns of least reduced cost. Ends after so many nodes, not by the clock, or with
 * the first answer that costs no more than the target. @returns what it answers, whole or lacking pieces; undefined when nothing
 */
export function restrictedMaster(d: Diver<Pricing>, rest: Rest, root: MasterAnswer, target?: number): Used | undefined {
  const near = byReducedCost(d.pool.patterns, d.stock, root.duals).slice(0, WHOLE.patterns);
  const solved = d.lp({
    ...wholeModelOf(near, d.stock, rest.left, rest.supply),
    nodes: WHOLE.nodes,
    brief: true,
    ...(target === undefined ? {} : { target: target + 1e-6 }),
    going: d.going,
  });
  if (!solved) return undefined;
  const used = near.flatMap((pattern, i) =>
    Math.round(solved.values[i]!) > 0 ? [{ pattern, repeat: Math.round(solved.values[i]!) }] : [],
  );
  if (covers(used, rest)) d.consider(used);
  return used.length > 0 ? used : undefined;
}

/** True when every piece wanted is given and no stock is overdrawn. */
export function covers(used: Used, { left, supply }: Rest): boolean {
  const drawn = (s: number) => used.reduce((n, u) => n + (u.pattern.stock === s ? u.repeat : 0), 0);
  return (
    left.every((n, i) => used.reduce((s, u) => s + u.repeat * u.pattern.gives[i]!, 0) >= n) &&
    supply.every((n, s) => n === null || drawn(s) <= n)
  );
}

export const cheaper = (a: Used, b: Used | undefined, stock: CutStock[]) =>
  !b ||
  costOf(a, stock) < costOf(b, stock) - 1e-9 ||
  (Math.abs(costOf(a, stock) - costOf(b, stock)) < 1e-9 && a.length < b.length);
