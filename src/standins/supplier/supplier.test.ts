import { readFileSync } from "node:fs";
import { createServer, type ServerResponse } from "node:http";
import type { AddressInfo } from "node:net";
import { bent } from "@/app/tests/mutate";
import { chance } from "@/core/plan/tests/hunt";
import { type OrderAnswer, orderAnswerSchema, type OrderSent, priceListSchema, refusalSchema } from "@/core/purchase/pricelist"; // prettier-ignore
import { askOrder, askPrices, cancelOrder, placeOrder } from "@/exchange/supplier";
import { type StandIn, startSuppliers } from "./server";

const TODAY = "2027-02-01";
const TIMBER = "saltmarsh-timber";
let standIn: StandIn;
beforeEach(async () => {
  standIn = await startSuppliers({ today: () => TODAY, slowMs: 5 });
});
afterEach(() => standIn.close());
const at = (supplier = TIMBER) => `${standIn.url}/${supplier}`;
/** 50 wide boards at the price from 50 on, 4 sheets of ply of which there are 3. */
const order = (key = "k-1"): OrderSent => ({ key, currency: "GBP", lines: [{ offer: "p1", packs: 50, price: 12.8 }, { offer: "p5", packs: 4, price: 50.5 }] }); // prettier-ignore
const said = async <T>(told: Promise<{ said: T } | object>): Promise<T> => {
  const answer = await told;
  if (!("said" in answer)) throw new Error(JSON.stringify(answer));
  return answer.said;
};

test("the examples of the published description are what the program takes", () => {
  const blocks = [...readFileSync("docs/supplier.md", "utf8").matchAll(/```json\n([\s\S]*?)```/g)].map((m) => JSON.parse(m[1]!) as unknown); // prettier-ignore
  const [list, sent, answer] = blocks as [unknown, OrderSent, OrderAnswer];
  expect(priceListSchema.parse(list).offers[0]!.thing).toMatchObject({ thickness: 19_050_000, length: 2_438_400_000 });
  expect(orderAnswerSchema.parse(answer).key).toBe(sent.key);
  expect([sent.lines.length, refusalSchema.safeParse({ error: "why, in words" }).success]).toEqual([answer.lines.length, true]); // prettier-ignore
});

test("every made-up supplier lists what can be ordered from it, in sizes that come back as they were sent", async () => {
  for (const { about } of standIn.traders) {
    const list = await said(askPrices(at(about.at)));
    expect(list).toEqual(about.list);
    expect(new Set(list.offers.map((o) => o.id)).size).toBe(list.offers.length);
  }
});

test("an order is acknowledged with what there is, comes in two parts on its days, and the same key is the same order", async () => {
  const first = await said(placeOrder(at(), order()));
  expect(first).toMatchObject({ state: "acknowledged", delivery: 35, lines: [{ packs: 50, comes: "2027-02-07" }, { packs: 3, comes: "2027-02-11" }] }); // prettier-ignore
  expect(await said(placeOrder(at(), order()))).toEqual(first);
  expect(Object.keys(standIn.traders[0]!.memory.orders)).toEqual(["k-1"]);
  const parts = async (days: number) => {
    standIn.traders[0]!.pass(days);
    return (await said(askOrder(at(), "k-1", 2))).deliveries.map((d) => [d.on, d.lines]);
  };
  expect(await parts(5)).toEqual([]);
  expect(await parts(1)).toEqual([["2027-02-07", [{ line: 0, packs: 50 }]]]);
  expect((await parts(4)).map(([on]) => on)).toEqual(["2027-02-07", "2027-02-11"]);
  expect(await cancelOrder(at(), "k-1", 2)).toEqual({ refused: "some of it has left already" });
  // The three sheets are gone, and the next who asks knows.
  expect((await said(askPrices(at()))).offers[4]!.available).toBe(0);
});

