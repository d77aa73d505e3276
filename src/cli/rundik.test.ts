import { spawn } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** Runs the command as a script would, and answers with what it printed. */
function rundik(args: string[], input = ""): Promise<{ code: number | null; out: string; err: string }> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ["scripts/rundik.mjs", ...args]);
    let [out, err] = ["", ""];
    child.stdout.on("data", (d: Buffer) => (out += d.toString()));
    child.stderr.on("data", (d: Buffer) => (err += d.toString()));
    child.on("close", (code) => resolve({ code, out, err }));
    child.stdin.on("error", () => undefined); // it may refuse before it has read everything
    child.stdin.end(input);
  });
}

const job = (lines: object[], more: object = {}) =>
  JSON.stringify({
    format: "rundik-job",
    version: 1,
    name: "Spring run",
    units: "in",
    start: "2027-02-08",
    due: "2027-03-12",
    lines,
    stock: [
      { material: "pine", form: "board", thickness: "3/4", width: "11 1/4", length: "8'", price: 14.2, available: 60 },
    ],
    workshop: { kerf: "1/8", endTrim: "1/4" },
    ...more,
  });
const bodies = (options: object, quantity = 40) => ({
  item: "body",
  standard: "langstroth-10",
  size: "deep",
  quantity,
  options,
});

async function ok<T>(verb: string, text: string): Promise<T> {
  const { code, out, err } = await rundik([verb, "-"], text);
  expect(err).toBe("");
  expect(code).toBe(0);
  return JSON.parse(out) as T;
}

describe("cutlist", () => {
  interface CutList {
    parts: {
      id: string;
      name: string;
      item: string;
      line: number;
      quantity: number;
      lengthMm: number;
      text: Record<string, string>;
      features: { kind: string; text: string }[];
      working: Record<string, string>;
    }[];
  }

  // Joint table of the workshop handbook, chapter 4 [trade].
  test("forty deep bodies, rabbet in the ends, 3/4 stock: sides 80 of 19 1/8 × 9 5/8, ends 80 of 16 1/4 × 9 5/8", async () => {
    const { parts } = await ok<CutList>("cutlist", job([bodies({ thickness: "3/4", joint: "rabbet-ends" })]));
    expect(parts.map((p) => [p.name, p.quantity, p.text.length, p.text.width, p.text.thickness])).toEqual([
      ["Side", 80, "19 1/8", "9 5/8", "3/4"],
      ["End", 80, "16 1/4", "9 5/8", "3/4"],
    ]);
    expect(parts[0]!.working.length).toBe("19 1/8 = 19 7/8 − 2 × (3/4 − 3/8)");
    expect(parts[1]!.features.map((f) => f.kind)).toEqual(["rabbet", "rabbet", "rabbet", "handhold"]);
  });

  test("butt in true 1 inch held inside: sides 20 3/8, ends 14 3/4", async () => {
    const { parts } = await ok<CutList>("cutlist", job([bodies({ thickness: 1, joint: "butt-ends-inside" })]));
    expect(parts.map((p) => [p.text.length, p.lengthMm])).toEqual([
      ["20 3/8", 517.525],
      ["14 3/4", 374.65],
    ]);
  });

  test("identical parts of two lines stay separate, each with its line", async () => {
    const { parts } = await ok<CutList>("cutlist", job([bodies({}, 2), bodies({}, 3)]));
    expect(parts.map((p) => [p.id, p.line, p.quantity])).toEqual([
      ["0/side", 0, 4],
      ["0/end", 0, 4],
      ["1/side", 1, 6],
      ["1/end", 1, 6],
    ]);
  });

  test("an mm job gives mm to 0.1", async () => {
    const { parts } = await ok<CutList>(
      "cutlist",
      job([bodies({ thickness: 18 })], { units: "mm", stock: [], workshop: {} }),
    );
    // 18 3/8" + 2 × 18 − 2 × 9 = 466.725 + 18 mm.
    expect(parts[0]).toMatchObject({ lengthMm: 484.725, text: { length: "484.7", thickness: "18" } });
  });
});

