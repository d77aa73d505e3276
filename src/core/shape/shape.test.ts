import fc from "fast-check";
import { inch, mm, type Length } from "@/core/length/length";
import { findRecipe, RECIPES } from "@/core/recipes";
import { recipeSchema } from "@/core/recipes/recipe";
import { findStandard, STANDARDS } from "@/core/standards";
import { standardSchema } from "@/core/standards/standard";
import { ITEM_AXES, placedBox, probe } from "./assembly";
import { FormulaError, evaluate, lengthValue, toLength } from "@/core/formula/formula";
import { featureCuts } from "@/core/feature/say";
import { roomOf } from "./measure";
import { type Options, type Shape, ShapeError, shapeItem } from "./shape";
import { Scope } from "@/core/formula/scope";
import { AXES } from "@/core/solid/solid";
import { workingText } from "@/core/formula/write";

const make = (item: string, size: string, options: Options = {}) =>
  shapeItem(findRecipe(item)!, findStandard("langstroth-10")!, size, options);
const blank = (s: Shape, id: string) => {
  const p = s.parts.find((x) => x.id === id)!;
  return [p.places.length, p.size.l, p.size.w, p.size.t];
};

describe("cut sizes of bodies", () => {
  // Joint table of the workshop handbook, chapter 4 [trade]; the first row is chapter 12's check value.
  test.each<[string, Options, [Length, Length]]>([
    ["rabbet-ends", {}, [inch(19, 1, 8), inch(16, 1, 4)]],
    ["rabbet-sides", {}, [inch(19, 7, 8), inch(15, 1, 2)]],
    ["butt-ends-inside", {}, [inch(19, 7, 8), inch(14, 3, 4)]],
    ["butt-sides-inside", {}, [inch(18, 3, 8), inch(16, 1, 4)]],
    ["finger", {}, [inch(19, 7, 8), inch(16, 1, 4)]],
    ["dovetail", {}, [inch(19, 7, 8), inch(16, 1, 4)]],
    ["mitre", {}, [inch(19, 7, 8), inch(16, 1, 4)]],
    // True 1" butt held inside: sides 20 3/8, ends 14 3/4 (arithmetic on the same table).
    ["butt-ends-inside", { thickness: inch(1) }, [inch(20, 3, 8), inch(14, 3, 4)]],
    // Held outside, 19 7/8 stays.
    ["butt-ends-inside", { thickness: inch(1), hold: "outside" }, [inch(19, 7, 8), inch(14, 1, 4)]],
  ])("%s %p", (joint, options, [side, end]) => {
    const s = make("body", "deep", { joint, ...options });
    const t = (options.thickness as Length) ?? inch(0, 3, 4);
    expect(blank(s, "side")).toEqual([2, side, inch(9, 5, 8), t]);
    expect(blank(s, "end")).toEqual([2, end, inch(9, 5, 8), t]);
  });

  // Rows and top row of chapter 12, "fingers, 3/4" stock" (arithmetic), and true 1" deep of chapter 4.
  test.each<[string, Length, number, Length]>([
    ["deep", inch(0, 3, 4), 13, inch(0, 5, 8)],
    ["medium", inch(0, 3, 4), 9, inch(0, 5, 8)],
    ["shallow", inch(0, 3, 4), 7, inch(1, 3, 16)],
    ["jumbo", inch(0, 3, 4), 15, inch(1, 1, 8)],
    ["deep", inch(1), 9, inch(1, 5, 8)],
  ])("fingers of a %s in %d", (size, thickness, rows, top) => {
    const s = make("body", size, { joint: "finger", thickness });
    expect(s.scope.working("fingerRows").value).toMatchObject({ of: expect.objectContaining({ n: BigInt(rows) }) });
    expect(toLength(s.scope.working("topRow").value, "top row")).toBe(top);
  });

  test("the rest runs through only where the corner stays closed", () => {
    const rest = (o: Options) =>
      make("body", "deep", o)
        .parts.find((p) => p.id === "end")!
        .features.find((f) => f.name === "rest")!;
    expect(rest({}).note ?? "").not.toMatch(/stopped/);
    expect(rest({ lap: inch(0, 1, 4) }).note).toMatch(/stopped/);
    expect(rest({ joint: "butt-sides-inside" }).note).toMatch(/stopped/);
  });
});

