import { added } from "./cutting/problem";
import { aboveBound, type LayoutResult, setUpsOf } from "./layout";

/**
 * So many set-ups (patterns, and fence and stop settings, thickness by thickness) and the least they cost; `price` is
 * what one more set-up must be held to cost to choose it. `above` is how far above the least of any layout it can be, as a part of that.
 */
export interface TradeOffPoint {
  setUps: number;
  patterns: number;
  cost: number;
  price: number;
  above: number;
}

type Point = Pick<TradeOffPoint, "setUps" | "patterns" | "cost">;

/** The layout shown, as a point. */
export function shownPoint(result: LayoutResult): Point {
  const each = result.groups.map(({ result: g }) => setUpsOf(g));
  const sum = (f: (e: (typeof each)[0]) => number) => each.reduce((n, e) => n + f(e), 0);
  return { patterns: sum((e) => e.patterns), setUps: sum((e) => e.setUps), cost: result.cost };
}

/**
 * What fewer set-ups would cost over the whole job: the layouts of every thickness put together, and of those only the
 * ones that are best for some price of a set-up (the lower convex hull). Most set-ups first.
 */
export function tradeOff(result: LayoutResult): TradeOffPoint[] {
  let sums: Point[] = [{ setUps: 0, patterns: 0, cost: 0 }];
  for (const { result: g } of result.groups) {
    if (g.tradeOff.length === 0) return [];
    const best = new Map<number, Point>();
    for (const a of sums)
      for (const b of g.tradeOff) {
        const p = {
          setUps: a.setUps + b.patterns + b.settings,
          patterns: a.patterns + b.patterns,
          cost: added([a.cost, b.cost]),
        };
        const known = best.get(p.setUps);
        if (!known || p.cost < known.cost) best.set(p.setUps, p);
      }
    sums = [...best.values()];
  }
  const hull: Point[] = [];
  const slope = (a: Point, b: Point) => (b.cost - a.cost) / (a.setUps - b.setUps);
  for (const p of sums.sort((a, b) => b.setUps - a.setUps || a.cost - b.cost)) {
    // What has fewer set-ups for no more money makes the others needless.
    while (hull.length > 0 && hull.at(-1)!.cost >= p.cost - 1e-9) hull.pop();
    while (hull.length > 1 && slope(hull.at(-2)!, hull.at(-1)!) >= slope(hull.at(-1)!, p)) hull.pop();
    hull.push(p);
  }
  return hull.map((p, i) => ({
    ...p,
    price: i === 0 ? 0 : Math.ceil(slope(hull[i - 1]!, p) * 100 + 1e-6) / 100,
    above: aboveBound({ cost: p.cost, boundCost: result.boundCost }),
  }));
}

/** No layout of the job does with fewer set-ups: every thickness wants its own. */
export const fewestOf = (result: LayoutResult): number =>
  result.groups.reduce((n, { result: g }) => n + g.fewestSetUps, 0);

/** A point with what its wood and set-ups cost together, and how far above the least of both that can be, as a part of it. */
export interface Proposed extends Point {
  together: number;
  above: number;
}

/**
 * The point that costs least with its set-ups, each of which costs so much. No layout has cheaper wood than the bound, nor fewer
 * set-ups than the fewest: what they cost together is the least there can be.
 */
export function leastTogether(result: LayoutResult, setUp: number): Proposed | undefined {
  const best = tradeOff(result)
    .map(({ setUps, patterns, cost }) => ({ setUps, patterns, cost, together: added([cost, setUps * setUp]) }))
    .toSorted((a, b) => a.together - b.together || a.setUps - b.setUps)[0];
  const bound = result.boundCost + fewestOf(result) * setUp;
  return best && { ...best, above: aboveBound({ cost: best.together, boundCost: bound }) };
}
