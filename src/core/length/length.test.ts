import fc from "fast-check";
import { create, all } from "mathjs";
import { exactText, inchText, lengthText, mmText, toMm } from "./format";
import { type Length, inch, mm, nm, type Units } from "./length";
import { LengthError, parseLength } from "./parse";

const math = create(all!, { number: "BigNumber", precision: 40 });

describe("reading lengths", () => {
  // The notations are those the job file promises; the values are arithmetic on 1" = 25.4 mm exactly.
  test.each<[string, Units, number]>([
    ["19 7/8", "in", 504.825],
    ["19-7/8", "in", 504.825],
    ['1 1/8"', "in", 28.575],
    ["8'", "in", 2438.4],
    ["8' 2 1/2\"", "in", 2501.9],
    ["225 mm", "in", 225],
    ["22.5 cm", "in", 225],
    ["2.44 m", "mm", 2440],
    ["3/4 in", "mm", 19.05],
    ["19.875", "in", 504.825],
    ["15 31/64", "in", 393.303125],
    ["¾", "in", 19.05],
    ["19⅞", "in", 504.825],
    ["225", "mm", 225],
    ["2 ft 6 in", "mm", 762],
    [".5", "in", 12.7],
    ["505,5", "mm", 505.5],
    ["22,5 cm", "mm", 225],
    ["3⁄4", "in", 19.05],
  ])("%s in a file of %s is %d mm", (text, units, want) => {
    expect(parseLength(text, units) / 1e6).toBe(want);
  });

  test.each<[unknown, Units, RegExp]>([
    ["19 7/", "in", /"19 7\/".*no lower number/],
    ["3/4", "mm", /did you mean 3\/4"\?/],
    ["-3", "in", /below zero/],
    ["3/0", "in", /over 0/],
    ["19 9/8", "in", /not below one/],
    ["3/4 mm", "in", /decimal/],
    ["1,250", "mm", /two ways/],
    ["1.250,5", "mm", /two ways/],
    ["5 yards", "in", /"yards" is not a unit/],
    ["", "in", /nothing there/],
    [Infinity, "in", /not a length/],
    [null, "in", /read null/],
    [[1], "in", /a list/],
    ["9".repeat(80), "in", /too long/],
    ["2000 m", "mm", /100 m/],
    ["1e3", "mm", /not a unit/],
    ["8.5' 2\"", "in", /whole/],
    [-2, "mm", /below zero/],
    ["__proto__", "in", /not a/],
  ])("%p in a file of %s is refused and says why", (input, units, why) => {
    expect(() => parseLength(input, units)).toThrow(LengthError);
    expect(() => parseLength(input, units)).toThrow(why);
  });

  test("whatever is typed is a length or is refused in words, line breaks and all", () => {
    const bit = fc.oneof(fc.constantFrom("3", "/", "8", " ", "-", '"', "'", "ft", "mm", ".", ",", "\n", "\r", "½", "½", "\u2028", "e9"), fc.string({ maxLength: 3, unit: "binary" })); // prettier-ignore
    fc.assert(
      fc.property(fc.array(bit, { maxLength: 9 }), fc.constantFrom<Units>("in", "mm"), (bits, units) => {
        try {
          expect(Number.isInteger(parseLength(bits.join(""), units))).toBe(true);
        } catch (e) {
          expect(e).toBeInstanceOf(LengthError);
        }
      }),
      { numRuns: 3000 },
    );
  });
  test("agrees with a general units library (mathjs) to the nanometre", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 500 }),
        fc.integer({ min: 1, max: 63 }),
        fc.constantFrom(2, 4, 8, 16, 32, 64),
        (w, n, d) => {
          fc.pre(n < d);
          const theirs = math.evaluate(`bignumber(${w * d + n}) * 25400000 / ${d}`).toString();
          expect(String(parseLength(`${w} ${n}/${d}`, "in"))).toBe(theirs);
          const inMm = math.unit(math.bignumber(w * 64 + n), "inch").toNumber("mm") / 64;
          expect(parseLength(`${w} ${n}/64`, "in") / 1e6).toBeCloseTo(inMm, 6);
        },
      ),
    );
  });
});

describe("writing lengths", () => {
  test("fractions reduce to 64ths, with ≈ off the mark; mm go to 0.1, halves away from zero", () => {
    expect(inchText(inch(15, 31, 64))).toBe("15 31/64");
    expect(inchText(inch(19, 56, 64))).toBe("19 7/8");
    expect(inchText(mm(460))).toBe("≈18 7/64");
    expect(inchText(inch(0, -1, 16))).toBe("-1/16");
    expect(inchText(nm(25_399_999))).toBe("≈1");
    expect(mmText(inch(19, 1, 8))).toBe("485.8");
    expect(mmText(nm(22_250_000))).toBe("22.3");
    expect(toMm(nm(-1_500), 3)).toBe(-0.002);
  });

  test("what is written reads back the same, whatever the units", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5_000_000_000 }), fc.constantFrom<Units>("in", "mm"), (n, units) => {
        expect(parseLength(exactText(nm(n), units), units)).toBe(n);
      }),
    );
  });

  test("sums of mixed 64ths and tenths of mm are exact", () => {
    const piece = fc.oneof(
      fc.integer({ min: 0, max: 6400 }).map((n) => ({ text: `${n}/64"`, nm: BigInt(n) * 396_875n })),
      fc.integer({ min: 0, max: 99999 }).map((n) => ({ text: `${n / 10} mm`, nm: BigInt(n) * 100_000n })),
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 60 }), (pieces) => {
        const sum = pieces.reduce((s, p) => s + parseLength(p.text, "in"), 0) as Length;
        expect(BigInt(sum)).toBe(pieces.reduce((s, p) => s + p.nm, 0n));
        expect(lengthText(nm(sum), "mm")).toBe(mmText(nm(sum)));
      }),
    );
  });
});
