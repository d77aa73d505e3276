import type { Order } from "@/core/boards/laid";
import { type Beside, besidePricer } from "./beside";
import { isExact, type Lying, lyingOf, type Plan, plansOf } from "./plan";
import { allNear, type Near, type Wanted } from "./nearby";
import {
  type CuttingProblem,
  given,
  type Item,
  type Offer,
  type Pattern,
  type Pricing,
  type Stretch,
  type Strip,
} from "./problem";
import { candidates, fitInto, setOfStrips } from "./strips";

/**
 * The pricing problem of column generation: given a dual for each piece, the pattern of a stock with the highest value. Its reduced
 * cost is the stock's price less that value; below nothing, the pattern improves the relaxed programme.
 *
 * A board of price 10, 100 long and 20 wide; pieces A 60 × 10 (dual 6) and B 40 × 10 (dual 3). A strip 10 wide brings 9 (one of
 * each), two of them lie across: value 18, reduced cost 10 − 18 = −8, so the pattern [2, 2] enters.
 */

export interface Pricer extends Pricing {
  /**
   * Every pattern of a stock whose value is at least so much and to which nothing can be added, told apart by what it
   * gives; of the pieces in `among`, and no others. Undefined when there are more than `limit`, or where they cannot all
   * be found: in three stages, around bad stretches, on rounded sizes. Pieces told `together` are only counted in value: a pattern
   * gives none of them, but says what they bring at most beside the others; of patterns that give the same all that others do not beat in that.
   */
  near(stock: number, wanted: Wanted, least: number): Near[] | undefined;
  /** How what is cut from a clear stretch lies in its strip. */
  lies(stock: number, clear: number, order: Order, item: Item): Lying;
  /** Prices what goes beside what lies on boards already: each of these patterns is a stock. */
  beside(boards: Pattern[]): Beside;
}

/**
 * Prices patterns exactly: the best filling of every strip width is a knapsack along it, the best set of strips a
 * knapsack across (Gilmore and Gomory 1965). For three stages a knapsack more, across each section of a strip.
 */
export function pricerOf(problem: CuttingProblem): Pricer {
  const { pieces, style } = problem;
  const meter = { spent: 0 };
  const plans = plansOf(problem, meter);
  const offer = (stock: number, stretches: Stretch[], duals: number[]): Offer => {
    const gives = given(stretches, pieces.length);
    return { pattern: { stock, stretches, gives }, value: gives.reduce((sum, n, i) => sum + n * duals[i]!, 0) };
  };

  return {
    spent: () => meter.spent,
    beside: (boards) => besidePricer(plans, boards, () => meter.spent),
    lies: (stock, clear, order, item) => {
      const plan = plans[stock]![clear]!.find((p) => p.order === order)!;
      return lyingOf(
        plan,
        plan.variants.find((v) => v.piece === item.piece && v.turned === item.turned)!,
      );
    },
    near: (stock, wanted, least) =>
      style.stages === 3 || !plans[stock]!.flat().every(isExact)
        ? undefined
        : allNear(stock, plans[stock]!, wanted, least),
    best(stock, duals, left) {
      const priced = plans[stock]!.map((orders) =>
        orders.map((plan) => bestOf(plan, duals, left)).sort((a, b) => b.profit - a.profit),
      );
      const stretches = (pick: number) =>
        priced.flatMap((orders, clear): Stretch[] => {
          const b = orders[Math.min(pick, orders.length - 1)];
          return b && b.profit > 0 ? [{ clear, order: b.order, strips: b.strips() }] : [];
        });
      const tries = style.orders.length > 1 ? [0, 1] : [0];
      return {
        offers: tries.map((pick) => offer(stock, stretches(pick), duals)).filter((o) => o.value > 0),
        most: priced.reduce((sum, orders) => sum + Math.max(0, ...orders.map((o) => o.most)), 0),
      };
    },
    fitting(stock, duals, left) {
      const rest = [...left];
      const stretches = plans[stock]!.flatMap((orders, clear): Stretch[] => {
        const made = orders.map((plan) => {
          const after = [...rest];
          const strips = fitInto(plan, duals, after);
          return {
            order: plan.order,
            strips,
            after,
            value: rest.reduce((sum, n, i) => sum + (n - after[i]!) * duals[i]!, 0),
          };
        });
        const best = made.reduce((a, b) => (b.value > a.value ? b : a));
        rest.splice(0, rest.length, ...best.after);
        return best.strips.length > 0 ? [{ clear, order: best.order, strips: best.strips }] : [];
      });
      return stretches.length > 0 ? offer(stock, stretches, duals) : undefined;
    },
  };
}

/** The strips with most profit, and a bound on it where sizes are rounded. */
function bestOf(plan: Plan, duals: number[], left: number[]) {
  const all = candidates(plan, duals, left, false);
  const chosen = setOfStrips(plan, all, false, plan.roomAcross);
  const strips = () =>
    chosen
      .counts()
      .flatMap((count, k): Strip[] => (count > 0 ? [{ size: all[k]!.size, count, sections: all[k]!.fillings() }] : []));
  const most = isExact(plan)
    ? chosen.profit
    : setOfStrips(plan, candidates(plan, duals, left, true), true, plan.roomAcross).profit;
  return { order: plan.order, profit: chosen.profit, most, strips };
}
