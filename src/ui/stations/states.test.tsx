import type { JobLine } from "@/core/line/line";
import { stepsOf } from "@/core/shape/steps";
import { renderToStaticMarkup } from "react-dom/server";
import { inch } from "@/core/length/length";
import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { layOut } from "@/core/layout/layout";
import { layoutRequest } from "@/core/job/ask";
import { orderOf } from "@/core/order/order";
import { planOf } from "@/core/plan/plan";
import { RECIPES } from "@/core/recipes";
import { STANDARDS } from "@/core/standards";
import { BoardDrawing, pieceNames } from "@/ui/drawing/BoardDrawing";
import { Exploded } from "@/ui/drawing/Exploded";
import { ThreeViews } from "@/ui/drawing/ThreeViews";
import { stationState } from "@/ui/desk/station";
import { STATIONS } from ".";
import type { Desk, Laid } from "@/ui/desk/useDesk";
import { WorkingLine } from "@/ui/parts/WorkingText";
import { AssemblySheet } from "@/ui/sheets/AssemblySheet";

const text = (node: React.ReactNode) =>
  renderToStaticMarkup(node)
    .replace(/<[^>]*>/g, " ")
    .replaceAll("&quot;", '"')
    .replaceAll("&#x27;", "'")
    .replace(/\s+/g, " ")
    .trim();
const body: JobLine = { item: "body", standard: "langstroth-10", size: "medium", quantity: 4, options: {} };
const boards: Job["stock"] = [{ form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96), price: 14, available: null, source: "buy" }]; // prettier-ignore

function open(o: Partial<Job>, layout: Partial<Laid["layout"]> = {}): [Desk, Laid] {
  const job: Job = {
    ...emptyJob("x", "in"),
    start: "2027-02-08",
    due: "2027-02-12",
    lines: [body],
    stock: boards,
    ...o,
  };
  const worked = workJob(job);
  const result = layOut(layoutRequest(worked), () => 0);
  const laid = {
    layout: { state: "done", fresh: true, result, ...layout } as Laid["layout"],
    order: orderOf(worked, result),
    ...(job.start ? { plan: planOf(worked, result) } : {}),
  };
  return [{ job, worked } as Desk, laid];
}
const bothOf = ([desk, laid]: [Desk, Laid]) => [desk.worked, laid.layout.result!] as const;
const states = (...of: [Desk, Laid]) => STATIONS.map((s) => stationState(s, ...of));

describe("one line on each station", () => {
  test("a job in order", () => {
    expect(states(...open({})).map((s) => s.text)).toEqual([
      "1 line · due 12 Feb",
      "everything fits",
      "4 boards · the least",
      "3 without a price",
      "ready 8 Feb",
      "nothing measured",
    ]);
  });
  test("an empty job starts at Ask and the others wait for it", () => {
    const [ask, ...others] = states(...open({ lines: [] }));
    expect(ask).toEqual({ text: "nothing asked yet", wrong: true });
    expect(new Set(others.map((s) => s.text))).toEqual(new Set(["waits for Ask"]));
  });
  test("what will not fit, has no wood, no price, no start, or is late is said and marked", () => {
    const thick = states(
      ...open({ lines: [{ ...body, options: { thickness: inch(1), hold: "outside", joint: "butt-ends-inside" } }] }),
    );
    expect([thick[1], thick[2]]).toEqual([
      { text: "2 things will not fit", wrong: true },
      { text: "2 parts without wood", wrong: true },
    ]);
    expect(states(...open({}))[3]).toEqual({ text: "3 without a price", wrong: true });
    expect(states(...open({ start: undefined, due: undefined }))[4]).toEqual({ text: "no start day", wrong: true });
    expect(states(...open({ lines: [{ ...body, quantity: 300 }] }))[4]).toMatchObject({
      text: expect.stringMatching(/^late: ready/),
      wrong: true,
    });
  });
  test("what the last change moved is told beside how it stands: boards, money by what has a price, days", () => {
    const nails = { form: "pack" as const, pack: 1000, price: 9, available: null, source: "buy" as const }; // prettier-ignore
    const packs = orderOf(...bothOf(open({}))).unpriced.map((material) => ({ ...nails, material }));
    const [desk, laid] = open({ stock: [...boards, ...packs] });
    const { result } = laid.layout;
    const was = {
      result: { ...result!, count: result!.count - 2 },
      total: laid.order!.total + 28.4,
      finish: laid.plan!.finish - 2 * 1440,
    };
    expect(states(desk, { ...laid, was }).map((s) => s.moved)).toEqual([undefined, undefined, "+2", "−28.40", "2 days later", undefined]); // prettier-ignore
    const same = { result: result!, total: laid.order!.total, finish: laid.plan!.finish - 1 };
    expect(new Set(states(desk, { ...laid, was: same }).map((s) => s.moved))).toEqual(new Set([undefined]));
  });
  test("while the layout is worked out, stopped or failed, what hangs on it says so", () => {
    expect(states(...open({}, { fresh: false, state: "working" }))[2]!.text).toBe("working …");
    expect(states(...open({}, { fresh: false, state: "stopped" }))[3]!.text).toBe("stopped");
    expect(states(...open({}, { fresh: false, state: "failed" }))[5]).toEqual({
      text: "could not lay out",
      wrong: true,
    });
  });
});

