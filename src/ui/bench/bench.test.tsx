/** @jest-environment jsdom */
import { jest } from "@jest/globals";
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import type { BenchEvent, Tally } from "@/core/bench/events";
import { talliesOf } from "@/core/bench/events";
import { inch } from "@/core/length/length";
import type { Run } from "@/core/plan/runs";

const router = { refresh: () => {}, push: jest.fn() };
jest.unstable_mockModule("next/navigation", () => ({ useRouter: () => router }));
const { BenchPage } = await import("./BenchPage");

const run = (more: Partial<Run>): Run => ({ job: 1, name: "stop", op: "crosscut-1", station: "table saw", unit: 0, who: [0], startsAt: 0, endsAt: 60, minutes: 60, wait: 0, pieces: 3, begin: 0, all: 3, lot: 0, lots: 1, setUps: 1, title: "Crosscut to length", of: "sides", settings: [{ kind: "stop", value: inch(19, 1, 8) }], guess: true, wants: 1, from: [], ofParts: [], kind: "Rip to width", setup: 5, each: 1.5, caution: "Guard on.", ...more }); // prettier-ignore
const places = [{ name: "table saw", runs: [run({}), run({ name: "fence", title: "Rip to width", pieces: 9, settings: [{ kind: "fence", value: inch(9, 5, 8) }] })] }]; // prettier-ignore
const jobs = [{ id: 1, name: "Heath estate", units: "in" as const, again: [] }];

/** A server that keeps each event once, and does not answer while it is away. */
let kept: Map<string, BenchEvent>;
let away = false;
beforeEach(() => {
  kept = new Map();
  away = false;
  globalThis.fetch = (async (_: string, how: { body: string }) => {
    if (away) throw new TypeError("no line");
    for (const e of (JSON.parse(how.body) as { events: BenchEvent[] }).events) kept.set(e.id, e);
    return {
      ok: true,
      status: 200,
      json: async () => ({ version: kept.size, tallies: [...talliesOf([...kept.values()], 0).values()] }),
    };
  }) as never;
});
/** The line of the calliper, as a page listens to it. */
const line: { hear(e: { data: string }): void } = { hear: () => undefined };
globalThis.EventSource = class {
  constructor(private readonly at: string) {}
  addEventListener(_: string, hear: (e: { data: string }) => void) {
    if (this.at.endsWith("calliper")) line.hear = hear;
  }
  close() {}
} as never;
afterEach(cleanup);
const page = (tallies: Tally[] = []) => render(<BenchPage visit="v" places={places} jobs={jobs} stale={false} tallies={tallies} version={0} at="table saw" />); // prettier-ignore
const press = (key: string) => act(async () => void fireEvent.keyDown(window, { key }));
const made = () => [...talliesOf([...kept.values()], 0).values()].map((t) => [t.name, t.made]);

test("a set-up fills the screen with its setting and its caution; a key or a foot switch counts, and one too many is not counted to the next", async () => {
  page();
  expect(screen.getByText('19 1/8"')).toBeTruthy();
  expect(screen.getByText("Guard on.")).toBeTruthy();
  await press(" ");
  await press("PageDown");
  await press("Backspace");
  await press(" ");
  await press(" ");
  await press(" ");
  expect(made()).toEqual([["stop", 3]]);
  expect(screen.getByText(/All made: the next set-up/)).toBeTruthy();
  await press("Enter");
  expect(screen.getByText("Rip to width:", { exact: false })).toBeTruthy();
  await press("ArrowUp");
  await press(" ");
  expect(made()).toEqual([["stop", 3], ["fence", 2]]); // prettier-ignore
  await press("Enter");
  expect(screen.getByText("7 pieces are not counted.")).toBeTruthy();
  await press("Enter");
  expect(made()[1]).toEqual(["fence", 9]);
});

test("the place whose work comes first is asked first, one with none left last, and from there the way goes on", () => {
  const two: typeof places = [
    ...places,
    { name: "clamps", runs: [{ ...places[0]!.runs[0]!, name: "glue", startsAt: 1e6 }] },
  ];
  const all = places[0]!.runs.map((r): Tally => ({ job: 1, name: r.name, made: 99, spoiled: [], measured: [], running: false, at: 0, setUps: 1, minutes: 1 })); // prettier-ignore
  const asked = (at: string | null) => <BenchPage visit="v" places={two} jobs={jobs} stale={false} tallies={all} version={0} at={at} />; // prettier-ignore
  const { rerender } = render(asked(null));
  expect(screen.getAllByRole("listitem").map((li) => li.textContent!.slice(0, 6))).toEqual(["Clamps", "Table "]);
  rerender(asked("table saw"));
  expect(screen.getByText("On to the clamps").getAttribute("href")).toBe("/bench?at=clamps");
});

test("with the line lost counts go on, on the screen at once, and are all there when it is back, each once", async () => {
  jest.useFakeTimers();
  page();
  away = true;
  await press(" ");
  await press(" ");
  expect(screen.getByText("2", { selector: "b" })).toBeTruthy();
  // A beginning and two counts.
  expect(screen.getByRole("status").textContent).toMatch(/does not answer; 3 counts kept here/);
  expect(made()).toEqual([]);
  away = false;
  await act(async () => void (await jest.advanceTimersByTimeAsync(2500)));
  expect(made()).toEqual([["stop", 2]]);
  expect(screen.queryByRole("status")).toBeNull();
  jest.useRealTimers();
});

