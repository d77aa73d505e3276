import { added } from "./cutting/problem";
import { heldWith, type Point } from "./lay";
import { aboveBound, type LayoutResult } from "./layout";

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
  const held = (p: Point) => heldWith(0, p);
  const slope = (a: Point, b: Point) => (held(b) - held(a)) / (a.setUps - b.setUps);
  for (const p of result.front.toSorted((a, b) => b.setUps - a.setUps || held(a) - held(b))) {
    // Of as many set-ups the best comes first.
    if (hull.at(-1)?.setUps === p.setUps) continue;
    // What has fewer set-ups for no more money makes the others needless.
    while (hull.length > 0 && held(hull.at(-1)!) >= held(p) - 1e-9) hull.pop();
    while (hull.length > 1 && slope(hull.at(-2)!, hull.at(-1)!) >= slope(hull.at(-1)!, p)) hull.pop();
    hull.push(p);
  }
  const from = hull.map((p, i) => (i === 0 ? 0 : slope(hull[i - 1]!, p)));
  return hull.map((p, i) => ({
    ...p,
    price: i === 0 ? 0 : priceBetween(from[i]!, from[i + 1] ?? Infinity),
    above: aboveBound({ cost: p.cost, boundCost: result.boundCost }),
  }));
}

/** The price of fewest decimals, two at the least, above the one and below the other: 0.42 of 0.413 and 0.7, 0.414 of 0.413 and 0.418. */
function priceBetween(from: number, to: number): number {
  for (const parts of [1e2, 1e3, 1e4, 1e5]) {
    const price = (Math.floor(from * parts + 1e-6) + 1) / parts;
    if (price < to) return price;
  }
  return (from + to) / 2;
}

/**
 * A point with what it is held to cost with its set-ups, and how far above the least of that it can be, as a part of it; undefined where
 * offcuts are held to be worth something, as the most that could be kept is not known.
 */
export interface Proposed extends Point {
  together: number;
  above: number | undefined;
}

/**
 * The point held to cost least with its set-ups, each of which costs so much. No layout has cheaper wood than the bound, nor fewer
 * set-ups than the fewest: what they cost together is the least there can be.
 */
export function leastTogether(result: LayoutResult, setUp: number): Proposed | undefined {
  const best = tradeOff(result)
    .map((p) => ({ ...p, together: added([p.cost, p.setUps * setUp]) - p.kept }))
    .toSorted((a, b) => a.together - b.together || a.setUps - b.setUps)[0];
  if (!best) return undefined;
  const boundCost = result.boundCost + result.fewestSetUps * setUp;
  const isKnown = result.request.weighing.offcut === 0;
  return { ...best, above: isKnown ? aboveBound({ cost: best.together, boundCost }) : undefined };
}
