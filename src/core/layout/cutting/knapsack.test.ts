import fc from "fast-check";
import { fill, fillLong, rasterOf, type Raster } from "./knapsack";

const piece = fc.record({
  size: fc.integer({ min: 1, max: 40 }),
  profit: fc.integer({ min: 0, max: 30 }),
  most: fc.integer({ min: 0, max: 4 }),
});
interface Piece {
  size: number;
  profit: number;
  most: number;
}

/** The most profit of the first `upTo` pieces within a room, by trying everything. */
function brute(pieces: Piece[], room: number, kerf: number, upTo = pieces.length): number {
  if (upTo === 0) return 0;
  const { size, profit, most } = pieces[upTo - 1]!;
  let best = 0;
  for (let n = 0; n <= most && n * (size + kerf) <= room + kerf; n++)
    best = Math.max(best, n * profit + brute(pieces, room - n * (size + kerf), kerf, upTo - 1));
  return best;
}

const filled = (raster: Raster, pieces: Piece[], room: number, bound = false) =>
  fill(
    pieces.map((p) => raster.thing(p.size, p.profit, p.most, bound)),
    raster.room(room),
  );

test("the fullest filling equals trying everything, for every number of pieces, and its counts are what it is profit", () => {
  fc.assert(
    fc.property(
      fc.array(piece, { minLength: 1, maxLength: 5 }),
      fc.integer({ min: 0, max: 90 }),
      fc.integer({ min: 0, max: 5 }),
      (pieces, room, kerf) => {
        const raster = rasterOf(pieces, 90, kerf);
        const answer = filled(raster, pieces, room);
        pieces.forEach((_, k) => {
          const counts = answer.counts(k);
          expect(answer.profit(k)).toBe(brute(pieces, room, kerf, k + 1));
          expect(counts.reduce((s, n, i) => s + n * pieces[i]!.profit, 0)).toBe(answer.profit(k));
          expect(counts.reduce((s, n, i) => s + n * (pieces[i]!.size + kerf), 0)).toBeLessThanOrEqual(room + kerf);
          counts.forEach((n, i) => expect(n).toBeLessThanOrEqual(i <= k ? pieces[i]!.most : 0));
        });
      },
    ),
    { numRuns: 300 },
  );
});

test("the best filling of one long room is that of trying everything, and its counts are what it brings", () => {
  fc.assert(
    fc.property(fc.array(piece, { minLength: 1, maxLength: 6 }), fc.integer({ min: 0, max: 90 }), (pieces, room) => {
      const { profit, counts } = fillLong(pieces, room);
      expect(profit).toBe(brute(pieces, room, 0));
      expect(counts.reduce((s, n, i) => s + n * pieces[i]!.profit, 0)).toBe(profit);
      expect(counts.reduce((s, n, i) => s + n * pieces[i]!.size, 0)).toBeLessThanOrEqual(room);
      counts.forEach((n, i) => expect(n).toBeLessThanOrEqual(pieces[i]!.most));
    }),
    { numRuns: 400 },
  );
});

test("of as many as two thousand cells by a hundred things the long filling brings what the table does", () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ size: fc.integer({ min: 300, max: 900 }), profit: fc.integer({ min: 1, max: 1e6 }), most: fc.integer({ min: 1, max: 3 }) }), { minLength: 60, maxLength: 100 }), // prettier-ignore
      (things) => expect(fillLong(things, 2000).profit).toBe(fill(things, 2000).profit(things.length - 1)),
    ),
    { numRuns: 40 },
  );
});

test("as many as fit is the same as a limit nobody reaches", () => {
  fc.assert(
    fc.property(fc.array(piece, { minLength: 1, maxLength: 4 }), fc.integer({ min: 0, max: 90 }), (pieces, room) => {
      const free = pieces.map((p) => ({ ...p, most: Infinity }));
      const raster = rasterOf(free, 90, 0);
      const limited = pieces.map((p) => ({ ...p, most: 91 }));
      expect(filled(raster, free, room).profit(pieces.length - 1)).toBe(
        filled(rasterOf(limited, 90, 0), limited, room).profit(pieces.length - 1),
      );
    }),
  );
});

describe("lengths with no common measure", () => {
  const odd = (sizes: number[]) => sizes.map((size, i) => ({ size, profit: size + (i % 3), most: 3 }));
  test("few of them: the sums they can make are counted, and the answer is exact", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 300_000, max: 900_000 }), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 0, max: 2_400_000 }),
        (sizes, room) => {
          const pieces = odd(sizes);
          const raster = rasterOf(pieces, 2_400_000, 3_175);
          expect(raster.exact).toBe(true);
          expect(filled(raster, pieces, room).profit(pieces.length - 1)).toBe(brute(pieces, room, 3_175));
        },
      ),
      { numRuns: 100 },
    );
  });
  test("many of them: rounded up a filling still fits, rounded down its profit is never below the true most", () => {
    const sizes = Array.from({ length: 40 }, (_, i) => 1_000_003 + 7_919 * i * i);
    const pieces = odd(sizes).map((p) => ({ ...p, most: 9 }));
    const raster = rasterOf(pieces, 60_000_001, 1);
    expect(raster.exact).toBe(false);
    const up = filled(raster, pieces, 60_000_001);
    const down = filled(raster, pieces, 60_000_001, true);
    const last = pieces.length - 1;
    const length = up.counts(last).reduce((s, n, i) => s + n * (pieces[i]!.size + 1), 0);
    expect(length).toBeLessThanOrEqual(60_000_002);
    expect(down.profit(last)).toBeGreaterThanOrEqual(up.profit(last));
    // No filling is profit more for its length than the densest piece (a bound of its own).
    const densest = Math.max(...pieces.map((p) => p.profit / p.size));
    expect(up.profit(last)).toBeLessThanOrEqual(60_000_001 * densest);
  });
});
