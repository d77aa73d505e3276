import { z } from "zod";
import { type Currency, fromMinor, type Minor, moneySchema, moneyText } from "@/core/money/money";
import type { Kept } from "@/core/keeping/kept";
import type { Units } from "@/core/length/length";
import { JobFileError } from "@/core/problem/problem";
import { type Lot, lotText } from "@/core/yard/lot";
import { type OrderAnswer, orderAnswerSchema, type OrderSent } from "./pricelist";
import { thingKey, thingSchema } from "./thing";
import type { Coming } from "./wants";

const minor = z.number().int().min(0).max(1e13);
const count = z.number().int().min(0).max(1e6);
const day = z.iso.date({ error: 'wanted a day like "2027-03-12"' });
const note = z.string().trim().min(1).max(60);
/** Lines of one order at most. */
export const MOST_LINES = 500;

/** A line as it is ordered: the price is the one that held that day. `for` says how much of it is for which job. */
const lineSchema = z.strictObject({
  offer: z.string().max(60).nullable(),
  thing: thingSchema,
  pack: z.number().positive().max(1e7),
  packs: count.min(1),
  price: minor,
  for: z.array(z.strictObject({ job: z.number().int().min(1), quantity: z.number().positive() })).max(500),
});
export type PurchaseLine = z.output<typeof lineSchema>;

/** What is written down when an order is drawn up; `seller` null is by hand. */
export const draftSchema = z.strictObject({
  seller: z.number().int().min(1).nullable(),
  name: z.string().min(1).max(60),
  currency: moneySchema.shape.currency,
  delivery: minor,
  lines: z.array(lineSchema).min(1).max(MOST_LINES),
});
export type Draft = z.output<typeof draftSchema>;

/** So many packs of lines, each named once by its place. */
const someSchema = z
  .array(z.strictObject({ line: z.number().int().min(0), packs: count.min(1) }))
  .min(1)
  .max(MOST_LINES)
  .refine((lines) => new Set(lines.map((l) => l.line)).size === lines.length, "a line is named twice; say once how much"); // prettier-ignore
type Some = z.output<typeof someSchema>;

/** An order to a supplier, and all that became of it. */
export interface Purchase extends Draft {
  /** The supplier does an order once, by this, however often it is sent. */
  key: string;
  drawnUp: string;
  /** Not before this day. */
  putOff?: string;
  /** When it was first sent, how, how often since it was last refused, and why the last try got no answer. */
  sent?: { at: string; by: "line" | "hand"; tries: number; silent?: string };
  /** Why the supplier did not take it. */
  refused?: { at: string; why: string };
  /** What the supplier said last. */
  answer?: OrderAnswer & { at: string };
  /** What came, as it was booked in. */
  receipts: { note: string; at: string; lines: Some }[];
  /** What had not come by then does not come. */
  cancelled?: { at: string };
}

export interface StoredPurchase extends Kept {
  id: number;
  purchase: Purchase;
}

export type State = "drafted" | "put off" | "sent" | "acknowledged" | "part received" | "received" | "cancelled";

/** How an order stands, by what became of it. */
export function stateOf(p: Purchase): State {
  if (p.receipts.length > 0) return p.cancelled || dueOf(p).every((n) => n === 0) ? "received" : "part received";
  if (p.cancelled) return "cancelled";
  if (p.answer) return "acknowledged";
  if (p.sent) return "sent";
  return p.putOff ? "put off" : "drafted";
}

/** Packs of each line that were booked in. */
const receivedOf = (p: Purchase): number[] =>
  p.lines.map((_, i) => p.receipts.flatMap((r) => r.lines).reduce((n, l) => n + (l.line === i ? l.packs : 0), 0));

/** Packs of each line the supplier does not have: fewer were confirmed than ordered. */
export const missingOf = (p: Purchase): number[] => p.lines.map((l, i) => p.answer ? Math.max(0, l.packs - (p.answer.lines[i]?.packs ?? 0)) : 0); // prettier-ignore

/** Packs of each line that are still to come: as confirmed, less what came. A cancelled order brings nothing more. */
export function dueOf(p: Purchase): number[] {
  const [got, missing] = [receivedOf(p), missingOf(p)];
  return p.lines.map((l, i) => (p.cancelled ? 0 : Math.max(0, l.packs - missing[i]! - got[i]!)));
}

/** What left the supplier and is not booked in yet. */
export const notesOf = (p: Purchase) => (p.answer?.deliveries ?? []).filter((d) => !p.receipts.some((r) => r.note === d.note)); // prettier-ignore

/** The day the last of what is still to come is there, where the supplier said one. */
export const comesOf = (p: Purchase): string | undefined =>
  dueOf(p)
    .flatMap((n, i) => (n > 0 ? (p.answer?.lines[i]?.comes ?? []) : []))
    .toSorted()
    .at(-1);

