import { JobFileError } from "@/core/problem/problem";
import { stateOf, sentOrder, type StoredPurchase } from "@/core/purchase/purchase";
import { askOrder, askPrices, cancelOrder, placeOrder, type Told } from "@/exchange/supplier";
import type { OrderAnswer } from "@/core/purchase/pricelist";
import type { Db } from "@/store/database";
import { purchaseStore } from "@/store/purchases";
import { supplierStore } from "@/store/suppliers";

/** For tests: how long a supplier is waited for, ms. */
export interface Patience {
  patience?: number;
}

/** Asks a supplier for its prices, and keeps what it tells; what it told before stands where it tells nothing. */
export async function freshPrices(db: Db, id: number, how: Patience = {}): Promise<void> {
  const suppliers = supplierStore(db);
  const kept = suppliers.one(id);
  if (!kept) return;
  const told = await askPrices(kept.address, how);
  if ("said" in told) suppliers.told(id, told.said);
  else suppliers.silent(id, whyOf(told));
}

const whyOf = (told: Exclude<Told<unknown>, { said: unknown }>): string =>
  "refused" in told ? told.refused : "unknown" in told ? "there is no price list at this address" : told.silent;

/** The address an order goes to. @throws JobFileError where it goes by hand */
function addressOf(db: Db, { purchase }: StoredPurchase): string {
  const kept = purchase.seller === null ? undefined : supplierStore(db).one(purchase.seller);
  if (!kept) throw new JobFileError([{ path: "seller", message: "this order goes by hand: print it, or copy its text" }]); // prettier-ignore
  return kept.address;
}

/** Keeps what a supplier said of an order; `sent` says whether it was asked to take it. */
function keep(db: Db, id: number, told: Told<OrderAnswer>): StoredPurchase {
  const store = purchaseStore(db);
  if ("said" in told) return store.line(id, { do: "heard", answer: told.said });
  if ("refused" in told) return store.line(id, { do: "refused", why: told.refused });
  return store.line(id, { do: "silent", why: "unknown" in told ? "it does not know of this order" : told.silent });
}

/**
 * Sends an order, or sends it again under the same key: that it goes is written down before it goes, so that whatever happens on the way
 * it is known that it may be there. @throws JobFileError where it cannot be sent
 */
export async function sendPurchase(db: Db, id: number, how: Patience = {}): Promise<StoredPurchase> {
  const store = purchaseStore(db);
  const at = addressOf(db, store.load(id));
  const going = store.line(id, { do: "send" });
  const told = await placeOrder(at, sentOrder(going.purchase), how);
  const kept = keep(db, id, told);
  return "refused" in told && kept.purchase.sent && !kept.purchase.answer ? settle(db, id, at, how) : kept;
}

/**
 * A try was refused where another may have been taken, or may still be on its way: the supplier is asked, and where it knows nothing of
 * the order it is told not to take it any more.
 */
async function settle(db: Db, id: number, at: string, how: Patience): Promise<StoredPurchase> {
  const { key, lines } = purchaseStore(db).load(id).purchase;
  const there = await askOrder(at, key, lines.length, how);
  const told = "unknown" in there ? await cancelOrder(at, key, lines.length, how) : there;
  return "said" in told ? keep(db, id, told) : purchaseStore(db).load(id);
}

/** Asks how an order stands: what was confirmed, what has left. One the supplier does not know is still to be sent. */
export async function hearPurchase(db: Db, id: number, how: Patience = {}): Promise<StoredPurchase> {
  const now = purchaseStore(db).load(id);
  if (now.purchase.sent?.by !== "line") return now;
  const told = await askOrder(addressOf(db, now), now.purchase.key, now.purchase.lines.length, how);
  return "refused" in told ? now : keep(db, id, told);
}

/**
 * Cancels what has not come. One that was sent is cancelled when the supplier says so, or never heard of it: then it is not taken when
 * it comes. @throws JobFileError where the supplier will not, or does not answer
 */
export async function cancelPurchase(db: Db, id: number, how: Patience = {}): Promise<StoredPurchase> {
  const store = purchaseStore(db);
  const now = store.load(id);
  const { purchase } = now;
  if (purchase.cancelled || stateOf(purchase) === "received") return now;
  if (purchase.sent?.by !== "line") return store.cancel(id);
  const told = await cancelOrder(addressOf(db, now), purchase.key, purchase.lines.length, how);
  if ("said" in told && told.said.state === "cancelled") return store.line(id, { do: "heard", answer: told.said });
  if ("unknown" in told) return store.cancel(id);
  const why = "said" in told ? "it has not cancelled it" : whyOf(told);
  throw new JobFileError([{ path: "order", message: `not cancelled: ${purchase.name}: ${why}. It may still come; ask again, or ring them` }]); // prettier-ignore
}
