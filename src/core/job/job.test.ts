import { carryOut } from "./acts";
import fc from "fast-check";
import { inch, mm } from "@/core/length/length";
import { cutListDocument } from "@/core/line/cutlist";
import { readJob, readJobFile, writeJob } from "./file";
import type { Job } from "./job";
import { JobFileError } from "@/core/problem/problem";
import { layOut } from "@/core/layout/layout";
import { costOf } from "@/core/order/cost";
import { orderOf } from "@/core/order/order";
import { planOf } from "@/core/plan/plan";
import { layoutRequest } from "./ask";
import { workJob } from "./worked";

const file = (change: object = {}, line: object = {}) => ({
  format: "rundik-job",
  version: 1,
  name: "Spring run",
  units: "in",
  start: "2027-02-08",
  due: "2027-03-12",
  lines: [
    {
      item: "body",
      standard: "langstroth-10",
      size: "deep",
      quantity: 40,
      options: { thickness: "3/4", joint: "rabbet-ends" },
      ...line,
    },
  ],
  stock: [
    { material: "pine", form: "board", thickness: "3/4", width: "11 1/4", length: "8'", price: 14.2, available: 60 },
  ],
  workshop: { kerf: "1/8", endTrim: "1/4" },
  ...change,
});
const refusal = (raw: unknown) => {
  try {
    readJob(raw);
  } catch (e) {
    if (e instanceof JobFileError) return e.message;
    throw e;
  }
  return "accepted";
};

