import { boardBound } from "../bound";
import type { CuttingProblem, CutStock, Room } from "./problem";
import type { Sums } from "./sums";

/**
 * Bounds by size alone, whatever the cutting: the pieces have to lie somewhere.
 *
 * 80 pieces of 19 1/4 (a kerf with each) on boards of 95 5/8: 80 · 19.25 / 95.625 = 16.1, so 17 boards at the least.
 */

/** How many of the largest board the pieces fill at the least, whatever the cutting; a fraction. */
export function leastOf({ pieces, stock, kerf }: CuttingProblem): number {
  const rooms = stock.flatMap((s) => s.clear);
  if (rooms.length !== stock.length || rooms.length === 0) return 0;
  const around = { length: Math.max(...rooms.map((r) => r.length)), width: Math.max(...rooms.map((r) => r.width)) };
  if (!pieces.some((p) => p.turn && p.length !== p.width)) return boardBound(pieces, around, kerf);
  const area = pieces.reduce((n, p) => n + p.quantity * (p.length + kerf) * (p.width + kerf), 0);
  return area / ((around.length + kerf) * (around.width + kerf));
}

/** The least any cutting at all could cost, by dual feasible functions; 0 when nothing simple can be said. */
export function anyBound(problem: CuttingProblem, sums: Sums): number {
  const { pieces, stock, kerf } = problem;
  const free = stock.filter((s) => s.price === 0);
  if (free.some((s) => s.available === null)) return 0;
  const bought = stock.filter((s) => s.price > 0);
  if (bought.length === 0) return 0;
  const rooms = stock.flatMap((s) => s.clear);
  if (rooms.length > stock.length) return 0;
  const grown = (r: Room) => (r.length + kerf) * (r.width + kerf);
  const area = (s: CutStock) => s.clear.reduce((n, r) => n + grown(r), 0);
  const boards = leastOf(problem);
  const need = boards - free.reduce((n, s) => n + s.available!, 0);
  if (bought.length === 1) return Math.max(0, Math.ceil(need - 1e-6)) * bought[0]!.price;
  // The cheapest area first.
  let open =
    pieces.reduce((n, p) => n + p.quantity * grown(p), 0) - free.reduce((n, s) => n + s.available! * area(s), 0);
  let cost = 0;
  for (const s of [...bought].sort((a, b) => a.price / area(a) - b.price / area(b))) {
    const taken = Math.max(0, Math.min(open, (s.available ?? Infinity) * area(s)));
    cost += (taken / area(s)) * s.price;
    open -= taken;
  }
  return sums.up(cost - 1e-9 * cost);
}
