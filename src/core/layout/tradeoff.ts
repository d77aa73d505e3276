import { added } from "./cutting/problem";
import { aboveBound, type LayoutResult, type Point } from "./layout";

/**
 * So many set-ups (patterns, and fence and stop settings, thickness by thickness) and the least they cost; `price` is
 * what one more set-up must be held to cost to choose it. `above` is how far above the least of any layout it can be, as a part of that.
 */
export interface TradeOffPoint extends Point {
  price: number;
  above: number;
}

/** Of what fewer set-ups would cost the points that are best for some price of a set-up (the lower convex hull). Most set-ups first. */
export function tradeOff(result: LayoutResult): TradeOffPoint[] {
  const hull: Point[] = [];
  const slope = (a: Point, b: Point) => (b.cost - a.cost) / (a.setUps - b.setUps);
  for (const p of result.front.toSorted((a, b) => b.setUps - a.setUps || a.cost - b.cost)) {
    // Of as many set-ups the cheapest comes first.
    if (hull.at(-1)?.setUps === p.setUps) continue;
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
  const bound = result.boundCost + result.fewestSetUps * setUp;
  return best && { ...best, above: aboveBound({ cost: best.together, boundCost: bound }) };
}
