import type { BoardStock } from "@/core/job/job";
import { fullest } from "./knapsack";
import type { LpModel, LpSolver } from "./lp";
import { type Group, type Saw, usable } from "./request";

/** A way to rip one board and crosscut its strips: how many of each blank every strip gives. */
export interface Pattern {
  stock: number;
  strips: { width: number; counts: number[] }[];
}

export type Used = { pattern: Pattern; repeat: number }[];

export interface PatternAnswer {
  /** Patterns and how many boards are cut so; together they give at least every blank wanted. Absent when none was found in time. */
  used?: Used;
  /** No rip-first layout costs less; whole multiples of what prices allow. */
  bound: number;
}

/** Duals are rounded down to this many parts, so that the bound is whole-number arithmetic. */
const SCALE = 1_000_000;
const MOST_ROUNDS = 120;

/**
 * The pattern linear programme with column generation (Gilmore and Gomory 1961) for boards of one thickness, ripped
 * first and then crosscut, over several priced and limited stocks. Then a dive: what the programme cuts in whole boards
 * is taken, and patterns are priced anew for what is left, until nothing is; then whole numbers over every pattern met.
 * The bound is worked out from duals rounded to whole parts, so rounding cannot make a false proof.
 */
export function solvePatterns(
  group: Group,
  stock: BoardStock[],
  saw: Saw,
  start: Pattern[],
  lp: LpSolver,
  going: () => boolean,
): PatternAnswer | undefined {
  const wanted = group.lying.map((l) => l.blank.quantity);
  const supply = new Map(group.stock.map((s) => [s, stock[s]!.available]));
  const pool = new Map(start.map((p) => [keyOf(p), p]));
  const root = generate(group, stock, saw, wanted, supply, pool, lp, going);
  if (!root) return undefined;
  const bound = upToPrices(
    root.bound,
    group.stock.map((s) => stock[s]!.price),
  );
  const dived = dive(group, stock, saw, wanted, supply, pool, root, lp, going);
  const cost = (used: Used) => used.reduce((s, u) => s + u.repeat * stock[u.pattern.stock]!.price, 0);
  if (dived && cost(dived) <= bound + 1e-9) return { used: dived, bound };
  const patterns = [...pool.values()];
  const whole = lp({ ...modelOf(patterns, stock, wanted, supply), whole: true, seconds: WHOLE_SECONDS });
  const used = whole && chosen(patterns, whole.values);
  const best = [dived, used].filter((u) => u && covers(u, wanted, supply)).sort((a, b) => cost(a!) - cost(b!))[0];
  return { used: best, bound };
}

/** True when every blank wanted is given and no stock is overdrawn. */
function covers(used: Used, wanted: number[], supply: Supply): boolean {
  const given = used.map((u) => totals(u.pattern, wanted.length).map((n) => n * u.repeat));
  const drawn = (s: number) => used.reduce((n, u) => n + (u.pattern.stock === s ? u.repeat : 0), 0);
  return (
    wanted.every((n, i) => given.reduce((s, g) => s + g[i]!, 0) >= n) &&
    [...supply].every(([s, n]) => n === null || drawn(s) <= n)
  );
}

/** How long the last search over whole numbers may take. */
const WHOLE_SECONDS = 2;

const keyOf = (p: Pattern) => `${p.stock} ${p.strips.map((s) => `${s.width}:${s.counts.join(",")}`).join(" ")}`;

const chosen = (patterns: Pattern[], values: number[]) =>
  patterns.flatMap((pattern, i) => (Math.round(values[i]!) > 0 ? [{ pattern, repeat: Math.round(values[i]!) }] : []));

type Supply = Map<number, number | null>;

function modelOf(patterns: Pattern[], stock: BoardStock[], left: number[], supply: Supply): LpModel {
  const limited = [...supply].flatMap(([s, n]) => (n === null ? [] : [{ s, n }]));
  return {
    rows: [
      ...left.map((rhs) => ({ sense: ">=" as const, rhs })),
      ...limited.map(({ n }) => ({ sense: "<=" as const, rhs: n })),
    ],
    columns: patterns.map((p) => {
      const at = limited.findIndex(({ s }) => s === p.stock);
      const given = totals(p, left.length).flatMap((n, i): [number, number][] => (n > 0 ? [[i, n]] : []));
      return { cost: stock[p.stock]!.price, entries: at < 0 ? given : [...given, [left.length + at, 1]] };
    }),
  };
}

