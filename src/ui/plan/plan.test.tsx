/** @jest-environment jsdom */
import { jest } from "@jest/globals";
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { inch } from "@/core/length/length";
import type { Run } from "@/core/plan/runs";
import { daysLess } from "./Aside";
import { lanesOf, scaleOf } from "./places";
import type { PutForward, RunPlan } from "@/core/plan/shown";

const refresh = jest.fn();
const router = { refresh, push: () => {} };
jest.unstable_mockModule("next/navigation", () => ({ useRouter: () => router, usePathname: () => "/plan" }));
const { PlanPage } = await import("./PlanPage");
afterEach(cleanup);

const MONDAY = Date.parse("2027-02-08T00:00:00Z") / 60_000;
const days = [0, 1, 2, 3, 4].map((d) => ({ day: `2027-02-${String(8 + d).padStart(2, "0")}`, from: MONDAY + d * 1440 + 480, to: MONDAY + d * 1440 + 990 })); // prettier-ignore
const run = (more: Partial<Run>): Run => ({ job: 1, name: "rip", op: "rip-1", station: "table saw", unit: 0, who: [0], startsAt: days[0]!.from, endsAt: days[0]!.from + 60, minutes: 60, wait: 0, pieces: 40, begin: 0, all: 40, lot: 0, lots: 1, setUps: 1, title: "Rip to width", of: "strips", settings: [{ kind: "fence", value: inch(9, 5, 8) }], guess: true, wants: 1, from: [], ofParts: [], kind: "Rip to width", setup: 5, each: 1.5, caution: "Guard on.", ...more }); // prettier-ignore
const glue = run({ name: "glue", op: "0/glue/1", station: "clamps", title: "Glue", wants: 2, pieces: 8, settings: [], startsAt: days[0]!.from + 60, endsAt: days[0]!.from + 120, wait: 45 }); // prettier-ignore
const plan: RunPlan = { id: 7, now: MONDAY, runs: [run({}), glue], days, jobs: [{ job: 1, ready: days[1]!.from, due: MONDAY + 1440, late: days[1]!.from - MONDAY - 1440, bound: days[0]!.to }], finish: days[1]!.from, bound: days[0]!.to, boundBy: "the table saw", lateBound: 0, setUps: 1, lots: { first: 120, growth: 1, parts: 1, most: 240 } }; // prettier-ignore
const shown = { now: MONDAY + 400, today: "2027-02-08", jobs: [{ id: 1, name: "Heath estate", customer: null, units: "in" as const, due: "2027-02-08", for: ["swarms" as const] }], left: [{ id: 2, name: "Garden", why: "nothing is asked for yet" }], coming: [{ purchase: 4, from: "Mill", job: 1, what: "pine", on: "2027-02-09" }], old: [], people: [{ title: "sawyer" }], plan, year: [{ day: "2027-02-08", load: 300, hours: 240 }, { day: "2027-02-15", load: 0, hours: 240 }], hasEarlier: false, stale: false }; // prettier-ignore
const asked: { path: string; body: unknown }[] = [];
/** A server that answers what it is told to. */
function serve(answers: Record<string, object>) {
  asked.length = 0;
  globalThis.fetch = jest.fn((path: string, how?: { body?: string }) => {
    asked.push({ path, body: JSON.parse(how?.body ?? "{}") });
    const at = Object.keys(answers).find((k) => path.startsWith(k));
    return Promise.resolve({ ok: at !== undefined, status: at ? 200 : 409, json: () => Promise.resolve(at ? answers[at] : { error: "no" }) });
  }) as never; // prettier-ignore
}
const page = (more: object = {}) => render(<PlanPage visit="v" shown={{ ...shown, ...more }} />);

