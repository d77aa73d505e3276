import { caution, type Hazard } from "@/core/feature/hazard";
import type { JobLine } from "@/core/line/line";
import { inch } from "@/core/length/length";
import type { BoardStock } from "@/core/boards/stock";
import { carryOut } from "@/core/job/acts";
import { emptyJob, type Job } from "@/core/job/job";
import { USUAL_WORKSHOP, type Workshop } from "@/core/shop/shop";
import { workJob } from "@/core/job/worked";
import { layOut } from "@/core/layout/layout";
import { layoutRequest } from "@/core/job/ask";
import { clockText } from "@/core/plan/calendar";
import { type Operation, operation } from "./operation";
import { operations } from "./operations";
import { makeables } from "@/core/job/find";
import { stepsOf } from "@/core/shape/steps";
import { planDocument, planOf } from "@/core/plan/plan";

const BOARD = {
  form: "board",
  material: "pine",
  width: inch(11, 1, 4),
  length: inch(96),
  price: 14,
  available: null,
  source: "buy",
} as const;
const job = (lines: Partial<JobLine>[], o: Partial<Job> = {}): Job => ({
  ...emptyJob("x", "in"),
  start: "2027-02-08",
  lines: lines.map((l) => ({ item: "body", standard: "langstroth-10", size: "deep", quantity: 10, options: {}, ...l })),
  stock: [
    { ...BOARD, thickness: inch(0, 3, 4) },
    { ...BOARD, thickness: inch(1, 1, 2) },
  ],
  ...o,
});
const opsOf = (j: Job) => {
  const worked = workJob(j);
  return operations(
    worked,
    layOut(layoutRequest(worked), () => 0),
  );
};

/** What an operation is set to, by kind. */
const set = (o: Operation | undefined) =>
  Object.fromEntries(o!.settings.map((s) => [s.kind, s.kind === "angle" ? s.degrees : s.value]));

