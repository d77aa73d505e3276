import fc from "fast-check";
import { carryOut } from "@/core/job/acts";
import { emptyJob } from "@/core/job/job";
import { inch } from "@/core/length/length";
import { readSaid } from "@/core/yard/said";
import { foreseen, type YardAct, yardActSchema } from "@/core/yard/acts";
import type { Lot } from "@/core/yard/lot";
import { type Db, openDatabase } from "./database";
import { jobStore } from "./jobs";
import { StaleError } from "./keeper";
import { yardStore } from "./yard";

const lotSaid = (line: string): Lot => (readSaid(line, "in") as { lot: Lot }).lot;
const pine = lotSaid("pine 3/4 x 11 1/4 x 8'");
const larch = lotSaid("larch 1 x 8 x 110 rough");
const put = (lot: Lot, count: number, why: "received" | "counted" = "received"): YardAct => ({ do: "put in", why, lots: [{ lot, count }] }); // prettier-ignore

const opened = () => {
  const db = openDatabase(":memory:");
  const yard = yardStore(db);
  let n = 0;
  return {
    db,
    yard,
    act: (act: YardAct, seen = yard.revision(), key = `a.${++n}`) => yard.all([{ key, revision: seen, act }], 0),
    undo: (loaded?: number) => yard.all([{ key: `a.${++n}`, undo: true }], loaded ?? 0),
    there: () => Object.fromEntries(yard.lots().map((l) => [l.id, l.there])),
  };
};
/** What is there by adding the ledger up, apart from what the program keeps of it. */
const added = (db: Db) =>
  Object.fromEntries(
    db
      .prepare<[], { lot: number; sum: number }>(
        "SELECT lot_id AS lot, sum(change) / 100.0 AS sum FROM movement GROUP BY lot_id HAVING sum <> 0",
      ) // prettier-ignore
      .all()
      .map((r) => [r.lot, r.sum]),
  );

test("what came, went, was counted and put right is what is there; taken back it is written down as its opposite", () => {
  const { db, act, undo, there, yard } = opened();
  act(put(pine, 12));
  act(put(larch, 4));
  act({ do: "take out", why: "used", lots: [{ id: 1, count: 2 }] });
  act({ do: "count", id: 2, found: 5 });
  act({ do: "put right", id: 2, count: 1, lot: lotSaid("larch 1 x 8 x 110 rough, bad 30-42") });
  expect(there()).toEqual({ 1: 10, 2: 4, 3: 1 });
  expect(undo().undo).toBe("count of larch, rough, 1 × 8 × 110");
  expect(there()).toEqual({ 1: 10, 2: 5 });
  expect(yard.ledger(2).map((m) => [m.why, m.change])).toEqual([
    ["put right", 1], ["put right", -1], ["counted", 1], ["received", 4],
  ]); // prettier-ignore
  expect(added(db)).toEqual(there());
});

test("the ledger is never changed, not even by hand; no lot can be below nothing", () => {
  const { db, act } = opened();
  act(put(pine, 2));
  expect(() => db.exec("UPDATE movement SET change = 900")).toThrow(/never changed/);
  expect(() => db.exec("DELETE FROM movement")).toThrow(/never changed/);
  expect(() => db.exec("UPDATE lot SET there = -1")).toThrow(/CHECK/);
  expect(() => act({ do: "take out", why: "cut", lots: [{ id: 1, count: 3 }] })).toThrow(/there are 2 of pine, 3\/4 × 11 1\/4 × 96; 3 cannot go/); // prettier-ignore
  expect(() => act(put(pine, 1.5))).toThrow(/whole/);
  expect(() => act({ do: "count", id: 7, found: 1 })).toThrow(/no lot 7/);
  expect(() => act({ do: "reserve", job: 9, lots: [] })).toThrow(/no job 9/);
  expect(yardActSchema.safeParse({ do: "take out", why: "cut", lots: [{ id: 1, count: 1 }, { id: 1, count: 2 }] }).error?.issues[0]?.message).toMatch(/named twice/); // prettier-ignore
});

test("a list counted twice is there once; one received twice is there twice; asked again by its key nothing is done again", () => {
  const { act, there, yard } = opened();
  act({ do: "put in", why: "counted", lots: [{ lot: pine, count: 3 }, { lot: pine, count: 4 }] }); // prettier-ignore
  act(put(pine, 7, "counted"));
  expect(there()).toEqual({ 1: 7 });
  act(put(pine, 7), 2, "b.1");
  act(put(pine, 7), 2, "b.1");
  expect(there()).toEqual({ 1: 14 });
  expect(yard.revision()).toBe(3);
});

