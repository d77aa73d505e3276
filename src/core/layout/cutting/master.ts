import type { LpModel, LpSolver } from "../lp";
import { type CutStock, type Pattern, patternKey, type Supply } from "./problem";
import type { Pricer } from "./pricing";
import { clipped } from "./reshape";

/**
 * The master programme: how often each pattern (a column) is cut, at the least cost, every piece at least as often as it is wanted.
 * Relaxed, patterns may be cut in fractions; column generation starts from a few patterns and adds those of negative reduced cost.
 *
 * Boards 100 long at 10; pieces of 60 (3 wanted) and 40 (3 wanted). Columns [1, 0] and [0, 2]: the relaxed answer cuts 3 and 1.5 for
 * 45, with duals 10 and 5. Pricing finds [1, 1] of value 15, reduced cost 10 − 15 = −5; with it the answer is 3 boards for 30, the
 * duals are 10 and 0, no pattern has a value above 10, and 30 is the bound.
 */

/** Duals are whole numbers of this many parts, so that the bound is whole-number arithmetic. */
export const SCALE = 1_000_000;

/** The columns met so far, by what they are. */
export class ColumnPool {
  private readonly byKey = new Map<string, Pattern>();
  constructor(patterns: Iterable<Pattern> = []) {
    for (const p of patterns) this.add(p);
  }
  /** False when it was there already. */
  add(p: Pattern): boolean {
    const key = patternKey(p);
    if (this.byKey.has(key)) return false;
    this.byKey.set(key, p);
    return true;
  }
  get patterns(): Pattern[] {
    return [...this.byKey.values()];
  }
}

/** An answer of the relaxed programme over the columns there are. */
export interface MasterAnswer {
  patterns: Pattern[];
  /** How often each is cut, in fractions. */
  values: number[];
  /** Of each piece, in money. */
  duals: number[];
  cost: number;
  /** No cutting of the style costs less; not rounded up. */
  bound: number;
  proof: DualBound;
}

/** The duals a bound is made of, in whole parts, and the highest value a pattern of each stock has by them. */
export interface DualBound {
  duals: number[];
  most: number[];
}

export const fitsIn = (p: Pattern, left: number[]) => p.gives.every((n, i) => n <= left[i]!);

/**
 * The relaxed programme over the patterns: every piece at least as often as it is wanted, no stock overdrawn. Where stock
 * is limited a piece may also be missed, at a price no cutting asks, so that the programme always has an answer.
 */
export function modelOf(
  patterns: Pick<Pattern, "stock" | "gives">[],
  stock: CutStock[],
  left: number[],
  supply: Supply,
): LpModel {
  const limited = supply.flatMap((n, s) => (n === null ? [] : [{ s, n }]));
  const row = left.map((n, i) => (n > 0 ? i : -1)).filter((i) => i >= 0);
  const at = new Map(row.map((piece, r) => [piece, r]));
  const missing = limited.length > 0 ? 10 * Math.max(...stock.map((s) => s.price)) + 1 : undefined;
  return {
    rows: [
      ...row.map((i) => ({ sense: ">=" as const, rhs: left[i]! })),
      ...limited.map(({ n }) => ({ sense: "<=" as const, rhs: n })),
    ],
    columns: [
      ...patterns.map((p) => {
        const entries = p.gives.flatMap((n, i): [number, number][] => (n > 0 && at.has(i) ? [[at.get(i)!, n]] : []));
        const charge = limited.findIndex(({ s }) => s === p.stock);
        return {
          cost: stock[p.stock]!.price,
          entries: charge < 0 ? entries : [...entries, [row.length + charge, 1] as [number, number]],
        };
      }),
      ...(missing === undefined ? [] : row.map((_, r) => ({ cost: missing, entries: [[r, 1]] as [number, number][] }))),
    ],
  };
}

/**
 * The same in whole numbers. With several stocks, how many of each are used is a number of its own, which carries the
 * cost: a search that branches on it first soon knows which mix it must be.
 */
export function wholeModelOf(
  patterns: Pick<Pattern, "stock" | "gives">[],
  stock: CutStock[],
  left: number[],
  supply: Supply,
): LpModel {
  const { rows, columns } = modelOf(patterns, stock, left, supply);
  if (stock.length === 1) return { rows, columns, whole: true };
  const used = (s: number) => rows.length + s;
  return {
    rows: [...rows, ...stock.map(() => ({ sense: "<=" as const, rhs: 0 }))],
    columns: [
      ...columns.map((c, i) => {
        const of = patterns[i]?.stock;
        return of === undefined ? c : { cost: 0, entries: [...c.entries, [used(of), 1] as [number, number]] };
      }),
      ...stock.map((s, i) => ({ cost: s.price, entries: [[used(i), -1] as [number, number]] })),
    ],
    whole: true,
  };
}

