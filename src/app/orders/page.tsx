import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { fromKept } from "@/app/kept";
import { today } from "@/app/today";
import { thingKey } from "@/core/purchase/thing";
import { database } from "@/store/database";
import { priceStore } from "@/store/prices";
import { purchaseStore } from "@/store/purchases";
import { shopStore } from "@/store/shop";
import { type KeptSupplier, supplierStore } from "@/store/suppliers";
import { OrdersPage } from "@/ui/orders/OrdersPage";

export const metadata: Metadata = { title: "Orders" };
const ENDED = 20;

/** What to order, and what is on its way. */
const Page = () =>
  fromKept(() => {
    const db = database();
    const store = purchaseStore(db);
    const { units, workshop } = shopStore(db).load().shop;
    const changed = priceStore(db).changed();
    const known = ({ id, address, list, toldAt, problem }: KeptSupplier) => ({
      id,
      address,
      toldAt,
      problem,
      name: list?.name ?? null,
      currency: list?.currency ?? null,
      offers: list?.offers.length ?? 0,
      repriced: changed.flatMap((c) => {
        const offer = c.supplier === id ? list?.offers.find((o) => thingKey(o.thing) === c.thing && o.pack === c.pack) : undefined; // prettier-ignore
        return offer && c.price !== c.before ? [{ thing: offer.thing, key: c.thing, pack: c.pack, from: c.before, to: c.price }] : []; // prettier-ignore
      }),
    });
    return (
      <OrdersPage
        visit={randomUUID()}
        open={store.open()}
        ended={store.ended(ENDED)}
        suppliers={supplierStore(db).all().map(known)}
        units={units}
        currency={workshop.money.currency}
        today={today()}
        now={Date.now()}
      />
    );
  });
export default Page;
