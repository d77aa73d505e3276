import fc from "fast-check";
import { sumsOf } from "./sums";

test("the next sum up and down is what trying every number of each price gives", () => {
  const prices = fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 3 });
  fc.assert(
    fc.property(prices, fc.integer({ min: 1, max: 400 }), (dimes, cost) => {
      const reached = new Set([0]);
      for (let n = 0; n <= 1000; n++) if (dimes.some((p) => reached.has(n - p))) reached.add(n);
      const sums = sumsOf(dimes.map((p) => p / 10));
      const all = [...reached];
      expect(sums.up(cost / 10)).toBeCloseTo(Math.min(...all.filter((n) => n >= cost)) / 10, 9);
      expect(sums.below(cost / 10)).toBeCloseTo(Math.max(...all.filter((n) => n < cost)) / 10, 9);
    }),
  );
});

test("prices finer than hundredths share nothing, and free stock adds nothing", () => {
  expect([sumsOf([1 / 3, 2]).up(0.7), sumsOf([1 / 3, 2]).below(0.7)]).toEqual([0.7, undefined]);
  expect([sumsOf([0, 2.5]).up(2.6), sumsOf([0, 2.5]).below(2.5)]).toEqual([5, 0]);
});

test("prices of any size: in their largest common part, or not rounded at all, and never much memory", () => {
  // Boards at 350 000 and 520 000 share tens of thousands: 35 and 52 of those.
  const large = sumsOf([350_000, 520_000]);
  expect([large.up(1), large.up(700_001), large.up(870_000.5), large.below(870_000)]).toEqual([
    350_000, 870_000, 1_040_000, 700_000,
  ]);
  const odd = sumsOf([350_000.01, 520_000.03]);
  expect([odd.up(1), odd.below(5)]).toEqual([1, undefined]);
});