interface Relaxed {
  patterns: Pattern[];
  values: number[];
  bound: number;
}

const fitsIn = (p: Pattern, left: number[]) => totals(p, left.length).every((n, i) => n <= left[i]!);

/**
 * Solves the relaxed programme for what is left, adding every pattern that would improve it; with `fitting` only those
 * that give no more than is left.
 */
function generate(
  group: Group,
  stock: BoardStock[],
  saw: Saw,
  left: number[],
  supply: Supply,
  pool: Map<string, Pattern>,
  lp: LpSolver,
  going: () => boolean,
  fitting = false,
): Relaxed | undefined {
  const limited = [...supply].flatMap(([s, n]) => (n === null ? [] : [s]));
  let bound = 0;
  for (let round = 0; ; round++) {
    const patterns = [...pool.values()];
    const solved = lp(modelOf(patterns, stock, left, supply));
    if (!solved) return undefined;
    const worth = left.map((_, i) => Math.max(0, Math.floor(solved.duals[i]! * SCALE)));
    const priced = group.stock.map((s) => bestPatterns(group, stock, s, saw, worth, left));
    bound = Math.max(bound, boundOf(stock, left, supply, worth, priced));
    const better = priced.flatMap((p) => {
      const at = limited.indexOf(p.stock);
      const charge = at < 0 ? 0 : Math.min(0, solved.duals[left.length + at]!);
      const cost = (stock[p.stock]!.price - charge) * SCALE + left.length + 2;
      return p.offers.filter(
        (o) => o.gives > cost && !pool.has(keyOf(o.pattern)) && (!fitting || fitsIn(o.pattern, left)),
      );
    });
    if (better.length === 0 || round >= MOST_ROUNDS || !going()) return { patterns, values: solved.values, bound };
    for (const b of better) pool.set(keyOf(b.pattern), b.pattern);
  }
}

/** For each blank and stock a board of nothing else: with these whatever is left can be cut. */
function alone(group: Group, stock: BoardStock[], saw: Saw, left: number[]): [string, Pattern][] {
  return group.stock.flatMap((s) =>
    group.lying.flatMap((_, i): [string, Pattern][] => {
      const wanted = left[i] ?? 0;
      if (wanted === 0) return [];
      const only = left.map((_n, k) => (k === i ? wanted : 0));
      const { offers } = bestPatterns(
        group,
        stock,
        s,
        saw,
        only.map((n) => (n > 0 ? 1 : 0)),
        only,
      );
      const { pattern } = offers[0]!;
      return pattern.strips.length > 0 ? [[keyOf(pattern), pattern]] : [];
    }),
  );
}

/** Takes the whole boards of the relaxed answer, or the likeliest one, and goes on with what is left. */
function dive(
  group: Group,
  stock: BoardStock[],
  saw: Saw,
  wanted: number[],
  supply: Supply,
  pool: Map<string, Pattern>,
  root: Relaxed,
  lp: LpSolver,
  going: () => boolean,
): Used | undefined {
  const left = [...wanted];
  const open: Supply = new Map(supply);
  const used: Used = [];
  let relaxed: Relaxed | undefined = root;
  while (relaxed && left.some((n) => n > 0)) {
    const whole: number[] = relaxed.values.map((v) => Math.floor(v + 1e-6));
    if (!whole.some((n) => n > 0)) {
      const likeliest = relaxed.values.reduce((best, v, i) => (v > relaxed!.values[best]! ? i : best), 0);
      whole[likeliest] = 1;
    }
    relaxed.patterns.forEach((pattern, i) => {
      const supplied = open.get(pattern.stock)!;
      const repeat = supplied === null ? whole[i]! : Math.min(supplied, whole[i]!);
      if (repeat === 0) return;
      used.push({ pattern, repeat });
      totals(pattern, left.length).forEach((n, k) => (left[k] = Math.max(0, left[k]! - n * repeat)));
      if (supplied !== null) open.set(pattern.stock, supplied - repeat);
    });
    if (left.every((n) => n === 0)) return used;
    if (!going()) return undefined;
    // Only patterns that give no more than is left, so that what is found fits it; what is new is worth keeping.
    const close = new Map([...pool, ...alone(group, stock, saw, left)].filter(([, p]) => fitsIn(p, left)));
    relaxed = generate(group, stock, saw, left, open, close, lp, going, true);
    for (const [key, p] of close) pool.set(key, p);
  }
  return relaxed ? used : undefined;
}

