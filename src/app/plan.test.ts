import ICAL from "ical.js";
import { emptyJob, type Job } from "@/core/job/job";
import type { Replanned } from "@/core/plan/replan";
import type { Gain } from "@/core/plan/whatif";
import type { BenchEvent, Tally } from "@/core/bench/events";
import { board } from "@/core/layout/tests/samples";
import { againstOf } from "@/core/plan/against";
import { pagesOf } from "@/exchange/tests/readBack";
import { startLabelPrinter } from "@/standins/label-printer/server";
import { benchStore } from "@/store/bench";
import { booked } from "@/workers/booking";
import { startCalliper } from "@/standins/calliper/server";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { shopStore } from "@/store/shop";
import { closePool } from "@/workers/pool";
import type { RunPlan } from "@/core/plan/shown";
import { shownPlan } from "@/workers/planning";
import { workOut } from "@/workers/standings";
import { workerBuilt } from "@/workers/tests/built";
import { clockNow, today } from "./today";

process.env.RUNDIK_DB = ":memory:";
const plan = await import("./api/plan/route");
const mend = await import("./api/plan/mend/route");
const stand = await import("./api/plan/stand/route");
const gains = await import("./api/plan/gains/route");
const file = await import("./api/plan/file/[file]/route");
const bench = await import("./api/bench/route");
const labels = await import("./api/jobs/[id]/labels/route");
const paper = await import("./api/jobs/[id]/batch/[file]/route");
const calliper = await import("./api/bench/calliper/route");

beforeAll(workerBuilt);
afterAll(closePool);

const post = (body?: unknown, query = "") =>
  new Request(`http://127.0.0.1/api${query}`, { method: "POST", headers: { "content-type": "application/json" }, ...(body ? { body: JSON.stringify(body) } : {}) }); // prettier-ignore
const told = async <T>(reply: Response) => [reply.status, (await reply.json()) as T] as const;
/** The lines of a long answer, the last its result. */
const lines = async <T>(reply: Response) => (await reply.text()).trim().split("\n").map((l) => JSON.parse(l) as { progress?: object; result?: T; error?: string }); // prettier-ignore
const ics = () => file.GET(new Request("http://127.0.0.1/api"), { params: Promise.resolve({ file: "plan.ics" }) });

test("from no plan to one that stands, is mended, is refused when it is out of date, and is gone back from; the bench counts into it", async () => {
  const db = database();
  const [nothing] = await lines(await plan.POST(post(undefined, "?ask=abcdefgh")));
  expect(nothing!.error).toBe("there is no job that can be planned");
  expect((await told(await mend.POST(post({ puts: [] }))))[0]).toBe(409);
  expect((await ics()).status).toBe(404);
  const job: Job = { ...emptyJob("Four", "in"), lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 4, options: {} }], stock: [board()] }; // prettier-ignore
  const { id } = jobStore(db).create(job);
  await workOut(db, id, today(), 500);
  const made = await lines<{ plan: RunPlan }>(await plan.POST(post(undefined, "?ask=abcdefgi")));
  expect(made.slice(0, -1).every((l) => l.progress)).toBe(true);
  const first = made.at(-1)!.result!.plan;
  expect(first.runs.length).toBeGreaterThan(5);
  // Put forward is not standing.
  expect(shownPlan(db, clockNow(), today()).plan).toBeNull();
  expect((await told(await stand.POST(post({ id: first.id, do: "stand" }))))[0]).toBe(200);
  expect(shownPlan(db, clockNow(), today()).plan!.id).toBe(first.id);
  const events = new ICAL.Component(ICAL.parse(await (await ics()).text()) as unknown[]).getAllSubcomponents("vevent");
  expect(events).toHaveLength(first.runs.length);

  // A run a day later: it is put forward, and stands only as long as nothing it was made from has changed.
  const last = first.runs.at(-1)!;
  const later = { job: id, name: last.name, lot: last.lot, lots: last.lots, at: last.startsAt + 1440 };
  const [, moved] = await told<{ plan: RunPlan; mended: Replanned }>(await mend.POST(post({ puts: [later] })));
  expect(moved.mended.moved.map((m) => m.name)).toEqual([last.name]);
  shopStore(db).all([{ revision: 0, act: { do: "workshop", to: { people: 2 } } }]);
  await workOut(db, id, today(), 500);
  const [status, { error }] = await told<{ error: string }>(await stand.POST(post({ id: moved.plan.id, do: "stand" })));
  expect([status, error]).toEqual([409, expect.stringContaining("have changed since")]);
  const [, again] = await told<{ plan: RunPlan }>(await mend.POST(post({ puts: [] })));
  await stand.POST(post({ id: again.plan.id, do: "stand" }));
  expect(shownPlan(db, clockNow(), today())).toMatchObject({ stale: false, hasEarlier: true });
  expect((await told(await stand.POST(post({ id: first.id, do: "back" }))))[0]).toBe(409);
  expect((await told(await stand.POST(post({ id: again.plan.id, do: "back" }))))[0]).toBe(200);
  expect(shownPlan(db, clockNow(), today()).plan!.id).toBe(first.id);

  const weighed = await lines<Gain[]>(await gains.POST(post(undefined, "?ask=abcdefgj")));
  expect(weighed.at(-1)!.result!.map((g) => g.of.more)).toContain("person");
  const count: BenchEvent = { id: "s.1", job: id, name: last.name, at: 5, what: { do: "count", n: 2 } };
  const [, { tallies }] = await told<{ tallies: Tally[] }>(await bench.POST(post({ events: [count, count] })));
  expect(tallies).toMatchObject([{ name: last.name, made: 2 }]);
  const [bad, why] = await told<{ error: string }>(await bench.POST(post({ events: [{ ...count, what: { do: "count", n: 0 } }] }))); // prettier-ignore
  expect([bad, why.error]).toEqual([400, expect.stringContaining("events.0.what.n")]);
}, 240_000);

