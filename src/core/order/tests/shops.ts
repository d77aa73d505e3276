import type { SourcingProblem, Supplier, SupplierOffer } from "../sourcing";

/**
 * So many needs and suppliers, by chance that comes from a seed: breaks, minimums, free deliveries, packs that run out. With `all`
 * everybody sells everything and never runs out, so that one supplier, or one offer, could do it alone.
 */
export function chanceProblem(
  chance: () => number,
  needs: number,
  suppliers: number,
  most: number,
  all = false,
): SourcingProblem {
  const whole = (from: number, to: number) => from + Math.floor(chance() * (to - from + 1));
  const money = (from: number, to: number) => whole(from * 100, to * 100) / 100;
  const ids = Array.from({ length: needs }, (_, i) => `n${i}`);
  const worth = ids.map(() => money(2, 9));
  const offer = (need: string, i: number): SupplierOffer => {
    const pack = whole(1, 3);
    const price = Math.round(worth[i]! * pack * (80 + whole(0, 40))) / 100;
    const from = whole(2, 4);
    return {
      need,
      pack,
      price,
      breaks: chance() < 0.4 ? [{ from, price: Math.round(price * (70 + whole(0, 25))) / 100 }] : [],
      available: chance() < 0.4 && !all ? whole(0, 3) : null,
    };
  };
  return {
    needs: ids.map((id) => ({ id, quantity: whole(1, most) })),
    suppliers: Array.from({ length: suppliers }, (_, s): Supplier => {
      const minimum = chance() < 0.4 ? money(3, 20) : 0;
      return {
        id: `s${s}`,
        delivery: chance() < 0.7 ? money(1, 12) : 0,
        minimum,
        freeFrom: chance() < 0.4 ? minimum + money(5, 25) : null,
        leadDays: whole(1, 8),
        offers: ids.flatMap((id, i) => (chance() < 0.8 || all ? [offer(id, i)] : [])),
      };
    }),
    by: chance() < 0.3 ? 6 : null,
  };
}
