import type { LpSolver } from "@/core/layout/lp";
import { type Currency, type Minor, toMinor } from "@/core/money/money";
import { type Sourcing, sourceFrom, type SourcingProblem, type Supplier } from "@/core/order/sourcing";
import type { Listed, PriceList } from "./pricelist";
import { type Thing, thingKey } from "./thing";
import type { Share, Wanted } from "./wants";

/** Somebody things can be bought from, with the prices last told. */
export interface Seller {
  id: number;
  list: PriceList;
}

/** One line of an order that is proposed: so many packs of a thing, for whom, and the days it has. */
export interface ProposedLine {
  offer: string | null;
  thing: Thing;
  unit: Wanted["unit"];
  pack: number;
  packs: number;
  /** Of one pack. */
  price: Minor;
  /** More than is needed, because packs are whole or a break is worth it. */
  over: number;
  for: Share[];
  /** The day it is first used, and by when it has to be ordered for that; undefined where no job that wants it is planned. */
  on?: string;
  by?: string;
}

/** What to order from one supplier; `seller` null is by hand, at the catalogue's prices. */
export interface ProposedOrder {
  seller: number | null;
  name: string;
  lines: ProposedLine[];
  goods: Minor;
  delivery: Minor;
  total: Minor;
  /** By when it has to be sent; before today it is late by so many days. */
  by?: string;
  /** When it would come if it were sent today. */
  comes?: string;
  late: number;
}

/** What to order from whom, and how good that is. */
export interface Proposal {
  orders: ProposedOrder[];
  total: Minor;
  /** No purchase from these suppliers that comes as soon costs less. */
  bound: Minor;
  proven: boolean;
  /** What nobody has enough of. */
  short: { thing: Thing; unit: Wanted["unit"]; quantity: number; for: Share[]; listed: boolean }[];
}

const DAY_MS = 86_400_000;
/** `2027-02-26` and three days are `2027-03-01`. */
export const plusDays = (day: string, days: number): string => new Date(Date.parse(day) + days * DAY_MS).toISOString().slice(0, 10); // prettier-ignore
export const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS); // prettier-ignore

const firstDay = (shares: Share[]): string | undefined => shares.flatMap((s) => s.on ?? []).toSorted()[0];

/** Who may sell each thing: those from whom it comes in time, or else those from whom it comes soonest. */
function inTime(wanted: Wanted[], sellers: Seller[], today: string): Map<string, Set<number>> {
  return new Map(
    wanted.map(({ key, shares }) => {
      const on = firstDay(shares);
      const those = sellers.filter((s) => s.list.offers.some((o) => thingKey(o.thing) === key && o.available !== 0));
      const quick = those.filter((s) => on === undefined || plusDays(today, s.list.leadDays) <= on);
      const soonest = Math.min(...those.map((s) => s.list.leadDays));
      return [key, new Set((quick.length > 0 ? quick : those.filter((s) => s.list.leadDays === soonest)).map((s) => s.id))]; // prettier-ignore
    }),
  );
}

/**
 * The order there is to be: the least total that covers all that is wanted, from suppliers from whom it comes in time, as a whole-number
 * programme. What no supplier lists is bought by hand at the catalogue's price, where it has one. Lists in another currency are not used.
 */
export function propose(
  wanted: Wanted[],
  sellers: Seller[],
  byHand: Listed[],
  { today, currency }: { today: string; currency: Currency },
  lp: LpSolver,
): Proposal {
  // A shop that has not said its currency buys in that of the first: amounts of two are not added up.
  const its = currency ?? sellers[0]?.list.currency;
  const usable = sellers.filter((s) => s.list.currency === its);
  const quick = inTime(wanted, usable, today);
  const listed = wanted.filter((w) => quick.get(w.key)!.size > 0);
  const problem = problemOf(listed, usable, quick, currency);
  const solved = sourceFrom(problem, lp);
  const orders = usable.flatMap((s) => ordered(s, solved, listed, { today, currency }) ?? []);
  const rest = wanted.filter((w) => quick.get(w.key)!.size === 0);
  const hand = atHand(rest, byHand, currency);
  const fill = takers(wanted);
  for (const o of [...orders, ...hand].toSorted((a, b) => (a.comes ?? "9").localeCompare(b.comes ?? "9")))
    for (const l of o.lines) {
      const key = thingKey(l.thing);
      const taken = fill(key, l.pack * l.packs);
      l.for = taken.shares;
      l.over = taken.over;
      const on = firstDay(l.for) ?? firstDay(wanted.find((w) => w.key === key)!.shares);
      const lead = usable.find((s) => s.id === o.seller)?.list.leadDays ?? 0;
      if (on) Object.assign(l, { on, by: plusDays(on, -lead) });
    }
  const all = [...orders, ...hand].map((o): ProposedOrder => {
    const by = o.lines.flatMap((l) => l.by ?? []).toSorted()[0];
    return { ...o, ...(by ? { by } : {}), late: by ? Math.max(0, daysBetween(by, today)) : 0 };
  });
  const short = [
    ...solved.short.map((s) => ({ key: s.need, quantity: s.quantity, listed: true })),
    ...rest.filter((w) => !hand.some((o) => o.lines.some((l) => thingKey(l.thing) === w.key))).map((w) => ({ key: w.key, quantity: w.quantity, listed: false })), // prettier-ignore
  ].map(({ key, ...said }) => {
    const w = wanted.find((x) => x.key === key)!;
    return { ...said, thing: w.thing, unit: w.unit, for: w.shares };
  });
  const cents = (amount: number) => Math.round(amount * 100);
  return {
    orders: all.toSorted((a, b) => (a.by ?? "9999").localeCompare(b.by ?? "9999") || b.total - a.total),
    total: all.reduce((sum, o) => sum + o.total, 0),
    bound: cents(solved.bound) + hand.reduce((sum, o) => sum + o.total, 0),
    proven: solved.proven,
    short,
  };
}

