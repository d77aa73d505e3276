import { z } from "zod";
import { CUT_FROM } from "@/core/boards/stock";
import { toMm } from "@/core/length/format";
import { LONGEST, mm, NM_PER_MM } from "@/core/length/length";
import type { Currency } from "@/core/money/money";
import type { Thing } from "./thing";

/**
 * What a supplier says and is told, over HTTP as JSON: docs/supplier.md says it in words. Sizes are millimetres, money is an
 * amount in the supplier's currency. What is said beside this is passed over.
 */
const sizeMm = z.number().positive().max(LONGEST / NM_PER_MM).transform(mm); // prettier-ignore
const name = z.string().trim().min(1).max(60);
const amount = z.number().min(0).max(1e7);
const packs = z.number().int().min(0).max(1e6);
const day = z.iso.date();
const ref = z.string().min(1).max(60);

export const MOST_LISTED = 2000;

const offeredSchema = z.object({
  id: ref,
  thing: z.discriminatedUnion("form", [
    z
      .object({ form: z.enum(CUT_FROM), material: name, thicknessMm: sizeMm, widthMm: sizeMm, lengthMm: sizeMm, rough: z.boolean().optional() })
      .transform(({ form, material, thicknessMm, widthMm, lengthMm, rough }): Thing => ({ form, material, thickness: thicknessMm, width: widthMm, length: lengthMm, ...(rough ? { rough: true as const } : {}) })),
    z.object({ form: z.literal("pack"), material: name }),
  ]),
  /** How much is in a pack: of boards and sheets mostly one. */
  pack: z.number().positive().max(1e7),
  price: amount.positive(),
  breaks: z.array(z.object({ from: packs.min(2), price: amount.positive() })).max(10).default([]),
  /** Packs the supplier has; null is any number. */
  available: packs.nullable().default(null),
}); // prettier-ignore

/** Prices that were told longer ago than this are old, ms. */
export const OLD_AFTER = 14 * 86_400_000;

/** A supplier's price list. */
export const priceListSchema = z.object({
  name,
  currency: z.string().regex(/^[A-Z]{3}$/, 'wanted three letters, like "EUR"'),
  delivery: amount,
  minimum: amount.default(0),
  freeFrom: amount.nullable().default(null),
  leadDays: z.number().int().min(0).max(400),
  offers: z.array(offeredSchema).max(MOST_LISTED),
});
export type PriceList = z.output<typeof priceListSchema>;
export type Listed = PriceList["offers"][number];

/** An order as it is sent: the same key is the same order, however often it comes. */
export interface OrderSent {
  key: string;
  currency: Currency;
  lines: { offer: string; packs: number; price: number }[];
}

/** What a supplier answers about an order: what comes of it and when, and what has left for the shop. */
export const orderAnswerSchema = z.object({
  key: ref,
  reference: ref,
  state: z.enum(["acknowledged", "cancelled"]),
  delivery: amount,
  /** In the order of the lines as they were sent; fewer packs than were ordered is what the supplier has. */
  lines: z.array(z.object({ packs, price: amount, comes: day.nullable() })).max(MOST_LISTED),
  deliveries: z
    .array(z.object({ note: ref, on: day, lines: z.array(z.object({ line: packs, packs: packs.min(1) })).max(MOST_LISTED) }))
    .max(200)
    .default([]),
}); // prettier-ignore
export type OrderAnswer = z.output<typeof orderAnswerSchema>;

/** Why a supplier does not take an order, in its words. */
export const refusalSchema = z.object({ error: z.string().min(1).max(500) });

/** A thing as a price list spells it. */
export const spelled = (thing: Thing) =>
  thing.form === "pack"
    ? thing
    : { form: thing.form, material: thing.material, thicknessMm: toMm(thing.thickness, 6), widthMm: toMm(thing.width, 6), lengthMm: toMm(thing.length, 6), ...(thing.rough ? { rough: true } : {}) }; // prettier-ignore
