import fc from "fast-check";
import { digitsOf, fromMinor, moneySchema, moneyText, percentOf, shared, toMinor } from "./money";
import { readPrice } from "./read";

// ISO 4217: euro 2 decimals, yen none, Kuwaiti dinar 3.
test.each([["EUR", 2], ["JPY", 0], ["KWD", 3], [null, 2]] as const)("%s is counted in %d decimals", (currency, digits) => {
  expect(digitsOf(currency)).toBe(digits);
}); // prettier-ignore

test.each([
  // As written, half away from zero; the doubles of 1.005 and 2.675 lie below the half.
  [1.005, "EUR", 101],
  [2.675, null, 268],
  [-1.005, "EUR", -101],
  [0.5, "JPY", 1],
  [1.0005, "KWD", 1001],
  [1e-9, "EUR", 0],
  [14.2, "EUR", 1420],
])("%d %s is %d coins", (amount, currency, coins) => expect(toMinor(amount, currency)).toBe(coins));

test("coins come back as they were written, in each currency", () => {
  fc.assert(
    fc.property(fc.integer({ min: -1e10, max: 1e10 }), fc.constantFrom("EUR", "JPY", "KWD", null), (coins, currency) => {
      expect(toMinor(fromMinor(coins, currency), currency)).toBe(coins || 0);
    }),
  ); // prettier-ignore
});

test("an amount shared out adds up to itself, and nobody is a whole coin off their share", () => {
  const weight = fc.oneof(fc.constant(0), fc.double({ min: 0.001, max: 1e6, noNaN: true }));
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1e9 }), fc.array(weight, { minLength: 1, maxLength: 30 }), (total, weights) => {
      const parts = shared(total, weights);
      const all = weights.reduce((s, w) => s + w, 0);
      expect(parts.reduce((s, p) => s + p, 0)).toBe(total);
      parts.forEach((p, i) => {
        const exact = all > 0 ? (total * weights[i]!) / all : total / weights.length;
        expect(Math.abs(p - exact)).toBeLessThan(1 + 1e-6);
        expect(Number.isInteger(p) && p >= 0).toBe(true);
      });
    }),
  ); // prettier-ignore
  expect(shared(100, [1, 1, 1])).toEqual([34, 33, 33]);
});

test("amounts are written as their currency is, and a percentage is whole coins", () => {
  expect([moneyText(14.2, "GBP"), moneyText(1250, "JPY"), moneyText(1.5, "KWD"), moneyText(1234.5, null)]).toEqual(["£14.20", "¥1,250", "KWD\u00a01.500", "1,234.50"]); // prettier-ignore
  expect([
    percentOf(1005, 10),
    percentOf(250, 21),
    percentOf(-1005, 10),
    percentOf(115, 50),
    percentOf(1000, 1.15),
  ]).toEqual([101, 53, -101, 58, 12]);
  expect(moneySchema.safeParse({ currency: "ABC", rate: null, overhead: 0, tax: 0 }).success).toBe(false);
});

test.each([
  ["14.20", 14.2],
  ["14,2", 14.2],
  ["£ 1,250.00", 1250],
  ["1.250,50 EUR", 1250.5],
  ["CHF 1'250.05", 1250.05],
  ["1,250", 1250],
  ["1.250.000", 1250000],
  // Nothing is written as no thousands.
  ["0,375", 0.375],
  ["0.125", 0.125],
  ["", null],
  ["on request", null],
  ["-", null],
])("a price list's “%s” is %p", (cell, price) => expect(readPrice(cell)).toEqual({ price }));

test.each([["0.00", /0 is no price/], ["-3", /wanted an amount/], ["two pounds", /read “two pounds”/], ["3 for 5", /wanted/]])("“%s” is no price", (cell, why) => {
  const read = readPrice(cell);
  expect("problem" in read && read.problem).toMatch(why);
}); // prettier-ignore
