import { type LpModel, type LpSolver, openWith } from "../lp";
import { type CutStock, type Pattern, patternKey, type Rest, type Supply, type Pricing } from "./problem";
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
 * The relaxed programme over the patterns: every piece at least as often as it is wanted, no stock overdrawn, of each stock as many as
 * it `needs`. Where stock
 * is limited a piece may also be missed, at a price no cutting asks, so that the programme always has an answer.
 */
export function modelOf(
  patterns: Pick<Pattern, "stock" | "gives">[],
  stock: CutStock[],
  left: number[],
  supply: Supply,
  needs: number[] = [],
): LpModel {
  const counted = countedOf(supply, needs);
  const limited = counted.filter((c) => c.sense === "<=");
  const row = left.map((n, i) => (n > 0 ? i : -1)).filter((i) => i >= 0);
  const missing = limited.length > 0 ? 10 * Math.max(...stock.map((s) => s.price)) + 1 : undefined;
  return {
    rows: [
      ...row.map((i) => ({ sense: ">=" as const, rhs: left[i]! })),
      ...counted.map(({ sense, n }) => ({ sense, rhs: n })),
    ],
    columns: [
      ...columnsOf(patterns, stock, left, supply, needs),
      ...(missing === undefined ? [] : row.map((_, r) => ({ cost: missing, entries: [[r, 1]] as [number, number][] }))),
    ],
  };
}

/** A column of `modelOf` for each pattern. */
function columnsOf(
  patterns: Pick<Pattern, "stock" | "gives">[],
  stock: CutStock[],
  left: number[],
  supply: Supply,
  needs: number[],
): LpModel["columns"] {
  let rows = 0;
  const rowOf = left.map((n) => (n > 0 ? rows++ : -1));
  const ofStock = stock.map((_, k) =>
    countedOf(supply, needs).flatMap(({ s }, r): [number, number][] => (s === k ? [[rows + r, 1]] : [])),
  );
  return patterns.map((p) => {
    const entries: [number, number][] = [];
    for (const [i, n] of givenBy(p.gives)) if (rowOf[i]! >= 0) entries.push([rowOf[i]!, n]);
    return { cost: stock[p.stock]!.price, entries: [...entries, ...ofStock[p.stock]!] };
  });
}

/** What a pattern gives, piece by piece, without those it does not: a programme is written from it hundreds of times. */
const given = new WeakMap<number[], [piece: number, n: number][]>();
function givenBy(gives: number[]): [piece: number, n: number][] {
  let some = given.get(gives);
  if (!some) {
    some = gives.flatMap((n, i): [number, number][] => (n > 0 ? [[i, n]] : []));
    given.set(gives, some);
  }
  return some;
}

/** The rows that count boards: no more of a stock than there are, and no fewer than it needs. */
const countedOf = (supply: Supply, needs: number[]) =>
  supply.flatMap((n, s) => [
    ...(n === null ? [] : [{ s, n, sense: "<=" as const }]),
    ...(needs[s] ? [{ s, n: needs[s], sense: ">=" as const }] : []),
  ]);

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

/** The duals of the last solution: of each piece in whole parts, and what each stock is charged: below nothing where more is needed. */
function wholeDuals(of: number[], left: number[], supply: Supply, needs: number[]) {
  let r = 0;
  const duals = left.map((n) => (n > 0 ? Math.max(0, Math.floor(of[r++]! * SCALE)) : 0));
  const charge = supply.map(() => 0);
  for (const { s } of countedOf(supply, needs)) charge[s]! -= of[r++]!;
  return { duals, charge };
}

/**
 * A bound from any duals: scaled until no pattern of an unlimited stock has a value above its price. Of a stock that is limited or
 * needed, what its price is above or below that value counts for as many boards as it must or may be (linear-programming
 * duality; Farley 1990). Whole numbers until the last division.
 */
export const boundOf = (
  stock: CutStock[],
  left: number[],
  supply: Supply,
  proof: DualBound,
  needs: number[] = [],
): number => Math.max(0, dualValue(stock, left, supply, proof, needs));