test("an order is refused for its price, its currency, what is not sold and what is too little; nothing is kept of it", async () => {
  const refused = async (o: Partial<OrderSent>) => placeOrder(at(), { ...order(), ...o });
  const one = (offer: string, packs: number, price: number) => ({ lines: [{ offer, packs, price }] });
  expect(await refused(one("p1", 5, 12.8))).toEqual({ refused: expect.stringContaining("is 13.90, not 12.80") });
  expect(await refused({ currency: "EUR" })).toEqual({ refused: "prices are in GBP" });
  expect(await refused(one("p99", 5, 1))).toEqual({ refused: "p99 is not sold any more" });
  expect(await refused(one("p1", 1, 13.9))).toEqual({ refused: "orders are from 60.00 on" });
  expect(standIn.traders[0]!.memory.orders).toEqual({});
  standIn.traders[0]!.pass(1);
  // 8.40 and seven per cent, to the penny.
  expect((await said(askPrices(at()))).offers[1]!.price).toBe(8.99);
});

test("one that is cancelled before it comes is not taken when it does; what was bought of it is there again", async () => {
  expect((await said(cancelOrder(at(), "late", 2))).state).toBe("cancelled");
  expect((await said(placeOrder(at(), order("late")))).state).toBe("cancelled");
  await placeOrder(at(), order("k-2"));
  await cancelOrder(at(), "k-2", 2);
  expect((await said(askPrices(at()))).offers[4]!.available).toBe(3);
  expect(await askOrder(at(), "never", 2)).toEqual({ unknown: true });
});

test("each way an answer goes wrong is known for what it is", async () => {
  const went: [Parameters<StandIn["next"]>[1], string][] = [
    ["refuses", "refused"],
    ["fails", "it answered with an error (500)"],
    ["dies before", "it cannot be reached, or hung up"],
    ["hangs", "no answer in 0.2 s"],
    ["answers half", "it cannot be reached, or hung up"],
  ];
  for (const [fault, means] of went) {
    standIn.next(TIMBER, fault);
    const told = await placeOrder(at(), order(`k-${fault}`), { patience: 200 });
    expect([fault, "refused" in told ? "refused" : "silent" in told ? told.silent : told]).toEqual([fault, means]);
  }
  for (const fault of ["answers twice", "is slow"] as const) {
    standIn.next(TIMBER, fault);
    expect((await said(placeOrder(at(), order(`k-${fault}`)))).state).toBe("acknowledged");
  }
});

test("whatever a supplier answers is read as it was meant, or not at all", async () => {
  const random = chance(11);
  const good: OrderAnswer = { key: "k-1", reference: "SA-1", state: "acknowledged", delivery: 35, lines: [{ packs: 50, price: 12.8, comes: "2027-02-07" }, { packs: 3, price: 50.5, comes: null }], deliveries: [{ note: "SA-1/1", on: "2027-02-07", lines: [{ line: 0, packs: 50 }] }] }; // prettier-ignore
  let answer: (response: ServerResponse) => void = () => undefined;
  const server = createServer((_, response) => answer(response));
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const seen = { said: 0, silent: 0, refused: 0 };
  for (let n = 0; n < 300; n++) {
    const text = JSON.stringify(n % 10 === 0 ? good : bent(good, random)) ?? "";
    const status = [200, 201, 409, 418, 500][Math.floor(random() * 5)]!;
    answer = (r) => r.writeHead(status, { "content-type": "application/json" }).end(n % 7 === 3 ? text.slice(0, text.length * random()) : text); // prettier-ignore
    const told = await placeOrder(address, order());
    const [kind] = Object.keys(told) as [keyof typeof seen];
    seen[kind]++;
    if ("said" in told) {
      expect([status < 300, told.said.key, told.said.state === "cancelled" || told.said.lines.length === 2]).toEqual([true, "k-1", true]); // prettier-ignore
      expect(told.said.deliveries.every((d) => d.lines.every((l) => l.line < 2 && Number.isInteger(l.packs)))).toBe(
        true,
      );
    }
  }
  server.closeAllConnections();
  server.close();
  expect(seen.said).toBeGreaterThan(10);
  expect(seen.silent).toBeGreaterThan(100);
});