describe("operations of a job", () => {
  test("only those that apply: a butt box has no rabbets in its corners, a finger box fingers", () => {
    const names = (joint: string) => opsOf(job([{ options: { joint } }])).map((o) => o.name);
    expect(names("butt-ends-inside")).not.toContain("Corner rabbet");
    expect(names("rabbet-ends")).toContain("Corner rabbet");
    expect(names("finger")).toContain("Fingers");
    expect(names("finger")).not.toContain("Corner rabbet");
    expect(names("dovetail")).toEqual(expect.arrayContaining(["Tails", "Pins"]));
    expect(names("mitre")).toContain("Mitre");
  });

  test("settings are the geometry's: fence, corner rabbet, rest", () => {
    const ops = opsOf(job([{ options: { handholds: "none" } }]));
    const named = (name: string) => set(ops.find((o) => o.name === name));
    expect(named("Rip to width")).toEqual({ fence: inch(9, 5, 8) });
    expect(named("Corner rabbet")).toEqual({ width: inch(0, 3, 4), height: inch(0, 3, 8) });
    expect(named("Rest")).toEqual({ width: inch(0, 5, 8), height: inch(0, 3, 8) });
  });

  test("the handbook's order (09): crosscut to length, mark outside faces, rabbets, rests, handholds, dry fit, glue; boards are squared first", () => {
    const ops = opsOf(job([{ quantity: 4 }]));
    expect(ops.map((o) => o.name)).toEqual(["Rip to width", "Crosscut to length", "Crosscut to length", "Mark outside faces", "Corner rabbet", "Rest", "Handhold", "Dry fit a first box", "Glue and fasten the box", "Clean up corners and edges"]); // prettier-ignore
    expect(ops[0]!.how).toEqual(['Square one end of each board first: take off 1/4".']);
  });

  test.each(makeables().filter((m, i, all) => all.findIndex((o) => o.item === m.item) === i))(
    "$item: a face that is to be marked is marked before anything is cut into it; of two kinds of screw a step says where each goes",
    ({ item, standard, size }) => {
      const worked = workJob(job([{ item, standard, size, quantity: 2 }], { stock: [] }));
      const ops = operations(
        worked,
        layOut(layoutRequest(worked), () => 0),
      );
      const byId = new Map(ops.map((o) => [o.id, o]));
      const isAfter = (o: Operation, id: string): boolean => o.after.some((a) => a === id || isAfter(byId.get(a)!, id));
      const marked = ops.find((o) => o.name.startsWith("Mark outside"));
      for (const part of worked.lines[0]!.shape.parts.filter((p) => p.outside))
        for (const cut of ops.filter((o) => o.makes.some((m) => m.part.part === part.id && m.feature)))
          expect([part.id, cut.name, marked && isAfter(cut, marked.id)]).toEqual([part.id, cut.name, true]);
      for (const step of stepsOf(worked.lines[0]!.shape, "in")) {
        const screws = step.uses.filter((u) => u.screw && u.quantity > 0);
        if (screws.length > 1) expect(screws.map((u) => u.where)).toEqual(screws.map(() => expect.any(String)));
      }
    },
  );

  test("a rim's corner rabbets are made on all its pieces; two ends of a board are one set-up", () => {
    const ops = opsOf(job([{ item: "feed-rim", options: { joint: "rabbet-ends" } }]));
    const rabbets = ops.filter((o) => o.name === "Corner rabbet");
    expect(rabbets).toHaveLength(1);
    expect(rabbets[0]!.makes.map((m) => [m.part.part, m.feature, m.pieces])).toEqual([
      ["end", "corner-rabbet", 20],
      ["end", "corner-rabbet-2", 20],
    ]);
  });

  test("two or four handholds: twice the pieces, and with them the minutes", () => {
    const minutes = (handholds: string) =>
      opsOf(job([{ quantity: 40, options: { handholds } }]))
        .filter((o) => o.name === "Handhold")
        .reduce((n, o) => n + o.minutes, 0);
    // One set-up of 20 minutes for the ends, one more for the sides, whose middle is elsewhere; a minute a pocket.
    expect([minutes("ends"), minutes("all")]).toEqual([20 + 80, 2 * (20 + 80)]);
  });

  test("a shared dimension is one set-up for the whole job", () => {
    const ops = opsOf(job([{ quantity: 5 }, { quantity: 7, options: { handholds: "all" } }]));
    const ends = ops.filter((o) => o.settings.some((s) => s.kind === "stop" && s.value === inch(16, 1, 4)));
    expect(ends).toHaveLength(1);
    expect(ends[0]!.pieces).toBe(2 * (5 + 7));
    // Parts that several lines have are told apart.
    expect(ends[0]!.of).toContain("end of body, deep (line 2)");
  });

  test("only what is thicker than its part is planed, at what it needs: sides and ends never", () => {
    const ops = opsOf(
      job(
        [
          { size: "medium", quantity: 12 },
          { quantity: 10 },
          { item: "frame", size: "medium", quantity: 200 },
          { item: "frame", quantity: 100 },
        ],
        {
          stock: [
            { ...BOARD, thickness: inch(0, 3, 4) },
            { ...BOARD, thickness: inch(1, 1, 2) },
          ],
        },
      ),
    );
    const planed = ops.filter((o) => o.station === "planer");
    expect(planed.length).toBeGreaterThan(0);
    for (const o of planed) expect(o.of).not.toMatch(/\b(side|end) of body/);
    // Slices and other thin parts come off on edge; what is planed loses less than half an inch.
    for (const o of planed) expect(set(o)["take off"]).toBeLessThanOrEqual(inch(0, 7, 16));
  });

  test("rough boards get a straight edge before anything is measured from it", () => {
    const rough = { ...BOARD, thickness: inch(0, 3, 4), rough: true as const };
    const ops = opsOf(job([{ options: { handholds: "none" } }], { stock: [rough] }));
    const joint = ops.find((o) => o.station === "jointer")!;
    expect(joint.pieces).toBe(ops.find((o) => o.name === "Rip to width")!.pieces);
    expect(ops.find((o) => o.name === "Rip to width")!.after).toEqual([joint.id]);
    expect(joint.caution).toBe(caution("joint"));
  });

  test("a thick board of the yard is resawn: half as many are jointed and resawn as are then ripped; a bought one is not", () => {
    const thick: BoardStock = { ...BOARD, thickness: inch(1, 7, 8), source: "yard", price: 0, available: 12 };
    const whole = job([{ options: { handholds: "none" } }], { stock: [thick] });
    const thin = carryOut(whole, { do: "resaw", at: 0, into: 2 });
    // 1 7/8 less a saw cut of 1/8, halved.
    expect(thin.stock[0]).toMatchObject({ thickness: inch(0, 7, 8), available: 24, resawn: 2, rough: true });
    const ops = opsOf(thin);
    const [joint, resaw, rip] = ["jointer", "band saw", "table saw"].map((s) => ops.find((o) => o.station === s)!);
    // Four sides and an end a board, or five ends: 20 of each are eight boards, four as they were.
    expect([joint!.pieces, resaw!.pieces, rip!.pieces]).toEqual([4, 4, 8]);
    expect([resaw!.after, rip!.after, set(resaw!)]).toEqual([[joint!.id], [resaw!.id], { fence: inch(0, 7, 8) }]);
    expect(resaw!.caution).toBe(caution("resaw"));
    const bought = { ...whole, stock: [{ ...thick, source: "buy" as const }] };
    expect(() => carryOut(bought, { do: "resaw", at: 0, into: 2 })).toThrow(/board of the yard/);
    const inch1 = { ...whole, stock: [{ ...thick, thickness: inch(1) }] };
    expect(() => carryOut(inch1, { do: "resaw", at: 0, into: 3 })).toThrow('this is 1"');
  });

  test("cautions stand where the act is: thin rips, short crosscuts, planing, dado, drilling", () => {
    const ops = opsOf(
      job([
        { item: "frame", quantity: 40, options: { foundation: "wired-wax" } },
        { options: { handholds: "cleats" } },
      ]),
    );
    // Hot wax wants two, whatever a design says.
    const dip = { id: "dip", name: "Dip", station: "tank", pieces: 2, of: "boxes" } as const;
    expect([operation({ ...dip, hazard: "wax" }), operation({ ...dip, hazard: "wax", people: 3 }), operation({ ...dip, hazard: "glue" })].map((o) => o.people)).toEqual([2, 3, 1]); // prettier-ignore
    const said = (hazard: Hazard) => ops.filter((o) => o.caution === caution(hazard));
    expect(
      said("thin")
        .filter((o) => "fence" in set(o))
        .every((o) => set(o).fence! < inch(0, 1, 2)),
    ).toBe(true);
    expect(said("thin").length).toBeGreaterThan(0);
    expect(said("short").map((o) => set(o).stop)).toContain(inch(6));
    expect(said("plane").length).toBeGreaterThan(0);
    expect(said("drill").some((o) => o.name === "Wire holes")).toBe(true);
  });

  test("end bars by the block: crosscut, planed, forked across, then sliced; the slices wait for the forks", () => {
    const ops = opsOf(job([{ item: "frame", quantity: 60 }]));
    const at = (name: RegExp) => ops.findIndex((o) => name.test(o.name) && /end bar/.test(o.of));
    const order = [/blocks$/, /Plane/, /Fork/, /Slice/].map(at);
    expect(order.every((i) => i >= 0)).toBe(true);
    expect(order).toEqual(order.toSorted((a, b) => a - b));
    const [block, plane, forks, slice] = order.map((i) => ops[i]!);
    // 120 bars at 22 slices a block of 11 1/4 (11.25 + 1/8 over 3/8 + 1/8): six blocks.
    expect([block!.pieces, forks!.pieces, slice!.pieces]).toEqual([6, 6, 120]);
    expect(set(plane)).toEqual({ "take off": inch(0, 1, 8) });
    expect(forks!.after).toContain(plane!.id);
    expect(slice!.after).toEqual(expect.arrayContaining([forks!.id]));
    expect(slice!.caution).toBe(caution("thin"));
    // Every operation stands after what must be done before it.
    ops.forEach((o, i) => o.after.forEach((a) => expect(ops.findIndex((x) => x.id === a)).toBeLessThan(i)));
  });

  test("an inner board is cut after its rim is glued, from the rim as measured; a follower after its box", () => {
    const ops = opsOf(
      job([{ item: "feed-rim-inner-board" }, { item: "follower" }, {}], {
        workshop: { ...USUAL_WORKSHOP, panels: true },
      }),
    );
    const made = (part: string) => ops.find((o) => o.makes.some((m) => m.part.part === part && m.feature === null))!;
    expect(made("board").after.some((a) => a.startsWith("0/glue-up"))).toBe(true);
    expect(made("board").measure).toEqual([{ part: { line: 0, part: "board" }, names: ["rimLength", "rimWidth"] }]);
    expect(made("follower").after.some((a) => a.startsWith("2/glue-up"))).toBe(true);
  });

  test("glue-ups come in lots the clamps allow, and what follows a lot waits for it alone", () => {
    const all = opsOf(job([{ quantity: 19 }]));
    const glue = all.filter((o) => o.id.includes("glue-up"));
    expect(glue.map((o) => [o.pieces, o.setup])).toEqual([[8, 10], [8, 0], [3, 0]]); // prettier-ignore
    expect(all.find((o) => o.id === "0/clean")!.after).toEqual(glue.map((o) => o.id));
  });
});