/** The orders that bring something for jobs. */
export const bringing = <T extends { purchase: Purchase }>(orders: T[], jobs: number[]): T[] =>
  orders.filter(({ purchase: p }) => {
    const due = dueOf(p);
    return p.lines.some((l, i) => due[i]! > 0 && l.for.some((f) => jobs.includes(f.job)));
  });

/** What is on its way by orders, also those that are only drawn up: none of it has to be ordered again. */
export const comingOf = (purchases: Purchase[]): Coming[] =>
  purchases.flatMap((p) => {
    const due = dueOf(p);
    return p.lines.flatMap((l, i) => {
      const quantity = due[i]! * l.pack;
      return quantity > 0 ? [{ key: thingKey(l.thing), quantity, for: split(l, receivedOf(p)[i]! * l.pack, quantity) }] : []; // prettier-ignore
    });
  });

/** For whom an amount of a line is, when so much of it came before: the first in the list are served first. */
function split(line: PurchaseLine, before: number, amount: number): { job: number; quantity: number }[] {
  let [skip, left] = [before, amount];
  return line.for.flatMap(({ job, quantity }) => {
    const open = Math.max(0, quantity - skip);
    skip = Math.max(0, skip - quantity);
    const part = Math.round(Math.min(open, left) * 100) / 100;
    left -= part;
    return part > 0 ? [{ job, quantity: part }] : [];
  });
}

/** Goods and delivery: as confirmed where the supplier has answered, otherwise as ordered. */
export function costOfPurchase(p: Purchase): { goods: Minor; delivery: Minor; total: Minor } {
  const missing = missingOf(p);
  const goods = p.lines.reduce((sum, l, i) => sum + (l.packs - missing[i]!) * l.price, 0);
  const delivery = goods > 0 ? p.delivery : 0;
  return { goods, delivery, total: goods + delivery };
}

/** What a job's part of an order costs, goods only: what of each line is for it, of all that is in its packs. Nothing as long as it is not sent. */
export function spentFor(p: Purchase, job: number): Minor {
  if (!p.sent) return 0;
  const [missing, due, got] = [missingOf(p), dueOf(p), receivedOf(p)];
  return p.lines.reduce((sum, l, i) => {
    const packs = p.cancelled ? got[i]! : due[i]! + got[i]!;
    const mine = split(l, 0, (l.packs - missing[i]!) * l.pack).reduce(
      (n, f) => n + (f.job === job ? f.quantity : 0),
      0,
    );
    return sum + Math.round(l.price * Math.min(packs, mine / l.pack));
  }, 0);
}

/** What people in the shop do about an order. */
export const purchaseActSchema = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("line"), line: z.number().int().min(0), packs: count }),
  z.strictObject({ do: z.literal("put off"), until: day }),
  z.strictObject({ do: z.literal("take up") }),
  z.strictObject({ do: z.literal("sent by hand") }),
  z.strictObject({ do: z.literal("receive"), note, lines: someSchema }),
]);
export type PurchaseAct = z.output<typeof purchaseActSchema>;

/** What goes and comes over the line; an order that was sent is cancelled with its supplier. */
export type LineAct =
  | { do: "cancel" }
  | { do: "send" }
  | { do: "heard"; answer: OrderAnswer }
  | { do: "refused"; why: string }
  | { do: "silent"; why: string };

const refuse = (path: string, message: string) => new JobFileError([{ path, message }]);