/** The duals of the last solution: of each piece in whole parts, and what each limited stock is charged. */
function wholeDuals(of: number[], left: number[], supply: Supply): { duals: number[]; charge: number[] } {
  let r = 0;
  const duals = left.map((n) => (n > 0 ? Math.max(0, Math.floor(of[r++]! * SCALE)) : 0));
  const charge = supply.map((n) => (n === null ? 0 : Math.max(0, -of[r++]!)));
  return { duals, charge };
}

/**
 * A bound from any duals: scaled until no pattern of an unlimited stock has a value above its price, with limited stock
 * charged for what it gives above its price (linear-programming duality; Farley 1990). Whole numbers until the last
 * division.
 */
export function boundOf(stock: CutStock[], left: number[], supply: Supply, proof: DualBound): number {
  const demand = left.reduce((sum, n, i) => sum + proof.duals[i]! * n, 0);
  const { shrink, charge } = scaled(stock, supply, proof);
  const charged = charge.reduce((sum, c, i) => sum + c * (supply[i] ?? 0), 0);
  return Math.max(0, (demand * shrink - charged) / SCALE);
}

/** What the duals are multiplied by, and what each limited stock is charged above its price. */
function scaled(stock: CutStock[], supply: Supply, { most }: DualBound): { shrink: number; charge: number[] } {
  const shrink = stock.reduce(
    (f, s, i) => (supply[i] === null && most[i]! > 0 ? Math.min(f, (s.price * SCALE) / most[i]!) : f),
    1,
  );
  const charge = stock.map((s, i) => (supply[i] === null ? 0 : Math.max(0, most[i]! * shrink - s.price * SCALE)));
  return { shrink, charge };
}

/**
 * The least value a pattern of each stock must have to be part of any cutting that costs no more than `target`: the reduced costs of
 * its patterns add up to no more than the gap between the bound and the target.
 */
export function leastValue(
  stock: CutStock[],
  left: number[],
  supply: Supply,
  proof: DualBound,
  target: number,
): number[] {
  const { shrink, charge } = scaled(stock, supply, proof);
  const spare = Math.max(0, target - boundOf(stock, left, supply, proof)) * SCALE + 1;
  return stock.map((s, i) => (s.price * SCALE + charge[i]! - spare) / shrink - 1);
}

/**
 * Column generation (Gilmore and Gomory 1961): solves the relaxed programme over the pool and adds every pattern that
 * has a negative reduced cost until none does, or until `enough` says that the bound can round no further. Duals are smoothed
 * towards those of the best bound (Wentges 1997). With `fitting` only patterns that give no more than is left count.
 */
export function generateColumns(
  stock: CutStock[],
  pricer: Pricer,
  left: number[],
  supply: Supply,
  pool: ColumnPool,
  lp: LpSolver,
  how: { fitting?: boolean; rounds: number; going: () => boolean; enough?: (cost: number, bound: number) => boolean },
): MasterAnswer | undefined {
  let bound = 0;
  let centre: DualBound | undefined;
  let patterns = pool.patterns.filter((p) => !how.fitting || fitsIn(p, left));
  for (let round = 0; ; round++) {
    const solved = lp(modelOf(patterns, stock, left, supply));
    if (!solved) return undefined;
    const { duals, charge } = wholeDuals(solved.duals, left, supply);
    const answer = () => ({
      patterns,
      values: solved.values.slice(0, patterns.length),
      duals: duals.map((w) => w / SCALE),
      cost: solved.objective,
      bound,
      proof: centre ?? { duals, most: stock.map(() => 0) },
    });
    const fresh: Pattern[] = [];
    // Smoothed duals first; the true ones when those find nothing.
    for (const mix of centre && !how.fitting ? [0.6, 0] : [0]) {
      const at = mix > 0 ? duals.map((w, i) => Math.floor(w * (1 - mix) + centre!.duals[i]! * mix)) : duals;
      const most: number[] = [];
      stock.forEach((s, i) => {
        const priced = supply[i] === 0 ? { offers: [], most: 0 } : pricer.best(i, at, left);
        most.push(priced.most);
        // With `fitting` what a pattern gives too much is left out of it.
        const offered = priced.offers.map((o) => o.pattern);
        const offers = how.fitting
          ? [...offered.map((p) => clipped(p, left)), pricer.fitting(i, at, left)?.pattern].flatMap((p) => p ?? [])
          : offered;
        for (const pattern of offers) {
          const value = pattern.gives.reduce((sum, n, k) => sum + n * duals[k]!, 0);
          if (
            value > (s.price + charge[i]!) * SCALE * (1 + 1e-7) + 10 &&
            (!how.fitting || fitsIn(pattern, left)) &&
            pool.add(pattern)
          )
            fresh.push(pattern);
        }
      });
      const proof = { duals: at, most };
      const here = boundOf(stock, left, supply, proof);
      if (here > bound || !centre) {
        bound = here;
        centre = proof;
      }
      if (fresh.length > 0) break;
    }
    if (fresh.length === 0 || round >= how.rounds || how.enough?.(solved.objective, bound) || !how.going())
      return answer();
    patterns = [...patterns, ...fresh];
  }
}