test("every recipe and standard that ships keeps to its schema", () => {
  for (const r of RECIPES) expect(recipeSchema.parse(r)).toEqual(r);
  for (const s of STANDARDS) expect(standardSchema.parse(s)).toEqual(s);
});

test("frame parts come out as in the handbook's sample (chapter 4, deep; [mem] and [trade])", () => {
  const plastic = make("frame", "deep");
  expect(blank(plastic, "top-bar")).toEqual([1, inch(19), inch(1, 1, 16), inch(0, 3, 4)]);
  expect(blank(plastic, "end-bar")).toEqual([2, inch(9, 1, 8), inch(1, 3, 8), inch(0, 3, 8)]);
  expect(blank(plastic, "bottom-bar")).toEqual([1, inch(17, 3, 4), inch(0, 3, 4), inch(0, 3, 8)]);
  const wax = make("frame", "deep", { foundation: "wired-wax" });
  expect(blank(wax, "wedge")).toEqual([1, inch(17), inch(0, 1, 2), inch(0, 3, 8)]);
  expect(blank(wax, "bottom-strip")).toEqual([2, inch(17, 3, 4), inch(0, 3, 8), inch(0, 5, 16)]);
  expect(featureCuts(plastic.parts[0]!.features, "in")[0]!.what).toBe("ear 5/8 long × 3/8 deep");
});

describe("geometry holds together for any options", () => {
  const options = fc.record({
    thickness: fc.integer({ min: 28, max: 80 }).map((n) => inch(0, n, 64)),
    joint: fc.constantFrom("finger", "rabbet-ends", "rabbet-sides", "butt-ends-inside", "butt-sides-inside"),
    hold: fc.constantFrom("inside", "outside"),
    keyed: fc.boolean(),
    handholds: fc.constantFrom("ends", "all", "cleats", "none"),
    restWidth: fc.integer({ min: 16, max: 24 }).map((n) => inch(0, n, 64)),
    restDepth: fc.integer({ min: 32, max: 48 }).map((n) => inch(0, n, 64)),
  });
  const shapes = fc.oneof(
    fc.tuple(fc.constantFrom("deep", "medium", "shallow"), options).map(([size, o]) => make("body", size, o)),
    fc
      .tuple(fc.constantFrom("deep", "medium", "shallow"), fc.constantFrom("plastic", "wired-wax"))
      .map(([size, foundation]) => make("frame", size, { foundation })),
  );

  test("no two parts share wood, and each is a turned copy, never a mirrored one", () => {
    fc.assert(
      fc.property(
        shapes,
        fc.array(
          fc.tuple(
            fc.constantFrom(...ITEM_AXES),
            fc.double({ min: 0.001, max: 0.999, noNaN: true }),
            fc.double({ min: 0.001, max: 0.999, noNaN: true }),
            fc.nat(20),
          ),
          { minLength: 25, maxLength: 25 },
        ),
        (shape, lines) => {
          const boxes = shape.parts.flatMap((p) => p.places.map((pl) => placedBox(p, pl)));
          for (const [axis, u, v, pick] of lines) {
            // A line through one part's box, so that every joint is met.
            const box = boxes[pick % boxes.length]!;
            const inside = (r: [number, number], f: number) => Math.round(r[0] + (r[1] - r[0]) * f);
            const met = probe(shape, axis, {
              x: inside(box.x, u),
              y: inside(box.y, axis === "x" ? u : v),
              z: inside(box.z, v),
            });
            met.slice(1).forEach((m, i) => expect(m.from).toBeGreaterThanOrEqual(met[i]!.to - 2));
          }
          for (const place of shape.parts.flatMap((p) => p.places)) {
            const unit = (d: string) => ITEM_AXES.map((a) => (d[1] === a ? (d[0] === "+" ? 1 : -1) : 0));
            const [l, w, t] = AXES.map((a) => unit(place.dir[a])) as [number[], number[], number[]];
            const cross = [l[1]! * w[2]! - l[2]! * w[1]!, l[2]! * w[0]! - l[0]! * w[2]!, l[0]! * w[1]! - l[1]! * w[0]!];
            expect(cross.map((c) => c + 0)).toEqual(t.map((c) => c + 0));
          }
        },
      ),
      { numRuns: 150 },
    );
  });

  test("fingers fill the corner completely", () => {
    for (const keyed of [false, true]) {
      const s = make("body", "deep", { joint: "finger", keyed, handholds: "none" });
      for (const [x, y] of [
        [inch(0, 3, 8), inch(0, 3, 8)],
        [inch(19, 1, 2), inch(0, 3, 8)],
        [inch(19, 1, 2), inch(15, 7, 8)],
        [inch(0, 3, 8), inch(15, 7, 8)],
      ] as const) {
        const met = probe(s, "z", { x: x + 1, y: y + 1, z: 0 });
        expect(met.reduce((sum, m) => sum + m.to - m.from, 0)).toBe(inch(9, 5, 8));
        expect(met.at(-1)!.part.role).toBe("side");
      }
    }
  });
});

