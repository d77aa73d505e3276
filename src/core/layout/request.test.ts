import fc from "fast-check";
import { inch, type Length, mm } from "@/core/length/length";
import { pieceKey } from "@/core/line/line";
import { readJob } from "@/core/job/file";
import type { BoardStock } from "@/core/boards/stock";
import { workJob } from "@/core/job/worked";
import { layOut, layoutDocument } from "./layout";
import { layGroup } from "./lay";
import { orderOf } from "@/core/order/order";
import { operations } from "@/core/work/operations";
import { missingText } from "./missing";
import { piecesOf } from "@/core/boards/laid";
import { type Blank, groups, type LayoutRequest } from "./request";
import { carryOut } from "@/core/job/acts";
import { layoutRequest } from "@/core/job/ask";
import { emptyJob, type Job } from "@/core/job/job";
import { offersFor } from "./offers";
import { settingsApart, setUps } from "./setups";
import { blank as plainBlank, board as plainBoard, request as asked, saw as plainSaw } from "./tests/samples";

const board = (thickness: Length, o: Partial<BoardStock> = {}) => plainBoard({ thickness, price: 10, ...o });
const blank = (o: Partial<Blank>): Blank =>
  plainBlank("a", inch(18), inch(1, 3, 8), 10, { name: "A", thickness: inch(0, 3, 8), ...o });
const saw = { ...plainSaw, sheetTrim: inch(0, 1, 2) };
const split = (blanks: Blank[], stock: BoardStock[]) => groups(asked(blanks, stock, { saw }));

describe("which board a part comes from, and how it lies", () => {
  test("an end bar is sliced on edge from thick stock rather than planed to half", () => {
    const { groups: g } = split([blank({})], [board(inch(0, 3, 4)), board(inch(1, 1, 2))]);
    // On edge: 3/8 ripped off 1 1/2; flat: 1 3/8 of 3/4 planed away to 3/8.
    expect(g.map((x) => [x.thickness, x.lying[0]!.onEdge, x.lying[0]!.width, x.lying[0]!.takes])).toEqual([
      [inch(1, 1, 2), true, inch(0, 3, 8), inch(1, 3, 8)],
    ]);
  });
  test("stock of the part's own thickness is used flat, unplaned", () => {
    const { groups: g } = split([blank({})], [board(inch(0, 3, 8)), board(inch(1, 1, 2))]);
    expect(g[0]!.lying[0]).toMatchObject({ onEdge: false, takes: inch(0, 3, 8) });
  });
  test("parts of one thickness share a group, and yard boards of it join in", () => {
    const parts = [
      blank({ of: { line: 0, part: "s" }, width: inch(9), thickness: inch(0, 3, 4) }),
      blank({ of: { line: 0, part: "e" }, width: inch(5), thickness: inch(0, 3, 4) }),
    ];
    const { groups: g } = split(parts, [
      board(inch(0, 3, 4)),
      board(inch(0, 3, 4), { source: "yard", price: 0, available: 2 }),
    ]);
    expect(g.map((x) => [x.lying.length, x.stock])).toEqual([[2, [0, 1]]]);
  });
  test("ply parts want sheets of their very thickness, and wood never comes from a sheet", () => {
    const ply = blank({
      of: { line: 0, part: "p" },
      name: "Panel",
      material: "ply",
      width: inch(14),
      thickness: inch(0, 3, 8),
    });
    const sheet = board(inch(0, 3, 8), { form: "sheet", width: mm(1220), length: mm(2440) });
    expect(split([ply], [sheet]).groups[0]!.lying[0]).toMatchObject({ onEdge: false, takes: inch(0, 3, 8) });
    expect(split([ply], [board(inch(0, 3, 8))]).missing[0]!.why).toBe("no stock");
    const thick = { ...sheet, thickness: inch(0, 1, 2) };
    expect(missingText(split([ply], [thick]).missing[0]!, "in")).toBe(
      'Panel: every sheet of ply is of another thickness for it; it wants a sheet of ply 3/8" thick, 14" wide and 18 1/2" long',
    );
    expect(split([blank({})], [sheet]).missing).toHaveLength(1);
  });
  test("a sheet loses its own trim all round", () => {
    const ply = blank({ material: "ply", length: inch(47), width: inch(23), thickness: inch(0, 3, 8), quantity: 4 });
    const lay = (length: Length) =>
      layOut(asked([ply], [board(inch(0, 3, 8), { form: "sheet", length, width: inch(48) })], { saw }), () => 0);
    // Two of 23 and a saw cut lie side by side, whichever way; of 47 1/2 less the trim neither way is long enough.
    expect(lay(inch(48))).toMatchObject({ missing: [], count: 2 });
    const narrow = board(inch(0, 3, 8), { form: "sheet", length: inch(47, 1, 2), width: inch(47, 1, 2) });
    expect(layOut(asked([ply], [narrow], { saw }), () => 0).missing[0]!.why).toBe("too short");
  });
});