export function totals(p: Pattern, blanks: number): number[] {
  const sum = Array.from({ length: blanks }, () => 0);
  for (const s of p.strips) s.counts.forEach((n, i) => (sum[i]! += n));
  return sum;
}

interface Priced {
  stock: number;
  /** Patterns worth having, with what each gives at these worths. */
  offers: { pattern: Pattern; gives: number }[];
  /** No pattern on this stock gives more. */
  most: number;
}

/**
 * The patterns of most worth on one stock. One repeats the best strip of each width, which no pattern can better, and
 * may give more of a blank than is wanted; the other fills each strip with what the ones before it leave, and does not.
 */
function bestPatterns(
  group: Group,
  stock: BoardStock[],
  index: number,
  saw: Saw,
  worth: number[],
  left: number[],
): Priced {
  const room = usable(stock[index]!, saw);
  const widths = [...new Set(group.lying.map((l) => l.width))].filter((w) => w <= room.width).sort((a, b) => b - a);
  const strip = (width: number, wanted: number[]) =>
    fullest(
      group.lying.map((l, i) => ({
        size: l.blank.length + saw.kerf,
        worth: l.width === width ? worth[i]! : 0,
        most: Math.min(wanted[i]!, Math.floor((room.length + saw.kerf) / (l.blank.length + saw.kerf))),
      })),
      room.length + saw.kerf,
    );
  const fits = (w: number) => Math.floor((room.width + saw.kerf) / (w + saw.kerf));
  // Strips of one width, each filled from what the ones before it leave; their worth falls, so the first go first.
  const rest = [...left];
  const filled = widths.flatMap((width) => {
    const out: { width: number; worth: number; counts: number[] }[] = [];
    while (out.length < fits(width)) {
      const next = strip(width, rest);
      if (next.worth === 0) break;
      next.counts.forEach((c, i) => (rest[i]! -= c));
      out.push({ width, ...next });
    }
    return out;
  });
  const side = (strips: { width: number; worth: number; counts: number[]; most: number }[]) => {
    const best = fullest(
      strips.map((s) => ({ size: s.width + saw.kerf, worth: s.worth, most: s.most })),
      room.width + saw.kerf,
    );
    const taken = best.counts.flatMap((n, k) =>
      Array.from({ length: n }, () => ({ width: strips[k]!.width, counts: strips[k]!.counts })),
    );
    return { pattern: { stock: index, strips: taken }, gives: best.worth };
  };
  const within = side(filled.map((s) => ({ ...s, most: 1 })));
  const repeated = side(widths.map((width) => ({ width, ...strip(width, left), most: fits(width) })));
  return { stock: index, offers: [within, repeated], most: repeated.gives };
}

/**
 * A bound from any worths: scaled until no unlimited stock can give more worth than it costs, with limited stock
 * charged for what it gives above its price (linear-programming duality; Farley 1990).
 */
function boundOf(stock: BoardStock[], left: number[], supply: Supply, worth: number[], priced: Priced[]): number {
  const open = priced.filter((p) => supply.get(p.stock) === null);
  const shrink = open.reduce(
    (f, p) => Math.min(f, p.most > 0 ? (stock[p.stock]!.price * SCALE) / p.most : Infinity),
    Infinity,
  );
  const factor = Math.min(1, shrink);
  const demand = left.reduce((s, n, i) => s + worth[i]! * n, 0);
  const charged = priced.reduce((s, p) => {
    const available = supply.get(p.stock)!;
    const { price } = stock[p.stock]!;
    return available === null ? s : s + Math.max(0, p.most * factor - price * SCALE) * available;
  }, 0);
  return Math.max(0, (demand * factor - charged) / SCALE);
}

/** Costs are sums of prices, so a bound rounds up to the next such sum: a multiple of what all prices share. */
function upToPrices(bound: number, prices: number[]): number {
  const cents = prices.filter((p) => p > 0).map((p) => Math.round(p * 100));
  if (cents.length === 0 || prices.some((p) => Math.abs(p * 100 - Math.round(p * 100)) > 1e-9)) return bound;
  const share = cents.reduce((a, b) => {
    while (b > 0) [a, b] = [b, a % b];
    return a;
  });
  return (Math.ceil((bound * 100) / share - 1e-6) * share) / 100;
}
