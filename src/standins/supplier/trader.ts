import type { OrderAnswer, OrderSent, PriceList } from "@/core/purchase/pricelist";
import { spelled } from "@/core/purchase/pricelist";
import { plusDays } from "@/core/purchase/proposal";

/** A made-up supplier: what it sells, and how it goes about it. */
export interface About {
  /** Where it answers, behind the server's address. */
  at: string;
  list: PriceList;
  /** The second half of an order's lines comes so many days after the first. */
  splits?: number;
  /** By how many per cent the price of what changes, when so many days have passed. */
  changes: { after: number; offer: string; percent: number }[];
}

interface Taken {
  order: OrderSent;
  answer: OrderAnswer;
}

/** What a supplier remembers: how far its calendar is on, what it has sold of each offer, and the orders by their keys. */
export interface Memory {
  days: number;
  sold: Record<string, number>;
  orders: Record<string, Taken>;
}
export const NOTHING: Memory = { days: 0, sold: {}, orders: {} };

/** Why an order is not taken. */
export class Refused extends Error {
  override name = "Refused";
}

/** A made-up supplier at work. It does an order once by its key, and one that was cancelled before it came not at all. */
export class Trader {
  constructor(
    readonly about: About,
    readonly memory: Memory,
    private readonly today: () => string,
  ) {}

  private get day(): string {
    return plusDays(this.today(), this.memory.days);
  }

  /** What things cost on its calendar today, and how much there is of them. */
  list(): PriceList {
    const { list, changes } = this.about;
    return {
      ...list,
      offers: list.offers.map((o) => {
        const percent = changes.reduce((sum, c) => sum + (c.offer === o.id && this.memory.days >= c.after ? c.percent : 0), 0); // prettier-ignore
        const now = (price: number) => Math.round(price * (100 + percent)) / 100;
        const available = o.available === null ? null : Math.max(0, o.available - (this.memory.sold[o.id] ?? 0));
        return { ...o, price: now(o.price), breaks: o.breaks.map((b) => ({ ...b, price: now(b.price) })), available };
      }),
    };
  }

  /** The list as it goes over the line. */
  told() {
    const list = this.list();
    return { ...list, offers: list.offers.map((o) => ({ ...o, thing: spelled(o.thing) })) };
  }

  /** Takes an order, once by its key. @throws Refused */
  take(order: OrderSent): OrderAnswer {
    const known = this.memory.orders[order.key];
    if (known) return this.look(order.key)!;
    const { currency, delivery, freeFrom, minimum, leadDays, offers } = this.list();
    if (order.currency !== null && order.currency !== currency) throw new Refused(`prices are in ${currency}`);
    const lines = order.lines.map(({ offer: id, packs, price }) => {
      const offer = offers.find((o) => o.id === id);
      if (!offer) throw new Refused(`${id} is not sold any more`);
      const due = offer.breaks.reduce((p, b) => (packs >= b.from ? Math.min(p, b.price) : p), offer.price);
      if (Math.abs(due - price) > 1e-9)
        throw new Refused(`the price of ${offer.thing.material} is ${due.toFixed(2)}, not ${price.toFixed(2)}; ask for prices again`); // prettier-ignore
      return { id, price, ordered: packs, packs: Math.min(packs, offer.available ?? packs) };
    });
    const goods = lines.reduce((sum, l) => sum + l.ordered * l.price, 0);
    if (goods < minimum) throw new Refused(`orders are from ${minimum.toFixed(2)} on`);
    for (const l of lines) this.memory.sold[l.id] = (this.memory.sold[l.id] ?? 0) + l.packs;
    const comes = (i: number) =>
      plusDays(this.day, leadDays + (this.isLater(i, lines.length) ? this.about.splits! : 0));
    const answer: OrderAnswer = {
      key: order.key,
      reference: `${this.about.at.slice(0, 2).toUpperCase()}-${1000 + Object.keys(this.memory.orders).length + 1}`,
      state: "acknowledged",
      delivery: freeFrom !== null && goods >= freeFrom ? 0 : delivery,
      lines: lines.map((l, i) => ({ packs: l.packs, price: l.price, comes: l.packs > 0 ? comes(i) : null })),
      deliveries: [],
    };
    this.memory.orders[order.key] = { order, answer };
    return this.look(order.key)!;
  }

  private isLater(line: number, of: number): boolean {
    return this.about.splits !== undefined && of > 1 && line >= Math.ceil(of / 2);
  }

  /** An order as it stands today: what has left by now has a delivery note. */
  look(key: string): OrderAnswer | undefined {
    const answer = this.memory.orders[key]?.answer;
    if (!answer || answer.state === "cancelled") return answer;
    const days = [...new Set(answer.lines.flatMap((l) => (l.comes !== null && l.comes <= this.day ? [l.comes] : [])))].sort(); // prettier-ignore
    const deliveries = days.map((on, i) => ({
      note: `${answer.reference}/${i + 1}`,
      on,
      lines: answer.lines.flatMap(({ packs, comes }, line) => (comes === on && packs > 0 ? [{ line, packs }] : [])),
    }));
    return { ...answer, deliveries };
  }

  /** Cancels an order, also one that has not come yet. @throws Refused where something of it has left */
  cancel(key: string): OrderAnswer {
    const now = this.look(key);
    if (now && now.state !== "cancelled" && now.deliveries.length > 0) throw new Refused("some of it has left already");
    for (const [i, l] of (this.memory.orders[key]?.order.lines ?? []).entries())
      this.memory.sold[l.offer] = (this.memory.sold[l.offer] ?? 0) - (now?.state === "cancelled" ? 0 : now!.lines[i]!.packs); // prettier-ignore
    const answer: OrderAnswer = { key, reference: now?.reference ?? "none", state: "cancelled", delivery: 0, lines: [], deliveries: [] }; // prettier-ignore
    this.memory.orders[key] = { order: { key, currency: null, lines: [] }, answer };
    return answer;
  }

  /** Somebody else buys so many packs of an offer. */
  sell(offer: string, packs: number): void {
    this.memory.sold[offer] = (this.memory.sold[offer] ?? 0) + packs;
  }

  /** So many days pass. */
  pass(days: number): void {
    this.memory.days += days;
  }
}
