import { designFrom } from "@/core/designs/start";
import { readJob, writeJob } from "@/core/job/file";
import { emptyJob } from "@/core/job/job";
import { RECIPES, recipeFor } from "@/core/recipes";
import type { Recipe } from "@/core/recipes/recipe";
import { findStandard, STANDARDS } from "@/core/standards";
import type { Standard } from "@/core/standards/standard";
import { admit, trial, trialOfDesign, trialOfStandard } from "./trial";

const ten = findStandard("langstroth-10")!;
const own = (item: string, change: (r: Recipe) => Recipe): Recipe =>
  change(designFrom(recipeFor(item, ten)!, "Ours", []));

test("everything that ships can be worked with, in the first standard that has it", () => {
  for (const r of RECIPES) {
    const s = STANDARDS.find(
      (x) =>
        (!r.standards || r.standards.includes(x.id)) &&
        r.needs.every((n) => n in x.values || n in x.sizes[x.defaultSize]!.values),
    )!;
    const line = { item: r.id, standard: s.id, size: s.defaultSize, quantity: 1, options: {} };
    expect([r.id, trial(line, { standards: [], designs: [] })]).toEqual([r.id, undefined]);
  }
});

/** Designs that read as recipes and come out as shapes, and that some page would fall over. */
test.each<[string, Recipe, RegExp]>([
  ["nothing in it", own("follower", (r) => ({ ...r, parts: [], assembly: [] })), /no parts/],
  [
    "a figure of nothing",
    own("quilt-box", (r) => ({
      ...r,
      figures: [{ rule: "r-lid", label: "R", formula: "1 / 0", unit: "m²·K/W", text: "", mark: "mem" }],
    })),
    /divides by zero/,
  ],
  [
    "a demand that is no length",
    own("follower", (r) => ({
      ...r,
      demands: [{ rule: "x", label: "x", value: '"wide"', least: "1*inch", below: "care", advice: "", mark: "mem" }],
    })),
    /./,
  ],
  ["a stand as high as a word", own("feed-rim", (r) => ({ ...r, stands: { ...r.stands!, height: '"high"' } })), /./],
])("%s: refused, in words", (_name, recipe, said) => {
  expect(trialOfDesign(recipe, ten, [])).toMatch(said);
});

test("a standard that gives no box is refused, and says of which item; one that does is let in", () => {
  const heath = (values: Standard["values"]): Standard => ({
    ...ten,
    id: "heath",
    name: "Heath",
    basedOn: "langstroth-10",
    values: { ...ten.values, ...values },
  });
  expect(trialOfStandard(heath({}))).toBeUndefined();
  const { restWidth: _none, ...rest } = ten.values;
  expect(trialOfStandard({ ...heath({}), values: rest })).toBe(
    "Body, deep: Langstroth 10 gives no rest width, so it has no body",
  );
  expect(trialOfStandard({ ...heath({}), hangs: "nope" })).toBe(
    'read "nope" for what hangs in its boxes, which is no frame there is',
  );
});

test("a job is let in by its lines: the one that cannot be worked with is named", () => {
  const recipe = own("feed-rim", (r) => ({ ...r, stands: { ...r.stands!, height: '"high"' } }));
  const line = { item: recipe.id, standard: ten.id, size: "deep", quantity: 1, options: {} };
  const job = {
    ...emptyJob("x", "in"),
    lines: [{ ...line, item: "body" }, line],
    designs: [{ recipe, mark: 1, why: "" }],
  };
  expect(() => admit(job)).toThrow(/lines\[1\]/);
  const sound = { ...job, designs: [{ recipe: own("feed-rim", (r) => r), mark: 1, why: "" }] };
  expect(admit(readJob(writeJob(sound)))).toEqual(sound);
});
