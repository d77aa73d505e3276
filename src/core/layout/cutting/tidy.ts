import type { LpSolver } from "../lp";
import { costOf, type CutStock, type Rest, type Used } from "./problem";
import { wholeModelOf } from "./master";
import { covers } from "./primal";

/**
 * Fewer patterns for the same pieces: each is a set-up and a chance to get it wrong.
 *
 * A layout cuts five patterns, one of them on a single board. Without that one the others, cut oftener, come to one board more: four
 * patterns for 21 boards instead of five for 20. Both are kept, and the price the maker gives a set-up decides.
 */

/** Small whole-number programmes solved at most, and their nodes: they keep a tidying to a fraction of a second. */
const TRIES = 8;
const NODES = 5;
/** Smallest patterns that are tried to be left out at each step. */
const SMALLEST = 2;
/** Fewer patterns for more than this part of the cost are not looked for. */
const DEARER = 0.12;

/**
 * The same pieces with fewer and fewer patterns: the patterns cut least often are left out one after another, as long as
 * the others can be cut more often instead (a whole-number programme over just those), each time the one that costs
 * least to miss. Ends with what it has when not `going`. `exact` takes out what is then too much. From most patterns to fewest.
 */
export function fewerPatterns(
  used: Used,
  stock: CutStock[],
  rest: Rest,
  exact: (u: Used) => Used,
  lp: LpSolver,
  going: () => boolean,
): Used[] {
  const found: Used[] = [];
  const most = costOf(used, stock) * (1 + DEARER);
  let now = used;
  for (let tries = 0; now.length > 1 && tries < TRIES && going();) {
    const order = now.map((u, i) => ({ repeat: u.repeat, i })).sort((a, b) => a.repeat - b.repeat);
    let best: Used | undefined;
    for (const { i } of order.slice(0, SMALLEST)) {
      tries++;
      const patterns = now.filter((_, k) => k !== i).map((u) => u.pattern);
      const solved = lp({ ...wholeModelOf(patterns, stock, rest.left, rest.supply), nodes: NODES, going });
      if (!solved) continue;
      const without = patterns.flatMap((pattern, k) =>
        Math.round(solved.values[k]!) > 0 ? [{ pattern, repeat: Math.round(solved.values[k]!) }] : [],
      );
      if (covers(without, rest) && (!best || costOf(without, stock) < costOf(best, stock) - 1e-9)) best = without;
      if (best && costOf(best, stock) <= costOf(now, stock) + 1e-9) break;
    }
    if (!best || costOf(best, stock) > most) break;
    now = best;
    found.push(exact(now));
  }
  return found;
}

/** Those of the layouts that no other beats in both cost and set-ups; cheapest first. */
export function unbeaten(all: Used[], stock: CutStock[], setUps: (used: Used) => number): Used[] {
  const sorted = all
    .map((used) => ({ used, cost: costOf(used, stock), setUps: setUps(used) }))
    .sort((a, b) => a.cost - b.cost || a.setUps - b.setUps);
  const out: typeof sorted = [];
  for (const u of sorted) if (out.every((o) => u.setUps < o.setUps)) out.push(u);
  return out.map((u) => u.used);
}