describe("plans", () => {
  const plan = (j: Job) => {
    const worked = workJob(j);
    return planOf(
      worked,
      layOut(layoutRequest(worked), () => 0),
    );
  };
  const shop = (o: Partial<Workshop>): Workshop => ({ ...USUAL_WORKSHOP, ...o });

  test("more hands never finish later, and none finish before the bound", () => {
    const finishes = [1, 2, 4].map((people) =>
      plan(job([{ quantity: 30 }, { item: "frame", quantity: 100 }], { workshop: shop({ people }) })),
    );
    for (const p of finishes) expect(p.finish).toBeGreaterThanOrEqual(p.bound);
    expect(finishes[1]!.finish).toBeLessThanOrEqual(finishes[0]!.finish);
    expect(finishes[2]!.finish).toBeLessThanOrEqual(finishes[1]!.finish);
  });

  test("glue cures overnight for nothing: a wait that starts at closing time is over by morning", () => {
    const p = plan(job([{ quantity: 16 }], { workshop: shop({ hours: [[480, 720]] }) }));
    const at = new Map(p.operations.map((o) => [o.id, o]));
    for (const o of p.operations)
      for (const a of o.after) {
        const before = at.get(a)!;
        const crossed = Math.floor(before.endsAt / 1440) < Math.floor(o.startsAt / 1440);
        if (crossed && before.wait < 600) expect(o.startsAt % 1440).toBeGreaterThanOrEqual(480);
      }
  });

  test("the document gives local times, what comes first, and cautions", () => {
    const doc = planDocument(plan(job([{ quantity: 2 }], { due: "2027-02-09" })));
    expect(doc.operations[0]).toMatchObject({
      start: "2027-02-08T08:00",
      station: "table saw",
      caution: expect.stringContaining("manual"),
    });
    expect(doc.finish).toMatch(/^2027-02-\d\dT\d\d:\d\d$/);
    expect([doc.due, doc.late]).toEqual(["2027-02-09", doc.finish > "2027-02-09T23:59"]);
    expect(clockText(0)).toBe("1970-01-01T00:00");
  });

  test("the same job gives the same plan", () => {
    const j = job([{ quantity: 12 }, { item: "frame", quantity: 60 }]);
    expect(planDocument(plan(j))).toEqual(planDocument(plan({ ...j })));
  });
});
