import fc from "fast-check";
import { RECIPES } from "@/core/recipes";
import type { Recipe } from "@/core/recipes/recipe";
import { findStandard, STANDARDS } from "@/core/standards";
import { formulasOf } from "./formulas";
import { at, put } from "./path";
import { readDesign } from "./problems";
import { designFrom } from "./start";

const copyOf = (id: string): Recipe =>
  designFrom(
    RECIPES.find((r) => r.id === id)!,
    "Ours",
    [],
  );

describe("fields by their path", () => {
  const data = { parts: [{ length: "a", l: ["1", "2"] }, { length: "b" }], steps: [] as string[] };
  test("what is put is what is then there, and nothing else has moved", () => {
    const paths = ["parts.0.length", "parts.1.length", "parts.0.l.1", "parts.1.width"];
    fc.assert(
      fc.property(fc.constantFrom(...paths), fc.string(), (path, value) => {
        const next = put(data, path, value);
        expect(at(next, path)).toBe(value);
        for (const other of paths.filter((p) => p !== path)) expect(at(next, other)).toBe(at(data, other));
        expect(data.parts[0]).toEqual({ length: "a", l: ["1", "2"] });
      }),
    );
  });
  test("taking a field away leaves no trace; half a pair is filled up, an empty pair goes", () => {
    expect(put(data, "parts.1.length", undefined)).toEqual({ ...data, parts: [data.parts[0], {}] });
    expect(at(put(data, "parts.1.t.1", "3*inch"), "parts.1.t")).toEqual(["0*inch", "3*inch"]);
    const cleared = put(put(data, "parts.0.l.0", undefined), "parts.0.l.1", undefined);
    expect(at(cleared, "parts.0.l")).toBeUndefined();
  });
  test("what is not on the way is not there", () => {
    expect([at(data, "parts.7.length"), at(data, "nothing.here"), at(undefined, "a")]).toEqual([undefined, undefined, undefined]); // prettier-ignore
  });
});

describe("every formula of a recipe stands where its path says", () => {
  test.each([
    "body",
    "floor-screened",
    "cover-telescoping",
    "roof-gable",
    "feeder-trough",
    "insulated-jacket",
    "frame",
  ])("%s", (id) => {
    const recipe = copyOf(id);
    const placed = formulasOf(recipe);
    expect(placed.length).toBeGreaterThan(20);
    for (const p of placed) expect([p.path, at(recipe, p.path)]).toEqual([p.path, p.formula]);
  });

  test.each(["feed-rim", "cover-flat", "stand", "entrance-block"])(
    "%s: each one spoilt in turn is the one that is named",
    (id) => {
      const recipe = copyOf(id);
      const standard = findStandard("langstroth-10")!;
      for (const { path } of formulasOf(recipe)) {
        const spoilt = put(recipe, path, "nobodyKnowsThis");
        const { problems, shape } = readDesign(spoilt, standard, "deep");
        const named = problems.map((p) => p.path);
        // What belongs to a part or cut that is not there with the usual choices need not come out, nor be there to read.
        if (named.length === 0) expect([path, shape !== undefined]).toEqual([path, true]);
        else expect([path, named]).toEqual([path, [path]]);
      }
    },
  );

  test("a recipe works out the same after its file has been written and read, in every standard it has", () => {
    for (const id of ["inner-cover", "floor-underfloor"])
      for (const s of STANDARDS) {
        const [a, b] = [copyOf(id), JSON.parse(JSON.stringify(copyOf(id))) as Recipe].map((r) =>
          readDesign(r, s, s.defaultSize),
        );
        expect(b!.problems).toEqual(a!.problems);
        expect(b!.shape?.parts.map((p) => p.cut)).toEqual(a!.shape?.parts.map((p) => p.cut));
      }
  });
});