test("a count from before boards went elsewhere does not stand, what came in beside them does; a page is told what changed", () => {
  const { act, yard, there } = opened();
  act(put(pine, 10));
  act(put(larch, 10));
  act({ do: "take out", why: "used", lots: [{ id: 1, count: 3 }] }, 2, "shed.1");
  expect(() => act({ do: "count", id: 1, found: 10 }, 2, "desk.1")).toThrow(StaleError);
  const told = yard.all([{ key: "desk.2", revision: 2, act: { do: "count", id: 2, found: 9 } }], 2, 2);
  expect(told.lots.map((l) => [l.id, l.there])).toEqual([[1, 7], [2, 9]]); // prettier-ignore
  act(put(pine, 1), 2, "desk.3");
  expect(there()).toEqual({ 1: 8, 2: 9 });
});

const anyAct: fc.Arbitrary<YardAct> = fc.oneof(
  fc.record({ do: fc.constant("put in" as const), why: fc.constantFrom("counted" as const, "received" as const), lots: fc.array(fc.record({ lot: fc.constantFrom(pine, larch, lotSaid("480 frame nail")), count: fc.integer({ min: 1, max: 9 }) }), { minLength: 1, maxLength: 4 }) }), // prettier-ignore
  fc.record({ do: fc.constant("take out" as const), why: fc.constantFrom("used" as const, "spoiled" as const), lots: fc.array(fc.record({ id: fc.integer({ min: 1, max: 4 }), count: fc.integer({ min: 1, max: 12 }) }), { minLength: 1, maxLength: 3 }) }), // prettier-ignore
  fc.record({ do: fc.constant("count" as const), id: fc.integer({ min: 1, max: 4 }), found: fc.integer({ min: 0, max: 20 }) }), // prettier-ignore
  fc.record({ do: fc.constant("put right" as const), id: fc.integer({ min: 1, max: 4 }), count: fc.integer({ min: 1, max: 5 }), lot: fc.constantFrom(pine, larch, lotSaid("larch 1 x 8 x 96 rough")) }), // prettier-ignore
);

test("whatever is done on three screens, acts and undos, late and twice: what is there is the sum, never below nothing, and a refusal changes nothing", () => {
  fc.assert(
    fc.property(fc.array(fc.record({ act: fc.option(anyAct), screen: fc.constantFrom("a", "b", "c"), late: fc.nat(2), twice: fc.boolean() }), { maxLength: 25 }), (steps) => {
      const { db, yard } = opened();
      for (const [i, { act, screen, late, twice }] of steps.entries()) {
        const before = JSON.stringify(yard.lots());
        const asked = { key: `${screen}.${i}`, revision: Math.max(0, yard.revision() - late), ...(act ? { act } : { undo: true as const }) }; // prettier-ignore
        try {
          yard.all([asked] as Parameters<typeof yard.all>[0], 0);
          const once = JSON.stringify(yard.lots());
          if (twice) yard.all([asked] as Parameters<typeof yard.all>[0], 0);
          expect(JSON.stringify(yard.lots())).toBe(once);
        } catch (e) {
          expect((e as Error).message).toMatch(/cannot go|no lot|elsewhere/);
          expect(JSON.stringify(yard.lots())).toBe(before);
        }
        expect(added(db)).toEqual(Object.fromEntries(yard.lots().map((l) => [l.id, l.there])));
      }
      db.close();
    }),
    { numRuns: 40 },
  ); // prettier-ignore
});

test("what a page shows before the server has answered is what the server then has, of every lot the page knows", () => {
  fc.assert(
    fc.property(fc.array(anyAct, { minLength: 2, maxLength: 12 }), (acts) => {
      const { db, yard, act } = opened();
      for (const a of acts) {
        const seen = yard.load().lots;
        let shown: ReturnType<typeof foreseen>;
        try {
          shown = foreseen(seen, a, "in");
        } catch (e) {
          // What the page refuses the server refuses too, in the same words; of a lot that is all gone the page knows nothing.
          if (!(e as Error).message.includes("no lot")) expect(() => act(a)).toThrow((e as Error).message);
          continue;
        }
        const known = new Set(seen.map((l) => l.id));
        act(a);
        const there = yard.load().lots.filter((l) => known.has(l.id));
        expect(there).toEqual(shown.filter((l) => l.there > 0));
      }
      db.close();
    }),
    { numRuns: 40 },
  );
});