test("an allowance for drying is cut and laid out, not only said", () => {
  const job = readJob({
    format: "rundik-job", version: 1, name: "x", units: "in", stock: [],
    lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 1, options: { drying: true, moistureNow: 18, moistureUse: 12 } }],
  }); // prettier-ignore
  const [side] = layoutRequest(workJob(job)).blanks;
  expect(side!.width).toBeGreaterThan(inch(9, 5, 8));
  expect(side!.width).toBeLessThan(inch(9, 25, 32));
});

test("a board thicker than the part's group is planed down to it, up to three eighths; a thicker one is not", () => {
  const side = blank({ of: { line: 0, part: "s" }, width: inch(9), thickness: inch(0, 3, 4) });
  const thick = blank({ of: { line: 0, part: "t" }, width: inch(9), thickness: inch(1, 1, 8) });
  const stock = [inch(0, 3, 4), inch(0, 13, 16), inch(1), inch(1, 1, 8), inch(1, 1, 2)].map((t) => board(t));
  expect(split([side, thick], stock).groups.map((g) => [g.thickness, g.stock])).toEqual([
    [inch(0, 3, 4), [0, 1, 2]],
    [inch(1, 1, 8), [3, 4]],
  ]);
});

test("what no stock gives is offered as yards sell it, and added it is all that was missing, in either units (handbook 06)", () => {
  const hive = ["body", "frame", "floor-solid", "inner-cover", "roof-deep"];
  for (const units of ["in", "mm"] as const) {
    const job: Job = {
      ...emptyJob("x", units),
      lines: hive.map((item) => ({ item, standard: "national", size: "brood", quantity: 5, options: {} })),
    };
    let stock: Job["stock"] = [];
    for (let added = 0; added < 12; added++) {
      const { missing } = groups(layoutRequest(workJob({ ...job, stock })));
      if (missing.length === 0) break;
      stock = [...stock, offersFor(missing, units)[0]!];
    }
    expect(groups(layoutRequest(workJob({ ...job, stock }))).missing).toEqual([]);
    // Walls of 19, the wider rails of 25, and ply of 6, 12 and 18; a brood box is 225 deep.
    const sold = stock.flatMap((s) =>
      s.form === "pack" ? [] : [[s.form === "board" ? s.form : s.material, s.thickness / 1e6, s.width / 1e6]],
    );
    expect(
      sold
        .filter(([what]) => what === "ply")
        .map(([, t]) => t)
        .sort(),
    ).toEqual([12, 18, 6]);
    expect(sold).toContainEqual(["board", 19, units === "mm" ? 245 : expect.closeTo(9.25 * 25.4, 6)]);
  }
});

test("units are how a job is read, and change nothing of its saw: that is the shop's", () => {
  const asked = { ...emptyJob("x", "in"), stock: [board(inch(0, 3, 4))] };
  expect(carryOut(asked, { do: "units", units: "mm" })).toEqual({ ...asked, units: "mm" });
});

describe("panels glued up", () => {
  const job = (panels: boolean) =>
    readJob({
      format: "rundik-job", version: 1, name: "x", units: "in", start: "2027-02-08",
      lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 5, options: { joint: "rabbet-ends" } }],
      stock: [{ form: "board", material: "pine", thickness: "3/4", width: "5 1/2", length: "8'", price: 6 }],
      workshop: { panels, panelLoss: "1/8" },
    }); // prettier-ignore
  test("a 9 5/8 side from 5 1/2 boards is two staves of 4 7/8: 2 × 4 7/8 less a joint of 1/8", () => {
    const worked = workJob(job(true));
    const [side] = layoutRequest(worked).blanks;
    expect([pieceKey(side!.of), side!.width, side!.quantity, side!.staves]).toEqual([
      "0/side#stave",
      inch(4, 7, 8),
      20,
      2,
    ]);
    const laid = layOut(layoutRequest(worked), () => 0);
    expect(laid.missing).toEqual([]);
    // Glue for the panels: 20 sides and ends, each one joint of its length by 3/4.
    const panels = orderOf(worked, laid).lines.find((l) => l.what === "waterproof wood glue")!;
    expect(panels.for).toContain("panels");
    const ops = operations(worked, laid);
    const glued = ops.find((o) => o.id === "0/side/panel")!;
    expect(glued).toMatchObject({ pieces: 10, station: "clamps", wait: 60 });
    expect(ops.filter((o) => o.after.includes(glued.id)).length).toBeGreaterThan(0);
  });
  test("without it the part is missing, and panels are named as a way", () => {
    const laid = layOut(layoutRequest(workJob(job(false))), () => 0);
    expect(missingText(laid.missing[0]!, "in")).toMatch(/too narrow.*or panels glued up/);
  });
});

