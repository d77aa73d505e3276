import { inch, mm } from "@/core/length/length";
import type { FeatureRecipe } from "@/core/recipes/recipe";
import { featureSchema } from "@/core/recipes/recipe";
import { featureCuts, featureSummary, featureText, shapeFeature } from "./features";
import { Scope } from "@/core/formula/scope";
import { extent, woodAlong } from "@/core/solid/solid";

const size = { l: inch(10), w: inch(6), t: inch(1) };
const make = (recipe: FeatureRecipe) => shapeFeature(featureSchema.parse(recipe), new Scope(), size);
const box = (recipe: FeatureRecipe) => make(recipe).bites.map((b) => extent(b));

describe("what each kind of cut takes from a 10 × 6 × 1 blank", () => {
  test.each<["top" | "bottom" | "left" | "right", { l: number[]; w: number[] }]>([
    ["top", { l: [0, inch(10)], w: [0, inch(2)] }],
    ["bottom", { l: [0, inch(10)], w: [inch(4), inch(6)] }],
    ["left", { l: [0, inch(2)], w: [0, inch(6)] }],
    ["right", { l: [inch(8), inch(10)], w: [0, inch(6)] }],
  ])("a rabbet along the %s edge, 2 across and 1/4 into the far face", (edge, want) => {
    const [bite] = box({ name: "r", kind: "rabbet", edge, face: "far", across: "2*inch", deep: "1/4*inch" });
    expect(bite).toEqual({ ...want, t: [inch(0, 3, 4), inch(1)] });
  });

  test("a rabbet may stop short of both ends", () => {
    const stopped = make({
      name: "rest",
      kind: "rabbet",
      edge: "top",
      face: "reference",
      across: "5/8*inch",
      deep: "3/8*inch",
      from: "1*inch",
      to: "9*inch",
    });
    expect(extent(stopped.bites[0]!).l).toEqual([inch(1), inch(9)]);
    expect(stopped.where).toBe("top inner edge, stopped");
  });

  test("grooves run along or across the grain", () => {
    const groove = (run: "along" | "across") =>
      box({ name: "g", kind: "groove", run, face: "far", at: "1*inch", width: "1/2*inch", deep: "1/4*inch" })[0];
    expect(groove("along")).toMatchObject({ l: [0, inch(10)], w: [inch(1), inch(1, 1, 2)] });
    expect(groove("across")).toMatchObject({ l: [inch(1), inch(1, 1, 2)], w: [0, inch(6)] });
  });

  test("fingers keep odd or even rows; between them the end is gone exactly once", () => {
    const rows = (keep: "odd" | "even", key = "0*inch") =>
      box({
        name: "f", kind: "fingers", end: "left", rows: "5", row: "1*inch", first: "2*inch", long: "1*inch", keep, key,
      }).map((b) => b.w); // prettier-ignore
    expect(rows("odd")).toEqual([
      [inch(2), inch(3)],
      [inch(4), inch(5)],
    ]);
    expect(rows("even")).toEqual([
      [0, inch(2)],
      [inch(3), inch(4)],
      [inch(5), inch(6)],
    ]);
    // Keyed: every row line sits lower, but the edges stay.
    expect(rows("even", "1/4*inch")).toEqual([
      [0, inch(2, 1, 4)],
      [inch(3, 1, 4), inch(4, 1, 4)],
      [inch(5, 1, 4), inch(6)],
    ]);
  });

  test("a notch goes through unless it says how deep", () => {
    const through = make({ name: "n", kind: "notch", l: ["0", "1*inch"], w: ["0", "2*inch"] });
    const deep = make({ name: "n", kind: "notch", l: ["0", "1*inch"], w: ["0", "2*inch"], t: ["1/2*inch", "1*inch"] });
    expect([through.face, extent(through.bites[0]!).t]).toEqual(["through", [0, inch(1)]]);
    expect([deep.face, extent(deep.bites[0]!).t]).toEqual(["far", [inch(0, 1, 2), inch(1)]]);
  });

  test("a row of holes stands in line, each as wide as it says", () => {
    const holes = make({
      name: "h",
      kind: "hole",
      l: "2*inch",
      w: "3*inch",
      diameter: "1/2*inch",
      count: "3",
      step: "2*inch",
    });
    const middles = holes.bites.map((b) => (extent(b).l[0] + extent(b).l[1]) / 2);
    expect(middles).toEqual([inch(2), inch(4), inch(6)]);
    expect(extent(holes.bites[0]!).l[1] - extent(holes.bites[0]!).l[0]).toBe(inch(0, 1, 2));
    expect(featureText(holes, "in")).toBe("h diameter 1/2, 3 of them");
  });

  test("a mitre takes half the corner: nothing at one face, its whole depth at the other", () => {
    const mitre = make({ name: "m", kind: "bevel", edge: "left", face: "far", across: "1*inch", deep: "1*inch" });
    const left = (t: number) => woodAlong(size, mitre.bites, "l", { l: 0, w: inch(3), t })[0]![0];
    expect(left(inch(0, 1, 4))).toBe(inch(0, 1, 4));
    expect(left(inch(0, 3, 4))).toBe(inch(0, 3, 4));
  });

  test("a taper saws the corner off along a straight line", () => {
    const taper = make({ name: "t", kind: "taper", end: "right", edge: "bottom", along: "2*inch", across: "4*inch" });
    const right = (w: number) => woodAlong(size, taper.bites, "l", { l: 0, w, t: inch(0, 1, 2) })[0]![1];
    expect(right(inch(1))).toBe(inch(10));
    expect(right(inch(4))).toBe(inch(9));
    expect(right(inch(5))).toBe(inch(8, 1, 2));
  });

  test("a handhold's roof falls 15° towards the outside face", () => {
    const hold = make({
      name: "handhold", kind: "handhold", l: "5*inch", w: "2*inch", long: "4*inch", high: "3/4*inch", deep: "1/2*inch", slope: "15",
    }); // prettier-ignore
    const roof = (t: number) => woodAlong(size, hold.bites, "w", { l: inch(5), w: 0, t })[0]![1];
    const fall = roof(inch(0, 1, 8)) - roof(inch(0, 3, 8));
    expect(fall / inch(0, 1, 4)).toBeCloseTo(Math.tan((15 * Math.PI) / 180), 4);
    expect(woodAlong(size, hold.bites, "w", { l: inch(5), w: 0, t: inch(0, 5, 8) })).toEqual([[0, inch(6)]]);
  });
});

