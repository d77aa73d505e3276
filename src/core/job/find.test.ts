import { findRecipe, RECIPES } from "@/core/recipes";
import { findStandard, STANDARDS } from "@/core/standards";
import { ShapeError, shapeItem } from "@/core/shape/shape";
import { findMakeable, makeables } from "./find";

const all = makeables();
const first = (typed: string) => {
  const { quantity, found } = findMakeable(typed, all);
  return [quantity, found[0]?.item, found[0]?.standard, found[0]?.size];
};

test.each([
  ["nat br 14", [undefined, "body", "national", "14x12"]],
  ["nat sup", [undefined, "body", "national", "super"]],
  ["40 lang deep", [40, "body", "langstroth-10", "deep"]],
  ["400 lang 8 med frame", [400, "frame", "langstroth-8", "medium"]],
  ["half fr", [undefined, "half-frame", "langstroth-10", "deep"]],
  ["zand", [undefined, "body", "zander", "brood"]],
  ["14×12", [undefined, "body", "national", "14x12"]],
  ["bar trough", [undefined, "top-bar-trough", "kenya", "trough"]],
  ["pi", [undefined, "pi-frame", "square-190", "box"]],
])("%s", (typed, want) => {
  expect(first(typed)).toEqual(want);
});

test("of two that suit as well, one of a standard the job has comes first", () => {
  const of = (used: string[]) => findMakeable("feed rim", makeables(), used).found[0]!.standard;
  expect([of(["zander"]), of(["commercial"])]).toEqual(["zander", "commercial"]);
});

test("nothing is found for what nobody makes, everything for nothing typed", () => {
  expect(findMakeable("lang piano", all).found).toEqual([]);
  expect(findMakeable("", all).found).toHaveLength(all.length);
});

test("what is offered is exactly what can be shaped", () => {
  for (const s of STANDARDS)
    for (const size of Object.keys(s.sizes))
      for (const item of new Set(RECIPES.map((r) => r.id))) {
        const recipe = findRecipe(item, s.id)!;
        // What is the same for every size is offered once, in the usual one.
        const sized = recipe.needs.some((n) => s.sizes[size]!.values[n] !== undefined);
        const at = sized ? size : s.defaultSize;
        const offered = all.some((m) => m.item === item && m.standard === s.id && m.size === at);
        let made = true;
        try {
          shapeItem(recipe, findStandard(s.id)!, size, {});
        } catch (e) {
          if (!(e instanceof ShapeError)) throw e;
          made = false;
        }
        expect([item, s.id, size, offered]).toEqual([item, s.id, size, made]);
      }
});