test("a page the server made before it heard of the last counts takes none of them back; a newer one brings what another bench did", async () => {
  const { rerender } = page();
  await press(" ");
  await press(" ");
  const shown = () => screen.getByTestId("counted").textContent;
  const made = (n: number): Tally => ({ job: 1, name: "stop", made: n, spoiled: [], measured: [], running: true, at: 0, setUps: 1, minutes: 1 }); // prettier-ignore
  const again = (version: number, n: number) => rerender(<BenchPage visit="v" places={places} jobs={jobs} stale={false} tallies={[made(n)]} version={version} at="table saw" />); // prettier-ignore
  again(1, 1);
  expect(shown()).toBe("2");
  again(9, 3);
  expect(shown()).toBe("3");
});

test("the first piece is held against its target: nudge, then good; a spoiled one asks why", async () => {
  page();
  await press("m");
  const field = screen.getByLabelText("What it measures", { selector: "input" });
  fireEvent.change(field, { target: { value: "19 3/16" } });
  await act(async () => void fireEvent.keyDown(field, { key: "Enter" }));
  expect(screen.getByText("set it 1/16 less, then measure the next")).toBeTruthy();
  await press("m");
  const again = screen.getByLabelText("What it measures", { selector: "input" });
  fireEvent.change(again, { target: { value: "19 9/64" } });
  await act(async () => void fireEvent.keyDown(again, { key: "Enter" }));
  expect(screen.getByText("good, carry on")).toBeTruthy();
  expect(screen.getByRole("img", { name: /2 pieces measured/ })).toBeTruthy();
  // A reading of the calliper lands in the field that waits; closed, it says whether its nought has slipped.
  await press("m");
  const says = (heard: object) => act(async () => line.hear({ data: JSON.stringify(heard) }));
  await says({ line: "open" });
  expect(screen.getByText(/a reading of the calliper lands here/)).toBeTruthy();
  await says({ value: 120_000 });
  expect(screen.getByText("Closed it reads 0.1 mm: set it to nought, then measure")).toBeTruthy();
  await says({ value: inch(19, 1, 8) });
  expect(screen.getByRole("img", { name: /3 pieces measured/ })).toBeTruthy();
  await press("s");
  await act(async () => void fireEvent.click(screen.getByText("knot")));
  expect(screen.getByText(/1 spoiled piece/)).toBeTruthy();
  await press("p");
  await act(async () => void fireEvent.click(screen.getByText("break")));
  expect(screen.getByText("Go on")).toBeTruthy();
});

const at = (more: Partial<Run>, again: { name: string; pieces: number; from?: string }[] = [], stale = false) =>
  render(<BenchPage visit="v" places={[{ name: "table saw", runs: [run(more)] }]} jobs={[{ ...jobs[0]!, again }]} stale={stale} tallies={[]} version={0} at="table saw" />); // prettier-ignore

test("it is said from which boards; of several parts that go through it is asked which was spoiled, and what comes of it is shown", async () => {
  const parts = ["side", "end"].map((part) => ({ of: { line: 0, part }, name: part }));
  at({ from: ["8 of pine, 3/4 × 11 1/4 × 96, no. 3 of the yard"], ofParts: parts }, [{ name: "end", pieces: 2, from: "pine, offcut, no. 9 of the yard" }, { name: "side", pieces: 1 }], true); // prettier-ignore
  expect(screen.getByText(/From 8 of pine.*no\. 3 of the yard/)).toBeTruthy();
  expect(screen.getByText(/2 end again: from pine, offcut, no\. 9/)).toBeTruthy();
  expect(screen.getByText(/1 side again: no board gives it\. Ask for wood/)).toBeTruthy();
  expect(screen.getByText("Put it in the plan").getAttribute("href")).toBe("/plan");
  await press("s");
  await act(async () => void fireEvent.click(screen.getByText("end", { selector: "button" })));
  await act(async () => void fireEvent.click(screen.getByText("split")));
  expect([...kept.values()].map((e) => e.what).find((w) => w.do === "spoil")).toEqual({ do: "spoil", n: 1, why: "split", of: [{ line: 0, part: "end" }] }); // prettier-ignore
});

test("a cut in the middle is measured from both sides, and moved by half of the difference; the bench goes larger and stays so", async () => {
  const settings: Run["settings"] = [{ kind: "width", value: inch(0, 3, 8) }, { kind: "from edge", value: inch(0, 1, 2) }]; // prettier-ignore
  at({ centred: true, settings });
  await press("m");
  const type = async (value: string) => {
    const field = screen.getByLabelText("What it measures", { selector: "input" });
    fireEvent.change(field, { target: { value } });
    await act(async () => void fireEvent.keyDown(field, { key: "Enter" }));
  };
  expect(screen.getByText("From the fence's edge to the cut")).toBeTruthy();
  await type("17/32");
  expect(screen.getByText("From the other edge to the cut")).toBeTruthy();
  await type("15/32");
  // 1/16 apart: half of it, 1/32, less at the fence.
  expect(screen.getByText("set it 1/32 less, then measure the next")).toBeTruthy();
  fireEvent.click(screen.getByText("Larger"));
  expect(document.documentElement.className).toBe("larger");
  cleanup();
  expect(document.documentElement.className).toBe("");
  at({});
  expect(document.documentElement.className).toBe("larger");
  localStorage.clear();
});
