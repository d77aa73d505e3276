import { inch, type Length, mm } from "@/core/length/length";
import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { findStandard } from "@/core/standards";
import { lengthOf, type Options, shapeItem } from "@/core/shape/shape";
import { recipeFor } from "./index";

/** What stands under, between and over bodies, against the sizes of handbook 04 for ten-frame Langstroth in 3/4" ([trade]). */
const make = (item: string, options: Options = {}, standard = "langstroth-10") => {
  const s = findStandard(standard)!;
  return shapeItem(recipeFor(item, s)!, s, s.defaultSize, options, "in");
};
const size = (item: string, id: string, options: Options = {}): [Length, Length] => {
  const { l, w } = make(item, options).parts.find((p) => p.id === id)!.size;
  return [l, w];
};

describe("floors", () => {
  test("solid: rails 21 7/8 × 1 7/8, back 14 3/4 × 1 7/8, panel 15 1/2 × 21 1/2", () => {
    expect(size("floor-solid", "rail")).toEqual([inch(21, 7, 8), inch(1, 7, 8)]);
    expect(size("floor-solid", "back")).toEqual([inch(14, 3, 4), inch(1, 7, 8)]);
    expect(size("floor-solid", "panel")).toEqual([inch(21, 1, 2), inch(15, 1, 2)]);
  });
  test("screened: sides 19 7/8 × 2 3/4, front 2, back 1 1/2, ledges 18 3/8 and 13 3/4, mesh 14 3/4 × 19 1/8, tray 15 1/8 × 19 1/8", () => {
    expect(size("floor-screened", "side")).toEqual([inch(19, 7, 8), inch(2, 3, 4)]);
    expect(size("floor-screened", "front")).toEqual([inch(14, 3, 4), inch(2)]);
    expect(size("floor-screened", "back")).toEqual([inch(14, 3, 4), inch(1, 1, 2)]);
    expect([size("floor-screened", "side-ledge")[0], size("floor-screened", "back-ledge")[0]]).toEqual([
      inch(18, 3, 8),
      inch(13, 3, 4),
    ]);
    expect(size("floor-screened", "mesh")).toEqual([inch(19, 1, 8), inch(14, 3, 4)]);
    expect(size("floor-screened", "tray")).toEqual([inch(19, 1, 8), inch(15, 1, 8)]);
  });
  test("under-floor entrance: front 14 3/4 × 23.75 mm over a gap of 8 mm, tunnel floor 2 1/4", () => {
    expect(size("floor-underfloor", "front")).toEqual([inch(14, 3, 4), mm(23.75)]);
    expect(size("floor-underfloor", "tunnel-floor")).toEqual([inch(14, 3, 4), inch(2, 1, 4)]);
    // What is clear under the front, on the geometry: from the tunnel floor's top to the front's lower edge.
    const shape = make("floor-underfloor");
    const front = shape.parts.find((p) => p.id === "front")!;
    const under = front.places[0]!.at.z - front.size.w - shape.parts.find((p) => p.id === "tunnel-floor")!.size.t;
    expect(under).toBe(mm(8));
  });
  test("the entrance block is an eighth shorter than the entrance", () => {
    expect(size("entrance-block", "block")[0]).toBe(inch(14, 5, 8));
  });
});

describe("covers", () => {
  test("telescoping: skirt 3/8 larger than the box, panel 21 3/4 × 18 1/8, skin 23 1/4 × 19 5/8", () => {
    const cover = make("cover-telescoping");
    expect([lengthOf(cover, "insideLength"), lengthOf(cover, "insideWidth")]).toEqual([inch(20, 1, 4), inch(16, 5, 8)]);
    expect(size("cover-telescoping", "panel")).toEqual([inch(21, 3, 4), inch(18, 1, 8)]);
    expect(size("cover-telescoping", "skin")).toEqual([inch(23, 1, 4), inch(19, 5, 8)]);
  });
  test("a cover, a floor and an inner cover follow the National's 460 square", () => {
    const panel = make("inner-cover", {}, "national").parts.find((p) => p.id === "panel")!;
    expect([panel.size.l, panel.size.w]).toEqual([mm(460), mm(460)]);
    expect(lengthOf(make("floor-solid", {}, "national"), "panelWidth")).toBe(
      mm(460) - 2 * inch(0, 3, 4) + 2 * inch(0, 3, 8),
    );
  });
  test("the quilt box's mesh lies on ledges inside the rim; vents stand below a skirt's reach", () => {
    expect(size("quilt-box", "mesh")).toEqual([inch(18, 3, 8), inch(14, 3, 4)]);
    expect(lengthOf(make("quilt-box"), "ventBelow")).toBeGreaterThan(lengthOf(make("cover-telescoping"), "depth"));
  });
});

