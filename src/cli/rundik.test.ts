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
}, 30_000);

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
      /Side: every board is too narrow/,
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
