import { stepsOf } from "@/core/shape/steps";
import { unit } from "mathjs";
import { faceOf } from "@/core/drawing/face";
import { inch, type Length, mm } from "@/core/length/length";
import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { placedBox, probe, reach } from "@/core/shape/assembly";
import { extent } from "@/core/solid/solid";
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
    expect(lengthOf(make("floor-solid", {}, "national"), "panelWidth")).toBe(mm(460) - 2 * mm(19) + 2 * inch(0, 3, 8));
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
    expect([state({}), state({ skirt: inch(6) }), state({ skirt: inch(6), entrance: false })]).toEqual(["ok", "stop", undefined]); // prettier-ignore
  });
  test("the pallet's deck is two hives and three inches each way, on three bearers", () => {
    const { parts } = make("pallet");
    expect([parts[0]!.size.l, parts[0]!.size.w]).toEqual([2 * inch(19, 7, 8) + inch(3), 2 * inch(16, 1, 4) + inch(3)]);
    const xs = parts[1]!.places.map((p) => p.at.x);
    expect([xs.length, xs[0], xs[2]! + parts[1]!.size.t]).toEqual([3, 0, parts[0]!.size.l]);
  });
  test("an escape board has its escape and no notch for bees to walk round it", () => {
    const shape = make("escape-board");
    const { parts } = shape;
    expect(parts.flatMap((p) => p.features.map((f) => f.name))).toEqual(["oval hole"]);
    expect(stepsOf(shape, "in").flatMap((s) => s.uses.map((u) => u.what))).toContain("bee escape");
  });
});