describe("layouts", () => {
  const sixteenth = (min: number, max: number) => fc.integer({ min, max }).map((n) => inch(0, n, 16));
  const jobs = fc.record({
    blanks: fc.uniqueArray(
      fc.record({ length: sixteenth(64, 700), width: sixteenth(16, 170), quantity: fc.integer({ min: 1, max: 60 }) }),
      { minLength: 1, maxLength: 6, selector: (b) => `${b.length} ${b.width}` },
    ),
    limited: fc.option(fc.integer({ min: 0, max: 4 })),
  });
  const request = (j: {
    blanks: { length: Length; width: Length; quantity: number }[];
    limited: number | null;
  }): LayoutRequest =>
    asked(
      j.blanks.map((b, i) => blank({ ...b, of: { line: 0, part: `p${i}` }, thickness: inch(0, 3, 4) })),
      [
        board(inch(0, 3, 4)),
        ...(j.limited === null ? [] : [board(inch(0, 3, 4), { source: "yard", price: 0, available: j.limited })]),
      ],
      { saw },
    );

  test("the same request gives the same layout; no layout beats the bound", () => {
    fc.assert(
      fc.property(jobs, (j) => {
        const [a, b] = [layOut(request(j), () => 0), layOut(request(j), () => 0)];
        expect(layoutDocument(a)).toEqual(layoutDocument(b));
        expect(a.count).toBeGreaterThanOrEqual(a.boundCount);
        expect(a.cost).toBeGreaterThanOrEqual(a.boundCost - 1e-9);
        expect(a.proven).toBe(a.missing.length === 0 && a.cost <= a.boundCost + 1e-9);
        // Pieces, offcuts and what the saw eats never add up to more than the board.
        for (const { layouts } of a.groups.map((g) => g.result))
          for (const l of layouts) {
            const area = (list: { length: number; width: number }[]) =>
              list.reduce((s, x) => s + x.length * x.width, 0);
            const whole = a.request.stock[l.stock]!;
            expect(area(piecesOf(l)) + area(l.offcuts)).toBeLessThanOrEqual(whole.length * whole.width);
          }
      }),
      { numRuns: 12 },
    );
  });

  test("a stop keeps the best so far, and it is whole", () => {
    const j = request({
      blanks: [
        { length: inch(19), width: inch(4), quantity: 50 },
        { length: inch(13), width: inch(3), quantity: 41 },
      ],
      limited: null,
    });
    const split = groups(j).groups[0]!;
    let heard = 0;
    const first = layGroup({ lying: split.lying, boards: j.stock, available: [null], saw: j.saw }, j.weighing, {
      hear: () => heard++,
      goOn: () => heard === 0,
    });
    expect(heard).toBe(1);
    expect(first.short).toEqual([]);
    // Nor is one that is told to stop before it began left without a layout.
    const sheets = j.stock.map((s) => ({ ...s, form: "sheet" as const }));
    const atOnce = layGroup({ lying: split.lying, boards: sheets, available: [null], saw: j.saw }, j.weighing, {
      goOn: () => false,
    });
    expect([atOnce.short, atOnce.count > 0]).toEqual([[], true]);
  });

  test("a repeat counts whole boards, and set-ups count what is cut", () => {
    const r = layOut(request({ blanks: [{ length: inch(19), width: inch(5), quantity: 40 }], limited: null }), () => 0);
    const [rip, stop] = setUps(r);
    expect([rip!.kind, rip!.setting, stop!.kind, stop!.count]).toEqual(["rip", inch(5), "crosscut", 40]);
    // 95 1/2 and the last kerf hold five of 19 and a kerf each.
    expect(rip!.count).toBe(8);
  });

  test("settings line by line are at least the shared ones", () => {
    const job = readJob({
      format: "rundik-job", version: 1, name: "x", units: "in",
      stock: [{ form: "board", material: "pine", thickness: "3/4", width: "11 1/4", length: "8'" }],
      lines: ["deep", "medium", "deep"].map((size) => ({ item: "body", standard: "langstroth-10", size, quantity: 3 })),
    }); // prettier-ignore
    const worked = workJob(job);
    const shared = setUps(layOut(layoutRequest(worked), () => 0)).length;
    expect(shared).toBe(4);
    expect(settingsApart(worked.lines)).toBe(9);
  });
});