/** The whole-number programme counts in hundredths: a coin of any currency is one. */
const asHundredths = (price: number, currency: Currency) => toMinor(price, currency) / 100;

function problemOf(
  wanted: Wanted[],
  sellers: Seller[],
  quick: Map<string, Set<number>>,
  currency: Currency,
): SourcingProblem {
  const keys = new Set(wanted.map((w) => w.key));
  const suppliers = sellers.map(({ id, list }): Supplier => {
    const price = (n: number) => asHundredths(n, currency);
    return {
      id: String(id),
      delivery: price(list.delivery),
      minimum: price(list.minimum),
      freeFrom: list.freeFrom === null ? null : price(list.freeFrom),
      leadDays: list.leadDays,
      offers: list.offers.flatMap((o) => {
        const need = thingKey(o.thing);
        if (!keys.has(need) || !quick.get(need)!.has(id)) return [];
        return [{ need, pack: o.pack, price: price(o.price), breaks: o.breaks.map((b) => ({ from: b.from, price: price(b.price) })), available: o.available }]; // prettier-ignore
      }),
    };
  });
  return { needs: wanted.map(({ key, quantity }) => ({ id: key, quantity })), suppliers, by: null };
}

/** What is bought of one seller, as an order; undefined where it is nothing. */
function ordered(
  { id, list }: Seller,
  solved: Sourcing,
  wanted: Wanted[],
  { today, currency }: { today: string; currency: Currency },
): ProposedOrder | undefined {
  const lines = solved.buys
    .filter((b) => b.supplier === String(id))
    .map((b): ProposedLine => {
      const w = wanted.find((x) => x.key === b.need)!;
      const price = Math.round(b.price * 100);
      const offer = list.offers.find((o) => thingKey(o.thing) === b.need && o.pack === b.pack && [o.price, ...o.breaks.map((k) => k.price)].some((p) => toMinor(p, currency) === price))!; // prettier-ignore
      return { offer: offer.id, thing: w.thing, unit: w.unit, pack: b.pack, packs: b.packs, price, over: 0, for: [] };
    });
  if (lines.length === 0) return undefined;
  const goods = lines.reduce((sum, l) => sum + l.packs * l.price, 0);
  const isFree = list.freeFrom !== null && goods >= toMinor(list.freeFrom, currency);
  const delivery = isFree ? 0 : toMinor(list.delivery, currency);
  return { seller: id, name: list.name, lines, goods, delivery, total: goods + delivery, comes: plusDays(today, list.leadDays), late: 0 }; // prettier-ignore
}

/** What nobody on the line sells, at the catalogue's prices: the pack that costs least for what is wanted. */
function atHand(wanted: Wanted[], byHand: Listed[], currency: Currency): ProposedOrder[] {
  const lines = wanted.flatMap((w): ProposedLine[] => {
    const cost = (o: Listed) => Math.ceil(w.quantity / o.pack - 1e-9) * o.price;
    const best = byHand.filter((o) => thingKey(o.thing) === w.key).toSorted((a, b) => cost(a) - cost(b))[0];
    if (!best) return [];
    const packs = Math.ceil(w.quantity / best.pack - 1e-9);
    return [{ offer: null, thing: w.thing, unit: w.unit, pack: best.pack, packs, price: toMinor(best.price, currency), over: 0, for: [] }]; // prettier-ignore
  });
  if (lines.length === 0) return [];
  const goods = lines.reduce((sum, l) => sum + l.packs * l.price, 0);
  return [{ seller: null, name: "by hand", lines, goods, delivery: 0, total: goods, late: 0 }];
}

/** Gives what comes to who wants it, the soonest first. */
function takers(wanted: Wanted[]) {
  const open = new Map(wanted.map((w) => [w.key, w.shares.map((s) => ({ ...s }))]));
  return (key: string, amount: number): { shares: Share[]; over: number } => {
    let left = amount;
    const shares: Share[] = [];
    for (const s of open.get(key) ?? []) {
      const quantity = Math.min(s.quantity, left);
      if (quantity <= 0) continue;
      shares.push({ ...s, quantity });
      s.quantity -= quantity;
      left -= quantity;
    }
    return { shares, over: Math.round(left * 100) / 100 };
  };
}
