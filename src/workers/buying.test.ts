import { inch } from "@/core/length/length";
import { emptyJob, type Job } from "@/core/job/job";
import { stateOf } from "@/core/purchase/purchase";
import { catalogueStore } from "@/store/catalogue";
import { openDatabase } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { purchaseStore } from "@/store/purchases";
import { shopStore } from "@/store/shop";
import { supplierStore } from "@/store/suppliers";
import { yardStore } from "@/store/yard";
import { type StandIn, startSuppliers } from "@/standins/supplier/server";
import { drawUp, toOrder } from "./buying";
import { insteadOf } from "./instead";
import { closePool } from "./pool";
import { workOut } from "./standings";
import { freshPrices, hearPurchase, sendPurchase } from "./supplying";
import { workerBuilt } from "./tests/built";

const TODAY = "2027-02-01";
let standIn: StandIn;
beforeAll(async () => {
  workerBuilt();
  standIn = await startSuppliers({ today: () => TODAY });
});
afterAll(async () => {
  await standIn.close();
  await closePool();
});

const body = (quantity: number): Job => ({
  ...emptyJob(`${quantity} bodies`, "in"),
  start: "2027-02-15",
  lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity, options: { joint: "rabbet-ends" } }],
});

/** Two jobs of bodies, a catalogue with pine and screws, and the timber yard and the fixings shop to ask. */
async function opened() {
  const db = openDatabase(":memory:");
  shopStore(db).all([{ revision: 0, act: { do: "workshop", to: { money: { currency: "GBP", rate: 24, overhead: 0, tax: 20 } } } }]); // prettier-ignore
  const pine = { form: "board" as const, material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96), price: 14.2 }; // prettier-ignore
  const packs = (material: string, pack: number, price: number) => ({ form: "pack" as const, material, pack, price });
  const offers = [pine, packs("exterior screw, no. 8 × 2 1/4", 200, 16.5), packs("exterior screw, no. 6 × 1 1/4", 500, 19), packs("waterproof wood glue", 750, 11.9)]; // prettier-ignore
  catalogueStore(db).all([{ revision: 0, act: { do: "offer", offers } }]);
  const jobs = [10, 20].map((n) => jobStore(db).create(body(n)).id) as [number, number];
  const suppliers = supplierStore(db);
  const [timber, fixings] = ["saltmarsh-timber", "quay-fixings"].map((at) => suppliers.add(`${standIn.url}/${at}`)) as [number, number]; // prettier-ignore
  for (const id of [timber, fixings]) await freshPrices(db, id);
  const fresh = async () => {
    for (const id of jobs) await workOut(db, id, TODAY, 500);
  };
  await fresh();
  return { db, jobs, timber, fixings, fresh, store: purchaseStore(db) };
}

test("two jobs are ordered together from who is cheapest, in one go; what is drawn up is not to order any more", async () => {
  const { db, jobs, timber, fixings, store } = await opened();
  const { proposal, buyers } = await toOrder(db, undefined, TODAY);
  expect(buyers.map((b) => [b.id, b.wants, b.fresh])).toEqual(jobs.map((id) => [id, 4, true]));
  const [wood, screws] = [timber, fixings].map((id) => proposal.orders.find((o) => o.seller === id)!);
  expect(wood!.lines.map((l) => [l.thing.material, l.for.map((f) => f.job)])).toEqual([["pine", jobs]]);
  // Sawing begins on Monday the fifteenth; the yard takes six days.
  expect([wood!.by, wood!.late, wood!.comes]).toEqual(["2027-02-09", 0, "2027-02-07"]);
  expect([screws!.lines.length, proposal.short, proposal.proven]).toEqual([3, [], true]);
  const seen = { key: "key-12345", seller: timber, jobs, total: wood!.total };
  expect(await drawUp(db, { ...seen, total: seen.total + 1 }, TODAY)).toBeUndefined();
  const id = (await drawUp(db, seen, TODAY))!;
  expect([await drawUp(db, seen, TODAY), store.open().length]).toEqual([id, 1]);
  const left = await toOrder(db, undefined, TODAY);
  expect(left.proposal.orders.map((o) => o.seller)).toEqual([fixings]);
  expect(left.coming.map((o) => [o.id, stateOf(o.purchase)])).toEqual([[id, "drafted"]]);
  store.cancel(id);
  expect((await toOrder(db, undefined, TODAY)).proposal.orders.length).toBe(2);
});

test("ordered for one job it is for that job alone; what comes of it is in the yard for it, and what it cost stands with the job", async () => {
  const { db, jobs, timber, fresh, store } = await opened();
  const [ten, twenty] = jobs;
  const wood = (await toOrder(db, [ten], TODAY)).proposal.orders.find((o) => o.seller === timber)!;
  const boards = wood.lines[0]!.packs;
  const id = (await drawUp(db, { key: "key-of-ten", seller: timber, jobs: [ten], total: wood.total }, TODAY))!;
  expect(store.spentFor(ten, "GBP")).toBe(0);
  await sendPurchase(db, id);
  expect([store.spentFor(ten, "GBP"), store.spentFor(twenty, "GBP")]).toEqual([wood.goods, 0]);
  standIn.traders[0]!.pass(20);
  const { purchase, revision } = await hearPurchase(db, id);
  const [note] = purchase.answer!.deliveries;
  store.all(id, [{ revision, act: { do: "receive", note: note!.note, lines: note!.lines } }]);
  expect(yardStore(db).lots().map((l) => [l.there, l.reserved])).toEqual([[boards, [{ job: ten, count: boards }]]]); // prettier-ignore
  await fresh();
  const after = await toOrder(db, undefined, TODAY);
  // The one has its wood; the other still wants all of its own, and takes none of what is kept.
  const pine = after.proposal.orders.flatMap((o) => o.lines).filter((l) => l.thing.material === "pine");
  expect(pine.flatMap((l) => l.for.map((f) => f.job))).toEqual([twenty]);
  expect(store.spentFor(ten, "GBP")).toBe(wood.goods);
});

test("what else a job could be made from is laid out with what yard and catalogue have", async () => {
  const { db, jobs } = await opened();
  const larch = { form: "board" as const, material: "larch", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(144), price: 21 }; // prettier-ignore
  catalogueStore(db).all([{ revision: catalogueStore(db).revision(), act: { do: "offer", offers: [larch] } }]);
  const rows = await insteadOf(db, jobs[0]);
  expect(rows.map((r) => [r.wood, r.stops, r.missing])).toEqual([[undefined, 0, 0], ["pine", 0, 0], ["larch", 0, 0]]); // prettier-ignore
  expect(rows[2]!.boards).toBeLessThan(rows[1]!.boards);
});
