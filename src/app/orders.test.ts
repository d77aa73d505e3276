import { emptyJob } from "@/core/job/job";
import type { StoredPurchase } from "@/core/purchase/purchase";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { purchaseStore } from "@/store/purchases";
import { supplierStore } from "@/store/suppliers";
import { type StandIn, startSuppliers } from "@/standins/supplier/server";
import { closePool } from "@/workers/pool";
import { workerBuilt } from "@/workers/tests/built";

process.env.RUNDIK_DB = ":memory:";
const orders = await import("./api/orders/route");
const one = await import("./api/orders/[id]/route");
const act = await import("./api/orders/[id]/act/route");
const line = await import("./api/orders/[id]/line/route");
const file = await import("./api/orders/[id]/file/[file]/route");
const prices = await import("./api/orders/prices/route");
const suppliers = await import("./api/suppliers/route");
const supplier = await import("./api/suppliers/[id]/route");

const post = (body: unknown) =>
  new Request("http://127.0.0.1/api", { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body) }); // prettier-ignore
const get = (query = "") => new Request(`http://127.0.0.1/api${query}`);
const at = <T extends object>(params: T) => ({ params: Promise.resolve(params) });
const told = async <T>(reply: Response) => [reply.status, (await reply.json()) as T] as const;

let standIn: StandIn;
beforeAll(async () => {
  workerBuilt();
  standIn = await startSuppliers({ today: () => "2027-02-01" });
});
afterAll(async () => {
  await standIn.close();
  await closePool();
});

test.each(["timber down the road", "ftp://a.example/x", "http://u:p@a.example/", "http://a.example/?x=1", ""])(
  "an address that no supplier can be asked at is refused with what would be right: %p",
  async (address) => {
    const [status, { error }] = await told<{ error: string }>(await suppliers.POST(post({ address })));
    expect([status, error]).toEqual([400, expect.stringContaining("wanted one like https://")]);
    expect(supplierStore(database()).all()).toEqual([]);
  },
);

test("a supplier is asked once it is known, its prices are kept with the day, and it is left out", async () => {
  const [, { id }] = await told<{ id: number }>(
    await suppliers.POST(post({ address: `${standIn.url}/quay-fixings/` })),
  );
  expect(await told(await suppliers.POST(post({ address: `${standIn.url}/quay-fixings` })))).toEqual([201, { id }]);
  const [, history] = await told<{ supplier: number; price: number; pack: number }[]>(await prices.GET(get("?thing=pack%7Cbrad%2C%203%2F4%7C"))); // prettier-ignore
  expect(history.map((p) => [p.supplier, p.pack, p.price])).toEqual([[id, 2000, 880]]);
  await supplier.POST(post({ do: "leave out" }), at({ id: String(id) }));
  expect(supplierStore(database()).all()).toEqual([]);
  expect((await supplier.POST(post({ do: "ask" }), at({ id: "77" }))).status).toBe(404);
});

test("an order goes its way through the routes: seen, drawn up once, sent, booked in, taken back; each file as what it is", async () => {
  await suppliers.POST(post({ address: `${standIn.url}/quay-fixings` }));
  const line1 = { item: "body", standard: "langstroth-10", size: "deep", quantity: 4, options: { joint: "butt-ends-inside" } }; // prettier-ignore
  const job = jobStore(database()).create({ ...emptyJob("Four", "in"), lines: [line1] }).id;
  const { workOut } = await import("@/workers/standings");
  const { today } = await import("./today");
  await workOut(database(), job, today());
  type Told = { proposal: { orders: { seller: number; total: number; lines: unknown[] }[] }; jobs: number[] };
  const [, { proposal }] = await told<Told>(await orders.GET(get(`?jobs=${job}`)));
  const [found] = proposal.orders;
  const seen = { key: "route-test-1", seller: found!.seller, jobs: [job], total: found!.total };
  const stale = await told<{ error: string }>(await orders.POST(post({ ...seen, total: 1 })));
  expect(stale).toEqual([409, { error: "what there is to order has changed meanwhile; look again" }]);
  const [, { id }] = await told<{ id: number }>(await orders.POST(post(seen)));
  expect(await told(await orders.POST(post(seen)))).toEqual([201, { id }]);
  const params = at({ id: String(id) });
  const over = async (what: string) => (await told<StoredPurchase>(await line.POST(post({ do: what }), params)))[1];
  expect((await over("send")).purchase.answer).toMatchObject({ state: "acknowledged" });
  standIn.traders[2]!.pass(5);
  const { purchase, revision } = await over("ask");
  const [note] = purchase.answer!.deliveries;
  const book = { revision, act: { do: "receive", note: note!.note, lines: note!.lines } };
  expect((await act.POST(post({ key: "t.1", ...book }), params)).status).toBe(200);
  expect((await act.POST(post({ key: "u.1", ...book }), params)).status).toBe(409);
  expect((await act.POST(post({ revision, act: { do: "cancel" } }), params)).status).toBe(400);
  const undone = await told<StoredPurchase>(await act.POST(post({ key: "t.2", undo: true }), params));
  expect(undone[1].purchase.receipts).toEqual([]);
  expect(purchaseStore(database()).open().map((o) => o.id)).toEqual([id]); // prettier-ignore
  const types = await Promise.all(["pdf", "csv", "xlsx", "txt"].map(async (kind) => (await file.GET(get(), at({ id: String(id), file: `order.${kind}` }))).headers.get("content-type"))); // prettier-ignore
  expect(types).toEqual(["application/pdf", "text/csv; charset=utf-8", expect.stringContaining("spreadsheetml"), "text/plain; charset=utf-8"]); // prettier-ignore
  expect((await one.GET(get(), at({ id: "99" }))).status).toBe(404);
});
