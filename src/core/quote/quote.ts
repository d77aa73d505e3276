import { z } from "zod";
import { type Currency, fromMinor, type Minor, moneySchema, moneyText, percentOf } from "@/core/money/money";

const minor = z.number().int().min(0).max(1e13);
const date = z.iso.date({ error: 'wanted a day like "2027-03-12"' });
const terms = z.string().trim().max(2000);

/** A quote as it was given to somebody: items and what is asked for one, in whole coins; what they cost then is the shop's own. */
export const givenSchema = z.strictObject({
  on: date,
  until: date.optional(),
  terms: terms.optional(),
  currency: moneySchema.shape.currency,
  tax: moneySchema.shape.tax,
  lines: z
    .array(z.strictObject({ item: z.string().min(1).max(200), quantity: z.number().int().min(1).max(100_000), each: minor, cost: minor }))
    .min(1)
    .max(1000),
}); // prettier-ignore
export type Given = z.output<typeof givenSchema>;

/** Revisions of one quote at most, and lines of all of them together: they are kept with the job. */
export const MOST_GIVEN = 50;
const MOST_QUOTED = 5000;

/** What is asked for a job: a margin on what it costs, what is asked for one of a line otherwise, and every quote that was given. */
export const quoteSchema = z.strictObject({
  /** Per cent on what a piece costs. */
  margin: z.number().min(-100).max(10_000),
  asked: z.array(z.strictObject({ line: z.number().int().min(0), each: minor })).max(1000),
  until: date.optional(),
  terms: terms.optional(),
  given: z
    .array(givenSchema)
    .max(MOST_GIVEN)
    .refine((given) => given.reduce((n, g) => n + g.lines.length, 0) <= MOST_QUOTED, {
      error: `more than ${MOST_QUOTED} lines quoted in all; copy the job and quote that`,
    }),
  /** The place in `given` of the one that was accepted. */
  accepted: z.number().int().min(0).optional(),
});
export type Quote = z.output<typeof quoteSchema>;

export const NO_QUOTE: Quote = { margin: 0, asked: [], given: [] };

/** What is settled beside the lines: `until` and `terms` are empty where nothing is said. */
export const quoteChangeSchema = z.lazy(() => z.strictObject({
  margin: quoteSchema.shape.margin,
  until: z.union([date, z.literal("")]),
  terms,
}).partial()); // prettier-ignore

/** A line as it would be quoted. */
export interface QuoteLine {
  line: number;
  item: string;
  quantity: number;
  /** What a piece costs the shop. */
  cost: Minor;
  each: Minor;
  /** It was said for this line, and does not follow the margin. */
  own: boolean;
  amount: Minor;
  /** Per cent of the cost; null where it costs nothing. */
  margin: number | null;
}

/** What each line would be quoted at: what was asked for one, or its cost and the margin on it. */
export function quoteLines(
  quote: Quote,
  items: { line: number; item: string; quantity: number; each: Minor }[],
): QuoteLine[] {
  const asked = new Map(quote.asked.map((a) => [a.line, a.each]));
  return items.map(({ line, item, quantity, each: cost }) => {
    const own = asked.get(line);
    const each = own ?? cost + percentOf(cost, quote.margin);
    const margin = cost > 0 ? ((each - cost) / cost) * 100 : null;
    return { line, item, quantity, cost, each, own: own !== undefined, amount: each * quantity, margin };
  });
}

export interface Totals {
  net: Minor;
  tax: Minor;
  total: Minor;
}

/** Amounts added up, then the tax on all of it, to a whole coin, half away from zero. */
export function totalsOf(lines: { quantity: number; each: Minor }[], tax: number): Totals {
  const net = lines.reduce((s, l) => s + l.each * l.quantity, 0);
  const due = percentOf(net, tax);
  return { net, tax: due, total: net + due };
}

/** What one quote says otherwise than the one before, in words; nothing where they are the same. */
export function changedBetween(before: Given, after: Given): string[] {
  const say = (n: Minor, currency: Currency) => moneyText(fromMinor(n, currency), currency);
  const left = [...before.lines];
  const out: string[] = [];
  for (const l of after.lines) {
    const at = left.findIndex((b) => b.item === l.item);
    if (at < 0) {
      out.push(`new: ${l.quantity} ${l.item} at ${say(l.each, after.currency)}`);
      continue;
    }
    const [b] = left.splice(at, 1) as [Given["lines"][number]];
    if (b.quantity !== l.quantity) out.push(`${l.item}: ${b.quantity} → ${l.quantity}`);
    if (b.each !== l.each || before.currency !== after.currency)
      out.push(`${l.item}: ${say(b.each, before.currency)} → ${say(l.each, after.currency)} each`);
  }
  for (const b of left) out.push(`left out: ${b.quantity} ${b.item}`);
  if (before.tax !== after.tax) out.push(`tax: ${before.tax} → ${after.tax} %`);
  if (before.until !== after.until)
    out.push(`valid until: ${before.until ?? "not said"} → ${after.until ?? "not said"}`);
  if ((before.terms ?? "") !== (after.terms ?? "")) out.push("other terms");
  return out;
}

/** A job's quote when one of its lines is gone: those after it move up. */
export const withoutQuoteLine = (quote: Quote, at: number): Quote => ({
  ...quote,
  asked: quote.asked.flatMap((a) => (a.line === at ? [] : [{ ...a, line: a.line > at ? a.line - 1 : a.line }])),
});
