import { contentOf, plural } from "./name";
import { type Asked, linesOf, readAsked, readDay } from "./asked";
import { framed } from "@/core/hive/lines";
import { makeables } from "./find";
import { emptyJob } from "./job";
import { TEMPLATES } from "./templates";
import { workJob } from "./worked";
import { carryOut } from "./acts";

const all = makeables();
const TODAY = "2026-11-26"; // a Thursday
const read = (text: string) => readAsked(text, all, TODAY, ["langstroth-10"]);
const said = ({ lines, due, customer, wood, unknown }: Asked) =>
  [lines.map((l) => `${l.quantity} ${l.of.standard} ${l.of.item} ${l.of.size}`).join("; "), due, customer, wood && `in ${wood}`, ...unknown].filter(Boolean).join(" | "); // prettier-ignore

test.each([
  ["10 deep bodies", "10 langstroth-10 body deep"],
  ["10 deep bodies and 100 deep frames", "10 langstroth-10 body deep; 100 langstroth-10 frame deep"],
  ["10 deep bodies, 100 frames for the school garden by 12 March", "10 langstroth-10 body deep; 100 langstroth-10 frame deep | 2027-03-12 | School garden"], // prettier-ignore
  ["a national floor by friday, for allotment", "1 national floor-solid brood | 2026-11-27 | Allotment"],
  ["20 feb, 12 deep bodies", "12 langstroth-10 body deep | 2027-02-20"],
  ["6 nat br 14, 66 frames due 2027-05-01", "6 national body 14x12; 66 national frame 14x12 | 2027-05-01"],
  ["5 deep bodies for langstroth 8", "5 langstroth-8 body deep"],
  ["400 frames", "400 langstroth-10 frame deep"],
  ["12 teapots", "12 teapots"],
  ["12 dadant-blatt broods and 120 frames in larch, 2 teapots", "12 dadant-blatt-10 body brood; 120 dadant-blatt-10 frame brood | in larch | 2 teapots"], // prettier-ignore
  ["10 deep bodies of red cedar for the heath by 12 March", "10 langstroth-10 body deep | 2027-03-12 | Heath | in red cedar"], // prettier-ignore
  ["6 bodies for the heath and its neighbours and 60 frames for Reed & Daughters by friday", "6 langstroth-10 body deep; 60 langstroth-10 frame deep | 2026-11-27 | Reed & Daughters"], // prettier-ignore
  ["6 bodies and a floor for the heath and its neighbours by friday", "6 langstroth-10 body deep; 1 langstroth-10 floor-solid deep | 2026-11-27 | Heath and its neighbours"], // prettier-ignore
  ["10 deep bodies for Moor in larch", "10 langstroth-10 body deep | Moor | in larch"],
  ["10 deep bodies for the shop in town", "10 langstroth-10 body deep | Shop in town"],
  ["10 bodies for the heath and 12 teapots", "10 langstroth-10 body deep | Heath | 12 teapots"],
  ["10 bodies and 12 teapots", "10 langstroth-10 body deep | 12 teapots"], // prettier-ignore
  ["40 national shallow frames, 6 nuc boxes, 10 bottoms", "40 national frame super; 6 langstroth-10 nuc deep; 10 langstroth-10 floor-solid deep"], // prettier-ignore
  ["5 mating hives and a kenya hive", "5 langstroth-10 divided-body deep; 1 kenya top-bar-trough trough"], // prettier-ignore
])("one line asks for a job: %s", (text, what) => expect(said(read(text))).toBe(what));

// By the calendar: 26 November 2026 is a Thursday.
test.each([
  ["12 March", "2027-03-12"],
  ["26 nov", "2026-11-26"],
  ["25 nov", "2027-11-25"],
  ["March 3rd, 2028", "2028-03-03"],
  ["thursday", "2026-12-03"],
  ["31 feb", undefined],
  ["soon", undefined],
])("a day as one says it: %s", (text, day) => expect(readDay(text, TODAY)).toBe(day));

test.each([["body", "bodies"], ["Quilt box", "Quilt boxes"], ["Feed rim with inner board", "Feed rims with inner board"], ["Solid floor, reversible", "Solid floors, reversible"], ["Transfer clips", "Transfer clips"]])("more than one %s are %s", (one, many) => expect(plural(one)).toBe(many)); // prettier-ignore

test("a job is called after what is in it until somebody names it, and again when the name is taken out", () => {
  const lines = linesOf(read("40 deep bodies, 400 frames"));
  const asked = carryOut({ ...emptyJob("New job", "in"), unnamed: true }, { do: "add lines", lines });
  expect(asked.name).toBe("40 deep bodies, 400 deep frames");
  const more = carryOut(asked, { do: "add lines", lines: linesOf(read("2 national floors")) });
  expect(more.name).toBe("40 Langstroth 10 deep bodies, 400 Langstroth 10 deep frames, 2 National solid floors, reversible"); // prettier-ignore
  const named = carryOut(more, { do: "name", name: "Spring" });
  expect(carryOut(named, { do: "remove line", at: 0 }).name).toBe("Spring");
  expect(carryOut(named, { do: "name", name: "" }).name).toBe(more.name);
});

test.each(["Ten deep boxes with frames", "Ten honey supers with frames", "A whole Langstroth", "A whole National", "Six nucs with frames", "20 screened floors"])("said as it stands on its button a template is the same job: %s", (name) => {
  const wanted = TEMPLATES.find((t) => t.name === name)!.lines;
  expect(framed(linesOf(read(name)), emptyJob("x", "in"))).toEqual(wanted);
}); // prettier-ignore

test("every template can be made, and nothing in it fails to fit", () => {
  expect(TEMPLATES.length).toBeGreaterThanOrEqual(12);
  for (const { id, lines } of TEMPLATES) {
    const { faults, findings } = workJob({ ...emptyJob(id, "in"), lines });
    expect([id, faults, findings.filter((f) => f.state === "stop").map((f) => f.text)]).toEqual([id, [], []]);
    expect(contentOf({ lines, standards: [], designs: [] })).toMatch(/^\d+ [a-z]/);
  }
});
