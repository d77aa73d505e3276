/** @jest-environment node */
import { type BenchEvent, tallyKey } from "@/core/bench/events";
import { layoutRequest } from "@/core/job/ask";
import { inShop } from "@/core/job/inshop";
import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { inch } from "@/core/length/length";
import { layOut } from "@/core/layout/layout";
import { standingOf } from "@/core/today/standing";
import { namesOf } from "@/core/work/names";
import { operations } from "@/core/work/operations";
import { benchStore } from "@/store/bench";
import { openDatabase } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { yardStore } from "@/store/yard";
import { book, booked } from "./booking";
import { closePool } from "./pool";
import { workerBuilt } from "./tests/built";

const TODAY = "2027-02-08";
const pine = (length: number, more: object = {}) => ({ form: "board" as const, material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(length), ...more }); // prettier-ignore
beforeAll(workerBuilt);
afterAll(closePool);

/** A shop with so many 8' boards in its yard, and a job of two deep bodies made from them. */
function shop(boards: number) {
  const db = openDatabase(":memory:");
  yardStore(db).carryOut({ do: "put in", why: "counted", lots: [{ lot: pine(96), count: boards }] });
  const job: Job = { ...emptyJob("Two boxes", "in"), lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 2, options: {} }] }; // prettier-ignore
  const store = jobStore(db);
  const { id } = store.create(job);
  const work = () => {
    const worked = workJob(store.inShop(id));
    const result = layOut(layoutRequest(worked), () => 0);
    const ops = operations(worked, result);
    const names = namesOf(ops);
    return { ops, names, name: (of: RegExp) => names.get(ops.find((o) => of.test(o.name))!.id)!, op: (of: RegExp) => ops.find((o) => of.test(o.name))! }; // prettier-ignore
  };
  const stand = () => {
    const { job: kept, around, version } = store.load(id);
    const standing = standingOf(inShop(kept, id, around), TODAY, new Map(), (r) => layOut(r, () => 0));
    store.keepStanding(id, version, TODAY, standing);
    return standing;
  };
  stand();
  let n = 0;
  const happens = async (name: string, ...what: BenchEvent["what"][]) => {
    const events = what.map((w): BenchEvent => ({ id: `bench.${++n}`, job: id, name, at: n * 60_000, what: w }));
    const tallies = benchStore(db).add(events, 0);
    book(db, events, tallies, TODAY);
    await booked();
  };
  return { db, id, store, work, stand, happens, yard: () => yardStore(db).lots() };
}

test("sawing that begins keeps its boards and its layouts; when every first cut is made the boards are out of the yard and offcuts in", async () => {
  const { id, store, work, happens, yard, stand } = shop(9);
  const rip = work().op(/^Rip/);
  const [count] = [[...rip.boards.values()].reduce((a, b) => a + b, 0)];
  // The bench says from which boards.
  expect(stand().work.find((w) => w.id === rip.id)!.from).toEqual([`${count} of pine, 3/4 × 11 1/4 × 96, no. 1 of the yard`]); // prettier-ignore
  await happens(work().name(/^Rip/), { do: "begin" });
  expect(store.load(id).job.pinned.length).toBeGreaterThan(0);
  expect(yard()[0]!.reserved).toEqual([{ job: id, count }]);
  await happens(work().name(/^Rip/), { do: "count", n: rip.pieces - 1 });
  expect(yard()[0]!.there).toBe(9);
  await happens(work().name(/^Rip/), { do: "count", n: 1 });
  expect(yard()[0]!.there).toBe(9 - count);
  expect(store.load(id).job.stock.reduce((n, s) => n + (s.form === "board" && s.sawn ? s.available! : 0), 0)).toBe(count); // prettier-ignore
  expect(yard().some(({ lot }) => lot.form !== "pack" && lot.offcut)).toBe(true);
  // Nothing is booked twice, also when the last is told again.
  await happens(work().name(/^Rip/), { do: "count", n: 1 });
  expect(yard()[0]!.there).toBe(9 - count);
});

