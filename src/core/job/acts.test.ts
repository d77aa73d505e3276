import { type Act, actText, preview, carryOut } from "./acts";
import type { JobLine } from "@/core/line/line";
import fc from "fast-check";
import { inch, type Length } from "@/core/length/length";
import { pin } from "@/core/layout/byhand";
import { layoutRequest } from "./ask";
import { piecesOf } from "@/core/boards/laid";
import { allLayouts, layOut } from "@/core/layout/layout";
import { orderOf } from "@/core/order/order";
import { designFrom } from "@/core/designs/start";
import { STARTERS } from "@/core/hive/starters";
import { RECIPES } from "@/core/recipes";
import { STANDARDS } from "@/core/standards";
import { cutList } from "@/core/line/cutlist";
import { readJob, writeJob } from "./file";
import { findMakeable, makeables } from "./find";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { emptyJob, type Job } from "./job";
import { shapeOfLine } from "@/core/line/shapes";
import { workJob } from "./worked";

const line: JobLine = { item: "body", standard: "langstroth-10", size: "deep", quantity: 4, options: {} };
const board = { form: "board" as const, material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96), price: 14, available: null, source: "buy" as const }; // prettier-ignore
const job: Job = { ...emptyJob("Heath", "in"), start: "2027-02-08", lines: [line], stock: [board] };

const HIVE = STARTERS.find((h) => h.name === "Long hive")!;
const GIVEN = { on: "2027-02-01", currency: "GBP", tax: 20, lines: [{ item: "Body, deep", quantity: 4, each: 4150, cost: 2600 }] }; // prettier-ignore
const DESIGN = {
  recipe: designFrom(
    RECIPES.find((r) => r.id === "feed-rim")!,
    "Our rim",
    [],
  ),
  mark: 2,
  why: "",
};

