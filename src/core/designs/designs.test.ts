import { emptyJob } from "@/core/job/job";
import { readJob, writeJob } from "@/core/job/file";
import { workJob } from "@/core/job/worked";
import { inch } from "@/core/length/length";
import { RECIPES } from "@/core/recipes";
import type { Recipe } from "@/core/recipes/recipe";
import { findStandard, STANDARDS } from "@/core/standards";
import { changesBetween, partsBetween } from "./compare";
import { markName, writeDesign } from "./design";
import { readDesignFile } from "./file";
import { readDesign } from "./problems";
import { designFrom, designFromNothing } from "./start";

const langstroth = findStandard("langstroth-10")!;
const read = (recipe: unknown) => readDesign(recipe, langstroth, "deep", "in");
const rim = () =>
  designFrom(
    RECIPES.find((r) => r.id === "feed-rim")!,
    "Our rim",
    [],
  );
const withValue = (r: Recipe, name: string, formula: string): Recipe => ({
  ...r,
  values: [...r.values.filter((v) => v.name !== name), { name, label: name, formula }],
});

test("a copy of every recipe that ships comes out as a design, and its file reads back the same", () => {
  for (const r of RECIPES) {
    const s = STANDARDS.find(
      (x) =>
        (r.standards ?? [x.id]).includes(x.id) &&
        r.needs.every((n) => x.values[n] ?? x.sizes[x.defaultSize]!.values[n]),
    )!;
    const copy = designFrom(r, `${r.name} of ours`, []);
    expect([r.id, readDesign(copy, s, s.defaultSize).problems]).toEqual([r.id, []]);
    const design = { recipe: copy, mark: 3, why: "wider" };
    expect(readDesignFile(JSON.stringify(writeDesign(design)))).toEqual(JSON.parse(JSON.stringify(design)));
  }
});

describe("what is wrong is said at the formula that caused it", () => {
  const at = (r: Recipe) => read(r).problems.map((p) => [p.path, p.message]);
  test("an unknown name: at the value that uses it, not at the parts that use the value", () => {
    const r = rim();
    const i = r.values.findIndex((v) => v.name === "nominalInsideLength");
    const broken = {
      ...r,
      values: r.values.map((v, k) => (k === i ? { ...v, formula: "bodyOutsideLong - 2 * nominalEnd" } : v)),
    };
    expect(at(broken)).toEqual([
      [`values.${i}.formula`, '"bodyOutsideLong - 2 * nominalEnd" uses bodyOutsideLong, which is not known'],
    ]);
  });
  test("a ring: at each formula in it, and nowhere else", () => {
    const r = withValue(withValue(withValue(designFromNothing("x", []), "a", "b + 1*inch"), "b", "a"), "c", "2 * a");
    const paths = read(r).problems.map((p) => p.path);
    expect(paths).toEqual(["values.0.formula", "values.1.formula"]);
    expect(read(r).problems[0]!.message).toContain("leads back to itself");
  });
  test("a number where a length is wanted, a formula that is none, a name twice, a word that is taken", () => {
    const r = designFromNothing("x", []);
    const board = r.parts[0]!;
    expect(at({ ...r, parts: [{ ...board, length: "3" }] })).toEqual([["parts.0.length", "this is not a length"]]);
    expect(at({ ...r, parts: [{ ...board, width: "4*inch +" }] })[0]![0]).toBe("parts.0.width");
    expect(at({ ...r, parts: [board, board] })).toEqual([["parts.1.id", '"board" is there twice']]);
    const flat = { ...board.places[0]!, l: "-y" as const };
    expect(at({ ...r, parts: [{ ...board, places: [flat] }] })).toEqual([
      ["parts.0.places.0", "length, width and thickness run along three different axes"],
    ]);
    expect(at(withValue(r, "inch", "1*mm"))).toEqual([["values.0.name", '"inch" is a word formulas have already']]);
    expect(at({ ...r, parts: [{ ...board, length: "1*inch - 2*inch" }] })[0]).toEqual([
      "parts.0",
      'Board comes out -1" long; it must be more than nothing',
    ]);
  });
});

test("a box without walls and a frame without a bar say what measures them", () => {
  for (const kind of ["body", "frame"] as const) {
    const recipe = { ...designFromNothing("x", []), kind };
    const problem = { path: "kind", message: expect.stringMatching(/is measured by a part with the role/) as string };
    expect(read(recipe).problems).toEqual([problem]);
  }
});

describe("marks", () => {
  test("are counted as a joiner does", () => {
    expect([1, 2, 4, 9, 14, 40, 1994].map(markName)).toEqual(["I", "II", "IV", "IX", "XIV", "XL", "MCMXCIV"]);
  });
  test("what differs is named by what it belongs to, and shown in the cut list", () => {
    const was = rim();
    const now = {
      ...was,
      parameters: was.parameters.map((p) => (p.name === "depth" ? { ...p, default: "3*inch" } : p)),
    } as Recipe;
    expect(changesBetween(was, now)).toEqual([{ where: "parameters → depth → default", was: "2*inch", now: "3*inch" }]);
    const parts = partsBetween(read(was).shape!, read(now).shape!);
    expect(parts.map((p) => [p.id, p.was!.size.w, p.now!.size.w])).toEqual([
      ["side", inch(2), inch(3)],
      ["end", inch(2), inch(3)],
    ]);
    expect(changesBetween(was, structuredClone(was))).toEqual([]);
  });
  test("a job carries the mark it was made with, in its file and worked out", () => {
    const first = { recipe: rim(), mark: 1, why: "" };
    const line = { item: first.recipe.id, standard: "langstroth-10", size: "deep", quantity: 2, options: {} };
    const job = { ...emptyJob("x", "in"), designs: [first], lines: [line] };
    const back = readJob(JSON.parse(JSON.stringify(writeJob(job))));
    expect(back.designs).toEqual(JSON.parse(JSON.stringify([first])));
    expect(workJob(back).lines[0]!.shape.title).toBe("Our rim");
    expect(() => readJob({ ...writeJob(job), designs: [] })).toThrow('read "our-rim", which is no item');
    const taken = { ...first, recipe: { ...first.recipe, id: "body" } };
    expect(() => readJob({ ...writeJob(job), designs: [taken] })).toThrow('"body" ships already');
  });
});
