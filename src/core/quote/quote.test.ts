import fc from "fast-check";
import { digitsOf, fromMinor } from "@/core/money/money";
import { changedBetween, type Given, NO_QUOTE, quoteLines, totalsOf, withoutQuoteLine } from "./quote";

const item = (line: number, each: number, quantity = 4) => ({ line, item: `Item ${line}`, quantity, each });

test("a margin is on what a piece costs; a price said for a line stands by itself", () => {
  const quote = { ...NO_QUOTE, margin: 35, asked: [{ line: 1, each: 3000 }] };
  const lines = quoteLines(quote, [item(0, 2570), item(1, 2086), item(2, 0)]);
  // 25.70 and 35 % are 34.695, in whole coins 34.70; 30.00 on 20.86 are 43.8 %.
  expect(lines.map((l) => [l.each, l.own, l.amount])).toEqual([[3470, false, 13880], [3000, true, 12000], [0, false, 0]]); // prettier-ignore
  expect(lines.map((l) => l.margin?.toFixed(1))).toEqual(["35.0", "43.8", undefined]);
  expect(withoutQuoteLine({ ...quote, asked: [{ line: 0, each: 1 }, { line: 1, each: 3000 }] }, 0).asked).toEqual([{ line: 0, each: 3000 }]); // prettier-ignore
});

test("sum, tax and what is to pay are exact in whole coins, whatever the quote, in three currencies' smallest coin", () => {
  const line = fc.record({
    quantity: fc.integer({ min: 1, max: 100_000 }),
    each: fc.integer({ min: 0, max: 5_000_000 }),
  });
  const rate = fc.integer({ min: 0, max: 10_000 });
  fc.assert(
    fc.property(fc.array(line, { minLength: 1, maxLength: 40 }), rate, fc.constantFrom("EUR", "JPY", "KWD"), (lines, hundredths, currency) => {
      const { net, tax, total } = totalsOf(lines, hundredths / 100);
      const sum = lines.reduce((s, l) => s + BigInt(l.quantity) * BigInt(l.each), 0n);
      // By whole numbers alone: tax in hundredths of a per cent, half a coin up.
      const due = (sum * BigInt(hundredths) + 5000n) / 10_000n;
      expect([BigInt(net), BigInt(tax), BigInt(total)]).toEqual([sum, due, sum + due]);
      expect(Number(fromMinor(total, currency).toFixed(digitsOf(currency)))).toBe(fromMinor(total, currency));
    }),
    { numRuns: 500 },
  ); // prettier-ignore
});

test("a revision says what it says otherwise than the one before, and nothing when that is nothing", () => {
  const given: Given = { on: "2027-02-01", until: "2027-03-01", currency: "GBP", tax: 20, lines: [{ item: "Body, deep", quantity: 40, each: 3470, cost: 2570 }, { item: "Feeder", quantity: 2, each: 900, cost: 700 }] }; // prettier-ignore
  const later: Given = { ...given, on: "2027-02-09", until: undefined, tax: 0, terms: "half when ordered", lines: [{ item: "Body, deep", quantity: 45, each: 3400, cost: 2570 }, { item: "Floor", quantity: 40, each: 1500, cost: 900 }] }; // prettier-ignore
  expect(changedBetween(given, { ...given, on: "2027-02-05" })).toEqual([]);
  expect(changedBetween(given, later)).toEqual([
    "Body, deep: 40 → 45",
    "Body, deep: £34.70 → £34.00 each",
    "new: 40 Floor at £15.00",
    "left out: 2 Feeder",
    "tax: 20 → 0 %",
    "valid until: 2027-03-01 → not said",
    "other terms",
  ]);
});