describe("each act", () => {
  test.each<[Act, (j: Job) => unknown, unknown]>([
    [{ do: "name", name: "Moor" }, (j) => j.name, "Moor"],
    [{ do: "dates", start: "2027-03-01", due: "2027-03-09" }, (j) => [j.start, j.due], ["2027-03-01", "2027-03-09"]],
    [{ do: "dates" }, (j) => [j.start, j.due], [undefined, undefined]],
    [{ do: "units", units: "mm" }, (j) => j.units, "mm"],
    [{ do: "add line", line: { ...line, size: "medium" } }, (j) => j.lines.map((l) => l.size), ["deep", "medium"]],
    [{ do: "remove line", at: 0 }, (j) => j.lines, []],
    [{ do: "change line", at: 0, to: { quantity: 9 } }, (j) => j.lines[0]!.quantity, 9],
    [{ do: "option", at: 0, name: "joint", value: "finger" }, (j) => j.lines[0]!.options, { joint: "finger" }],
    [{ do: "add stock", stock: { ...board, source: "yard" } }, (j) => j.stock.map((s) => s.price), [14, 0]],
    [{ do: "change stock", at: 0, stock: { ...board, price: 15 } }, (j) => j.stock[0]!.price, 15],
    [{ do: "remove stock", at: 0 }, (j) => j.stock, []],
    [
      { do: "quote", to: { margin: 30, terms: "ready in six weeks" } },
      (j) => j.quote,
      { margin: 30, terms: "ready in six weeks", asked: [], given: [] },
    ],
    [{ do: "ask for", at: 0, each: 4150 }, (j) => j.quote?.asked, [{ line: 0, each: 4150 }]],
    [{ do: "give quote", given: GIVEN }, (j) => j.quote?.given, [GIVEN]],
    [{ do: "workshop", to: { people: 3 } }, (j) => j.workshop, { ...USUAL_WORKSHOP, people: 3 }],
  ])("%j does what it says, the same in the page as on the server", (act, read, want) => {
    expect(read(carryOut(job, act))).toEqual(want);
    expect(read(preview(job, act))).toEqual(want);
  });

  test.each<[Act, (j: Job) => unknown, unknown]>([
    [{ do: "hives", hives: [HIVE] }, (j) => j.hives.map((h) => [h.name, h.levels.length]), [["Long hive", 5]]],
    [
      { do: "add lines", lines: [line, { ...line, item: "frame", quantity: 40 }] },
      (j) => j.lines.map((l) => [l.item, l.quantity]),
      [
        ["body", 4],
        ["body", 4],
        ["frame", 40],
      ],
    ],
    [{ do: "use design", design: DESIGN }, (j) => j.designs.map((d) => [d.recipe.name, d.mark]), [["Our rim", 2]]],
  ])("%# of whole hives and designs, the same in the page as on the server", (act, read, want) => {
    expect(read(carryOut(job, act))).toEqual(want);
    expect(read(preview(job, act))).toEqual(want);
  });

  test("a newer mark takes the older one's place, and the lines of it are worked out again", () => {
    const first = carryOut(carryOut(job, { do: "use design", design: DESIGN }), {
      do: "add line",
      line: { ...line, item: "our-rim" },
    });
    const deep = {
      ...DESIGN,
      mark: 3,
      recipe: {
        ...DESIGN.recipe,
        parameters: DESIGN.recipe.parameters.map((p) => (p.name === "depth" ? { ...p, default: "4*inch" } : p)),
      },
    } as typeof DESIGN;
    const second = carryOut(first, { do: "use design", design: deep });
    const wide = (j: Job) => cutList(workJob(j).lines).find((c) => c.line.at === 1)!.part.size.w;
    expect([second.designs.length, wide(first), wide(second)]).toEqual([1, inch(2), inch(4)]);
  });

  test("a quote that is accepted makes the job as many as were quoted, unless it is of other things by now", () => {
    const many = carryOut(carryOut(job, { do: "give quote", given: GIVEN }), { do: "change line", at: 0, to: { quantity: 9 } }); // prettier-ignore
    expect(carryOut(many, { do: "accept quote", given: 0 }).lines.map((l) => l.quantity)).toEqual([4]);
    const other = carryOut(many, { do: "add line", line: { ...line, size: "medium" } });
    const after = carryOut(other, { do: "accept quote", given: 0 });
    expect([after.quote!.accepted, after.lines.map((l) => l.quantity)]).toEqual([0, [9, 4]]);
  });

  test.each<[Act, RegExp]>([
    [{ do: "hives", hives: [{ ...HIVE, count: 0 }] }, /hives\[0\].count/],
    [
      {
        do: "hives",
        hives: [{ ...HIVE, levels: [{ item: "beehive", standard: "langstroth-10", size: "deep", options: {} }] }],
      },
      /hives\[0\].levels\[0\].*beehive/s,
    ],
    [
      { do: "hives", hives: [{ ...HIVE, begins: { ...HIVE.begins, spring: "13-40" } }] },
      /hives\[0\].begins.spring: read "13-40", wanted month and day/,
    ],
    [{ do: "use design", design: { ...DESIGN, recipe: { ...DESIGN.recipe, id: "body" } } }, /"body" ships already/],
    [{ do: "accept quote", given: 0 }, /no such quote/],
    [{ do: "ask for", at: 7, each: 100 }, /no such line/],
    [{ do: "add lines", lines: [{ ...line, quantity: -1 }] }, /lines\[1\].quantity/],
  ])("what would not hold is refused at its field: %#", (act, message) => {
    const before = JSON.stringify(job);
    expect(() => carryOut(job, act)).toThrow(message);
    expect(JSON.stringify(job)).toBe(before);
  });

  test("changing the standard lets go of options the new recipe has not", () => {
    const fancy = carryOut(job, { do: "option", at: 0, name: "joint", value: "finger" });
    const national = carryOut(fancy, { do: "change line", at: 0, to: { standard: "national", size: "brood" } });
    expect(national.lines[0]).toMatchObject({ standard: "national", options: {} });
  });

  test("an item its standard has not is refused with the standard's name", () => {
    expect(() => carryOut(job, { do: "change line", at: 0, to: { standard: "kenya", size: "trough" } })).toThrow(
      /Kenya/,
    );
  });

  test("what can be undone has a name people know", () => {
    const said = (act: Act) => actText(act, job);
    expect(said({ do: "option", at: 0, name: "thickness", value: inch(1) })).toBe("body: stock, measured");
    expect(said({ do: "change line", at: 0, to: { quantity: 2, size: "medium" } })).toBe("body: quantity, size");
    expect(said({ do: "remove line", at: 0 })).toBe("take out body");
    expect(said({ do: "add line", line: { ...line, item: "frame" } })).toBe("add frame");
    expect(said({ do: "units", units: "mm" })).toBe("units");
    expect(said({ do: "use design", design: DESIGN })).toBe("use Our rim, mark II");
    expect(said({ do: "add lines", lines: [line, line] })).toBe("add 2 lines");
  });
});

