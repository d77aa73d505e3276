import { isStock } from "@/core/catalogue/catalogue";
import type { Minor } from "@/core/money/money";
import { type Listed as Offered, OLD_AFTER } from "@/core/purchase/pricelist";
import type { Listed } from "@/core/today/todo";
import type { Proposal, ProposedOrder } from "@/core/purchase/proposal";
import { thingOf } from "@/core/purchase/thing";
import { bringing, type StoredPurchase } from "@/core/purchase/purchase";
import { type Wanted, wantedBy, wantedOf } from "@/core/purchase/wants";
import { catalogueStore } from "@/store/catalogue";
import type { Db } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { purchaseStore } from "@/store/purchases";
import { shopStore } from "@/store/shop";
import { supplierStore } from "@/store/suppliers";
import { askProposal } from "./pool";
import { freshen } from "./standings";

/** A job on the page of orders: what it is called, and whether it has to have anything bought. */
export interface Buyer {
  id: number;
  name: string;
  /** Things it has to have bought, those on their way too. */
  wants: number;
  /** Parts no board there is gives: what they are cut from is not among what it wants. */
  missing: number;
  /** Where it stands is being worked out: what it wants may be otherwise. */
  fresh: boolean;
}

/** What to order for which jobs. */
export interface ToOrder {
  proposal: Proposal;
  buyers: Buyer[];
  /** The jobs it is for. */
  jobs: number[];
  today: string;
  /** Orders that bring something for them. */
  coming: StoredPurchase[];
  /** What was ordered for them so far, at the prices that held. */
  spent: Minor;
  /** Suppliers whose prices were told long ago. */
  old: number[];
}

/** What the jobs, or all that are open, still have to have bought, and from whom; those whose standing is old are worked out behind it. */
export async function toOrder(
  db: Db,
  asked: number[] | undefined,
  today: string,
  signal?: AbortSignal,
): Promise<ToOrder> {
  // prettier-ignore
  const all = jobStore(db).list({ day: today });
  const buyers = all.map(({ id, name, standing, fresh }) => ({
    id,
    name,
    wants: standing?.wants.length ?? 0,
    missing: standing?.missing ?? 0,
    fresh,
  }));
  freshen(db, buyers.filter((b) => !b.fresh).map((b) => b.id), today); // prettier-ignore
  const jobs = asked ?? buyers.map((b) => b.id);
  const { currency } = shopStore(db).load().shop.workshop.money;
  const byHand = catalogueStore(db)
    .offers()
    .filter(isStock)
    .flatMap((o): Offered[] => (o.price === null ? [] : [{ id: String(o.id), thing: thingOf(o), pack: o.form === "pack" ? o.pack : 1, price: o.price, breaks: [], available: null }])); // prettier-ignore
  const asks = supplierStore(db).all();
  const sellers = asks.flatMap(({ id, list }) => (list ? [{ id, list }] : []));
  const old = asks.flatMap(({ id, toldAt }) => (toldAt && Date.now() - Date.parse(toldAt) > OLD_AFTER ? [id] : []));
  const orders = purchaseStore(db);
  const wanted = wantedBy(stillWanted(db, all), jobs);
  const proposal = await askProposal({ wanted, sellers, byHand, today, currency }, signal);
  return {
    proposal,
    buyers,
    jobs,
    today,
    coming: bringing(orders.open(), jobs),
    old,
    spent: jobs.reduce((sum, id) => sum + orders.spentFor(id, currency), 0),
  };
}

/** What all of these jobs together still have to have bought: what is on its way is given to them in one go, the soonest first. */
export const stillWanted = (db: Db, all: Pick<Listed, "id" | "standing">[]): Wanted[] =>
  wantedOf(all.flatMap(({ id, standing }) => (standing ? [{ job: id, wants: standing.wants }] : [])), purchaseStore(db).coming()); // prettier-ignore

/** What somebody saw and wants to have: the order to a supplier, at what it came to. */
export interface Seen {
  key: string;
  seller: number | null;
  jobs: number[];
  total: Minor;
}

/** Draws up an order as it was seen, once by its key; undefined where what there is to order is not that any more. */
export async function drawUp(db: Db, seen: Seen, today: string): Promise<number | undefined> {
  const store = purchaseStore(db);
  const there = store.byKey(seen.key);
  if (there !== undefined) return there;
  const { proposal } = await toOrder(db, seen.jobs, today);
  const order = proposal.orders.find((o) => o.seller === seen.seller && o.total === seen.total);
  if (!order) return undefined;
  const { currency } = shopStore(db).load().shop.workshop.money;
  return store.draw(seen.key, drafted(order, currency)).id;
}

const drafted = ({ seller, name, delivery, lines }: ProposedOrder, currency: string | null) => ({
  seller,
  name,
  currency,
  delivery,
  lines: lines.map(({ offer, thing, pack, packs, price, for: shares }) => ({
    offer,
    thing,
    pack,
    packs,
    price,
    for: shares.map(({ job, quantity }) => ({ job, quantity })),
  })),
});
