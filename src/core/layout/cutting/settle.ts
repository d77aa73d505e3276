import type { LpSolver } from "../lp";
import type { CutStock, Used } from "./problem";
import type { Near, Pricer } from "./pricing";
import { leastUseful, wholeModelOf, type Relaxed } from "./programme";
import { covers, type Rest } from "./rounding";

/** So many patterns, all told, go into one programme as they are. */
const FEW = 400;
/** So many, when pieces that are worth nothing are left out; with more nothing is proven. */
const MOST_PROVEN = 2000;
/** More than this are not gone through. */
const MOST_FOUND = 5000;
/** Nodes a programme may branch into: the cuts at its root do nearly all the work. */
const NODES = 300;

type Chosen = { near: Near; repeat: number }[];

export interface Settling {
  stock: CutStock[];
  pricer: Pricer;
  lp: LpSolver;
  going(): boolean;
  /** Only where few patterns are left over. */
  quick: boolean;
}

/**
 * Settles whether any cutting of the style costs no more than `target`, a little above the bound. Only patterns that lose
 * no more than lies between can be part of one (their reduced costs add up to no more), and often they are few enough to
 * write down every one. A whole-number programme over them finds the cutting, or shows that there is none: then `none` is
 * true and the target is counted out, by so many `patterns`; what costs less than `above` costs no more than the target. Pieces the bound gives no worth are left out of that proof first, which can only
 * make it harder. Rows ask for half a piece less and the target for half a price more, so that the solver's tolerance
 * cannot make a false proof.
 */
export function settle(
  { stock, pricer, lp, going, quick }: Settling,
  { left, supply }: Rest,
  { proof }: Relaxed,
  target: number,
  above: number,
): { used?: Used; none: boolean; known: boolean; patterns: number } {
  const least = leastUseful(stock, left, supply, proof, target);
  const near = (among: boolean[]): Near[] | undefined => {
    const all: Near[] = [];
    for (const s of stock.keys()) {
      const found = supply[s] === 0 ? [] : pricer.near(s, proof.worth, left, least[s]!, among, MOST_FOUND);
      if (!found || all.length + found.length > MOST_FOUND) return undefined;
      all.push(...found);
    }
    // Those that lose least first.
    return all
      .map((n) => ({ n, above: n.worth - least[n.stock]! }))
      .sort((a, b) => b.above - a.above)
      .map(({ n }) => n);
  };
  const every = left.map(() => true);
  const whole = (patterns: Near[], among = every): { chosen?: Chosen; none: boolean } => {
    const wanted = left.map((n, i) => (among[i] ? n : 0));
    const model = wholeModelOf(patterns, stock, wanted, supply);
    const rows = model.rows.map((r) => ({ ...r, rhs: r.sense === ">=" ? r.rhs - 0.5 : r.rhs + 0.5 }));
    // With the target as a row of its own none is sooner shown, one among many later found.
    if (patterns.length <= FEW && stock.length === 1) {
      model.columns.forEach((c) => c.entries.push([rows.length, c.cost]));
      rows.push({ sense: "<=", rhs: above });
    }
    const solved = lp({ ...model, rows, nodes: NODES, target: above });
    if (!solved) return { none: true };
    if (solved.objective > above) return { none: solved.optimal };
    const repeats = patterns.map((near, i) => ({ near, repeat: Math.round(solved.values[i]!) }));
    return { chosen: repeats.filter((c) => c.repeat > 0), none: false };
  };
  const cut = (chosen: Chosen = []): Used | undefined => {
    const used = chosen.map(({ near: n, repeat }) => ({ pattern: n.pattern(), repeat }));
    return covers(used, { left, supply }) ? used : undefined;
  };

  const all = near(every);
  if (all && all.length <= FEW) {
    const { chosen, none } = whole(all);
    return { used: cut(chosen), none, known: true, patterns: all.length };
  }
  const counted = proof.worth.map((w) => w > 0);
  const valued = !quick && going() ? near(counted) : undefined;
  if (!valued || valued.length > MOST_PROVEN) return { none: false, known: false, patterns: 0 };
  const { chosen, none } = whole(valued, counted);
  const used = cut(chosen);
  if (used || !chosen || !all) return { used, none, known: true, patterns: valued.length };
  // The same patterns with whatever fits in beside.
  const key = ({ gives }: Near) => gives.filter((_, i) => counted[i]).join();
  const keys = new Set(chosen.map((c) => key(c.near)));
  return { used: cut(whole(all.filter((n) => keys.has(key(n)))).chosen), none: false, known: true, patterns: 0 };
}