/** Every item id of the job file's contract, with a standard and size that has it. */
const ITEMS: Record<string, string> = {
  "langstroth-10 deep": "body nuc divided-body long-body joined-body frame half-frame extra-deep-frame floor-solid floor-screened floor-underfloor floor-four-way entrance-block inner-cover inner-cover-four-way cover-telescoping cover-flat roof-deep roof-gable quilt-box feed-rim feed-rim-inner-board feeder-trough feeder-frame excluder slatted-rack follower stand pallet robbing-screen escape-board insulated-jacket inspection-cover transfer-clip", // prettier-ignore
  "square-190 box": "square-box pi-frame",
  "kenya trough": "top-bar-trough top-bar",
  "az storey": "cabinet-storey no-ear-frame",
  "layens deep": "closed-top-frame",
  "national brood": "body inner-cover floor-underfloor roof-deep",
};

test("every item of the contract is cut and checked: sizes as text and in mm, workings, the longer side of a sheet first", async () => {
  const lines = Object.entries(ITEMS).flatMap(([of, items]) => {
    const [standard, size] = of.split(" ");
    return items.split(" ").map((item) => ({ item, standard, size, quantity: 2 }));
  });
  const { parts } = await ok<{ parts: { line: number; name: string; material: string; quantity: number; lengthMm: number; widthMm: number; thicknessMm: number; text: { length: string }; working: { length: string } }[] }>("cutlist", job(lines)); // prettier-ignore
  for (const [i, l] of lines.entries()) expect([l.item, parts.some((p) => p.line === i)]).toEqual([l.item, true]);
  for (const p of parts) {
    expect([p.name, p.quantity % 2, Math.min(p.lengthMm, p.widthMm, p.thicknessMm) > 0]).toEqual([p.name, 0, true]);
    if (p.material !== "wood") expect([p.name, p.lengthMm >= p.widthMm]).toEqual([p.name, true]);
    expect(p.working.length.startsWith(p.text.length)).toBe(true);
  }
  const { findings } = await ok<{ findings: { line: number; state: string; allowedMm: unknown[]; text: string; advice: string }[] }>("check", job(lines)); // prettier-ignore
  for (const f of findings) {
    expect(["ok", "care", "stop"]).toContain(f.state);
    expect([f.text, f.allowedMm.length, f.state === "ok" || f.advice.length > 0]).toEqual([f.text, 2, true]);
  }
}, 240_000);

test("a hive's lines are checked where they meet: a lid asked for smaller than thick walls, and nothing under it to free it by", async () => {
  interface Check {
    findings: { rule: string; line: number; state: string; valueMm: number; allowedMm: [number | null, number | null]; text: string; advice: string }[]; // prettier-ignore
  }
  const lid = {
    item: "cover-telescoping",
    standard: "langstroth-10",
    size: "deep",
    quantity: 4,
    options: { bodyOutsideLength: "19 7/8" },
  };
  const { findings } = await ok<Check>("check", job([bodies({ thickness: 1 }, 4), lid]));
  const of = (rule: string) => findings.find((f) => f.rule === rule && f.line === 1)!;
  // Skirt 20 1/4 inside (19 7/8 + 3/8), box 20 3/8: an eighth too long.
  expect(of("telescoping-clearance")).toMatchObject({ state: "stop", valueMm: -3.175, allowedMm: [6.35, 12.7] });
  expect(of("telescoping-clearance").text).toContain('1/8" too long');
  expect(of("inner-cover-missing")).toMatchObject({ state: "care", allowedMm: [null, null] });
});