test("what the calliper reads is told to a bench as it comes", async () => {
  const device = await startCalliper({ chance: () => 0.5 });
  process.env["RUNDIK_CALLIPER"] = `${device.url}/readings`;
  const reply = await calliper.GET(new Request("http://127.0.0.1/api"));
  const line = reply.body!.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader();
  let heard = "";
  const until = async (what: string) => {
    while (!heard.includes(what)) heard += (await line.read()).value ?? "";
  };
  await until('{"line":"open"}');
  device.set({ piece: 12.7 });
  device.press();
  await until('{"value":12700000}');
  await line.cancel();
  await device.close();
});

test("a piece spoiled at the bench goes the whole way: cut again in the job, one more in the mended plan, said against what was planned", async () => {
  const db = database();
  const job: Job = { ...emptyJob("Two", "in"), lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 2, options: {} }], stock: [board()] }; // prettier-ignore
  const { id } = jobStore(db).create(job);
  await workOut(db, id, today(), 500);
  const made = (await lines<{ plan: RunPlan }>(await plan.POST(post(undefined, "?ask=abcdefgk")))).at(-1)!.result!.plan;
  await stand.POST(post({ id: made.id, do: "stand" }));
  const mine = (p: RunPlan) => p.runs.filter((r) => r.job === id && r.title.startsWith("Crosscut")).reduce((n, r) => n + r.pieces, 0); // prettier-ignore
  const rabbet = made.runs.find((r) => r.job === id && /rabbet/i.test(r.title))!;
  const { of } = rabbet.ofParts[0]!;
  const events: BenchEvent[] = [{ id: "spoil-1.1", job: id, name: rabbet.name, at: 1e12, what: { do: "spoil", n: 1, why: "split", of: [of] } }]; // prettier-ignore
  const [status] = await told(await bench.POST(post({ events })));
  expect(status).toBe(200);
  await booked();
  expect(jobStore(db).load(id).job.spoiled).toMatchObject([{ of, pieces: 1 }]);
  await workOut(db, id, today(), 500);
  expect(shownPlan(db, clockNow(), today()).stale).toBe(true);
  const [, mended] = await told<{ plan: RunPlan; mended: Replanned }>(await mend.POST(post({ puts: [] })));
  expect(mine(mended.plan)).toBe(mine(made) + 1);
  expect(mended.plan.runs.filter((r) => r.name === rabbet.name && r.job === id).reduce((n, r) => n + r.pieces, 0)).toBe(rabbet.all); // prettier-ignore
  const against = againstOf(jobStore(db).workOf(id), [...benchStore(db).tallies(0).values()].filter((t) => t.job === id)); // prettier-ignore
  expect(against.filter((a) => a.spoiled > 0).map((a) => [a.name, a.spoiled])).toEqual([[rabbet.name, 1]]);
});

test("a job's labels go to the label printer, one a stack of parts; out of labels or off it says so, and the batch is a PDF", async () => {
  const db = database();
  const { id } = jobStore(db).create({ ...emptyJob("Labels", "in"), lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 2, options: {} }], stock: [board()] }); // prettier-ignore
  const printer = await startLabelPrinter();
  process.env.RUNDIK_LABEL_PRINTER = printer.address;
  const send = () => labels.POST(post({}), { params: Promise.resolve({ id: String(id) }) });
  expect(await told(await send())).toEqual([200, { sent: 2 }]);
  const printed = await pagesOf(printer.printed[0]!);
  expect(printed.map((p) => /(Side|End) × 4/.exec(p)?.[0])).toEqual(["Side × 4", "End × 4"]);
  printer.outOfLabels(true);
  const [status, { error }] = await told<{ error: string }>(await send());
  expect([status, error]).toEqual([503, expect.stringMatching(/is there a label in it/)]);
  await printer.close();
  expect((await told<{ error: string }>(await send()))[1].error).toMatch(/does not answer; is it on/);
  const get = (name: string) => paper.GET(new Request("http://127.0.0.1/api"), { params: Promise.resolve({ id: String(id), file: name }) }); // prettier-ignore
  const batch = await get("batch.pdf");
  expect([batch.status, batch.headers.get("content-type")]).toEqual([200, "application/pdf"]);
  expect((await pagesOf(Buffer.from(await batch.arrayBuffer()))).join(" ")).toMatch(/Cut list/);
  expect((await get("plans.pdf")).status).toBe(404);
});