describe("boards by hand", () => {
  const two = {
    ...job,
    stock: [
      { ...board, available: 5 },
      { ...board, width: inch(7, 1, 4) },
    ],
  };
  const laid = (j: Job) => layOut(layoutRequest(workJob(j)), () => 0);

  test("a bad stretch is one board's: it becomes an entry of its own, and that one keeps its others", () => {
    const marked = carryOut(two, { do: "bad stretches", at: 0, bad: [[inch(20), inch(24)]] });
    expect(marked.stock.map((s) => [s.available, "bad" in s ? s.bad : undefined])).toEqual([
      [4, undefined],
      [null, undefined],
      [1, [[inch(20), inch(24)]]],
    ]);
    const more = carryOut(marked, { do: "bad stretches", at: 2, bad: [[inch(20), inch(24)], [inch(50), inch(52)]] }); // prettier-ignore
    expect(more.stock).toHaveLength(3);
    expect(carryOut(more, { do: "bad stretches", at: 2, bad: [] }).stock[2]).not.toHaveProperty("bad");
    expect(() => carryOut(two, { do: "bad stretches", at: 0, bad: [[inch(30), inch(20)]] })).toThrow(/from its start/);
    expect(() => carryOut(two, { do: "bad stretches", at: 9, bad: [] })).toThrow(/no such board/);
  });

  test("a struck board is not laid on, and a bought one is bought again", () => {
    const one = { ...job, stock: [{ ...board, available: 5 }] };
    const struck = carryOut(one, { do: "strike out", at: 0 });
    const [before, after] = [one, struck].map((j) => orderOf(workJob(j), laid(j)).lines[0]!);
    expect(after!.quantity).toBe(before!.quantity + 1);
    const none = [1, 2, 3].reduce((j) => carryOut(j, { do: "strike out", at: 0 }), struck);
    expect(laid(none).missing.map((m) => m.why)).toContain("too few");
  });

  test("pinned layouts are kept in the file, follow their line up, and go with it", () => {
    const lines = { ...job, lines: [{ ...line, size: "medium" }, line] };
    const pinned = carryOut(lines, { do: "pin", pinned: pin(allLayouts(laid(lines))[0]!.layout, layoutRequest(workJob(lines))) }); // prettier-ignore
    expect(readJob(JSON.parse(JSON.stringify(writeJob(pinned))))).toEqual(pinned);
    expect(laid(pinned).troubles).toEqual([]);
    const names = (j: Job) => new Set(j.pinned.flatMap((p) => piecesOf(p).map((x) => x.of.line)));
    const only = { ...pinned, pinned: pinned.pinned.filter((p) => piecesOf(p).every((x) => x.of.line === 1)) };
    const moved = carryOut(only, { do: "remove line", at: 0 });
    expect([...names(moved)]).toEqual(only.pinned.length > 0 ? [0] : []);
    expect(carryOut(only, { do: "remove line", at: 1 }).pinned).toEqual([]);
    expect(carryOut(pinned, { do: "remove stock", at: 0 }).pinned).toEqual([]);
  });

  test("what was spoiled asks for as much more, follows its line up, is in the file, and names a part there is", () => {
    const spoil = (line: number, part: string): Act => ({ do: "spoil", spoiled: { id: "b.1", of: { line, part }, pieces: 3, units: 1, at: "rip" } }); // prettier-ignore
    const two = { ...job, lines: [{ ...line, size: "medium" }, line] };
    const after = carryOut(two, spoil(1, "end"));
    const ends = (j: Job) =>
      layoutRequest(workJob(j))
        .blanks.filter((b) => b.of.part === "end")
        .map((b) => b.quantity);
    expect([ends(two), ends(after)]).toEqual([[8, 8], [8, 11]]); // prettier-ignore
    expect(readJob(writeJob(after)).spoiled).toEqual(after.spoiled);
    expect(carryOut(after, { do: "remove line", at: 0 }).spoiled).toMatchObject([{ of: { line: 0, part: "end" } }]);
    expect(carryOut(after, { do: "remove line", at: 1 }).spoiled).toEqual([]);
    expect(() => carryOut(two, spoil(0, "lid"))).toThrow(/read 0\/lid, which is no part of this job/);
    expect(() => carryOut(two, spoil(7, "end"))).toThrow(/no such line/);
  });
  test("a file whose pinned layout names no board is refused", () => {
    const file = { ...writeJob(job), pinned: [{ stock: 7, repeat: 1, strips: [] }] };
    expect(() => readJob(file)).toThrow(/pinned\[0\]\.stock: read 7, which is no board/);
  });
});