test("a design of the maker's own is an item of its job file; one that leads back to itself is refused by name", async () => {
  const recipe = {
    id: "tray", name: "Tray", family: "own", kind: "other", about: "", needs: ["boxInsideLength"],
    parameters: [], hardware: [], operations: [], steps: [], mistakes: [], demands: [],
    values: [{ name: "long", label: "long", formula: "boxInsideLength - 1/2*inch" }],
    parts: [{ id: "base", name: "Base", role: "base", material: "ply", length: "6*inch", width: "long", thickness: "1/4*inch", features: [], places: [{ at: ["0", "0", "0"], l: "+x", w: "+y", t: "+z" }] }],
  }; // prettier-ignore
  const line = { item: "tray", standard: "langstroth-10", size: "deep", quantity: 3 };
  const file = (r: object) => job([line], { designs: [{ recipe: r, mark: 2, why: "wider" }] });
  const { parts } = await ok<{ parts: { name: string; quantity: number; text: object; working: { length: string } }[] }>("cutlist", file(recipe)); // prettier-ignore
  expect(parts).toMatchObject([
    { name: "Base", quantity: 3, text: { length: "17 7/8", width: "6", thickness: "1/4" } },
  ]);
  expect(parts[0]!.working.length).toBe("17 7/8 = 18 3/8 − 1/2");
  const ring = { ...recipe, values: [{ name: "long", label: "long", formula: "long + 1*inch" }] };
  const { code, out, err } = await rundik(["cutlist", "-"], file(ring));
  expect([code, out]).toEqual([2, ""]);
  expect(err).toContain("long → long leads back to itself");
});

test("check: one finding a rule, with its band, state, text and advice", async () => {
  interface Check {
    findings: { rule: string; line: number; state: string; gapState?: string; valueMm: number; allowedMm: unknown[] }[];
  }
  const { findings } = await ok<Check>(
    "check",
    job([bodies({ thickness: 1, joint: "butt-ends-inside", hold: "outside", restWidth: "5/8" })]),
  );
  const end = findings.find((f) => f.rule === "end-gap")!;
  expect(end).toMatchObject({ state: "stop", gapState: "glues", valueMm: 1.588, allowedMm: [6, 10], line: 0 });
  expect(findings.find((f) => f.rule === "bearing")).toMatchObject({
    valueMm: 12.7,
    state: "ok",
    allowedMm: [4.763, null],
  });
});

test("layout, order and plan agree with each other about one job", async () => {
  const text = job([bodies({ joint: "finger" }), { ...bodies({ foundation: "plastic" }, 400), item: "frame" }]);
  const layout = await ok<{ count: number; boundCount: number; cost: number; layouts: { repeat: number }[] }>(
    "layout",
    text,
  );
  const order = await ok<{ lines: { what: string; quantity: number; price: number | null }[]; total: number }>(
    "order",
    text,
  );
  const plan = await ok<{
    operations: { start: string; end: string; station: string; caution?: string }[];
    finish: string;
    bound: string;
    late: boolean;
  }>("plan", text);
  expect(layout.layouts.reduce((s, l) => s + l.repeat, 0)).toBe(layout.count);
  expect(layout.count).toBeGreaterThanOrEqual(layout.boundCount);
  expect(order.lines[0]).toMatchObject({ quantity: layout.count, price: expect.closeTo(layout.cost, 6) });
  expect(plan.operations[0]!.start).toBe("2027-02-08T08:00");
  expect(plan.finish >= plan.bound).toBe(true);
  expect(plan.late).toBe(false);
}, 240_000);

test("six hundred bodies, six thousand frames, floors and covers are laid out in seconds, within a hundredth of the bound", async () => {
  const of = (item: string, quantity: number, size?: string) => ({ item, standard: "langstroth-10", size, quantity });
  const lines = [
    of("body", 400, "deep"),
    of("body", 200, "medium"),
    of("frame", 4000, "deep"),
    of("frame", 2000, "medium"),
    of("floor-solid", 600),
    of("cover-telescoping", 600),
  ];
  const pine = { form: "board", material: "pine" };
  const sheet = { form: "sheet", width: "48", length: "96" };
  const stock = [
    { ...pine, thickness: "3/4", width: "11 1/4", length: "8'", price: 14.2 },
    { ...pine, thickness: "3/4", width: "7 1/4", length: "8'", price: 8.6 },
    { ...pine, thickness: "3/4", width: "11 1/4", length: "6'", available: 3, source: "yard" },
    { ...pine, thickness: "1 1/2", width: "5 1/2", length: "8'", price: 9.8 },
    { ...sheet, material: "ply", thickness: "1/2", price: 44 },
    { ...sheet, material: "ply", thickness: "3/4", price: 58 },
    { ...sheet, material: "aluminium", thickness: "0.02", price: 52 },
  ];
  const laid = await ok<{ cost: number; boundCost: number; seconds: number }>("layout", job(lines, { stock }));
  expect(laid.cost).toBeLessThanOrEqual(1.01 * laid.boundCost);
  // Five on a quiet machine; elsewhere only kept from running away.
  expect(laid.seconds).toBeLessThan(6 * 5);
  process.stdout.write(`600 bodies, 6000 frames, 600 floors, 600 covers: ${laid.cost} of at least ${laid.boundCost}, ${laid.seconds.toFixed(1)} s\n`); // prettier-ignore
}, 240_000);

