import { renderToStaticMarkup } from "react-dom/server";
import { partsBetween } from "@/core/designs/compare";
import type { KeptMark } from "@/core/designs/design";
import { readDesign } from "@/core/designs/problems";
import { designFrom } from "@/core/designs/start";
import { RECIPES } from "@/core/recipes";
import { type Recipe, placeSchema, recipeSchema } from "@/core/recipes/recipe";
import { findStandard } from "@/core/standards";
import { fresh, NEW_ROWS, newPlace, parameterColumns, type Section, withPart } from "./columns";
import { DesignEditor } from "./DesignEditor";
import { Differences } from "./Marks";

const langstroth = findStandard("langstroth-10")!;
const rim = designFrom(
  RECIPES.find((r) => r.id === "feed-rim")!,
  "Our rim",
  [],
);
const low: Recipe = { ...rim, parameters: rim.parameters.map((p) => (p.name === "depth" ? { ...p, default: "3*inch" } : p)) } as Recipe; // prettier-ignore
const kept = (recipe: Recipe, mark: number, more: Partial<KeptMark> = {}): KeptMark => ({ recipe, mark, why: "", madeAt: "2027-02-08T09:00:00Z", notes: [], ...more }); // prettier-ignore
const text = (node: React.ReactNode) =>
  renderToStaticMarkup(node)
    .replace(/<[^>]*>/g, " ")
    .replaceAll("&quot;", '"')
    .replace(/\s+/g, " ")
    .trim();
const editor = (marks: KeptMark[], start = {}) => <DesignEditor marks={marks} taken={[]} own={[]} start={start} />;

describe("the editor", () => {
  test("opens the newest mark, worked out: drawing, cut list, what it is kept as next", () => {
    const said = text(editor([kept(rim, 1, { why: "for patties" }), kept(low, 2, { why: "they stood out" })]));
    for (const want of ["Our rim mark II", "kept", "Keep as mark III", "19 7 8", '2 Side 19 1/8"', '3"', "they stood out", "for patties", "open mark I"]) expect(said).toContain(want); // prettier-ignore
  });
  test("shows what was noticed in use with the mark it was noticed of", () => {
    const said = text(editor([kept(rim, 1, { notes: [{ text: "warped by autumn", at: "2027-09-01T08:00:00Z" }] })]));
    expect(said).toMatch(/in use, .*1 Sep.*warped by autumn/);
  });
  test("one that does not come out says where, and is not offered for keeping", () => {
    const broken = { ...rim, values: rim.values.map((v, i) => (i === 0 ? { ...v, formula: "nobody" } : v)) };
    const markup = renderToStaticMarkup(editor([kept(broken as Recipe, 1)]));
    expect(markup).toContain("1 to put right");
    expect(markup).toMatch(/<button[^>]*disabled=""[^>]*>Keep as mark/);
    expect(markup).toContain("uses nobody, which is not known");
    expect(markup).toContain("Nothing comes out yet");
  });
  test("a copy begins with everything the recipe had, under a name and id of its own; nothing begins with a board", () => {
    expect(text(editor([], { copy: "cover-flat" }))).toContain("Flat cover, own comes out; not kept yet");
    expect(text(editor([], {}))).toContain("My design comes out; not kept yet");
  });
});

describe("what differs", () => {
  const shapes = [rim, low].map((r) => readDesign(r, langstroth, "deep", "in").shape!);
  test("the cut list first, then field by field, what was struck through", () => {
    const node = <Differences was={rim} now={low} parts={partsBetween(shapes[0]!, shapes[1]!)} mark={1} units="in" />;
    expect(text(node)).toContain('Side : 2 of 19 1/8" 19 1 8 × 2" 2 × 3/4" 3 4 → 2 of 19 1/8" 19 1 8 × 3" 3');
    expect(renderToStaticMarkup(node)).toContain("<del>2*inch</del> <ins");
  });
  test("nothing, when nothing does", () => {
    expect(text(<Differences was={rim} now={rim} parts={[]} mark={1} units="in" />)).toContain("Nothing differs.");
  });
});

describe("new rows", () => {
  test("a new place is a place at once", () => {
    expect(placeSchema.safeParse(newPlace()).success).toBe(true);
  });
  test("each section's new row keeps the recipe whole, twice over", () => {
    for (const section of Object.keys(NEW_ROWS) as Section[]) {
      let r = rim;
      for (let n = 0; n < 2; n++)
        r =
          section === "parts"
            ? withPart(r)
            : { ...r, [section]: [...((r[section] as unknown[]) ?? []), NEW_ROWS[section](r)] };
      expect([section, recipeSchema.safeParse(r).error?.issues]).toEqual([section, undefined]);
      expect([section, readDesign(r, langstroth, "deep").problems]).toEqual([section, []]);
    }
  });
  test("a name is never one that is there; every kind of parameter can say what is usual", () => {
    expect([fresh("side", []), fresh("side", ["side", "side2"])]).toEqual(["side", "side3"]);
    for (const kind of ["length", "count", "number", "flag", "choice"])
      expect(parameterColumns(kind).map((c) => c.key)).toContain("default");
  });
});