describe("the rest of the hive (sizes of handbook 04, [mem] unless said)", () => {
  const figure = (item: string, rule: string, options: Options = {}) => {
    const line = { item, standard: "langstroth-10", size: "deep", quantity: 1, options };
    return workJob({ ...emptyJob("x", "in"), lines: [line] }).findings.find((f) => f.rule === rule)!;
  };
  test("four-way floor: full-height front, bars 3 × 3/8 + 1/4 and 3/4 wide, tops flush with the rails", () => {
    expect(size("floor-four-way", "front")).toEqual([inch(14, 3, 4), inch(2, 3, 4)]);
    expect([size("floor-four-way", "cross-bar")[1], size("floor-four-way", "lengthwise-bar")[1]]).toEqual([
      inch(1, 3, 8),
      inch(0, 3, 4),
    ]);
    const floor = make("floor-four-way");
    const top = reach(floor, "z", "side")[1];
    expect(reach(floor, "z", "bar")[1]).toBe(top);
  });
  test("each quarter of a four-way cover has one notch and one jar hole, going round", () => {
    const cover = make("inner-cover-four-way");
    const [x, y] = [lengthOf(cover, "bodyOutsideLength") / 2, lengthOf(cover, "bodyOutsideWidth") / 2];
    const quarters = (items: { x: number; y: number }[]) =>
      items.map((p) => `${p.x < x ? "front" : "back"} ${p.y < y ? "right" : "left"}`).sort();
    const all = ["back left", "back right", "front left", "front right"];
    const panel = cover.parts.find((p) => p.id === "panel")!;
    const middle = (r: [number, number]) => (r[0] + r[1]) / 2;
    const jars = panel.features.flatMap((f) => f.bites.map(extent)).map((b) => ({ x: middle(b.l), y: middle(b.w) }));
    expect(quarters(jars)).toEqual(all);
    const notches = cover.parts
      .filter((p) => p.role === "rim")
      .flatMap((p) => p.places.map((at) => {
        const l = middle(extent(p.features[0]!.bites[0]!).l);
        const along = (axis: "x" | "y") => at.at[axis] + (at.dir.l[1] === axis ? (at.dir.l[0] === "+" ? l : -l) : 0);
        return { x: along("x"), y: along("y") };
      })); // prettier-ignore
    expect(quarters(notches)).toEqual(all);
  });
  test("gable roof: rise (width / 2) · tan 22.5°, boards (half width / cos 22.5° + 1) × (length + 2) (trigonometry)", () => {
    const roof = make("roof-gable");
    const half = lengthOf(roof, "outsideWidth") / 2;
    const gable = roof.parts.find((p) => p.id === "gable")!;
    const board = roof.parts.find((p) => p.id === "roof-board")!;
    expect(gable.size.w / half).toBeCloseTo(Math.tan(Math.PI / 8), 8);
    expect((board.size.w - inch(1)) / half).toBeCloseTo(1 / Math.cos(Math.PI / 8), 8);
    expect(board.size.l - lengthOf(roof, "outsideLength")).toBe(inch(2));
    // The boards meet at the ridge, and lie on the gables: no wood between ridge and gable top, and none shared.
    const met = probe(roof, "z", { x: inch(0, 3, 8), y: half - inch(1), z: 0 });
    expect(Math.abs(met.at(-1)!.from - met.at(-2)!.to)).toBeLessThan(2e4);
  });
  test("a trough feeder holds what the boards leave of its inside, to 3/8 below the divider", () => {
    for (const slotAt of ["end", "middle"]) {
      const f = make("feeder-trough", { slotAt });
      const y = lengthOf(f, "outsideWidth") / 2 + 1;
      const wood = probe(f, "x", { x: 0, y, z: inch(1) });
      const gaps = wood.slice(1).map((w, i) => w.from - wood[i]!.to);
      const holdsSyrup = gaps.reduce((a, b) => a + b, 0) - lengthOf(f, "slot");
      const high = f.parts.find((p) => p.role === "divider")!.size.w - inch(0, 3, 8);
      const litres = (holdsSyrup * lengthOf(f, "insideWidth") * high) / 1e24;
      expect(Number.parseFloat(figure("feeder-trough", "feeder-volume", { slotAt }).figure!.text)).toBeCloseTo(
        litres,
        2,
      );
      // The slot is clear right through the floor.
      expect(probe(f, "z", { x: lengthOf(f, "slotStart") + 1000, y, z: 0 })).toEqual([]);
    }
  });
  test("jacket: foam Lo × H and Wo + 2f, cladding past it, outside 2 (f + c) more each way", () => {
    expect(size("insulated-jacket", "foam-side")).toEqual([inch(19, 7, 8), inch(9, 5, 8)]);
    expect(size("insulated-jacket", "foam-end")[0]).toBe(inch(18, 1, 4));
    expect(size("insulated-jacket", "cladding-side")[0]).toBe(inch(21, 7, 8));
    expect(size("insulated-jacket", "cladding-end")[0]).toBe(inch(19));
    expect(lengthOf(make("insulated-jacket"), "outsideLength")).toBe(inch(19, 7, 8) + 2 * inch(1, 3, 8));
  });
  test("R of its wall: layers add, with units from a general library and k of the Wood Handbook, from memory", () => {
    // White pine of specific gravity 0.37 at 12 %: 0.11 W/(m·K) in the handbook's table, from memory.
    const k = 0.35 * (0.1941 + 0.004064 * 12) + 0.01864;
    expect(0.37 * (0.1941 + 0.004064 * 12) + 0.01864).toBeCloseTo(0.11, 2);
    const foam = unit(3.8, "ft^2 degR hour / BTU").toNumber("m^2 K / W");
    const bare = 0.15 + 0.01905 / k;
    const wall = bare + 0.009525 / k + foam;
    expect(Number.parseFloat(figure("insulated-jacket", "bare-r").figure!.text)).toBeCloseTo(bare, 2);
    expect(Number.parseFloat(figure("insulated-jacket", "wall-r").figure!.text)).toBeCloseTo(wall, 2);
    const area = 2 * (0.504825 + 0.41275) * 0.244475;
    expect(Number.parseFloat(figure("insulated-jacket", "wall-loss").figure!.text)).toBeCloseTo(area / wall, 2);
  });
  test("the skin lies flat with four fold lines a fold from its edges, and a cut at each corner that stops on them", () => {
    const skin = make("cover-telescoping").parts.find((p) => p.id === "skin")!;
    const lines = faceOf(skin).cuts.flatMap((c) => (c.line ? [c.line] : []));
    const at = lines.map(([a, b]) => (a[0] === b[0] ? a[0] : a[1]));
    expect(at).toEqual([inch(0, 3, 4), skin.size.w - inch(0, 3, 4), inch(0, 3, 4), skin.size.l - inch(0, 3, 4)]);
    for (const cut of skin.features.filter((f) => f.name === "parcel cut")) {
      const { w } = extent(cut.bites[0]!);
      expect([inch(0), skin.size.w - inch(0, 3, 4)]).toContain(w[0]);
    }
  });
  test("transfer clips: 1 × 6 1/4 for a pair, 1 × 8 for two; a frame jig takes ten at the pitch", () => {
    expect(size("transfer-clip", "clip")).toEqual([inch(6, 1, 4), inch(1)]);
    expect(size("transfer-clip", "clip", { set: "two" })).toEqual([inch(8), inch(1)]);
    expect(size("jig-frame", "wall")[0]).toBe(10 * inch(1, 3, 8) + inch(0, 1, 8));
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

describe("made to the box that is there", () => {
  const box = { bodyOutsideLength: inch(20, 3, 8), bodyOutsideWidth: inch(16, 3, 4) };
  test.each([
    ["floor-solid", "bodyOutsideLength"],
    ["floor-screened", "bodyOutsideLength"],
    ["inner-cover", "bodyOutsideLength"],
    ["feed-rim", "outsideLength"],
    ["quilt-box", "outsideLength"],
    ["feeder-trough", "outsideLength"],
    ["excluder", "bodyOutsideLength"],
  ])("%s is as long and as wide as the box it meets", (item, name) => {
    const shape = make(item, box);
    expect(lengthOf(shape, name)).toBe(box.bodyOutsideLength);
    const [y0, y1] = reach(shape, "y");
    expect(y1 - y0).toBe(box.bodyOutsideWidth);
    // Nothing else was asked: the wood is as thick as it was.
    expect(shape.parts.map((p) => p.size.t)).toEqual(make(item).parts.map((p) => p.size.t));
  });
  test("a lid's skirt goes over it by what it is loose; its skin follows", () => {
    const lid = make("cover-telescoping", box);
    expect(lengthOf(lid, "insideLength")).toBe(box.bodyOutsideLength + inch(0, 3, 8));
    const skin = lid.parts.find((p) => p.id === "skin")!.size;
    expect([skin.l, skin.w]).toEqual([inch(23, 3, 4), inch(20, 1, 8)]);
  });
});

describe("options of handbook 04", () => {
  test("an under-floor entrance has a rim for top bee space and lets its mesh in flush for bottom", () => {
    const high = (beeSpace: string) => reach(make("floor-underfloor", { beeSpace }), "z")[1];
    expect(high("top") - high("bottom")).toBe(inch(0, 1, 4));
    expect(make("floor-underfloor", {}, "national").parts.some((p) => p.role === "rim")).toBe(false);
  });
  test("two pails want 1/2 ply, and two holes", () => {
    const state = (panel: Length) =>
      workJob({ ...emptyJob("x", "in"), lines: [{ item: "inner-cover", standard: "langstroth-10", size: "deep", quantity: 1, options: { hole: "pails", panel } }] }).findings.find((f) => f.rule === "pail-strength")!.state; // prettier-ignore
    expect([state(inch(0, 1, 4)), state(inch(0, 1, 2))]).toEqual(["care", "ok"]);
    const holes = make("inner-cover", { hole: "pails" }).parts.find((p) => p.id === "panel")!.features;
    expect(holes.flatMap((f) => f.bites)).toHaveLength(2);
  });
  test("only the front of an inner board's rim is bored; its hole stands off centre in an eight-frame", () => {
    const rim = make("feed-rim-inner-board");
    expect(rim.parts.filter((p) => p.features.some((f) => f.name === "entrance")).map((p) => [p.name, p.places.length])).toEqual([["Front", 1]]); // prettier-ignore
    const off = (standard: string) => lengthOf(make("feed-rim-inner-board", {}, standard), "offCentre");
    expect([off("langstroth-10"), off("langstroth-8")]).toEqual([0, inch(1)]);
  });
  test("a mouse guard's holes are 3/8, all inside it, more than a bee apart", () => {
    const guard = make("entrance-block", { guard: true }).parts.find((p) => p.id === "guard")!;
    const holes = guard.features[0]!.bites.map((b) => extent(b).l);
    for (const [a, b] of holes) expect([a > 0, b < guard.size.l, Math.round((b - a) / 1e4)]).toEqual([true, true, 953]);
    expect(holes.length).toBeGreaterThan(15);
  });
  test("a roof under felt has no skin, and felt for all of it", () => {
    expect(make("roof-deep", { covering: "felt" }).parts.some((p) => p.role === "skin")).toBe(false);
    const felt = stepsOf(make("roof-deep", { covering: "felt" }), "in")
      .flatMap((s) => s.uses)
      .find((u) => u.what === "roofing felt")!;
    // 20 1/4 + 3 of skin and folds by 16 5/8 + 3: (19 7/8 + 3/8 + 2 × 3/4 + 1 1/2) × (16 1/4 + 3/8 + 1 1/2 + 1 1/2) in².
    expect([felt.unit, Math.round(felt.quantity / 0.00064516)]).toEqual(["m2", Math.round(23.25 * 19.625)]);
  });
  test("a sloping lid lies on its wedges all the way, falls by length · tan 4°, and drips clear of the box", () => {
    const lid = make("cover-flat", { sloping: true });
    const long = lengthOf(lid, "bodyOutsideLength");
    expect(lengthOf(lid, "fall") / long).toBeCloseTo(Math.tan((4 * Math.PI) / 180), 8);
    for (const part of [0.2, 0.5, 0.8]) {
      const met = probe(lid, "z", { x: Math.round(part * long), y: inch(0, 3, 8), z: 0 });
      expect(met.map((m) => m.part.id)).toEqual(["wedge", "sloping-panel"]);
      expect(Math.abs(met[1]!.from - met[0]!.to)).toBeLessThan(2e4);
    }
    expect(reach(lid, "x")[1]).toBeGreaterThan(long + inch(1));
    const bar = lid.parts.find((p) => p.id === "drip-bar")!.places[0]!;
    expect(bar.at.x).toBeGreaterThan(long);
  });
  test("the stand's landing slopes at 35° down from the rails, and lies on their sawn ends", () => {
    const stand = make("stand");
    const landing = stand.parts.find((p) => p.id === "landing")!;
    const [x, z] = (["x", "z"] as const).map((axis) => placedBox(landing, landing.places[0]!)[axis]);
    const run = 6 * Math.cos((35 * Math.PI) / 180) + 0.75 * Math.sin((35 * Math.PI) / 180);
    const fall = 6 * Math.sin((35 * Math.PI) / 180) + 0.75 * Math.cos((35 * Math.PI) / 180);
    expect((x![1] - x![0]) / 25.4e6).toBeCloseTo(run, 4);
    expect((z![1] - z![0]) / 25.4e6).toBeCloseTo(fall, 4);
    expect(landing.size.l).toBe(lengthOf(stand, "bodyOutsideWidth"));
  });
});
