import { inch } from "@/core/length/length";
import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { orderOf } from "@/core/order/order";
import { layoutRequest } from "@/core/job/ask";
import type { BoardStock } from "@/core/boards/stock";
import { allLayouts, layOut, moneyOf } from "./layout";
import { board } from "./tests/samples";
import { weighed } from "./weighed";

describe("boards without a price", () => {
  const none = { price: 0 };
  test("count by their size: the largest as one, at what priced ones of their kind cost, others as they are", () => {
    const wide = board(none);
    const narrow = board({ ...none, width: inch(7, 1, 2) });
    // 7 1/2 of 11 1/4 is two thirds.
    expect(weighed([wide, narrow]).map((s) => [s.price, s.unpriced])).toEqual([[1, true], [0.67, true]]); // prettier-ignore
    expect(weighed([board({ price: 18 }), narrow]).map((s) => [s.price, s.unpriced])).toEqual([[18, undefined], [12, true]]); // prettier-ignore
    // Another thickness says nothing of this one; what is in the yard stays free.
    const thick = board({ price: 30, thickness: inch(1, 1, 2) });
    const yard = board({ source: "yard", price: 0, available: 2 });
    expect(weighed([thick, wide, yard])).toEqual([thick, { ...wide, price: 1, unpriced: true }, yard]);
  });
  test("are laid out as sparingly as any, and bought without a price", () => {
    const counted = (price: number) => {
      const job = { ...emptyJob("x", "in"), lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 43, options: {} }], stock: [board({ price }), board({ price, width: inch(7, 1, 4) })] }; // prettier-ignore
      const worked = workJob(job);
      const laid = layOut(layoutRequest(worked), () => 0);
      return { laid, order: orderOf(worked, laid) };
    };
    const [bare, priced] = [counted(0), counted(1)];
    expect(bare.laid.count).toBeLessThanOrEqual(priced.laid.count);
    const prices = bare.order.lines.filter((l) => l.unit === "board").map((l) => l.price);
    expect(new Set(prices)).toEqual(new Set([null]));
    expect(bare.order.total).toBe(0);
  });
});

describe("boards in the yard", () => {
  const yard = (o: Partial<BoardStock> = {}) => board({ source: "yard", price: 0, available: 60, ...o });
  const laid = (stock: BoardStock[]) =>
    layOut(layoutRequest(workJob({ ...emptyJob("x", "in"), lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 43, options: {} }], stock })), () => 0); // prettier-ignore
  test("are as few as if each were bought, where nothing is; and cost no money", () => {
    const [free, bought] = [laid([yard()]), laid([board()])];
    expect(free.count).toBe(bought.count);
    expect([moneyOf(free), moneyOf(bought)]).toEqual([undefined, { cost: bought.cost, bound: bought.boundCost }]);
  });
  test("are used before what is bought of their kind, and what is bought is all that costs", () => {
    const mixed = laid([yard({ available: 5 }), board({ price: 10 })]);
    const count = (stock: number) => allLayouts(mixed).reduce((n, { layout }) => n + (layout.stock === stock ? layout.repeat : 0), 0); // prettier-ignore
    expect(count(0)).toBe(5);
    expect(moneyOf(mixed)!.cost).toBeCloseTo(10 * count(1), 6);
  });
});
