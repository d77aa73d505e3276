import { type FeatureRecipe, featureSchema, KINDS, shapeFeature } from "./feature";
import { featureCuts, featureText, PLAIN_SIDES } from "./say";
import { inch, mm } from "@/core/length/length";
import { Scope } from "@/core/formula/scope";
import { extent, woodAlong } from "@/core/solid/solid";

const size = { l: inch(10), w: inch(6), t: inch(1) };
const make = (recipe: FeatureRecipe) =>
  shapeFeature(featureSchema.parse(recipe), "x", new Scope(), { size, material: "wood" });
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
    expect([stopped.note, stopped.at]).toEqual([
      "stopped",
      { along: inch(1), across: 0, from: ["left end", "reference edge"] },
    ]);
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
    expect(featureText(holes, "in")).toBe(
      "h 1/2 across, middle 2, 4, 6 from the left end and middle 3 from the reference edge, right through, 3 of them",
    );
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

describe("where a cut is measured, and how it is said", () => {
  const rabbet = (edge: "left" | "right") =>
    make({ name: "corner rabbet", kind: "rabbet", edge, face: "far", across: "3/4*inch", deep: "3/8*inch" });
  const groove = (at: string, run: "along" | "across" = "across") =>
    make({ name: "housing", kind: "groove", run, face: "far", at, width: "1*inch", deep: "1/4*inch" });

  test("from the nearer end and edge, to its near side; null where it runs all along", () => {
    expect(groove("2*inch").at).toEqual({ along: inch(2), across: null, from: ["left end", "reference edge"] });
    expect(groove("7*inch").at).toEqual({ along: inch(2), across: null, from: ["right end", "reference edge"] });
    expect(groove("4*inch", "along").at).toEqual({ along: null, across: inch(1), from: ["left end", "other edge"] });
    const hole = make({ name: "rod hole", kind: "hole", l: "9*inch", w: "5*inch", diameter: "1/2*inch" });
    expect(hole.at).toEqual({ along: inch(1), across: inch(1), from: ["right end", "other edge"] });
    // A row is measured from the end that its first or last hole is nearer to.
    const row = make({
      name: "r",
      kind: "hole",
      l: "5*inch",
      w: "1*inch",
      diameter: "1/4*inch",
      count: "3",
      step: "2*inch",
    });
    expect([row.at.from[0], row.marks!.at]).toEqual(["right end", [inch(1), inch(3), inch(5)]]);
  });

  test("every kind says what the machine is set to, and what a new one begins as is a cut at once", () => {
    for (const kind of Object.keys(KINDS) as (keyof typeof KINDS)[]) {
      const cut = make({ name: "x", kind, ...KINDS[kind].begins } as FeatureRecipe);
      expect([kind, cut.settings.length > 0, cut.setup > 0, cut.each > 0]).toEqual([kind, true, true, true]);
      const known = ["name", "kind", "when", "check", "after", ...Object.keys(KINDS[kind].fields)];
      const shown = new Set(KINDS[kind].editor.map((f) => f.key.split(".")[0]));
      expect(known.slice(5).filter((k) => !shown.has(k))).toEqual([]);
    }
  });

  test("in inches and mm, with the distances, in words of the made thing", () => {
    const rest = make({ name: "rest", kind: "rabbet", edge: "top", face: "far", across: "5/8*inch", deep: "3/8*inch" });
    const sides = { ...PLAIN_SIDES, far: "inside face", "reference edge": "upper edge" };
    expect(featureText(rest, "in", sides)).toBe("rest 3/8 wide × 5/8 deep, at the upper edge, in the inside face");
    expect(featureText(rest, "mm")).toBe("rest 9.5 wide × 15.9 deep, at the reference edge, in the far face");
    expect(featureText(groove("2*inch"), "in")).toBe("housing 1 wide × 1/4 deep, 2 from the left end, in the far face");
  });

  test("two that mirror each other once, others by their places, different ones apart", () => {
    expect(featureCuts([rabbet("left"), rabbet("right")], "in")).toEqual([
      { what: "corner rabbet 3/4 wide × 3/8 deep", how: "at both ends, in the far face, dado set" },
    ]);
    expect(featureCuts([groove("1*inch"), groove("8*inch")], "in")[0]!.how).toBe(
      "1 from each end, in the far face, dado set",
    );
    expect(featureCuts([groove("1*inch"), groove("4*inch")], "in")[0]!.how).toContain(
      "1 from the left end; 4 from the left end",
    );
    expect(featureCuts([rabbet("left"), groove("1*inch")], "in")).toHaveLength(2);
    expect(rabbet("left").measures).toEqual({ wide: inch(0, 3, 4), deep: mm(9.525) });
  });
});

describe("folds and limits", () => {
  test("a fold takes nothing away and is said from the edge it is measured from", () => {
    const along = make({ name: "fold line", kind: "fold", run: "along", at: "3/4*inch" });
    expect([along.bites, along.fold, featureText(along, "in")]).toEqual([
      [],
      "along",
      "fold line, 3/4 from the reference edge, in the reference face",
    ]);
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
    expect([row.bites.length, row.note]).toEqual([400, "400 of them"]);
  });
});
