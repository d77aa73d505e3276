import fc from "fast-check";
import { inch, type Length, nm } from "@/core/length/length";
import type { BoardStock } from "@/core/job/job";
import { fullest } from "@/core/layout/knapsack";
import { layOut } from "@/core/layout/layout";
import type { Blank, LayoutRequest } from "@/core/layout/request";
import { verify } from "@/core/layout/tests/verify";
import { highsSolver } from "./highs";

const lp = await highsSolver();
const board = (o: Partial<BoardStock> = {}): BoardStock => ({
  form: "board", material: "pine", thickness: nm(19), width: nm(1000), length: nm(1000), price: 1, available: null, source: "buy", ...o,
}); // prettier-ignore
const blank = (id: string, length: number, quantity: number, width = 1000): Blank => ({
  id, name: id, material: "wood", length: nm(length), width: nm(width), thickness: nm(19), quantity,
}); // prettier-ignore
const request = (blanks: Blank[], stock = [board()], kerf = 0): LayoutRequest => ({
  blanks,
  stock,
  saw: { kerf: nm(kerf), endTrim: nm(0), edgeTrim: nm(0), sheetTrim: nm(0), keepOffcut: nm(100) },
});
const solve = (r: LayoutRequest) =>
  layOut(
    r,
    () => performance.now(),
    () => true,
    lp,
  );

describe("the solver", () => {
  test("a small programme has the answer worked by hand: least 2x + 3y with x + y ≥ 4, x ≤ 3", () => {
    const model = { columns: [{ cost: 2, entries: [[0, 1], [1, 1]] as [number, number][] }, { cost: 3, entries: [[0, 1]] as [number, number][] }], rows: [{ sense: ">=" as const, rhs: 4 }, { sense: "<=" as const, rhs: 3 }] }; // prettier-ignore
    const solved = lp(model)!;
    expect(solved.objective).toBeCloseTo(9, 9);
    expect(solved.values.map(Math.round)).toEqual([3, 1]);
    // Duality: prices of the rows give the same objective.
    expect(4 * solved.duals[0]! + 3 * solved.duals[1]!).toBeCloseTo(9, 9);
  });
  test("whole numbers are whole, and what cannot be is undefined", () => {
    const half = {
      columns: [{ cost: 1, entries: [[0, 2]] as [number, number][] }],
      rows: [{ sense: ">=" as const, rhs: 3 }],
    };
    expect(lp(half)!.values[0]).toBeCloseTo(1.5, 9);
    expect(lp({ ...half, whole: true })!.values[0]).toBe(2);
    expect(lp({ columns: [{ cost: 1, entries: [[0, 1], [1, 1]] }], rows: [{ sense: ">=", rhs: 3 }, { sense: "<=", rhs: 2 }] })).toBeUndefined(); // prettier-ignore
  });
});

test("the fullest filling equals brute force", () => {
  const thing = fc.record({
    size: fc.integer({ min: 1, max: 30 }),
    worth: fc.integer({ min: 0, max: 20 }),
    most: fc.integer({ min: 0, max: 3 }),
  });
  fc.assert(
    fc.property(fc.array(thing, { maxLength: 5 }), fc.integer({ min: 0, max: 60 }), (things, room) => {
      const brute = (i: number, left: number): number => {
        const t = things[i];
        if (!t) return 0;
        let best = 0;
        for (let n = 0; n <= t.most && n * t.size <= left; n++)
          best = Math.max(best, n * t.worth + brute(i + 1, left - n * t.size));
        return best;
      };
      const found = fullest(things, room);
      expect(found.worth).toBe(brute(0, room));
      expect(found.counts.reduce((s, n, i) => s + n * things[i]!.size, 0)).toBeLessThanOrEqual(room);
      expect(found.counts.reduce((s, n, i) => s + n * things[i]!.worth, 0)).toBe(found.worth);
    }),
  );
});

