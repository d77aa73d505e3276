/** @jest-environment jsdom */
import { jest } from "@jest/globals";
import { cleanup, render, screen, waitFor, within } from "@testing-library/react";
import { inch } from "@/core/length/length";
import userEvent from "@testing-library/user-event";
import type { Standing } from "@/core/today/standing";
import { type Listed, nexts } from "@/core/today/todo";
import "@/ui/tests/patience";

const went: string[] = [];
let visits = 0;
const router = {
  push: (to: string) => went.push(to),
  replace: (to: string) => went.push(to),
  refresh: () => went.push("again"),
};
jest.unstable_mockModule("next/navigation", () => ({ useRouter: () => router }));
const { TodayPage } = await import("./TodayPage");

const ofServer = globalThis.fetch;
const user = userEvent.setup();
let asked: { path: string; method?: string; body: unknown }[];
let refused: string | null;
beforeEach(() => {
  asked = [];
  went.length = 0;
  refused = null;
  globalThis.fetch = (async (path: string, init: { method: string; body: string }) => {
    asked.push({ path, method: init.method, body: JSON.parse(init.body) });
    return refused
      ? { ok: false, status: 400, json: async () => ({ error: refused }) }
      : { ok: true, status: 201, json: async () => ({ id: 7 }) };
  }) as unknown as typeof fetch;
});
afterEach(() => {
  cleanup();
  globalThis.fetch = ofServer;
});

const done: Standing = { lines: 2, stops: 0, missing: 0, yard: 0, buy: 0, sawn: 9, unkept: 0, toBuy: 0, unpriced: 0, wants: [],
    work: [], ready: "2027-02-20", late: -3, readings: 1 }; // prettier-ignore
const job = (id: number, name: string, standing: Partial<Standing> | null, more: Partial<Listed> = {}): Listed => ({
  id, name, what: "40 deep bodies", customer: null, due: "2027-02-23", standing: standing && { ...done, ...standing }, fresh: true, ...more,
}); // prettier-ignore
const open = (
  jobs: Listed[],
  more: { archived?: boolean; saw?: Parameters<typeof TodayPage>[0]["saw"]; now?: number } = {},
) =>
  render(
    <TodayPage
      visit={`visit ${++visits}`}
      day="2027-02-08"
      jobs={jobs}
      more={false}
      counts={{ open: jobs.length, archived: 0 }}
      nexts={nexts(jobs)}
      working={0}
      q=""
      archived={more.archived ?? false}
      shop={{ units: "in", people: 3, days: [1, 2, 3, 4, 5] }}
      saw={more.saw ?? null}
      now={more.now ?? 0}
      yard={{ empty: false, counted: "2027-02-01T08:00:00.000Z" }}
      own={{ standards: [], designs: [] }}
      usual={["langstroth-10"]}
      copies={14}
      open={false}
    />,
  );
const box = () => screen.getByLabelText<HTMLInputElement>("What do you want to make");

test("whoever comes can type at once; what is read stands below, and Enter starts the job at its shape", async () => {
  open([]);
  expect(document.activeElement).toBe(box());
  await user.keyboard("10 deep bodies, 100 frames for the school garden by 12 march");
  expect(screen.getByText(/for School garden/).closest("p")!.textContent).toBe(
    "10 Body, deep Langstroth 10, 100 Frame, deep · for School garden · due Fri 12 Mar 2027",
  );
  await user.keyboard("{Enter}");
  await waitFor(() => expect(went).toEqual(["/jobs/7/shape"]));
  const line = (item: string, quantity: number) => ({ item, standard: "langstroth-10", size: "deep", quantity, options: {} }); // prettier-ignore
  expect(asked).toEqual([{ path: "/api/jobs/start", method: "POST", body: { lines: [line("body", 10), line("frame", 100)], due: "2027-03-12", customer: "School garden" } }]); // prettier-ignore
});

test("what nothing is called is said, and with nothing else there is nothing to start", async () => {
  open([]);
  await user.type(box(), "12 teapots{Enter}");
  expect(screen.getByText("nothing is called “12 teapots”")).toBeTruthy();
  expect(screen.getByRole("button", { name: "Start the job" })).toHaveProperty("disabled", true);
  expect(asked).toEqual([]);
});