describe("rims and accessories", () => {
  test("a slat under every frame, tops an eighth below the rim, at the frames' pitch", () => {
    const rack = make("slatted-rack");
    const slat = rack.parts.find((p) => p.id === "slat")!;
    expect([slat.places.length, slat.size.l, slat.size.w]).toEqual([10, inch(19, 1, 8), inch(1)]);
    const ys = slat.places.map((p) => p.at.y);
    // (14 3/4 − 10 × 1 3/8) / 2 + half a pitch less half a slat, past the 3/4 wall.
    expect(ys[0]).toBe(inch(0, 3, 4) + inch(0, 1, 2) + inch(0, 11, 16) - inch(0, 1, 2));
    expect(new Set(ys.slice(1).map((y, i) => y - ys[i]!))).toEqual(new Set([inch(1, 3, 8)]));
    expect(lengthOf(rack, "depth") - slat.places[0]!.at.z).toBe(inch(0, 1, 8));
    // An eight-frame rack has eight.
    expect(make("slatted-rack", {}, "langstroth-8").parts.find((p) => p.id === "slat")!.places).toHaveLength(8);
  });
  test("the inner board is a sixty-fourth less than the rim as it was measured, not as it was drawn", () => {
    const board = (o: Options) => make("feed-rim-inner-board", o).parts.find((p) => p.id === "board")!.size;
    expect(board({}).l).toBe(inch(18, 3, 8) - inch(0, 1, 64));
    expect(board({ rimLength: inch(18, 5, 16), rimWidth: inch(14, 11, 16) })).toMatchObject({ l: inch(18, 19, 64), w: inch(14, 43, 64) }); // prettier-ignore
  });
  test("a cover's skirt over the rim's entrance is found", () => {
    const state = (o: Options) =>
      workJob({ ...emptyJob("x", "in"), lines: [{ item: "feed-rim-inner-board", standard: "langstroth-10", size: "deep", quantity: 1, options: o }] }).findings.find((f) => f.rule === "skirt-clear")?.state; // prettier-ignore
    expect([state({}), state({ skirt: inch(6) }), state({ skirt: inch(6), entrance: false })]).toEqual(["ok", "care", undefined]); // prettier-ignore
  });
  test("the pallet's deck is two hives and three inches each way, on three bearers", () => {
    const { parts } = make("pallet");
    expect([parts[0]!.size.l, parts[0]!.size.w]).toEqual([2 * inch(19, 7, 8) + inch(3), 2 * inch(16, 1, 4) + inch(3)]);
    const xs = parts[1]!.places.map((p) => p.at.x);
    expect([xs.length, xs[0], xs[2]! + parts[1]!.size.t]).toEqual([3, 0, parts[0]!.size.l]);
  });
  test("an escape board has its escape and no notch for bees to walk round it", () => {
    const { parts, recipe } = make("escape-board");
    expect(parts.flatMap((p) => p.features.map((f) => f.name))).toEqual(["oval hole"]);
    expect(recipe.hardware.map((h) => h.name)).toContain("bee escape");
  });
});

test("a frame feeder for two places at 1 3/8 holds about 4.6 litres, for one 1.8 (handbook 04 [mem], volume of a box)", () => {
  const litres = (places: number) => {
    const { parts } = make("feeder-frame", { places });
    const inner = parts.find((p) => p.id === "bottom")!.size;
    return (inner.l * inner.w * (inch(9, 1, 8) - inch(1, 3, 8))) / 1e24;
  };
  expect(litres(2)).toBeCloseTo(4.6, 1);
  expect(litres(1)).toBeCloseTo(1.8, 1);
});

test("a whole hive shares its wood, and nothing in it is stopped", () => {
  const items = ["floor-screened", "body", "frame", "excluder", "inner-cover", "cover-telescoping"];
  const worked = workJob({
    ...emptyJob("hive", "in"),
    lines: items.map((item) => ({ item, standard: "langstroth-10", size: "deep", quantity: 2, options: {} })),
  });
  expect(worked.findings.filter((f) => f.state === "stop")).toEqual([]);
});