test("a time stands where its day and hour are; what goes over a night is seen on both days, waits too", () => {
  const scale = scaleOf(days.slice(0, 2));
  expect([scale.at(days[0]!.from), scale.at(days[1]!.from)]).toEqual([0, 0.5]);
  expect(scale.time(scale.at(days[1]!.from + 90)!)).toBe(days[1]!.from + 90);
  expect(scale.pieces(days[0]!.to - 60, days[1]!.from + 60)).toHaveLength(2);
  expect(scale.pieces(days[0]!.to, days[1]!.from)).toEqual([]);
  expect([scale.at(days[2]!.from), scale.at(days[0]!.from - 5 * 1440)]).toEqual([undefined, undefined]);
  expect(lanesOf([run({}), glue, run({ startsAt: days[0]!.from + 30 })]).map((l) => l.length)).toEqual([2, 1]);
});

test("the page says when all is done, what no plan can do better, who is late by how much, what comes in and what is not planned", () => {
  serve({});
  page();
  expect(screen.getByText(/done by/).textContent).toContain("Tue 9 Feb, 08:00");
  expect(screen.getByText(/no plan can before Mon 8 Feb, 16:30: the table saw/)).toBeTruthy();
  expect(screen.getByText("1 late, the worst by 1 day")).toBeTruthy();
  expect(screen.getByRole("button", { name: "Rip to width, fence 9 5/8, 40 strips, Heath estate, Mon 8 Feb 08:00 to Mon 8 Feb 09:00, sawyer" })).toBeTruthy(); // prettier-ignore
  expect(screen.getByText("pine")).toBeTruthy();
  expect(screen.getByText("nothing is asked for yet")).toBeTruthy();
  // The day on paper carries the caution where the cut is planned.
  expect(screen.getByLabelText("Day sheet, Mon 8 Feb").textContent).toMatch(/Guard on/);
  // What wants two and has one in the plan says so, here and on paper.
  expect(screen.getAllByText(/Wants 2 people, 1 is in the plan: do not begin it alone/)).toHaveLength(2);
  // A row folds to its marks.
  fireEvent.click(screen.getByRole("button", { name: /^Clamps/ }));
  expect(screen.queryByRole("button", { name: /^Glue/ })).toBeNull();
});

test("a key moves a run by an hour: what moves is shown, it stands only when it is let, and is put back by escape", async () => {
  const moved = run({ startsAt: days[0]!.from + 60, endsAt: days[0]!.from + 120 });
  const forward: PutForward = { plan: { ...plan, id: 8, runs: [moved, glue], setUps: 2, jobs: [{ ...plan.jobs[0]!, ready: days[2]!.from, late: 2000 }] }, mended: { moved: [{ job: 1, name: "rip", op: "rip-1", lots: 1, from: days[0]!.from, to: days[0]!.from + 60 }], stayed: 1, added: 0, hands: 0 } }; // prettier-ignore
  serve({ "/api/plan/mend": forward, "/api/plan/stand": { version: 2 } });
  page();
  const bar = () => screen.getByRole("button", { name: /^Rip to width/ });
  await act(async () => fireEvent.keyDown(bar(), { key: "ArrowRight" }));
  expect(asked).toEqual([{ path: "/api/plan/mend", body: { puts: [{ job: 1, name: "rip", lot: 0, lots: 1, at: days[0]!.from + 60 }] } }]); // prettier-ignore
  expect(screen.getByText("1 operation moves, 1 lot stays where it was")).toBeTruthy();
  expect(screen.getByText(/Heath estate 1 day later, 2 days late · 1 set-up more/)).toBeTruthy();
  expect(screen.getByText("Mon 8 Feb 08:00 → Mon 8 Feb 09:00")).toBeTruthy();
  fireEvent.keyDown(window, { key: "Escape" });
  expect(screen.queryByText("Let it stand")).toBeNull();
  await act(async () => fireEvent.keyDown(bar(), { key: "ArrowRight" }));
  await act(async () => fireEvent.click(screen.getByText("Let it stand")));
  expect(asked.at(-1)).toEqual({ path: "/api/plan/stand", body: { id: 8, do: "stand" } });
  expect(refresh).toHaveBeenCalled();
});