/** The same where it is below nothing, as it may be of bad duals: then it bounds no cost, but still what reduced costs add up to. */
function dualValue(stock: CutStock[], left: number[], supply: Supply, proof: DualBound, needs: number[]): number {
  const demand = left.reduce((sum, n, i) => sum + proof.duals[i]! * n, 0);
  const { shrink, charge } = scaled(stock, supply, proof, needs);
  const charged = charge.reduce((sum, c, i) => sum + c * (c > 0 ? supply[i]! : (needs[i] ?? 0)), 0);
  return (demand * shrink - charged) / SCALE;
}

/**
 * What the duals are multiplied by, and what each stock is charged on top of its price: below nothing where so many are needed that
 * even the best pattern is not worth it.
 */
function scaled(
  stock: CutStock[],
  supply: Supply,
  { most }: DualBound,
  needs: number[],
): { shrink: number; charge: number[] } {
  const shrink = stock.reduce(
    (f, s, i) => (supply[i] === null && most[i]! > 0 ? Math.min(f, (s.price * SCALE) / most[i]!) : f),
    1,
  );
  const charge = stock.map((s, i) => {
    const above = most[i]! * shrink - s.price * SCALE;
    return above > 0 ? (supply[i] === null ? 0 : above) : needs[i] ? above : 0;
  });
  return { shrink, charge };
}

/**
 * The least value a pattern of each stock must have to be part of any cutting that costs no more than `target`: the reduced costs of
 * its patterns add up to no more than the gap between the bound and the target.
 */
export function leastValue(
  stock: CutStock[],
  { left, supply, needs = [] }: Rest,
  proof: DualBound,
  target: number,
): number[] {
  const { shrink, charge } = scaled(stock, supply, proof, needs);
  const spare = Math.max(0, target - dualValue(stock, left, supply, proof, needs)) * SCALE + 1;
  return stock.map((s, i) => (s.price * SCALE + charge[i]! - spare) / shrink - 1);
}

/**
 * Column generation (Gilmore and Gomory 1961): solves the relaxed programme over the pool and adds every pattern that
 * has a negative reduced cost until none does, or until `enough` says that the bound can round no further. Duals are smoothed
 * towards those of the best bound (Wentges 1997). With `fitting` only patterns that give no more than is left count.
 */
export function generateColumns(
  stock: CutStock[],
  pricer: Pricing,
  left: number[],
  supply: Supply,
  pool: ColumnPool,
  lp: LpSolver,
  how: {
    fitting?: boolean;
    rounds: number;
    going: () => boolean;
    enough?: (cost: number, bound: number) => boolean;
    needs?: number[];
  },
): MasterAnswer | undefined {
  const { needs = [] } = how;
  let bound = 0;
  let centre: DualBound | undefined;
  const patterns = pool.patterns.filter((p) => !how.fitting || fitsIn(p, left));
  const model = modelOf(patterns, stock, left, supply, needs);
  const first = patterns.length;
  const missed = model.columns.length - first;
  const programme = openWith(lp, model);
  for (let round = 0; ; round++) {
    const solved = programme.solve();
    if (!solved) {
      programme.close();
      return undefined;
    }
    const { duals, charge } = wholeDuals(solved.duals, left, supply, needs);
    const answer = () => ({
      patterns,
      // Columns that are added come after those of what is missed.
      values: [...solved.values.slice(0, first), ...solved.values.slice(first + missed)],
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
      const here = boundOf(stock, left, supply, proof, needs);
      if (here > bound || !centre) {
        bound = here;
        centre = proof;
      }
      if (fresh.length > 0) break;
    }
    if (fresh.length === 0 || round >= how.rounds || how.enough?.(solved.objective, bound) || !how.going()) {
      programme.close();
      return answer();
    }
    patterns.push(...fresh);
    programme.add(columnsOf(fresh, stock, left, supply, needs));
  }
}