test("a page that knows an older yard is told only of the lots that changed since, those that are gone among them", () => {
  const { act, yard } = opened();
  act(put(pine, 2));
  act(put(larch, 3));
  const since = yard.revision();
  act({ do: "take out", why: "used", lots: [{ id: 1, count: 2 }] });
  act(put(lotSaid("480 frame nail"), 480));
  const told = yard.load(undefined, since);
  expect(told.lots.map((l) => [l.id, l.there])).toEqual([
    [1, 0],
    [3, 480],
  ]);
  expect(yard.load().lots.map((l) => l.id)).toEqual([2, 3]);
  expect([told.since, told.version]).toEqual([since, yard.revision()]);
});

test("a job keeps boards for itself, saws them and takes that back: the yard follows, act by act", () => {
  const { db, act, there, yard } = opened();
  act(put(pine, 12));
  const jobs = jobStore(db);
  const [mine, other] = [jobs.create(emptyJob("Mine", "in")).id, jobs.create(emptyJob("Other", "in")).id];
  jobs.act(mine, 0, { do: "reserve", lots: [{ id: 1, count: 10 }] });
  expect(() => jobs.act(other, 0, { do: "reserve", lots: [{ id: 1, count: 3 }] })).toThrow(/2 of pine.* are free; 3 cannot be kept/); // prettier-ignore
  const free = (id: number) => jobs.inShop(id).stock.find((s) => s.lot === 1)?.available;
  expect([free(mine), free(other)]).toEqual([12, 2]);
  const board = { form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96), price: 0, source: "yard", lot: 1, available: 4 } as const; // prettier-ignore
  const layout = { stock: 0, repeat: 4, strips: [] };
  const offcut: Lot = { form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(1, 1, 2), length: inch(95), offcut: true, place: "rack 2" }; // prettier-ignore
  jobs.act(mine, 1, { do: "sawn", stock: [board], layouts: [layout], kept: [{ lot: offcut, count: 4 }] });
  expect(there()).toEqual({ 1: 8, 2: 4 });
  expect(yard.lotOf(1)!.reserved).toEqual([{ job: mine, count: 6 }]);
  expect(yard.ledger(1)[0]).toMatchObject({ why: "cut", change: -4, job: mine });
  expect(jobs.load(mine).job.stock).toMatchObject([{ lot: 1, available: 4, sawn: true }]);
  // A screen in the yard that has not seen it puts boards in all the same; what it counted before does not stand.
  act(put(larch, 1), 1, "shed.1");
  expect(() => act({ do: "count", id: 1, found: 12 }, 1, "shed.2")).toThrow(StaleError);
  act({ do: "take out", why: "used", lots: [{ id: 3, count: 1 }] });
  jobs.undo(mine);
  expect(there()).toEqual({ 1: 12 });
  expect(yard.lotOf(1)!.reserved).toEqual([{ job: mine, count: 10 }]);
  expect(jobs.load(mine).job.stock).toEqual([]);
  expect(added(db)).toEqual(there());
});

test("a board of the yard struck out in a job is spoiled there; one with a bad stretch is another; what the yard refuses leaves the job as it was", () => {
  const { db, act, there, yard } = opened();
  act(put(pine, 2));
  const jobs = jobStore(db);
  const { id } = jobs.create(emptyJob("Mine", "in"));
  const taken = jobs.act(id, 0, { do: "add stock", stock: jobs.inShop(id).stock[0]! });
  jobs.act(id, 1, { do: "bad stretches", at: 0, bad: [[inch(30), inch(42)]] });
  expect(yard.lots().map((l) => [l.lot.form === "board" && l.lot.bad, l.there])).toEqual([[undefined, 1], [[[inch(30), inch(42)]], 1]]); // prettier-ignore
  jobs.act(id, 2, { do: "strike out", at: 0 });
  expect(there()).toEqual({ 2: 1 });
  expect(() => jobs.act(id, 3, { do: "strike out", at: 0 })).toThrow(/there are 0 of pine/);
  expect(jobs.load(id)).toMatchObject({ revision: 3, job: { stock: carryOut(taken.job, { do: "strike out", at: 0 }).stock } }); // prettier-ignore
});
