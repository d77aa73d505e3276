import type { LpModel, LpSolver } from "../lp";
import { type CutStock, type Pattern, patternKey, type Supply } from "./problem";
import { clipped, type Pricer } from "./pricing";

/** Worths are whole numbers of this many parts, so that the bound is whole-number arithmetic. */
export const SCALE = 1_000_000;

/** Patterns met so far, by what they are. */
export class Pool {
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

export interface Relaxed {
  patterns: Pattern[];
  values: number[];
  /** Worth of each piece, in money. */
  worth: number[];
  cost: number;
  /** No cutting of the style costs less; not rounded up. */
  bound: number;
  /** The worths the bound is made of, in whole parts, and the most a pattern of each stock is worth by them. */
  proof: Proof;
}

export interface Proof {
  worth: number[];
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

/** What each piece and each limited stock is worth by the last solution, in whole parts. */
function worths(duals: number[], left: number[], supply: Supply): { worth: number[]; charge: number[] } {
  let r = 0;
  const worth = left.map((n) => (n > 0 ? Math.max(0, Math.floor(duals[r++]! * SCALE)) : 0));
  const charge = supply.map((n) => (n === null ? 0 : Math.max(0, -duals[r++]!)));
  return { worth, charge };
}

/**
 * A bound from any worths: scaled until no unlimited stock can give more worth than it costs, with limited stock
 * charged for what it gives above its price (linear-programming duality; Farley 1990). Whole numbers until the last
 * division.
 */
export function boundOf(stock: CutStock[], left: number[], supply: Supply, proof: Proof): number {
  const demand = left.reduce((sum, n, i) => sum + proof.worth[i]! * n, 0);
  const { shrink, charge } = scaled(stock, supply, proof);
  const charged = charge.reduce((sum, c, i) => sum + c * (supply[i] ?? 0), 0);
  return Math.max(0, (demand * shrink - charged) / SCALE);
}

/** What the worths are multiplied by, and what each limited stock is charged above its price. */
function scaled(stock: CutStock[], supply: Supply, { most }: Proof): { shrink: number; charge: number[] } {
  const shrink = stock.reduce(
    (f, s, i) => (supply[i] === null && most[i]! > 0 ? Math.min(f, (s.price * SCALE) / most[i]!) : f),
    1,
  );
  const charge = stock.map((s, i) => (supply[i] === null ? 0 : Math.max(0, most[i]! * shrink - s.price * SCALE)));
  return { shrink, charge };
}

/**
 * The least a pattern of each stock must be worth to be part of any cutting that costs no more than `target`: what each
 * pattern falls short of its price adds up to no more than lies between the bound and the target.
 */
export function leastUseful(stock: CutStock[], left: number[], supply: Supply, proof: Proof, target: number): number[] {
  const { shrink, charge } = scaled(stock, supply, proof);
  const spare = Math.max(0, target - boundOf(stock, left, supply, proof)) * SCALE + 1;
  return stock.map((s, i) => (s.price * SCALE + charge[i]! - spare) / shrink - 1);
}

/**
 * Column generation (Gilmore and Gomory 1961): solves the relaxed programme over the pool and adds every pattern that
 * would improve it until none does, or until `enough` says that the bound can round no further. Worths are smoothed
 * towards those of the best bound (Wentges 1997). With `fitting` only patterns that give no more than is left count.
 */
export function relax(
  stock: CutStock[],
  pricer: Pricer,
  left: number[],
  supply: Supply,
  pool: Pool,
  lp: LpSolver,
  how: { fitting?: boolean; rounds: number; going: () => boolean; enough?: (cost: number, bound: number) => boolean },
): Relaxed | undefined {
  let bound = 0;
  let centre: Proof | undefined;
  let patterns = pool.patterns.filter((p) => !how.fitting || fitsIn(p, left));
  for (let round = 0; ; round++) {
    const solved = lp(modelOf(patterns, stock, left, supply));
    if (!solved) return undefined;
    const { worth, charge } = worths(solved.duals, left, supply);
    const answer = () => ({
      patterns,
      values: solved.values.slice(0, patterns.length),
      worth: worth.map((w) => w / SCALE),
      cost: solved.objective,
      bound,
      proof: centre ?? { worth, most: stock.map(() => 0) },
    });
    const fresh: Pattern[] = [];
    // Smoothed worths first; the true ones when those find nothing.
    for (const mix of centre && !how.fitting ? [0.6, 0] : [0]) {
      const at = mix > 0 ? worth.map((w, i) => Math.floor(w * (1 - mix) + centre!.worth[i]! * mix)) : worth;
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
          const gives = pattern.gives.reduce((sum, n, k) => sum + n * worth[k]!, 0);
          if (
            gives > (s.price + charge[i]!) * SCALE * (1 + 1e-7) + 10 &&
            (!how.fitting || fitsIn(pattern, left)) &&
            pool.add(pattern)
          )
            fresh.push(pattern);
        }
      });
      const proof = { worth: at, most };
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
