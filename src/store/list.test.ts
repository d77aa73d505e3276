import { emptyJob, type Job } from "@/core/job/job";
import { mm } from "@/core/length/length";
import type { Standing } from "@/core/today/standing";
import { catalogueStore } from "./catalogue";
import { openDatabase } from "./database";
import { jobStore, NoJobError } from "./jobs";
import { StaleError } from "./keeper";
import { yardStore } from "./yard";

const line = { item: "body", standard: "national", size: "brood", quantity: 3, options: {} };
const pine = { form: "board", material: "pine", thickness: mm(19), width: mm(286), length: mm(2440) } as const;
const standing = { lines: 1, stops: 0 } as Standing;

const opened = () => {
  const db = openDatabase(":memory:");
  const jobs = jobStore(db);
  const make = (name: string, more: Partial<Job> = {}) => jobs.create({ ...emptyJob(name, "mm"), lines: [line], ...more }).id; // prettier-ignore
  return { db, jobs, make, names: (which = {}) => jobs.list(which).map((j) => j.name) };
};

test("jobs are listed by the day they are due and found by any words of what they are called, what they are and whom for", () => {
  const { jobs, make, names } = opened();
  make("Later", { due: "2027-05-01", customer: "Heath estate" });
  make("Sooner", { due: "2027-03-01" });
  make("Whenever");
  expect(names()).toEqual(["Sooner", "Later", "Whenever"]);
  expect(names({ most: 2 })).toEqual(["Sooner", "Later"]);
  expect(names({ words: ["HEATH", "bodies"] })).toEqual(["Later"]);
  expect(names({ words: ["100%", "'; DROP"] })).toEqual([]);
  expect(jobs.list()[0]).toMatchObject({ what: "3 brood bodies", customer: null, standing: null, fresh: false });
});

test("a job put by or taken away is not among the open ones, lets its boards go, and comes back as it was", () => {
  const { db, jobs, make, names } = opened();
  const id = make("Moor");
  const yard = yardStore(db);
  yard.all([{ revision: 0, act: { do: "put in", why: "received", lots: [{ lot: pine, count: 5 }] } }]);
  for (const [go, back] of [[() => jobs.archive(id, true), () => jobs.archive(id, false)], [() => jobs.takeAway(id, true), () => jobs.takeAway(id, false)]] as const) {
    jobs.act(id, jobs.load(id).revision, { do: "reserve", lots: [{ id: 1, count: 2 }] });
    const before = jobs.load(id).job;
    go();
    expect([names(), yard.lotOf(1)!.reserved]).toEqual([[], []]);
    back();
    expect([names(), jobs.load(id).job]).toEqual([["Moor"], before]);
  } // prettier-ignore
  jobs.takeAway(id, true);
  expect(jobs.counts()).toEqual({ open: 0, archived: 0 });
  expect(() => jobs.load(id)).toThrow(NoJobError);
  expect(() => jobs.archive(id, true)).toThrow(NoJobError);
  expect(() => jobs.takeAway(99, true)).toThrow(NoJobError);
});

test("a job like another has its lines and its own stock, and nothing that was kept, sawn, pinned or read for that one", () => {
  const { jobs, make } = opened();
  const own = { ...pine, price: 9, source: "buy" as const, available: null };
  const sawn = { ...own, source: "yard" as const, price: 0, available: 1, sawn: true as const };
  const id = make("Moor", { stock: [own, sawn, { ...own, lot: 4 }], pinned: [{ stock: 1, repeat: 1, strips: [] }], readings: [{ subject: "stop", target: 3e6 as never, value: 3e6 as never, at: "2027-02-09T10:00:00.000Z" }] }); // prettier-ignore
  const copy = jobs.load(jobs.copy(id)).job;
  expect(copy).toMatchObject({ name: "Moor, again", lines: [line], stock: [own], pinned: [], readings: [] });
  expect(copy.stock.length).toBe(1);
  expect(jobs.load(jobs.copy(make("3 brood bodies", { unnamed: true }))).job.name).toBe("3 brood bodies");
});

test("where a job stands is fresh until the job, the yard, the shop or the catalogue changes, and the first page hears of each", () => {
  const { db, jobs, make } = opened();
  const id = make("Moor");
  let heard = jobs.listVersion();
  const hears = () => {
    const now = jobs.listVersion();
    expect(now).not.toBe(heard);
    heard = now;
  };
  const keep = () => jobs.keepStanding(id, jobs.version(id), "2027-02-08", standing);
  keep();
  hears();
  expect(jobs.list()[0]).toMatchObject({ fresh: true, standing });
  // What stood so yesterday is planned from another day today.
  expect(jobs.list({ day: "2027-02-08" })[0]!.fresh).toBe(true);
  expect(jobs.list({ day: "2027-02-09" })[0]!.fresh).toBe(false);
  jobs.keepStanding(id, jobs.version(id), "2027-02-09", standing);
  hears();
  for (const change of [
    () => jobs.act(id, jobs.load(id).revision, { do: "name", name: "Heath" }),
    () => yardStore(db).all([{ revision: yardStore(db).revision(), act: { do: "put in", why: "received", lots: [{ lot: pine, count: 5 }] } }]), // prettier-ignore
    () => catalogueStore(db).all([{ revision: 0, act: { do: "offer", offers: [{ ...pine, price: null }] } }]),
  ]) {
    change();
    hears();
    expect(jobs.list()[0]!.fresh).toBe(false);
    keep();
    expect(jobs.list()[0]!.fresh).toBe(true);
    hears();
  }
});

test("of two screens on the catalogue both are kept where they touch different things; of the same the first stands", () => {
  const { db } = opened();
  const catalogue = catalogueStore(db);
  const offer = (material: string, price: number | null) => ({ ...pine, material, price });
  const act = (key: string, seen: number, what: Parameters<typeof catalogue.all>[0][number] extends infer A ? (A extends { act: infer W } ? W : never) : never) => catalogue.all([{ key, revision: seen, act: what }], 0); // prettier-ignore
  act("a.1", 0, { do: "offer", offers: [offer("pine", null), offer("larch", 9)] });
  act("a.2", 1, { do: "change", id: 1, to: offer("pine", 14) });
  act("b.1", 1, { do: "change", id: 2, to: offer("larch", 11) });
  expect(() => act("b.2", 1, { do: "change", id: 1, to: offer("pine", 3) })).toThrow(StaleError);
  expect(catalogue.offers().map((o) => o.price)).toEqual([14, 11]);
  catalogue.all([{ key: "b.3", undo: true }], 0);
  expect(catalogue.offers().map((o) => o.price)).toEqual([14, 9]);
});
