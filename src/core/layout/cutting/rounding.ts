import type { LpSolver } from "../lp";
import { costOf, type CutStock, type Pattern, type Supply, type Used } from "./problem";
import type { Offer, Pricer } from "./pricing";
import { modelOf, Pool, type Relaxed, relax } from "./programme";

/** The pieces and the stock that are left, while a layout is built. */
export interface Rest {
  left: number[];
  supply: Supply;
}

const isDone = (left: number[]) => left.every((n) => n === 0);

/** Cuts a pattern so often, or as often as there is stock. @returns how often */
function take(rest: Rest, pattern: Pattern, times: number): number {
  const n = Math.min(times, rest.supply[pattern.stock] ?? Infinity);
  pattern.gives.forEach((g, i) => (rest.left[i] = Math.max(0, rest.left[i]! - g * n)));
  if (rest.supply[pattern.stock] !== null) rest.supply[pattern.stock]! -= n;
  return n;
}

/**
 * Builds a layout board by board, each the fullest by the worths given that what is left allows, and as often as that
 * goes; free stock first. What cannot be cut when the stock runs out stays in `left`.
 */
export function construct(
  stock: CutStock[],
  pricer: Pricer,
  from: Rest,
  worth: number[],
): { used: Used; left: number[] } {
  const rest: Rest = { left: [...from.left], supply: [...from.supply] };
  const used: Used = [];
  while (!isDone(rest.left)) {
    const open = stock.flatMap((_, i) => (rest.supply[i] === 0 ? [] : [i]));
    const free = open.filter((i) => stock[i]!.price === 0);
    let pick: { offer: Offer; score: number } | undefined;
    for (const pool of free.length > 0 ? [free, open] : [open]) {
      const offers = pool.flatMap((i) => pricer.fitting(i, worth, rest.left) ?? []);
      // A board that takes all there is left is judged by its price alone.
      const last = offers.filter((o) => o.pattern.gives.every((n, k) => n === rest.left[k]));
      for (const offer of last.length > 0 ? last : offers) {
        const { price, clear } = stock[offer.pattern.stock]!;
        const area = clear.reduce((n, c) => n + c.length * c.width, 0);
        const score = last.length > 0 ? -price : offer.gives / (price || 1e-9 * area);
        if (offer.gives > 0 && (!pick || score > pick.score)) pick = { offer, score };
      }
      if (pick) break;
    }
    if (!pick) break;
    const { pattern } = pick.offer;
    const times = Math.min(...pattern.gives.flatMap((n, i) => (n > 0 ? [Math.floor(rest.left[i]! / n)] : [])));
    used.push({ pattern, repeat: take(rest, pattern, times) });
  }
  return { used, left: rest.left };
}

/** Worths for `construct`: area to a power; above 1 large pieces go first. */
export const areaWorth = (pieces: { length: number; width: number }[], power: number) => {
  const areas = pieces.map((p) => p.length * p.width);
  const largest = Math.max(...areas, 1);
  return areas.map((a) => Math.max(1, Math.round((a / largest) ** power * 1e6)));
};

export interface Diver {
  stock: CutStock[];
  pieces: { length: number; width: number }[];
  pricer: Pricer;
  pool: Pool;
  lp: LpSolver;
  going: () => boolean;
  /** The rest is built board by board after every so many steps. */
  buildEvery: number;
  /** Told of every whole layout found; true when it is good enough. */
  found(used: Used): boolean;
}

/**
 * Dives from a relaxed answer: its whole boards are cut, then the likeliest one, and patterns are priced anew for what
 * is left, until nothing is. After every step the rest is also built board by board, which often ends it.
 * `skip` passes over so many of the likeliest at the first step, for another try.
 */
export function dive(d: Diver, from: Rest, root: Relaxed, skip: number): void {
  const rest: Rest = { left: [...from.left], supply: [...from.supply] };
  const used: Used = [];
  let relaxed: Relaxed | undefined = root;
  for (let step = 0; relaxed && !isDone(rest.left); step++) {
    const now: Relaxed = relaxed;
    const whole = now.values.map((v) => Math.floor(v + 1e-6));
    if (step === 0 && skip > 0) whole.forEach((n, i) => (whole[i] = Math.max(0, n - 1)));
    if (!whole.some((n) => n > 0)) {
      const order = now.values
        .map((v, i) => ({ v, i }))
        .filter(({ v }) => v > 1e-6)
        .sort((a, b) => b.v - a.v || a.i - b.i);
      const pick = order[Math.min(step === 1 ? skip : 0, order.length - 1)];
      if (!pick) return;
      whole[pick.i] = 1;
    }
    whole.forEach((n, i) => {
      const pattern = now.patterns[i]!;
      if (n === 0) return;
      const repeat = take(rest, pattern, n);
      if (repeat > 0) used.push({ pattern, repeat });
    });
    if (isDone(rest.left)) {
      d.found(used);
      return;
    }
    for (const worth of step % d.buildEvery > 0
      ? []
      : step === 0
        ? [now.worth.map((w) => Math.round(w * 1e6)), areaWorth(d.pieces, 1.1)]
        : [areaWorth(d.pieces, 1.05 + 0.1 * (step % 3))]) {
      const end = construct(d.stock, d.pricer, rest, worth);
      for (const u of end.used) d.pool.add(u.pattern);
      if (isDone(end.left) && d.found([...used, ...end.used])) return;
    }
    if (!d.going()) return;
    for (const p of singles(d, rest)) d.pool.add(p);
    relaxed = relax(d.stock, d.pricer, rest.left, rest.supply, d.pool, d.lp, {
      fitting: true,
      rounds: 20,
      going: d.going,
    });
  }
}

/** For each piece left and each stock a board of nothing else: with these whatever is left can be cut. */
export function singles(d: Pick<Diver, "stock" | "pricer">, { left, supply }: Rest): Pattern[] {
  return left.flatMap((n, i) => {
    if (n === 0) return [];
    const only = left.map((m, k) => (k === i ? m : 0));
    return d.stock.flatMap((_, s) => {
      if (supply[s] === 0) return [];
      const offer = d.pricer.fitting(
        s,
        only.map((m) => (m > 0 ? 1 : 0)),
        only,
      );
      return offer ? [offer.pattern] : [];
    });
  });
}

/** The best whole numbers over the patterns nearest to the relaxed answer. Ends after so many nodes, not by the clock. */
export function wholeNumbers(d: Diver, rest: Rest, root: Relaxed, most: number, nodes: number): void {
  const near = d.pool.patterns
    .map((p) => ({ p, short: d.stock[p.stock]!.price - p.gives.reduce((s, n, i) => s + n * root.worth[i]!, 0) }))
    .sort((a, b) => a.short - b.short)
    .slice(0, most)
    .map(({ p }) => p);
  const solved = d.lp({ ...modelOf(near, d.stock, rest.left, rest.supply), whole: true, nodes });
  if (!solved) return;
  const used = near.flatMap((pattern, i) =>
    Math.round(solved.values[i]!) > 0 ? [{ pattern, repeat: Math.round(solved.values[i]!) }] : [],
  );
  if (covers(used, rest)) d.found(used);
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
