import { inch } from "@/core/length/length";
import { measureBody, measureFrame } from "./measure";
import { findRecipe } from "@/core/recipes";
import { findStandard } from "@/core/standards";
import { probe, reach, section, view } from "./assembly";
import { type Options, type Shape, lengthOf, shapeItem } from "./shape";
import { type Bite, sectionOf, silhouette, woodAlong } from "@/core/solid/solid";

const make = (item: string, options: Options = {}): Shape =>
  shapeItem(findRecipe(item)!, findStandard("langstroth-10")!, "deep", options);

/** Area of polygons with holes by the shoelace formula, in nm². */
const area = (rings: [number, number][][][]): number =>
  rings
    .flat()
    .reduce(
      (sum, ring) =>
        sum +
        ring.reduce(
          (s, [x, y], i) => s + x * ring[(i + 1) % ring.length]![1] - ring[(i + 1) % ring.length]![0] * y,
          0,
        ) /
          2,
      0,
    );

describe("a blank less its bites", () => {
  const size = { l: 100, w: 40, t: 10 };
  const box: Bite = { box: { l: [10, 30], w: [0, 40], t: [6, 10] } };
  const hole: Bite = {
    prism: {
      axis: "t",
      range: [-1, 11],
      polygon: [
        [60, 10],
        [80, 10],
        [80, 30],
        [60, 30],
      ],
    },
  };
  const ramp: Bite = {
    prism: {
      axis: "l",
      range: [0, 100],
      polygon: [
        [0, 0],
        [10, 0],
        [0, 10],
      ],
    },
  };

  test("a line meets the wood that is left", () => {
    expect(woodAlong(size, [box, hole], "l", { l: 0, w: 20, t: 8 })).toEqual([
      [0, 10],
      [30, 60],
      [80, 100],
    ]);
    expect(woodAlong(size, [box, hole], "l", { l: 0, w: 20, t: 3 })).toEqual([
      [0, 60],
      [80, 100],
    ]);
    expect(woodAlong(size, [box], "t", { l: 20, w: 20, t: 0 })).toEqual([[0, 6]]);
    expect(woodAlong(size, [hole], "t", { l: 70, w: 20, t: 0 })).toEqual([]);
    expect(woodAlong(size, [], "w", { l: 200, w: 0, t: 5 })).toEqual([]);
  });

  test("a slope is met where it lies", () => {
    expect(woodAlong(size, [ramp], "t", { l: 50, w: 4, t: 0 })).toEqual([[6, 10]]);
    expect(woodAlong(size, [ramp], "w", { l: 50, w: 0, t: 3 })).toEqual([[7, 40]]);
  });

  test("sections and outlines have the area arithmetic gives", () => {
    expect(area(sectionOf(size, [box, hole], "t", 8))).toBe(100 * 40 - 20 * 40 - 20 * 20);
    expect(area(sectionOf(size, [box, hole], "l", 20))).toBe(40 * 6);
    expect(area(sectionOf(size, [ramp], "l", 50))).toBe(400 - 50);
    // Only what goes right through shows in the outline.
    expect(area(silhouette(size, [box, hole], "t"))).toBe(4000 - 400);
    expect(sectionOf(size, [], "l", 100)).toEqual([]);
  });
});

describe("the assembled body", () => {
  // 19 7/8 × 16 1/4 outside in 3/4" stock → 18 3/8 × 14 3/4 inside: handbook 12 [trade].
  test("measured with straight lines, comes out as the check value says", () => {
    for (const joint of [
      "rabbet-ends",
      "rabbet-sides",
      "butt-ends-inside",
      "butt-sides-inside",
      "finger",
      "dovetail",
      "mitre",
    ])
      expect(measureBody(make("body", { joint }))).toEqual({
        insideLength: inch(18, 3, 8),
        insideWidth: inch(14, 3, 4),
        outsideLength: inch(19, 7, 8),
        outsideWidth: inch(16, 1, 4),
        depth: inch(9, 5, 8),
        restToRest: inch(19, 1, 8),
        restDepth: inch(0, 5, 8),
        runnerRise: 0,
      });
  });

  test("the rest is a step in the end, seen by a line down through it", () => {
    const s = make("body", { handholds: "none" });
    const down = probe(s, "z", { x: inch(0, 5, 8), y: inch(8), z: 0 });
    expect(down.map((w) => [w.from, w.to, w.part.role])).toEqual([[0, inch(9), "end"]]);
  });

  test("a handhold is cut in the outside face and its roof falls outwards", () => {
    const s = make("body", { handholds: "all" });
    for (const [axis, at] of [
      ["x", { x: 0, y: inch(8, 1, 8), z: inch(9, 5, 8) - inch(2, 3, 8) }],
      ["y", { x: inch(9, 15, 16), y: 0, z: inch(9, 5, 8) - inch(2, 3, 8) }],
    ] as const) {
      const [first, last] = [probe(s, axis, at)[0]!, probe(s, axis, at).at(-1)!];
      expect([first.to - first.from, last.to - last.from]).toEqual([inch(0, 1, 4), inch(0, 1, 4)]);
      expect(first.from).toBe(inch(0, 1, 2));
    }
    const roof = (depth: number) => probe(s, "z", { x: depth, y: inch(8, 1, 8), z: 0 })[1]!.from;
    expect(roof(inch(0, 3, 8))).toBeGreaterThan(roof(inch(0, 1, 8)));
  });

  test("cut through the length: end grain nowhere but in the ends' neighbours, area as the walls have it", () => {
    const cut = section(make("body", { handholds: "none", joint: "butt-ends-inside" }), "y", inch(8)).filter(
      (o) => o.cut,
    );
    const wall = inch(0, 3, 4) * inch(9, 5, 8) - inch(0, 3, 8) * inch(0, 5, 8);
    expect(cut.map((o) => [o.part.role, o.grain, Math.abs(area(o.rings))])).toEqual([
      ["end", "end", wall],
      ["end", "end", wall],
    ]);
  });
});

describe("the assembled frame", () => {
  test("measures come from its wood", () => {
    expect(measureFrame(make("frame"))).toMatchObject({
      topBarLength: inch(19),
      frameLength: inch(17, 3, 4),
      frameHeight: inch(9, 1, 8),
      earThickness: inch(0, 3, 8),
    });
  });

  test("the end bar seen face on: fork above, notch below, shoulder 3 long", () => {
    const bar = view(make("frame"), "x").find((o) => o.part.role === "end-bar")!;
    const whole = inch(9, 1, 8) * inch(1, 3, 8);
    const fork = inch(0, 3, 4) * inch(0, 7, 8);
    const notch = inch(0, 3, 8) * inch(0, 3, 4);
    const sides = 2 * inch(0, 1, 8) * inch(6, 1, 8);
    expect(Math.abs(area(bar.rings))).toBe(whole - fork - notch - sides);
  });

  test("wedge and strips: the sheet's slot runs through on the middle", () => {
    const s = make("frame", { foundation: "wired-wax" });
    const middle = lengthOf(s, "middle");
    expect(probe(s, "z", { x: inch(9, 1, 2), y: middle, z: 0 }).map((w) => w.part.role)).toEqual(["top-bar"]);
    expect(reach(s, "y", "bottom-bar").map((v) => v - middle)).toEqual([-inch(0, 3, 8), inch(0, 3, 8)]);
  });
});