describe("work is not done twice", () => {
  test("a line that did not change keeps its very shape; one that did gets a new one", () => {
    const two = carryOut(job, { do: "add line", line: { ...line, size: "medium" } });
    const shapes = two.lines.map((l) => shapeOfLine(l, two));
    const next = preview(two, { do: "option", at: 1, name: "thickness", value: inch(0, 7, 8) });
    expect(shapeOfLine(next.lines[0]!, next)).toBe(shapes[0]);
    expect(shapeOfLine(next.lines[1]!, next)).not.toBe(shapes[1]);
    expect(workJob(next)).toBe(workJob(next));
  });

  test("boards of all lines that none can be made of are refused while they are typed; a line that cannot be made anyhow is no matter", () => {
    const two = { ...job, lines: [line, { ...line, item: "drawn-once" }] };
    expect(preview(two, { do: "thickness", thickness: inch(0, 7, 8) }).thickness).toBe(inch(0, 7, 8));
    expect(() => preview(two, { do: "thickness", thickness: inch(7) })).toThrow(/at most/);
  });
});

describe("any job at all", () => {
  const all = makeables();
  const anyLine = fc
    .record({ pick: fc.nat(all.length - 1), quantity: fc.integer({ min: 1, max: 500 }) })
    .map(({ pick, quantity }): JobLine => {
      const { item, standard, size } = all[pick]!;
      return { item, standard, size, quantity, options: {} };
    });
  const anyJob = fc.record({
    name: fc.string({ minLength: 1, maxLength: 60 }).filter((s) => s.trim() === s && s.length > 0),
    units: fc.constantFrom("in" as const, "mm" as const),
    lines: fc.array(anyLine, { maxLength: 4 }),
    kerf: fc.integer({ min: 0, max: 8_000_000 }).map((n) => n as Length),
    people: fc.integer({ min: 1, max: 9 }),
  });

  test("written and read again is the same job, to the nanometre, in either unit", () => {
    fc.assert(
      fc.property(anyJob, ({ kerf, people, ...j }) => {
        const full: Job = {
          ...emptyJob(j.name, j.units),
          ...j,
          stock: [board],
          workshop: { ...USUAL_WORKSHOP, kerf, people },
        };
        expect(readJob(JSON.parse(JSON.stringify(writeJob(full))))).toEqual(full);
      }),
      { numRuns: 60 },
    );
  });

  test("its cut list counts places × quantity, every blank is something, and parts fit inside their item", () => {
    fc.assert(
      fc.property(anyJob, (j) => {
        const worked = workJob({ ...emptyJob(j.name, j.units), lines: j.lines });
        for (const { part, quantity, line: l } of cutList(worked.lines)) {
          expect(quantity).toBe(part.places.length * l.line.quantity);
          for (const d of Object.values(part.cut)) expect(d).toBeGreaterThan(0);
        }
      }),
      { numRuns: 40 },
    );
  });

  test("everything that can be made is found by the first letters of its own name and standard", () => {
    const first = (key: "item" | "standard") => all.filter((m, i) => all.findIndex((o) => o[key] === m[key]) === i);
    for (const m of [...first("item"), ...first("standard")])
      for (const letters of [3, 5]) {
        const words = `${m.name} ${m.standardName}`.replace(/[,-]/g, " ").split(/\s+/).filter(Boolean);
        const typed = words.map((w) => w.slice(0, letters)).join(" ");
        const { found } = findMakeable(/^\d/.test(typed) ? `1 ${typed}` : typed, all);
        expect([typed, found.includes(m)]).toEqual([typed, true]);
      }
    expect(new Set(all.map((m) => m.standard)).size).toBe(STANDARDS.length);
  });
});
