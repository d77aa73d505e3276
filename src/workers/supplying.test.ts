import { chance } from "@/core/plan/tests/hunt";
import { thingKey } from "@/core/purchase/thing";
import { dueOf, type Draft, notesOf, type Purchase, stateOf } from "@/core/purchase/purchase";
import { toMinor } from "@/core/money/money";
import { openDatabase } from "@/store/database";
import { purchaseStore } from "@/store/purchases";
import { supplierStore } from "@/store/suppliers";
import { yardStore } from "@/store/yard";
import { FAULTS, type StandIn, startSuppliers } from "@/standins/supplier/server";
import { cancelPurchase, freshPrices, hearPurchase, sendPurchase } from "./supplying";

let standIn: StandIn;
afterEach(() => standIn.close());

const DAY = "2027-02-01";
const opened = async () => {
  standIn = await startSuppliers({ today: () => DAY, slowMs: 5 });
  const db = openDatabase(":memory:");
  const suppliers = supplierStore(db);
  for (const { about } of standIn.traders) await freshPrices(db, suppliers.add(`${standIn.url}/${about.at}`));
  const store = purchaseStore(db);
  let n = 0;
  return {
    db,
    suppliers,
    store,
    /** An order drawn up from a supplier's list: so many packs of some offers. */
    draw: (seller: number, packs: [at: number, packs: number][]) => {
      const list = suppliers.one(seller)!.list!;
      const lines = packs.map(([at, count]): Draft["lines"][number] => {
        const o = list.offers[at]!;
        const price = o.breaks.reduce((p, b) => (count >= b.from ? b.price : p), o.price);
        return { offer: o.id, thing: o.thing, pack: o.pack, packs: count, price: toMinor(price, "GBP"), for: [] };
      });
      return store.draw(`order-${++n}`, { seller, name: list.name, currency: "GBP", delivery: toMinor(list.delivery, "GBP"), lines }).id; // prettier-ignore
    },
    receive: (id: number, note: Pick<Purchase["receipts"][number], "note" | "lines">, key = `a.${++n}`) =>
      store.all(id, [{ key, revision: store.revision(id), act: { do: "receive", note: note.note, lines: note.lines } }]), // prettier-ignore
  };
};

/**
 * The supplier fails at every step, and so does the shop: what the shop believes at the end is what the supplier did, no order is there
 * twice or lost, and the yard has what left the supplier, once.
 */
test("whatever fails between shop and supplier, an order is done once or not at all, and what came is booked in once", async () => {
  const shop = await opened();
  const random = chance(26);
  const any = (n: number) => Math.floor(random() * n);
  const RUNS = Number(process.env.RUNDIK_ORDERS ?? 50);
  const said = { acknowledged: 0, refused: 0, cancelled: 0, silent: 0 };
  const came = new Map<string, number>();
  for (let run = 0; run < RUNS; run++) {
    const trader = standIn.traders[any(3)]!;
    const seller = standIn.traders.indexOf(trader) + 1;
    // Prices change with the days, and what there is of a thing goes: some orders go by an old list.
    if (any(3) > 0) await freshPrices(shop.db, seller, { patience: 300 });
    trader.memory.days = any(2);
    if (any(20) === 0) trader.memory.sold = {};
    const offers = shop.suppliers.one(seller)!.list!.offers.length;
    const lines = Array.from({ length: 1 + any(4) }, (_, i) => [(any(4) * 4 + i) % offers, 1 + any(60)] as [number, number]); // prettier-ignore
    const id = shop.draw(seller, [...new Map(lines)]);
    const now = () => shop.store.load(id).purchase;
    for (let i = any(4); i > 0; i--) standIn.next(trader.about.at, FAULTS[any(FAULTS.length)]!);
    // Somebody presses what there is to press until it is settled; each time it is waited for longer.
    for (
      let tries = 0, patience = 12;
      now().refused === undefined && !now().answer && !now().cancelled;
      tries++, patience = Math.min(3000, patience * 2)
    ) {
      // prettier-ignore
      const does = tries > 12 ? 0 : any(6);
      if (does === 4) await hearPurchase(shop.db, id, { patience });
      else if (does === 5) await cancelPurchase(shop.db, id, { patience }).catch(() => undefined);
      else await Promise.all(Array.from({ length: 1 + (does === 3 ? 1 : 0) }, () => sendPurchase(shop.db, id, { patience }))); // prettier-ignore
      if (now().sent?.silent) said.silent++;
    }
    const p = now();
    const there = trader.memory.orders[p.key]?.answer;
    if (p.cancelled) {
      said.cancelled++;
      expect(there?.state ?? "cancelled").toBe("cancelled");
      continue;
    }
    if (p.refused) {
      said.refused++;
      // It is a draft again; cancelled, it is not taken when what was on the way still comes.
      expect([stateOf(p), there]).toEqual(["drafted", undefined]);
      continue;
    }
    said.acknowledged++;
    expect([there!.reference, there!.lines.map((l) => l.packs)]).toEqual([p.answer!.reference, p.answer!.lines.map((l) => l.packs)]); // prettier-ignore
    trader.memory.days += 20;
    if (any(2)) standIn.next(trader.about.at, FAULTS[any(FAULTS.length)]!);
    for (let patience = 12; notesOf(now()).length === 0 && dueOf(now()).some((n) => n > 0); patience = Math.min(3000, patience * 2)) await hearPurchase(shop.db, id, { patience }); // prettier-ignore
    for (const note of notesOf(now())) {
      // The reply is lost and it is asked again; somebody else books the same note in.
      const { revision } = shop.receive(id, note, `r${run}.1`);
      expect(shop.receive(id, note, `r${run}.1`).revision).toBe(revision);
      if (now().receipts.length > 0) expect(() => shop.receive(id, note)).toThrow(/booked in already|elsewhere/);
      for (const l of note.lines) {
        const { thing, pack } = p.lines[l.line]!;
        came.set(thingKey(thing), (came.get(thingKey(thing)) ?? 0) + l.packs * pack);
      }
      break;
    }
  }
  // Every order the suppliers know of and did not cancel is one of the shop's, under its own key.
  const known = standIn.traders.flatMap((t) => Object.values(t.memory.orders)).filter((o) => o.answer.state !== "cancelled"); // prettier-ignore
  expect(known.length).toBe(said.acknowledged);
  const yard = Object.fromEntries(yardStore(shop.db).lots().map((l) => [thingKey(l.lot), l.there])); // prettier-ignore
  expect(yard).toEqual(Object.fromEntries(came));
  expect(Object.values(said).every((n) => n > RUNS / 50)).toBe(true);
  process.stdout.write(`orders through a failing line: ${RUNS} ${JSON.stringify(said)}\n`);
});