describe("layouts by the pattern programme", () => {
  test("every one can be cut, costs no less than its bound and no more than without the solver (own checker)", () => {
    const sixteenth = (min: number, max: number) => fc.integer({ min, max }).map((n) => inch(0, n, 16));
    const blanks = fc.uniqueArray(
      fc.record({ l: sixteenth(80, 700), w: sixteenth(16, 170), q: fc.integer({ min: 1, max: 80 }) }),
      { minLength: 1, maxLength: 6, selector: (b) => `${b.l} ${b.w}` },
    );
    const stock = fc.array(
      fc.record({
        width: sixteenth(100, 190),
        length: sixteenth(800, 1700),
        price: fc.integer({ min: 3, max: 30 }),
        available: fc.option(fc.integer({ min: 0, max: 9 })),
      }),
      { minLength: 1, maxLength: 3 },
    );
    fc.assert(
      fc.property(blanks, stock, (bs, ss) => {
        const r: LayoutRequest = {
          blanks: bs.map((b, i) => ({ ...blank(`p${i}`, b.l, b.q, b.w), thickness: inch(0, 3, 4) })),
          stock: ss.map((s) => board({ ...s, thickness: inch(0, 3, 4) })),
          saw: { kerf: inch(0, 1, 8), endTrim: inch(0, 1, 4), edgeTrim: nm(0), sheetTrim: nm(0), keepOffcut: inch(12) },
        };
        const [plain, solved] = [layOut(r, () => 0), solve(r)];
        verify(solved, r);
        if (plain.missing.length === 0) {
          expect(solved.cost).toBeLessThanOrEqual(plain.cost + 1e-9);
          expect(solved.boundCost).toBeGreaterThanOrEqual(plain.boundCost - 1e-9);
          expect(plain.cost).toBeGreaterThanOrEqual(solved.boundCost - 1e-6);
        }
      }),
      { numRuns: 40 },
    );
  }, 120_000);

  test("the bound is never above the true least: brute force over up to seven pieces with kerf", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 150, max: 700 }), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 0, max: 20 }),
        (lengths, kerf) => {
          const fewest = (left: number[], bins: number[]): number => {
            const [next, ...rest] = left;
            if (next === undefined) return bins.length;
            const into = bins.flatMap((b, i) =>
              b >= next + kerf
                ? [
                    fewest(
                      rest,
                      bins.map((x, j) => (j === i ? x - next - kerf : x)),
                    ),
                  ]
                : [],
            );
            return Math.min(fewest(rest, [...bins, 1000 - next]), ...into);
          };
          const unique = [...new Set(lengths)];
          const solved = solve(
            request(
              unique.map((l, i) => blank(`p${i}`, l, lengths.filter((x) => x === l).length)),
              [board()],
              kerf,
            ),
          );
          const least = fewest(lengths, []);
          expect(solved.boundCost).toBeLessThanOrEqual(least + 1e-9);
          expect(solved.cost).toBeGreaterThanOrEqual(least);
        },
      ),
      { numRuns: 80 },
    );
  });

  test("triplets (Falkenauer 1996): three pieces fill each board exactly, so 20 boards are the least, and found", () => {
    for (const seed of [1, 2, 3, 4]) {
      let state = seed * 7919;
      const random = () => (state = (state * 1103515245 + 12345) % 2147483648) / 2147483648;
      const pieces = Array.from({ length: 20 }, () => {
        const a = 380 + Math.floor(random() * 111);
        const b = 250 + Math.floor(random() * ((1000 - a) / 2 - 250));
        return [a, b, 1000 - a - b];
      }).flat();
      const unique = [...new Set(pieces)];
      const solved = solve(request(unique.map((l, i) => blank(`p${i}`, l, pieces.filter((x) => x === l).length))));
      expect(solved.boundCost).toBe(20);
      expect(solved.count).toBeLessThanOrEqual(21);
    }
  });

  test("a workshop batch of 20 000 pieces is proven within a second or so, however many there are", () => {
    const lengths = [19.125, 16.25, 15.5, 14.75, 20.375, 9.125, 17.75, 6, 23.25, 11.5].map((l) => inch(0, l * 64, 64));
    const blanks = lengths.map((l, i) => ({ ...blank(`p${i}`, l, 2000, inch(9, 5, 8)), thickness: inch(0, 3, 4) }));
    const began = performance.now();
    const solved = solve({
      blanks,
      stock: [board({ width: inch(11, 1, 4) as Length, length: inch(96), thickness: inch(0, 3, 4), price: 14.2 })],
      saw: { kerf: inch(0, 1, 8), endTrim: inch(0, 1, 4), edgeTrim: nm(0), sheetTrim: nm(0), keepOffcut: inch(12) },
    });
    expect(solved.proven).toBe(true);
    expect(performance.now() - began).toBeLessThan(5000);
  });

  test("yard boards first, then the cheapest that is needed; limited stock is not overdrawn", () => {
    const stock = [
      board({ source: "yard", price: 0, available: 2 }),
      board({ price: 5, length: nm(1500) }),
      board({ price: 4, available: 1 }),
    ];
    const r = request([blank("a", 480, 13)], stock);
    const solved = solve(r);
    verify(solved, r);
    // By hand: two yard boards give 4; 9 are left: three long boards give 9 for 15, or two long and the cheap one give 8.
    expect(solved.cost).toBe(15);
    expect(solved.proven).toBe(true);
  });
});