test("a run that is dragged is put where it is let go; a touch that hardly moves only chooses it, and what has begun is not moved", async () => {
  serve({ "/api/plan/mend": { plan: { ...plan, id: 8 }, mended: { moved: [], stayed: 2, added: 0, hands: 0 } } });
  const drag = async (by: number) => {
    const bar = screen.getByRole("button", { name: /^Rip to width/ });
    Object.defineProperty(bar.parentElement!, "clientWidth", { value: 1000, configurable: true });
    bar.setPointerCapture = () => undefined;
    const at = (type: string, x: number) => fireEvent(bar, Object.assign(new MouseEvent(type, { bubbles: true, clientX: x }), { isPrimary: true, pointerId: 1 })); // prettier-ignore
    await act(async () => {
      at("pointerdown", 100);
      at("pointermove", 100 + by);
      at("pointerup", 100 + by);
    });
  };
  page();
  await drag(3);
  expect(asked).toEqual([]);
  // Five days are a thousand wide: two hundred is a day later, at the same hour.
  await drag(200);
  expect(asked).toMatchObject([{ path: "/api/plan/mend", body: { puts: [{ name: "rip", at: days[1]!.from }] } }]);
  cleanup();
  serve({});
  page({ now: days[0]!.from + 30 });
  await drag(200);
  expect(asked).toEqual([]);
});

test("what has changed is mended and asked about; what moves nothing stands by itself; a refusal is said", async () => {
  const nothing = { plan: { ...plan, id: 9 }, mended: { moved: [], stayed: 2, added: 0, hands: 0 } };
  serve({ "/api/plan/mend": nothing, "/api/plan/stand": { version: 3 } });
  await act(async () => page({ stale: true }));
  expect(asked.map((a) => a.path)).toEqual(["/api/plan/mend", "/api/plan/stand"]);
  cleanup();
  serve({ "/api/plan/mend": { ...nothing, mended: { ...nothing.mended, hands: 1, added: 2 } } });
  await act(async () => page({ stale: true }));
  expect(screen.getByText("Nothing moves; 2 lots are new, 1 done by others")).toBeTruthy();
  cleanup();
  serve({});
  await act(async () => page({ stale: true }));
  expect(screen.getByRole("alert").textContent).toBe("no");
});

test("the year says what has to be ready before what, by region, and which weeks hold more work than hours", () => {
  serve({});
  page();
  fireEvent.click(screen.getByRole("button", { name: "the year" }));
  expect(screen.getByRole("img", { name: "The year ahead by weeks: 1 week with more work than hours" })).toBeTruthy();
  expect(screen.getByText("Heath estate: ready Tue 9 Feb, 9 weeks before")).toBeTruthy();
  fireEvent.change(screen.getByLabelText("Region"), { target: { value: "southern half" } });
  expect(screen.getByText(/Before swarms and splits, Mon 20 Sept?/)).toBeTruthy();
  // Ready five weeks after swarms begin on the mild coast: it stands out.
  cleanup();
  localStorage.clear();
  const ready = Date.parse("2027-05-25T08:00:00Z") / 60_000;
  page({ plan: { ...plan, jobs: [{ ...plan.jobs[0]!, ready }] } });
  fireEvent.click(screen.getByRole("button", { name: "the year" }));
  const late = screen.getByText("Heath estate: ready Tue 25 May, 6 weeks too late");
  expect(late.className).toContain("text-madder");
  expect(screen.getAllByText("nothing is planned for it")).toHaveLength(3);
});

test("with no plan there is one act; with no job there is the way to start one", () => {
  page({ plan: null });
  expect(screen.getByRole("button", { name: "Plan the job" })).toBeTruthy();
  cleanup();
  page({ plan: null, jobs: [], left: [] });
  expect(screen.getByRole("link", { name: "Start a job" })).toBeTruthy();
  expect([0, 300, 720, 1440, 2160, 5000].map(daysLess)).toEqual(["no sooner", "no sooner", "−½ day", "−1 day", "−1 ½ days", "−3 ½ days"]); // prettier-ignore
});
