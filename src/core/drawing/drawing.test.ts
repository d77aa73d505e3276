import { inch } from "@/core/length/length";
import { findRecipe } from "@/core/recipes";
import { findStandard } from "@/core/standards";
import { type Options, shapeItem } from "@/core/shape/shape";
import { exploded, explodedBox } from "./exploded";
import { faceOf, partLetter } from "./face";

const make = (item: string, standard: string, size: string, options: Options = {}) =>
  shapeItem(findRecipe(item, standard)!, findStandard(standard)!, size, options);

test("letters go on after Z", () => {
  expect([0, 25, 26, 51, 52].map(partLetter)).toEqual(["A", "Z", "AA", "AZ", "BA"]);
});

test("a face carries its cuts by layer, each inside the outline", () => {
  const end = make("body", "langstroth-10", "deep").parts[1]!;
  const face = faceOf(end);
  expect(face.cuts.map((c) => c.layer)).toEqual(["RABBET", "RABBET", "RABBET", "HANDHOLD"]);
  for (const ring of face.cuts.flatMap((c) => c.rings))
    for (const [l, w] of ring) {
      expect(l >= 0 && l <= end.size.l).toBe(true);
      expect(w >= 0 && w <= end.size.w).toBe(true);
    }
  const pocket = face.cuts[3]!.rings[0]!;
  expect([pocket[0]![0], pocket[1]![0]]).toEqual([inch(6, 1, 8), inch(10, 1, 8)]);
});

test("pulled apart, every piece is there with its part's letter, and more spread takes more room", () => {
  const shape = make("body", "national", "brood");
  const parts = exploded(shape);
  expect(
    parts
      .map((p) => p.letter)
      .sort()
      .join(""),
  ).toBe("AABBCCDD");
  const size = (spread: number) => {
    const { x, y } = explodedBox(exploded(shape, spread));
    return (x[1] - x[0]) * (y[1] - y[0]);
  };
  expect(size(1)).toBeGreaterThan(size(0.5));
  expect(size(0.5)).toBeGreaterThan(size(0));
});

test("pulled apart, a handhold is seen on the end whose outside is seen, the rest on the other: which face is out", () => {
  // The corner points of what is cut into the ends' faces: a square face has four, a pocket four more.
  const cut = (handholds: string) =>
    exploded(make("body", "langstroth-10", "deep", { handholds, joint: "butt-ends-inside" }))
      .filter((p) => p.part.id === "end")
      .map((p) => p.facets[0]!.recess.map((ring) => ring.length));
  // The far end shows its inside: its rest takes the upper edge off the face.
  expect(cut("none")).toEqual([[4, 4], []]);
  expect(cut("ends")).toEqual([
    [4, 4],
    [4, 4, 4],
  ]);
});

test("nearer parts are drawn over farther ones: the front side after the back one", () => {
  const shape = make("body", "langstroth-10", "deep", { handholds: "none" });
  const order = exploded(shape).map((p) => [p.part.id, Math.round(p.label[0])]);
  const sides = order.filter(([id]) => id === "side");
  // Seen from the front right, the back side stands farther right and up and comes first.
  expect(sides[0]![1]).toBeGreaterThan(sides[1]![1] as number);
});