test("a spoiled piece is cut again from what is left, through what came before it was spoiled and nothing after; with no board left it asks for wood", async () => {
  for (const [boards, n] of [
    [9, 1],
    [2, 5],
  ] as const) {
    const { db, id, store, work, happens, stand } = shop(boards);
    const before = work();
    const pieces = new Map(before.ops.map((o) => [before.names.get(o.id)!, o.pieces]));
    const [rip, rabbet] = [before.name(/^Rip/), before.names.get(before.ops.find((o) => o.parts.has("0/end") && o.makes[0]?.feature)!.id)!]; // prettier-ignore
    await happens(rip, { do: "begin" }, { do: "count", n: pieces.get(rip)! });
    await happens(rabbet, { do: "count", n: 3 }, { do: "spoil", n, why: "split", of: [{ line: 0, part: "end" }] });
    expect(store.load(id).job.spoiled).toMatchObject([{ of: { line: 0, part: "end" }, pieces: n, units: n, at: rabbet }]); // prettier-ignore
    const standing = stand();
    const end = expect.stringMatching(/end/);
    if (n === 5) {
      // Each offcut gives one.
      expect(standing.again).toEqual([{ name: end, pieces: 2, from: expect.stringMatching(/18 1\/2, no\. 2.*30, no\. 4/) }, { name: end, pieces: 3 }]); // prettier-ignore
      expect(standing.missing).toBe(1);
      continue;
    }
    expect(standing.again).toEqual([{ name: end, pieces: 1, from: expect.stringMatching(/^pine, 3\/4 × /) }]);
    const after = work();
    const now = (name: string) => after.ops.find((o) => after.names.get(o.id) === name)!.pieces;
    // One more is ripped and crosscut; where it was spoiled as many good ones are wanted as before, and so from there on.
    expect(now(rip)).toBe(pieces.get(rip)! + 1);
    for (const [name, n] of pieces) if (/^(Fingers|Rest|Handhold|Glue|Rabbet|Dado|Groove)/i.test(name)) expect([name, now(name)]).toEqual([name, n]); // prettier-ignore
    const made = benchStore(db)
      .tallies(0)
      .get(tallyKey({ job: id, name: rip }))!.made;
    expect(now(rip) - made).toBe(1);
    // Told once more it is spoiled once.
    await happens(rabbet, { do: "count", n: 1 });
    expect(store.load(id).job.spoiled).toHaveLength(1);
    // Taken back on the job's page it stays taken back.
    store.undo(id);
    await happens(rabbet, { do: "spoil", n: 1, why: "knot" });
    expect(store.load(id).job.spoiled ?? []).toEqual([]);
  }
});

test("a strip of which two parts come is spoiled as one: both are cut again, and the operation has one good strip less to give", async () => {
  const { id, store, work, happens } = shop(9);
  const before = work();
  const rip = before.op(/^Rip/);
  const name = before.name(/^Rip/);
  const crosscuts = before.ops.filter((o) => o.name.startsWith("Crosscut")).map((o) => before.names.get(o.id)!);
  await happens(name, { do: "begin" }, { do: "spoil", n: 1, why: "split", of: [{ line: 0, part: "side" }, { line: 0, part: "end" }] }); // prettier-ignore
  const { spoiled } = store.load(id).job;
  expect(spoiled!.map((s) => [s.of.part, s.pieces])).toEqual(["side", "end"].map((part) => { const { pieces, units } = rip.parts.get(`0/${part}`)!; return [part, Math.ceil(pieces / units)]; })); // prettier-ignore
  const after = work();
  const pieces = (of: ReturnType<typeof work>, known: string) => of.ops.find((o) => of.names.get(o.id) === known)!.pieces; // prettier-ignore
  const sawn = (of: ReturnType<typeof work>) => [...of.op(/^Rip/).boards.values()].reduce((a, b) => a + b, 0);
  // Strips that are good: all that are ripped now but the one. What comes after never sees what was spoiled before it.
  expect(pieces(after, name)).toBe(sawn(after) - 1);
  for (const c of crosscuts) expect(pieces(after, c)).toBe(pieces(before, c));
});