describe("how cuts are said", () => {
  const rabbet = (edge: "left" | "right") =>
    make({ name: "corner rabbet", kind: "rabbet", edge, face: "far", across: "3/4*inch", deep: "3/8*inch" });

  test("in inches and mm, the rest wide before deep", () => {
    const rest = make({ name: "rest", kind: "rabbet", edge: "top", face: "far", across: "5/8*inch", deep: "3/8*inch" });
    expect(featureText(rest, "in")).toBe("rest 3/8 × 5/8, top inner edge");
    expect(featureText(rest, "mm")).toBe("rest 9.5 × 15.9, top inner edge");
  });

  test("two alike once for both ends, more by their number, different ones apart", () => {
    expect(featureSummary([rabbet("left"), rabbet("right")], "in")).toEqual(["corner rabbet 3/4 × 3/8, both ends"]);
    expect(featureCuts([rabbet("left"), rabbet("right")], "in")[0]!.how).toBe(
      "dado set, from the left end or the right end, into the far face",
    );
    expect(featureSummary([rabbet("left"), rabbet("left"), rabbet("right")], "in")[0]).toContain("3 places");
    const other = make({
      name: "groove",
      kind: "groove",
      run: "along",
      face: "far",
      at: "0",
      width: "1/8*inch",
      deep: "1/4*inch",
    });
    expect(featureSummary([rabbet("left"), other], "in")).toHaveLength(2);
    expect(rabbet("left").measures).toEqual({ wide: inch(0, 3, 4), deep: mm(9.525) });
  });
});

describe("folds and limits", () => {
  test("a fold takes nothing away and is said from the edge it is measured from", () => {
    const along = make({ name: "fold line", kind: "fold", run: "along", at: "3/4*inch" });
    expect([along.bites, along.fold, along.from, featureText(along, "in")]).toEqual([
      [],
      "along",
      "top edge",
      "fold line 3/4",
    ]);
    expect(featureCuts([along], "in")[0]!.how).toBe("at the bench, from the top edge, into the reference face");
    expect(make({ name: "f", kind: "fold", run: "across", at: "1*inch" }).from).toBe("left end");
  });
  test.each<FeatureRecipe>([
    { name: "h", kind: "hole", l: "1*inch", w: "1*inch", diameter: "1/4*inch", count: "401", step: "1*mm" },
    {
      name: "f",
      kind: "fingers",
      end: "left",
      rows: "1001",
      row: "1*mm",
      first: "1*mm",
      long: "1*inch",
      keep: "odd",
      key: "0*inch",
    },
  ])("more than any part has is refused before it is worked out: $kind", (recipe) => {
    expect(() => make(recipe)).toThrow(/at most 400/);
  });
  test("four hundred holes are a row of holes", () => {
    const row = make({
      name: "h",
      kind: "hole",
      l: "1*mm",
      w: "1*inch",
      diameter: "1/4*mm",
      count: "400",
      step: "1/2*mm",
    });
    expect([row.bites.length, row.where]).toEqual([400, "400 of them"]);
  });
});
