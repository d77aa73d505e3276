import { asStock, isStock, type Offer } from "@/core/catalogue/catalogue";
import type { StockEntry } from "@/core/boards/stock";
import { freeFor, type LotThere, stockOf } from "@/core/yard/lot";
import { type Job, LIMITS } from "./job";

/** What a job finds where it is made: the yard's lots and what can be bought. */
export interface Around {
  lots: LotThere[];
  offers: Offer[];
  /** The catalogue's revision, and the shop's. */
  revision: number;
  shop: number;
}
export const NOTHING_AROUND: Around = { lots: [], offers: [], revision: 0, shop: 0 };

/** A wood that was chosen is that of every board; sheets and packs are what they are. */
const ofWood = (s: StockEntry, wood: string | undefined) =>
  wood === undefined || s.form !== "board" || s.material.toLowerCase() === wood.toLowerCase();

/**
 * The job with all it can be made from: its own stock first and at the same places, then what is free in the yard, then what is
 * bought. What was taken up from the yard counts as what is free of it now; what was sawn stays as it was.
 */
export function inShop(job: Job, id: number | undefined, { lots, offers }: Around): Job {
  const byId = new Map(lots.map((l) => [l.id, l]));
  const taken = new Map<number, number>();
  const own = job.stock.map((s): StockEntry => {
    if (s.lot === undefined || s.form === "pack" || s.sawn) return s;
    const lot = byId.get(s.lot);
    const free = lot ? freeFor(lot, id) : 0;
    const already = taken.get(s.lot) ?? 0;
    const left = Math.max(0, free - already);
    const count = s.bad ? Math.min(1, left) : left;
    taken.set(s.lot, already + count);
    return { ...s, available: count * (s.resawn ?? 1) };
  });
  if (job.alone) return own.some((s, i) => s !== job.stock[i]) ? { ...job, stock: own } : job;
  const room = LIMITS.stock - own.length;
  const bought = offers
    .filter(isStock)
    .filter((o) => !job.stock.some((s) => s.offer === o.id))
    .map(asStock);
  const yard = lots.flatMap((l) => stockOf(l, freeFor(l, id) - (taken.get(l.id) ?? 0)));
  const suited = [yard, bought].map((list) => list.filter((s) => (s.available ?? 1) > 0 && ofWood(s, job.wood)));
  // Sheets and offers are few; boards of the yard may be very many.
  const some = suited[0]!.slice(0, Math.max(0, room - suited[1]!.length));
  return { ...job, stock: [...own, ...some, ...suited[1]!].slice(0, LIMITS.stock) };
}

/** What of the yard is free for a job and suits it, but is more than one layout looks at. */
export function leftAside(job: Job, id: number | undefined, around: Around): number {
  const all = around.lots.flatMap((l) => stockOf(l, freeFor(l, id))).filter((s) => ofWood(s, job.wood)).length;
  const seen = inShop(job, id, around).stock.filter((s) => s.lot !== undefined).length;
  return job.alone ? 0 : Math.max(0, all - seen);
}