test("the room of a divided body is one chamber: from the end's face to the partition, short of the middle", () => {
  const body = make("divided-body", "deep");
  // The handbook's box is 19 7/8 long of 3/4 wood; the chamber the half frames are made for is 8 5/8.
  expect(roomOf(body).x).toEqual([inch(0, 3, 4), inch(9, 3, 8)]);
  expect(roomOf(body).at.y).toBeLessThan(inch(8, 1, 8));
});

describe("formulas", () => {
  const scope = new Scope();
  scope.define("t", { label: "t", source: "asked", given: lengthValue(inch(0, 3, 4)) });
  scope.define("a", { label: "a", source: "worked out", formula: "b + t" });
  scope.define("b", { label: "b", source: "worked out", formula: "a - t" });

  test("write themselves out in values", () => {
    const side = make("body", "deep").parts[0]!.working.length;
    expect(workingText(side, "in")).toBe("19 1/8 = 19 7/8 − 2 × (3/4 − 3/8)");
    expect(workingText(side, "mm")).toBe("485.8 = 504.8 − 2 × (19.1 − 9.5)");
  });

  test("thirds stay exact until the one rounding", () => {
    expect(toLength(evaluate("inch / 3 * 3", () => undefined).value, "x")).toBe(inch(1));
    expect(toLength(evaluate("11*inch * tan(30)", () => undefined).value, "x")).toBe(
      Math.round(11 * 25.4e6 * Math.tan(Math.PI / 6)),
    );
  });

  test.each([
    ["t + 1", /length with a number/],
    ["t > 2", /length with a number/],
    ["q * 2", /uses q/],
    ["t / 0", /by zero/],
    ["constructor(1)", /calls constructor/],
    ["this.x", /not have/],
    ["1 +", /cannot read/],
    ["(".repeat(60) + "1" + ")".repeat(60) + "+", /cannot read/],
    ["1+".repeat(60) + "1", /nested/],
    ["a", /b → a|a → b/],
    ["'word' + t", /with a word/],
    ["1 ".repeat(500), /characters/],
  ])("%s is refused", (text, why) => {
    expect(() => scope.evaluate(text)).toThrow(FormulaError);
    expect(() => scope.evaluate(text)).toThrow(why);
  });

  test("a ring of squares is stopped before it grows huge", () => {
    const s = new Scope();
    s.define("x0", { label: "", source: "asked", given: lengthValue(mm(1e4)) });
    for (let i = 1; i < 40; i++)
      s.define(`x${i}`, { label: "", source: "worked out", formula: `x${i - 1} * x${i - 1}` });
    expect(() => s.working("x39")).toThrow(/grows beyond/);
  });
});

test("an option out of range is named with what was read and what would be right", () => {
  expect(() => make("body", "deep", { thickness: inch(3) })).toThrow(ShapeError);
  expect(() => make("body", "deep", { thickness: inch(3) })).toThrow('Stock, measured: read 3", at most 2"');
});