describe("refusals print nothing, say why, and exit 2", () => {
  test.each<[string, string[], string, RegExp]>([
    ["no verb", [], "", /the verbs are cutlist, check, layout, order, plan/],
    ["an unknown verb", ["cutlists", "-"], "", /read "cutlists"/],
    ["no file", ["check"], "", /wanted: rundik check <job file/],
    ["a file that is not there", ["check", "/nowhere.json"], "", /no such file/],
    ["not JSON", ["check", "-"], "{", /not JSON/],
    ["an unknown item", ["check", "-"], job([{ ...bodies({}), item: "bodi" }]), /lines\[0\]\.item/],
    ["too little stock", ["layout", "-"], job([bodies({}, 4000)]), /left over when the stock runs out/],
    [
      "stock too narrow",
      ["order", "-"],
      job([bodies({})], { stock: [{ material: "pine", form: "board", thickness: "3/4", width: "9 1/4", length: 96 }] }),
      /side: every board is too narrow/,
    ],
    ["no start for a plan", ["plan", "-"], job([bodies({}, 4)], { start: undefined }), /start: missing/],
    ["6 MB of it", ["check", "-"], " ".repeat(6e6), /more than 4 MB/],
  ])("%s", async (_what, args, input, why) => {
    const { code, out, err } = await rundik(args, input);
    expect([code, out]).toEqual([2, ""]);
    expect(err).toMatch(why);
  });

  test("a file of more than 4 MB is not even opened", async () => {
    const dir = mkdtempSync(join(tmpdir(), "rundik-cli-"));
    writeFileSync(join(dir, "big.json"), " ".repeat(5e6));
    const { code, err } = await rundik(["cutlist", join(dir, "big.json")]);
    expect([code, err]).toEqual([2, expect.stringMatching(/5\.0 MB; a job file is at most 4 MB/)]);
    rmSync(dir, { recursive: true });
  });
});

describe("weigh", () => {
  const things = [
    { name: "deep", item: "frame", standard: "langstroth-10", size: "deep", options: {} },
    { name: "extra", item: "extra-deep-frame", standard: "langstroth-10", size: "deep", options: {}, frames: 7 },
    { name: "hive", hive: [{ item: "body", standard: "langstroth-10", size: "deep", options: { thickness: "7/8" } }] },
  ];
  const file = (more: object = {}) =>
    JSON.stringify({ format: "rundik-weigh", version: 1, units: "in", things, ...more });
  test("things side by side, as the contract says; a thing that is none is refused by its field", async () => {
    const { rows, assume } = await ok<{ rows: Record<string, unknown>[]; assume: object }>("weigh", file());
    expect(rows.map((r) => [r.name, r.framesCount, r.openingMm, r.deepEquivalents])).toEqual([
      ["deep", 1, [431.8, 203.2], 1],
      ["extra", 7, [431.8, 371.475], 12.8],
      ["hive", 10, [431.8, 203.2], 10],
    ]); // prettier-ignore
    expect(Object.keys(rows[0]!)).toEqual(["name", "framesCount", "openingMm", "combAreaCm2", "frameFullKg", "boxEmptyKg", "boxFullKg", "heaviestLiftKg", "liftingIndex", "contactAreaCm2", "innerVolumeL", "deepEquivalents", "rWallSi", "minutes", "materials", "notes"]); // prettier-ignore
    expect(assume).toEqual({ honeyFill: 1, season: "summer", honeyKgPerL: 1.42 });
    const { code, out, err } = await rundik(["weigh", "-"], file({ things: [{ ...things[0], size: "huge" }] }));
    expect([code, out, err]).toEqual([2, "", expect.stringMatching(/^things\[0\]\.size: read "huge"/)]);
  });
});