describe("drawn and printed", () => {
  const worked = workJob({
    ...emptyJob("Moorland", "mm"),
    lines: [{ ...body, standard: "national", size: "brood", quantity: 12 }],
  });

  test("the assembly sheet has letters, counts for one and for all, steps, checks, mistakes and cautions", () => {
    const said = text(<AssemblySheet worked={worked} at={0} jobId={1} />);
    for (const want of [
      "Body, brood · National",
      "Moorland · 12 to make",
      "A 2 24 Side",
      "C 2 24 Top rail, square edge",
      "rebate inside and up",
      "frame runner 2 · 24",
      "Mark the runner line on all four walls",
      "diagonals equal",
      "top and bottom rails swapped",
      "manual, local rules and licensed practice",
    ])
      // prettier-ignore
      expect(said).toContain(want);
  });

  test("every item has its assembly sheet: every part, and every step that holds", () => {
    for (const r of RECIPES) {
      const s = STANDARDS.find((x) => !r.standards || r.standards.includes(x.id))!;
      const line = { item: r.id, standard: s.id, size: s.defaultSize, quantity: 2, options: {} };
      const job = workJob({ ...emptyJob("x", "in"), lines: [line] });
      const said = text(<AssemblySheet worked={job} at={0} jobId={1} />);
      for (const p of job.lines[0]!.shape.parts) expect(said).toContain(p.name);
      for (const step of stepsOf(job.lines[0]!.shape, "in"))
        for (const words of [step.text, ...step.mistakes]) expect(said).toContain(words);
    }
  });

  test("three views carry the overall sizes; pulled apart every piece carries its letter", () => {
    const { shape } = worked.lines[0]!;
    const views = text(<ThreeViews shape={shape} units="mm" />);
    expect(views.match(/460/g)).toHaveLength(2);
    expect(views).toContain("225");
    expect(
      text(<Exploded shape={shape} />)
        .match(/[ABCD]/g)!
        .toSorted()
        .join(""),
    ).toBe("AABBCCDD");
  });

  test("a board names the pieces that can be read and says what is kept", () => {
    const [, laid] = open({ lines: [{ ...body, quantity: 1 }] });
    const { result } = laid.layout;
    const layout = result!.groups[0]!.result.layouts[0]!;
    const names = pieceNames(result!.request.blanks);
    const said = text(
      <BoardDrawing
        layout={layout}
        board={result!.request.stock[0] as never}
        longest={inch(96)}
        names={names}
        units="in"
      />,
    );
    expect(said).toContain("A side 19 1/8");
    expect(said).toMatch(/keep \d/);
  });

  test("a working is written in values, fractions stacked and read aloud whole", () => {
    const [desk] = open({});
    const working = desk.worked.lines[0]!.shape.parts[0]!.working.length;
    expect(text(<WorkingLine working={working} units="in" />)).toBe(
      '19 1/8" 19 1 8 = 19 7/8" 19 7 8 − 2 × ( 3/4" 3 4 − 3/8" 3 8 )',
    );
  });
});
