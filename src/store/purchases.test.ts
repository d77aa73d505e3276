import { emptyJob } from "@/core/job/job";
import { inch } from "@/core/length/length";
import type { PriceList } from "@/core/purchase/pricelist";
import { type Draft, stateOf } from "@/core/purchase/purchase";
import { type Thing, thingKey } from "@/core/purchase/thing";
import { openDatabase } from "./database";
import { jobStore } from "./jobs";
import { StaleError } from "./keeper";
import { priceStore } from "./prices";
import { purchaseStore } from "./purchases";
import { supplierStore } from "./suppliers";
import { yardStore } from "./yard";

const board = (length: number): Thing => ({ form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(length) }); // prettier-ignore
const opened = () => {
  const db = openDatabase(":memory:");
  const [store, yard, jobs] = [purchaseStore(db), yardStore(db), jobStore(db)];
  const job = jobs.create(emptyJob("Four boxes", "in")).id;
  const draw = (lines: number, of: number) => {
    const draft: Draft = {
      seller: null, name: "by hand", currency: "GBP", delivery: 0,
      lines: Array.from({ length: lines }, (_, i) => ({ offer: null, thing: board(20 + i), pack: 1, packs: of, price: 900 + i, for: [{ job, quantity: of - 1 }] })),
    }; // prettier-ignore
    const { id } = store.draw(`k-${lines}`, draft);
    store.all(id, [{ revision: 0, act: { do: "sent by hand" } }]);
    return id;
  };
  return { db, store, yard, jobs, job, draw };
};
const all = (lines: number, packs: number) => Array.from({ length: lines }, (_, line) => ({ line, packs }));

test("what comes goes into the yard and is kept for its job, once; taken back, it is gone from there", () => {
  const { store, yard, draw, job } = opened();
  const id = draw(2, 5);
  const receive = { do: "receive" as const, note: "n 1", lines: [{ line: 0, packs: 3 }, { line: 1, packs: 5 }] }; // prettier-ignore
  store.all(id, [{ key: "a.1", revision: 1, act: receive }]);
  store.all(id, [{ key: "a.1", revision: 1, act: receive }]);
  const there = () => yard.lots().map((l) => [l.there, l.reserved]);
  // Of five four are the job's: of the first three that came all of them.
  const booked = [[3, [{ job, count: 3 }]], [5, [{ job, count: 4 }]]]; // prettier-ignore
  expect([there(), stateOf(store.load(id).purchase)]).toEqual([booked, "part received"]);
  expect(() => store.all(id, [{ key: "b.1", revision: 1, act: receive }])).toThrow(StaleError);
  store.all(id, [{ key: "a.2", revision: 2, act: { do: "receive", note: "n 2", lines: [{ line: 0, packs: 2 }] } }]);
  expect([there()[0], stateOf(store.load(id).purchase)]).toEqual([[5, [{ job, count: 4 }]], "received"]);
  store.all(id, [{ key: "a.3", undo: true }]);
  expect([there(), stateOf(store.load(id).purchase)]).toEqual([booked, "part received"]);
  expect(yard.ledger(yard.lots()[0]!.id).map((m) => m.why)).toEqual(["put right", "received", "received"]);
});

test("for a job that is put by or taken away nothing is kept of what comes: it is free in the yard", () => {
  const { store, yard, jobs, draw, job } = opened();
  const id = draw(1, 5);
  jobs.archive(job, true);
  store.all(id, [{ revision: 1, act: { do: "receive", note: "n", lines: [{ line: 0, packs: 5 }] } }]);
  expect(yard.lots().map((l) => [l.there, l.reserved])).toEqual([[5, []]]);
});

test("three hundred lines come in one act, and all of them are in the yard", () => {
  const { store, yard, draw } = opened();
  const id = draw(300, 4);
  const began = performance.now();
  store.all(id, [{ revision: 1, act: { do: "receive", note: "all", lines: all(300, 4) } }]);
  const took = performance.now() - began;
  expect(yard.lots().map((l) => l.there)).toEqual(Array.from({ length: 300 }, () => 4));
  expect(yard.lots().every((l) => l.reserved[0]!.count === 3)).toBe(true);
  process.stdout.write(`receipt of 300 lines: ${took.toFixed(0)} ms\n`);
});

test("an order is drawn up once by its key; what was said over the line is not taken back", () => {
  const { store, draw } = opened();
  const id = draw(1, 5);
  expect(store.draw("k-1", store.load(id).purchase).id).toBe(id);
  expect(store.load(id).undo).toBe("sent by hand");
  store.line(id, { do: "silent", why: "no answer" });
  expect(store.load(id).purchase.sent).toMatchObject({ by: "hand", silent: "no answer" });
  store.cancel(id);
  expect([stateOf(store.load(id).purchase), store.load(id).undo, store.open()]).toEqual(["cancelled", "sent by hand", []]); // prettier-ignore
});

test("a price is kept with the day it began to hold, and only when it is another; the old list stands when a supplier is silent", () => {
  const { db } = opened();
  const [suppliers, prices] = [supplierStore(db), priceStore(db)];
  const list = (price: number): PriceList => ({ name: "S", currency: "GBP", delivery: 0, minimum: 0, freeFrom: null, leadDays: 1, offers: [{ id: "p", thing: board(96), pack: 1, price, breaks: [], available: null }] }); // prettier-ignore
  const id = suppliers.add("http://127.0.0.1:9/s");
  // All in one moment: what was told last is the last all the same.
  const clock = Date.now;
  Date.now = () => 1_800_000_000_000;
  for (const price of [13.9, 13.9, 14.6]) suppliers.told(id, list(price));
  Date.now = clock;
  expect(prices.of(thingKey(board(96))).map((p) => [p.supplier, p.price])).toEqual([[id, 1390], [id, 1460]]); // prettier-ignore
  expect(Object.keys(prices.since(id))).toEqual([`1 ${thingKey(board(96))}`]);
  expect(prices.changed()).toMatchObject([{ supplier: id, before: 1390, price: 1460 }]);
  suppliers.silent(id, "it cannot be reached");
  expect(suppliers.one(id)).toMatchObject({ problem: "it cannot be reached", list: { offers: [{ price: 14.6 }] } });
  suppliers.leaveOut(id);
  expect([suppliers.all(), suppliers.add("http://127.0.0.1:9/s")]).toEqual([[], id]);
});
