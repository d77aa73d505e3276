import { designFrom, designFromNothing } from "@/core/designs/start";
import { readDesignFile } from "@/core/designs/file";
import { readDesign } from "@/core/designs/problems";
import { JobFileError } from "@/core/problem/problem";
import { RECIPES } from "@/core/recipes";
import type { Recipe } from "@/core/recipes/recipe";
import { findStandard } from "@/core/standards";
import { openDatabase } from "./database";
import { designStore } from "./designs";

const langstroth = findStandard("langstroth-10")!;
const read = (recipe: unknown) => readDesign(recipe, langstroth, "deep", "in");
const rim = () =>
  designFrom(
    RECIPES.find((r) => r.id === "feed-rim")!,
    "Our rim",
    [],
  );

describe("kept", () => {
  test("each change a new mark, the old ones as they were; notes stay with the mark they are of", () => {
    const store = designStore(openDatabase(":memory:"));
    const first = rim();
    const second: Recipe = { ...first, about: "lower" };
    expect([store.keep(first, "for patties", []), store.keep(second, "bees built in it", [])]).toEqual([1, 2]);
    // Asked again because an answer was lost, nothing is doubled.
    expect(store.keep(second, "bees built in it", [])).toBe(2);
    for (let i = 0; i < 2; i++) store.note(first.id, 1, "warped by autumn");
    const marks = store.list();
    expect(marks.map((m) => [m.mark, m.why, m.recipe.about, m.notes.map((n) => n.text)])).toEqual([
      [1, "for patties", first.about, ["warped by autumn"]],
      [2, "bees built in it", "lower", []],
    ]);
    expect(store.newest().map((d) => d.mark)).toEqual([2]);
    expect(() => store.note(first.id, 7, "x")).toThrow("no mark 7");
    expect(store.remove(first.id)).toBe(true);
    expect(store.list()).toEqual([]);
  });
  test("what does not come out, has not changed or takes a shipped name is refused, and what was there stays", () => {
    const store = designStore(openDatabase(":memory:"));
    store.keep(rim(), "", []);
    const broken = { ...rim(), values: [...rim().values, { name: "x", label: "x", formula: "nothing" }] };
    for (const [recipe, message] of [
      [broken, "uses nothing, which is not known"],
      [rim(), "nothing has changed"],
      [{ ...rim(), id: "body" }, "ships already"],
      [{ ...rim(), standards: ["no-such"] }, "none of which is a standard"],
    ] as const) {
      expect(() => store.keep(recipe as Recipe, "another", [])).toThrow(JobFileError);
      expect(() => store.keep(recipe as Recipe, "another", [])).toThrow(message);
    }
    expect(store.list()).toHaveLength(1);
  });
});

describe("a hostile design is refused, and quickly", () => {
  const board = designFromNothing("x", []).parts[0]!;
  const of = (over: Partial<Recipe>) => ({ ...designFromNothing("x", []), ...over });
  const hole = { name: "h", kind: "hole" as const, l: "1*inch", w: "1*inch", diameter: "1/4*inch" };
  const chain = Array.from({ length: 300 }, (_, i) => ({
    name: `v${i}`,
    label: "v",
    formula: i === 0 ? "2" : `v${i - 1} * v${i - 1}`,
  }));
  const cases: [string, unknown, RegExp][] = [
    [
      "a formula nested thousands deep",
      of({ parts: [{ ...board, length: `${"(".repeat(5000)}1*inch${")".repeat(5000)}` }] }),
      /400 at most/,
    ],
    ["a value asked for by a name that everything has", of({ parameters: [{ name: "toString", label: "x", group: "x", kind: "number", default: "1", min: 0, max: 2 }] }), /a name of the program's own/], // prettier-ignore
    [
      "nested just short of the longest formula",
      of({ parts: [{ ...board, length: `${"-".repeat(390)}1*inch` }] }),
      /nested more than 40 deep/,
    ],
    ["a chain of squares", of({ values: chain }), /grows beyond any length|in a row/],
    [
      "a thousand million holes",
      of({ parts: [{ ...board, features: [{ ...hole, count: "1000000000", step: "1*mm" }] }] }),
      /at most 400/,
    ],
    [
      "a thousand million pieces",
      of({ parts: [{ ...board, places: [{ ...board.places[0]!, times: "1000000000" }] }] }),
      /at most 400/,
    ],
    [
      "many parts of many pieces",
      of({
        parts: Array.from({ length: 100 }, (_, i) => ({
          ...board,
          id: `p${i}`,
          places: [{ ...board.places[0]!, times: "400" }],
        })),
      }),
      /pieces in one item, at most 2000/,
    ],
    [
      "more parts than an item has",
      of({ parts: Array.from({ length: 5000 }, (_, i) => ({ ...board, id: `p${i}` })) }),
      /<=200/,
    ],
    ["a number beyond any", of({ parts: [{ ...board, length: "1e999*inch" }] }), /beyond any length/],
    ["a length of light years", of({ parts: [{ ...board, length: "1000000000000*inch" }] }), /longer than 100 m/],
    ["a call of something else", of({ parts: [{ ...board, length: "constructor(1)" }] }), /calls constructor/],
    ["reaching into an object", of({ parts: [{ ...board, length: "inch.constructor" }] }), /MemberExpression/],
    ["a field it does not have", { ...of({}), run: "rm" }, /no such field/],
    ["no object at all", "hello", /./],
  ];
  test.each(cases)("%s", (_name, raw, message) => {
    const began = performance.now();
    const { problems, shape } = read(raw);
    expect(shape).toBeUndefined();
    expect(problems.map((p) => p.message).join("\n")).toMatch(message);
    // Not told after minutes of work: how long a slow machine takes is its own affair.
    expect(performance.now() - began).toBeLessThan(20_000);
  });
  test("its file too: keys of the language, depth, length", () => {
    expect(() => readDesignFile('{"format":"rundik-design","__proto__":{}}')).toThrow('the key "__proto__"');
    expect(() => readDesignFile("[".repeat(100_000))).toThrow(/not JSON|nested/);
    expect(() => readDesignFile(" ".repeat(300 * 1024))).toThrow("at most 256 kB");
  });
});