describe("the job file", () => {
  test("reads, works out and reads back the same in either unit", () => {
    const job = readJob(file());
    expect(job.stock[0]).toMatchObject({ length: inch(96), width: inch(11, 1, 4), source: "buy" });
    for (const units of ["in", "mm"] as const)
      expect(readJobFile(JSON.stringify(writeJob({ ...job, units })))).toEqual({ ...job, units });
  });

  test("the cut list of forty deep bodies, rabbet in the ends (joint table, handbook 4 [trade])", () => {
    const worked = workJob(readJob(file()));
    const { parts } = cutListDocument(worked.lines, worked.job.units);
    expect(parts.map((p) => [p.quantity, p.name, p.text.length, p.text.width, p.lengthMm])).toEqual([
      [80, "Side", "19 1/8", "9 5/8", 485.775],
      [80, "End", "16 1/4", "9 5/8", 412.75],
    ]);
  });

  test.each<[string, unknown, RegExp]>([
    ["an unknown item", file({}, { item: "bodi" }), /lines\[0\]\.item: read "bodi".*nearest is "body"/],
    ["a negative quantity", file({}, { quantity: -3 }), /lines\[0\]\.quantity: read -3: at least 1/],
    [
      "half a fraction",
      file({}, { options: { thickness: "19 7/" } }),
      /lines\[0\]\.options\.thickness: read "19 7\/": the fraction has no lower number/,
    ],
    ["wrong units", file({ units: "cubits" }), /units: read "cubits", wanted "in" or "mm"/],
    ["a fraction in mm", file({ units: "mm" }), /options\.thickness: .*did you mean 3\/4"\?/],
    ["an unknown key", file({ colour: "red" }), /"colour" is not known here; known are format, version/],
    ["a key nearly right", file({ workshp: {} }), /"workshp" is not known here; the nearest is "workshop"/],
    [
      "an unknown option",
      file({}, { options: { thikness: "3/4" } }),
      /body has no option "thikness"; the nearest is "thickness"/,
    ],
    ["an unknown joint", file({}, { options: { joint: "glue" } }), /known are rabbet-ends/],
    ["an unknown size", file({}, { size: "deeep" }), /lines\[0\]\.size: .*deep, medium, shallow/],
    [
      "stock too thick",
      file({}, { options: { thickness: "3" } }),
      /options\.thickness: Stock, measured: read 3", at most 2"/,
    ],
    ["a number no person writes", file({}, { item: "stand", options: { slope: 1e-9 } }), /slope: read 1e-9, wanted a number written out/], // prettier-ignore
    ["frames beyond counting", file({}, { item: "long-body", options: { longFrames: 1e308 } }), /longFrames: read 1e\+308, wanted a whole number/], // prettier-ignore
    ["a day that is not", file({ due: "2027-02-30" }), /due: read "2027-02-30", wanted a date/],
    ["due before start", file({ due: "2027-01-01" }), /due: read "2027-01-01", which is before the start/],
    ["a list for a job", [], /wanted an object/],
    ["nothing", null, /wanted an object/],
    ["100 000 lines", file({ lines: Array.from({ length: 100_000 }, () => 0) }), /lines: 100000 entries, at most 1000/],
    [
      "a board without width",
      file({ stock: [{ material: "pine", form: "board", thickness: "3/4", length: "8'" }] }),
      /stock\[0\]\.width/,
    ],
    [
      "a kind of stock there is not",
      file({ stock: [{ form: "log" }] }),
      /stock\[0\]\.form: .*"board", "sheet", "roll", "coil" or "pack"/,
    ],
  ])("%s is refused, naming the field", (_what, raw, why) => {
    expect(refusal(raw)).toMatch(why);
  });

  test.each([
    ['{"__proto__": {"x": 1}}', /"__proto__"/],
    ['{"a": {"constructor": 1}}', /"constructor"/],
    ["{", /not JSON/],
    [" ".repeat(5e6), /5\.0 MB/],
  ])("text %#: refused", (text, why) => {
    expect(() => readJobFile(text)).toThrow(why);
    expect(({} as Record<string, unknown>).x).toBeUndefined();
  });

  test("a line that cannot be made is said in its place; the others are laid out, ordered and planned", () => {
    const [body] = readJob(file()).lines;
    const gone = { ...body!, item: "drawn-once" };
    const thin = { ...body!, options: { thickness: inch(0, 3, 16) } };
    const stored = { ...readJob(file()), lines: [gone, body!, thin] };
    const worked = workJob(stored);
    expect([worked.lines.map((l) => l.at), worked.faults]).toEqual([
      [1],
      [
        { at: 0, message: 'the item "drawn-once" is not here any more' },
        { at: 2, message: 'Stock, measured: read 3/16", at least 3/8"' },
      ],
    ]);
    const laid = layOut(layoutRequest(worked), () => 0);
    expect([laid.missing, costOf(worked, laid, orderOf(worked, laid)).items.map((p) => p.line)]).toEqual([[], [1]]);
    expect(planOf(worked, laid).operations.every((o) => o.makes.every((m) => m.part.line === 1))).toBe(true);
  });
  test("what the boards measure is said once: a 20 mm job planes nothing of it, and a line's own thickness stays", () => {
    const of = (item: string, options = {}) => ({ item, standard: "national", size: "brood", quantity: 1, options });
    const lines = ["body", "floor-solid", "entrance-block", "roof-deep", "quilt-box", "follower"].map((i) => of(i));
    const read = readJob({
      ...file({ units: "mm", stock: [], workshop: {}, thickness: 20 }),
      lines: [...lines, of("body", { thickness: 21 })],
    });
    const walls = workJob(read).lines.map((l) => {
      const walls = l.shape.parts.filter((p) => ["side", "end", "rail", "follower"].includes(p.role));
      return [l.line.item, ...new Set(walls.map((p) => p.size.t))].slice(0, 2);
    });
    expect(walls).toEqual([
      ["body", mm(20)],
      ["floor-solid", mm(20)],
      ["entrance-block"],
      ["roof-deep", mm(20)],
      ["quilt-box", mm(20)],
      ["follower", mm(20)],
      ["body", mm(21)],
    ]);
    expect(readJob(writeJob(read))).toEqual(read);
    expect(() => readJob(file({ thickness: 3 }))).not.toThrow();
    expect(() => readJob(file({ thickness: "3" }, { options: {} }))).toThrow(
      'thickness: line 1, body, cannot be made of such boards (Stock, measured: read 3", at most 2"); give it a thickness of its own',
    );
  });
  test("anything at all is either a job or a clear refusal, never a crash", () => {
    const odd = fc.anything({ withBigInt: false, maxDepth: 2 });
    fc.assert(
      fc.property(
        fc.constantFrom(
          "units",
          "lines",
          "stock",
          "workshop",
          "name",
          "start",
          "version",
          "item",
          "quantity",
          "options",
          "size",
        ),
        odd,
        (key, value) => {
          const raw = ["item", "quantity", "options", "size"].includes(key)
            ? file({}, { [key]: value })
            : file({ [key]: value });
          expect(typeof refusal(raw)).toBe("string");
        },
      ),
      { numRuns: 400 },
    );
  });
});

describe("acts", () => {
  const job: Job = readJob(file());
  test("an option changes what hangs on it and nothing else; null gives the usual back", () => {
    const thick = carryOut(job, { do: "option", at: 0, name: "thickness", value: inch(0, 7, 8) });
    expect(workJob(thick).lines[0]!.shape.parts[0]!.size.l).toBe(inch(18, 3, 8) + inch(0, 14, 8) - inch(0, 7, 8));
    expect(thick.stock[0]).toBe(job.stock[0]);
    expect(carryOut(thick, { do: "option", at: 0, name: "thickness", value: null }).lines[0]!.options).toEqual({
      joint: "rabbet-ends",
    });
  });
  test.each([
    [{ do: "option", at: 0, name: "thickness", value: mm(80) }, /at most 2"/],
    [{ do: "option", at: 4, name: "thickness", value: 1 }, /no such line/],
    [{ do: "change line", at: 0, to: { quantity: 0 } }, /at least 1/],
    [{ do: "dates", start: "2027-03-01", due: "2027-02-01" }, /before the start/],
    [{ do: "name", name: "x".repeat(121) }, /name/],
  ] as const)("%p is refused and the job stays", (act, why) => {
    const before = JSON.stringify(job);
    expect(() => carryOut(job, act as never)).toThrow(why);
    expect(JSON.stringify(job)).toBe(before);
  });
  test("another item keeps only the options it knows", () => {
    expect(carryOut(job, { do: "change line", at: 0, to: { item: "frame" } }).lines[0]).toMatchObject({
      item: "frame",
      options: {},
    });
  });
});
