import fc from "fast-check";
import { difference, type Geom, xor } from "polyclip-ts";
import { cutOut, type Polygon, rectangle } from "./plane";

const edge = fc.integer({ min: -2, max: 12 });
const cut = fc.tuple(edge, edge, edge, edge).map(([x, w, y, h]) => rectangle([x, x + 1 + (w + 2) / 2], [y, y + 1 + (h + 2) / 2])); // prettier-ignore

/** By the shoelace formula: positive where it runs counter-clockwise. */
const area = (ring: Polygon) =>
  ring.reduce((s, [x, y], i) => {
    const [u, v] = ring[(i + 1) % ring.length]!;
    return s + (x * v - u * y) / 2;
  }, 0);

test("rectangles are taken out of one as a general library for polygons does, each piece by itself", () => {
  fc.assert(
    fc.property(fc.array(cut, { maxLength: 9 }), (cuts) => {
      const mine = cutOut([10, 10], cuts);
      const theirs = difference([rectangle([0, 10], [0, 10])] as Geom, ...cuts.map((c) => [c] as Geom));
      expect(xor(mine as Geom, theirs)).toEqual([]);
      for (const [outline, ...holes] of mine) {
        expect(area(outline!)).toBeGreaterThan(0);
        for (const hole of holes) expect(area(hole)).toBeLessThan(0);
        // No point on the way straight on, and none twice running.
        for (const ring of [outline!, ...holes])
          ring.forEach(([x, y], i) => {
            const [before, after] = [ring.at(i - 1)!, ring[(i + 1) % ring.length]!];
            expect((x - before[0]) * (after[1] - y) - (y - before[1]) * (after[0] - x)).not.toBe(0);
          });
      }
    }),
    { numRuns: 100 },
  );
});

test("a corner alone holds nothing together", () => {
  const corners = [rectangle([0, 5], [5, 10]), rectangle([5, 10], [0, 5])];
  expect(cutOut([10, 10], corners)).toHaveLength(2);
  expect(cutOut([10, 10], [rectangle([-1, 11], [-1, 11])])).toEqual([]);
});