test("a template starts a job, a refusal is said and can be tried again", async () => {
  open([]);
  refused = "the catalogue is away";
  await user.click(screen.getByRole("button", { name: "A whole National" }));
  expect((await screen.findByRole("alert")).textContent).toBe("the catalogue is away");
  refused = null;
  await user.click(screen.getByRole("button", { name: "A whole National" }));
  await waitFor(() => expect(went).toEqual(["/jobs/7/shape"]));
  expect(asked.at(-1)!.body).toEqual({ template: "national" });
});

test("the latest comes first with its reason; every job has six pegs said in words, its day with its year and what is left of it", () => {
  const late = job(1, "Moor", { buy: 4, late: 2, unpriced: 1 }, { customer: "Moorland estate" });
  open([job(2, "Heath", {}), late, job(3, "New", null)]);
  const next = within(screen.getByRole("region", { name: "Next, and why" })).getAllByRole("listitem");
  expect(next.map((n) => n.textContent)).toEqual([
    "1Order 4 boards for MoorMoorland estate: they are not in the yard, and sawing waits for them; ready 2 days after it is due; 1 thing without a pricewhat to order",
    "2Go on with Heath at the benchits 9 boards are sawn; 3 days in handto the bench",
  ]);
  const jobs = within(screen.getByRole("region", { name: "Jobs" })).getAllByRole("listitem");
  expect(jobs[1]!.textContent).toMatch(/^MoorMoorland estate · 40 deep bodies.*Tue 23 Feb 20272 days late$/);
  expect(within(jobs[1]!).getByRole("img").getAttribute("aria-label")).toBe("Ask: done, Shape: done, Lay out: done, Buy: to be put right, Run: begun, Prove: done"); // prettier-ignore
  expect(jobs[2]!.textContent).toContain("being worked out …");
  expect(within(jobs[1]!).getByRole("link", { name: "Moor" }).getAttribute("href")).toBe("/jobs/1/buy");
});

test("a job is taken away and brought back, put by, and another is started like it", async () => {
  open([job(2, "Heath", {})]);
  await user.click(screen.getByRole("button", { name: "Take away Heath" }));
  const gone = await screen.findByRole("status");
  expect(gone.textContent).toMatch(/^Heath is taken away; it can be brought back for 30 days/);
  await user.click(within(gone).getByRole("button", { name: "undo" }));
  await waitFor(() => expect(screen.queryByRole("status")).toBeNull());
  await user.click(screen.getByRole("button", { name: "Put by Heath" }));
  await user.click(screen.getByRole("button", { name: "Start one like Heath" }));
  await waitFor(() => expect(went.at(-1)).toBe("/jobs/7/ask"));
  expect(asked.map((a) => [a.path, a.body])).toEqual([
    ["/api/jobs/2", { away: true }],
    ["/api/jobs/2", { away: false }],
    ["/api/jobs/2", { archived: true }],
    ["/api/jobs/start", { like: 2 }],
  ]);
  await user.type(screen.getByLabelText("Find a job"), "moor & heath");
  await waitFor(() => expect(went.at(-1)).toBe("/?q=moor+%26+heath"));
});

test("what the saw stands at by the plan is there to be read across the shop, or what it is set to next; without a plan there is nothing", () => {
  const at = Date.parse("2027-02-08T08:00:00Z") / 60_000;
  const saw = { job: 3, jobName: "Heath estate", units: "in" as const, title: "Rip to width", of: "strips", pieces: 96, settings: [{ kind: "fence" as const, value: inch(9, 5, 8) }], startsAt: at, endsAt: at + 140 }; // prettier-ignore
  const said = (now: number) => {
    open([job(3, "Heath estate", {})], { saw, now });
    const text = screen.getByRole("region", { name: "The saw" }).textContent;
    cleanup();
    return text;
  };
  expect(said(at + 10)).toMatch(/stands at.*fence.*9 5\/8.*Rip to width, 96 strips · Heath estate until 10:20/);
  expect(said(at - 60)).toMatch(/next set to, Mon 8 Feb 08:00/);
  open([job(3, "Heath estate", {})]);
  expect(screen.queryByRole("region", { name: "The saw" })).toBeNull();
});
