import fc from "fast-check";
import { askedFor } from "@/core/catalogue/catalogue";
import type { ItemCost } from "./cost";
import { breakEven, compare, eachOf, movesOfBreakEven, waysOf } from "./makeorbuy";

/** A floor's money for a hundred of them, in cents. */
const floor = (wood: number, hardware: number): ItemCost => ({
  line: 0,
  item: "Floor, solid",
  quantity: 100,
  parts: [
    { kind: "wood", minor: wood * 100, working: "" },
    { kind: "hardware", minor: hardware * 100, working: "" },
  ],
  total: 0,
  each: 0,
  minutes: 0,
  unknown: [],
  unknownWood: [],
});
const MINUTES = { cut: { once: 70, each: 12 }, assemble: { once: 20, each: 13 } };
const NO_MORE = { once: 0, each: 0 };
const asked = (prices: object, overhead = 0) => ({ currency: "GBP", rate: 24, overhead, prices });
const by = (ways: ReturnType<typeof waysOf>, way: string) => ways.find((w) => w.way === way)!;

test("a floor of a quarter of the bought price in materials is worth making a hundred of, and not one: the sum by hand", () => {
  // Bought 40.00; materials 10.00; 25 min each at 24 an hour are 10.00; set-ups 90 min are 36.00, once.
  const ways = waysOf(floor(700, 300), MINUTES, NO_MORE, asked({ "ready made": 40 }));
  const [made, bought] = [by(ways, "wood bought"), by(ways, "ready made")];
  expect([made.once, made.each, bought.once, bought.each]).toEqual([3600, 2000, 0, 4000]);
  // 36 + 20 n ≤ 40 n from n = 1.8 on.
  expect(breakEven(made, bought)).toBe(2);
  const known = (n: number) => compare(ways, n).filter((c) => c.way.unknown.length === 0);
  expect(known(1).map((c) => [c.way.way, c.total])).toEqual([["ready made", 4000], ["own wood", 4900], ["wood bought", 5600]]); // prettier-ignore
  expect(known(100).map((c) => [c.way.way, c.each])).toEqual([["own wood", 1336], ["wood bought", 2036], ["ready made", 4000]]); // prettier-ignore
  expect(compare(ways, 100)[0]!.minutes).toBe(90 + 25 * 100);
});

test("ten boxes are cheaper bought, six hundred are not: a small saving on each, and much to set up", () => {
  // Made 24.00 each and 60.00 once, bought 26.00: 60 / 2 = 30 boxes.
  const ways = waysOf(floor(900, 300), { cut: { once: 120, each: 20 }, assemble: { once: 30, each: 10 } }, NO_MORE, asked({ "ready made": 26 })); // prettier-ignore
  const [made, bought] = [by(ways, "wood bought"), by(ways, "ready made")];
  expect([made.once, made.each]).toEqual([6000, 2400]);
  expect(breakEven(made, bought)).toBe(30);
  const least = (n: number) => Math.min(made.once + made.each * n, bought.each * n);
  expect([least(10) === bought.each * 10, least(600) === made.once + made.each * 600]).toEqual([true, true]);
});

test("parts cut elsewhere and kits leave the putting together; overhead is on what is done here; rough wood of one's own takes longer", () => {
  const ways = waysOf(floor(700, 300), MINUTES, { once: 18, each: 3.5 }, asked({ "parts cut": 9, kit: 15, "ready made": 40 }, 10)); // prettier-ignore
  // 9.00 + 3.00 hardware + 13 min at 0.40, and 10 %; set-ups 20 min.
  expect([by(ways, "parts cut").each, by(ways, "parts cut").once]).toEqual([Math.round((900 + 300 + 520) * 1.1), 880]);
  expect([by(ways, "kit").each, by(ways, "ready made").each]).toEqual([Math.round((1500 + 520) * 1.1), 4000]);
  // No wood to pay for; 28.5 min each, 108 once.
  expect([Math.round(by(ways, "own wood").each), by(ways, "own wood").once]).toEqual([Math.round((300 + 1140) * 1.1), 4752]); // prettier-ignore
});

test("the break-even is the first quantity from which it pays, whatever the numbers", () => {
  const money = fc.integer({ min: 0, max: 5000 });
  const way = (once: number, each: number) => ({ way: "kit" as const, once, each, minutes: NO_MORE, working: "", unknown: [] }); // prettier-ignore
  fc.assert(
    fc.property(money, money, money, money, (a, b, c, d) => {
      const [one, other] = [way(a, b), way(c, d)];
      const n = breakEven(one, other);
      const pays = (k: number) => a + b * k <= c + d * k;
      if (n === null) expect([1, 10, 10_000].some(pays)).toBe(false);
      else expect([pays(n), n === 1 || !pays(n - 1)]).toEqual([true, true]);
      expect(eachOf(one, 4)).toBe(b + a / 4);
    }),
    { numRuns: 1500 },
  );
});

test("a price that nobody has said is not known, and what would move the break-even says which way", () => {
  const offers = [{ id: 1, form: "item" as const, material: "Floor", item: "floor-solid", standard: "langstroth-10", size: "", as: "kit" as const, price: null }]; // prettier-ignore
  expect(askedFor(offers, { item: "floor-solid", standard: "langstroth-10", size: "" })).toEqual({
    kit: { price: null, days: null },
  });
  const ways = waysOf(floor(700, 300), MINUTES, NO_MORE, { ...asked({ kit: null }), rate: null });
  expect(by(ways, "kit").unknown).toEqual(["its price", "an hour"]);
  // Wood without a price is no matter where none is bought.
  const bare = { ...floor(0, 300), unknown: ["pine", "glue"], unknownWood: ["pine"] };
  const unknown = waysOf(bare, MINUTES, NO_MORE, asked({ "parts cut": 9 })).map((w) => w.unknown.join(", "));
  expect(unknown).toEqual(["pine, glue", "glue", "glue", "its price", "its price"]);
  const moves = movesOfBreakEven(floor(900, 300), { cut: { once: 120, each: 20 }, assemble: { once: 30, each: 10 } }, NO_MORE, asked({ "ready made": 26 }), "ready made"); // prettier-ignore
  // By hand: 60 / (26 − 25.80) = 300; 48 / 2 = 24; 60 / (26 − 21.60) = 13.6; 72 / (26 − 26.40) never; 60 / (20.80 − 24) never.
  expect(moves.map((m) => m.from)).toEqual([300, 24, 14, null, null]);
});