/** An order after an act. `at` is the moment, ISO. @throws JobFileError where it does not stand so */
export function changePurchase(p: Purchase, act: PurchaseAct | LineAct, at: string): Purchase {
  const isOpen = !p.sent && !p.cancelled;
  const wanted = (ok: boolean, path: string, message: string) => {
    if (!ok) throw refuse(path, message);
  };
  switch (act.do) {
    case "line": {
      wanted(isOpen, "line", "it is sent; what was ordered stands. Cancel it, or order the rest anew");
      wanted(act.line < p.lines.length, "line", `the order has ${p.lines.length} lines`);
      const lines = p.lines.flatMap((l, i) => (i !== act.line ? [l] : act.packs > 0 ? [{ ...l, packs: act.packs }] : [])); // prettier-ignore
      wanted(lines.length > 0, "packs", "nothing would be left; cancel the order instead");
      return { ...p, lines };
    }
    case "put off":
      wanted(isOpen, "until", "it is sent already");
      return { ...p, putOff: act.until };
    case "take up": {
      const { putOff: _putOff, ...rest } = p;
      return rest;
    }
    case "sent by hand":
    case "send": {
      wanted(!p.cancelled, "order", "it is cancelled");
      const by = act.do === "send" ? "line" : "hand";
      const { putOff: _putOff, refused: _refused, ...rest } = p;
      return { ...rest, sent: { ...(p.sent ?? { at, by }), tries: (p.sent?.tries ?? 0) + 1 } };
    }
    case "heard": {
      const { silent: _silent, ...sent } = p.sent ?? { at, by: "line" as const, tries: 1 };
      const { refused: _refused, ...rest } = p;
      const gone = act.answer.state === "cancelled" && !p.cancelled ? { cancelled: { at } } : {};
      return { ...rest, sent, answer: { ...orderAnswerSchema.parse(act.answer), at: same(p, act.answer) ? p.answer!.at : at }, ...gone }; // prettier-ignore
    }
    case "refused": {
      // Once it was taken, a refusal is of something else; one of several tries may have been taken where another was refused.
      if (p.answer || p.cancelled) return p;
      if (p.sent && p.sent.tries > 1) return { ...p, sent: { ...p.sent, silent: `refused: ${act.why.slice(0, 500)}` } };
      const { sent: _sent, ...rest } = p;
      return { ...rest, refused: { at, why: act.why.slice(0, 500) } };
    }
    case "silent":
      return p.sent && !p.answer ? { ...p, sent: { ...p.sent, silent: act.why.slice(0, 500) } } : p;
    case "receive": {
      wanted(!!p.sent, "order", "it is not sent; nothing can come of it");
      wanted(!p.receipts.some((r) => r.note === act.note), "note", `“${act.note}” is booked in already`);
      const [told, got] = [notesOf(p).some((d) => d.note === act.note), receivedOf(p)];
      for (const { line, packs } of act.lines) {
        wanted(line < p.lines.length, "line", `the order has ${p.lines.length} lines`);
        // What left the supplier came, also where less was confirmed; by hand no more comes than was ordered.
        const most = p.lines[line]!.packs - got[line]!;
        wanted(told || packs <= most, "packs", `read ${packs}; ${most} of ${p.lines[line]!.thing.material} can still come`); // prettier-ignore
      }
      return { ...p, receipts: [...p.receipts, { note: act.note, at, lines: act.lines }] };
    }
    case "cancel":
      wanted(stateOf(p) !== "received", "order", "all of it is here");
      return p.cancelled ? p : { ...p, cancelled: { at } };
  }
}

const same = (p: Purchase, answer: OrderAnswer): boolean => {
  if (!p.answer) return false;
  const { at: _at, ...before } = p.answer;
  return JSON.stringify(before) === JSON.stringify(answer);
};

/** What a receipt puts into the yard, and how much of it is then kept for which job. */
export function receiptLots(p: Purchase, lines: Some): { lot: Lot; count: number; for: { job: number; quantity: number }[] }[] {
  const got = receivedOf(p);
  return lines.map(({ line, packs }) => {
    const l = p.lines[line]!;
    return { lot: l.thing, count: packs * l.pack, for: split(l, got[line]! * l.pack, packs * l.pack) };
  });
} // prettier-ignore

/** An order as it goes over the line. */
export const sentOrder = (p: Purchase): OrderSent => ({
  key: p.key,
  currency: p.currency,
  lines: p.lines.map((l) => ({ offer: l.offer ?? "", packs: l.packs, price: fromMinor(l.price, p.currency) })),
});

/** What was done meanwhile that the later did not see and cannot stand on: a receipt on another receipt, a change on anything said. */
export function purchaseCollides(done: PurchaseAct | LineAct, later: PurchaseAct | LineAct): boolean {
  if (later.do === "receive") return done.do === "receive" || done.do === "cancel";
  return purchaseActSchema.options.some((o) => o.shape.do.value === later.do) && done.do !== "silent";
}

export function purchaseActText(act: PurchaseAct | LineAct): string {
  switch (act.do) {
    case "line":
      return "a line of the order";
    case "put off":
      return "put off";
    case "take up":
      return "taken up again";
    case "sent by hand":
      return "sent by hand";
    case "receive":
      return `what came by ${act.note}`;
    case "cancel":
      return "cancelled";
    default:
      return "what the supplier said";
  }
}

/** `pine, 3/4 × 11 1/4 × 96`; `frame nail, 30 mm, pack of 1000` */
export const itemText = ({ thing, pack }: Pick<PurchaseLine, "thing" | "pack">, units: Units): string =>
  thing.form === "pack" ? `${thing.material}${pack === 1 ? "" : `, pack of ${pack}`}` : `${lotText(thing, units)}${pack === 1 ? "" : `, ${pack} together`}`; // prettier-ignore

export const priceText = (amount: Minor, currency: Currency): string =>
  moneyText(fromMinor(amount, currency), currency);
