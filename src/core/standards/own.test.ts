import { carryOut } from "@/core/job/acts";
import { inch } from "@/core/length/length";
import { readJob, writeJob } from "@/core/job/file";
import { makeables } from "@/core/job/find";
import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { lengthOf } from "@/core/shape/shape";
import { findStandard, STANDARDS } from "./index";
import { ownId, standardFromNothing, standardOf, standardProblems, withoutSize, withSize } from "./own";
import type { Standard } from "./standard";

const copy = (id: string, change: Partial<Standard> = {}): Standard => ({ ...findStandard(id)!, id: "heath", name: "Heath", basedOn: id, ...change });
const value = (s: Standard, name: string, v: string | number): Standard => ({ ...s, values: { ...s.values, [name]: { value: v, mark: "mem" } } });
const using = (s: Standard, item = "body", size = s.defaultSize): Job => ({ ...emptyJob("x", s.units), standards: [s], lines: [{ item, standard: s.id, size, quantity: 1, options: {} }] });

describe("what is wrong with a standard of one's own", () => {
  test.each<[string, Standard, string, RegExp]>([
    ["an id that ships", copy("zander", { id: "zander" }), "id", /ships already/],
    ["an id with a space", copy("zander", { id: "my one" }), "id", /small letters/],
    ["no name", copy("zander", { name: " " }), "name", /one and sixty/],
    ["half a fraction", value(copy("langstroth-10"), "restWidth", "3/"), "values.restWidth", /no lower number/],
    ["a fraction without a mark in mm", value(copy("national"), "pitch", "3/8"), "values.pitch", /did you mean/],
    ["nothing for a length", value(copy("zander"), "restDepth", "0"), "values.restDepth", /more than nothing/],
    ["half a frame", value(copy("zander"), "frames", 10.5), "values.frames", /a count/],
    ["a name no formula can say", value(copy("zander"), "rest width", "9"), "values.rest width", /letters and digits/],
    ["a size that is not there", copy("zander", { defaultSize: "super" }), "defaultSize", /none of its sizes/],
  ])("%s", (_what, standard, field, why) => {
    expect(standardProblems(standard)).toContainEqual({ field, message: expect.stringMatching(why) });
  });
  test("every shipped one, copied under another name, has nothing wrong with it", () => {
    for (const s of STANDARDS) expect([s.id, standardProblems(copy(s.id))]).toEqual([s.id, []]);
  });
  test("one from nothing wants every value; filled with the Langstroth's it makes the same box and frame", () => {
    const langstroth = findStandard("langstroth-10")!;
    const none = withSize(standardFromNothing("Heath", "in", []), "medium");
    expect(standardProblems(none).every((p) => p.message === "not given yet")).toBe(true);
    const filled = (values: Standard["values"], from: Standard["values"]) => Object.fromEntries(Object.keys(values).map((k) => [k, from[k]!]));
    const size = (id: string) => ({ ...none.sizes[id]!, values: filled(none.sizes[id]!.values, langstroth.sizes[id]!.values) });
    const heath: Standard = { ...none, values: filled(none.values, langstroth.values), sizes: { deep: size("deep"), medium: size("medium") } };
    expect(standardProblems(heath)).toEqual([]);
    for (const item of ["body", "frame"])
      for (const at of ["deep", "medium"]) {
        const cut = (j: Job) => workJob(j).lines[0]!.shape.parts.map((p) => [p.id, p.cut]);
        expect(cut(using(heath, item, at))).toEqual(cut({ ...using(langstroth, item, at), standards: [] }));
      }
    expect(Object.keys(withoutSize(withoutSize(heath, "deep"), "medium").sizes)).toEqual(["medium"]);
    expect(withoutSize(heath, "deep").defaultSize).toBe("medium");
  });
  test("an id is made of the name and is never taken", () => {
    expect(ownId("My Zander!", [])).toBe("my-zander");
    expect(ownId("Zander", [])).toBe("zander-2");
    expect(ownId("AŽ, Slovenian", [])).toBe("az-slovenian");
    expect(ownId("My Zander", ["my-zander", "my-zander-2"])).toBe("my-zander-3");
    expect(ownId("ß", [])).toMatch(/^[a-z0-9][a-z0-9-]+$/);
  });
});

describe("used like one that ships", () => {
  const deeper = (): Standard => {
    const s = copy("langstroth-10");
    return { ...s, sizes: { ...s.sizes, deep: { name: "deep", values: { ...s.sizes.deep!.values, bodyDepth: { value: "9 1/2", mark: "mem" } } } } };
  };
  test("its numbers are the ones worked with: a 9 1/2 deep body leaves 3/8 between boxes", () => {
    const { lines, findings } = workJob(using(deeper()));
    expect(lengthOf(lines[0]!.shape, "depth")).toBe(inch(9, 1, 2));
    expect(findings.find((f) => f.rule === "between-boxes")).toMatchObject({ value: inch(0, 3, 8), state: "ok" });
  });
  test("a copy of the National is still made the National way", () => {
    const parts = workJob(using(value(copy("national"), "outsideSquare", "470"))).lines[0]!.shape.parts.map((p) => p.id);
    expect(parts).toEqual(["side", "inner-wall", "top-rail", "bottom-rail"]);
  });
  test("it can be found and it goes through the file, whole", () => {
    expect(makeables([deeper()]).some((m) => m.standard === "heath" && m.item === "nuc")).toBe(true);
    const job = using(deeper(), "frame");
    expect(readJob(JSON.parse(JSON.stringify(writeJob(job))))).toEqual(job);
  });
  test("a file whose line names a standard it does not carry, or carries one that is wrong, is refused by field", () => {
    const file = JSON.parse(JSON.stringify(writeJob(using(deeper())))) as { standards: Standard[] };
    expect(() => readJob({ ...file, standards: [] })).toThrow(/lines\[0\]\.standard: read "heath"/);
    expect(() => readJob({ ...file, standards: [value(deeper(), "pitch", "1 3/")] })).toThrow(/standards\[0\]\.values\.pitch/);
    expect(() => readJob({ ...file, standards: Array.from({ length: 21 }, () => deeper()) })).toThrow(/21 entries, at most 20/);
  });
  test("taking up a changed one works the job's lines out again; dropping back is an undo", () => {
    const job = using(deeper());
    const before = lengthOf(workJob(job).lines[0]!.shape, "insideLength");
    const wider = carryOut(job, { do: "use standard", standard: value(deeper(), "boxInsideLength", "18 1/2") });
    expect(lengthOf(workJob(wider).lines[0]!.shape, "insideLength") - before).toBe(inch(0, 1, 8));
    expect(lengthOf(workJob(job).lines[0]!.shape, "insideLength")).toBe(before);
  });
  test("by id, what ships wins over a copy that pretends to be it", () => {
    expect(standardOf("zander", [copy("national", { id: "zander" })])!.name).toBe("Zander");
  });
});
