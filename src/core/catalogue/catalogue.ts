import { z } from "zod";
import {
  type BoardStock,
  boardStockSchema,
  type PackStock,
  packStockSchema,
  type StockEntry,
} from "@/core/boards/stock";
import type { Kept } from "@/core/keeping/kept";
import { JobFileError } from "@/core/problem/problem";

/** Null is a price nobody knows yet; it is never nothing. */
const price = z.number().positive().max(1e7).nullable();

/** How an item can be bought instead of made: its parts cut by a mill, as a kit with what holds it together, or ready. One of each. */
export const BOUGHT_AS = ["parts cut", "kit", "ready made"] as const;
export type BoughtAs = (typeof BOUGHT_AS)[number];

/** Something that can usually be bought, in one size: a board, a rough board, a sheet, a roll, a coil, a pack. Sizes in nm. */
export const offeredSchema = z.lazy(() =>
  z.discriminatedUnion("form", [
    boardStockSchema.pick({ form: true, material: true, thickness: true, width: true, length: true, rough: true }).extend({ price }), // prettier-ignore
    packStockSchema.pick({ form: true, material: true, pack: true }).extend({ price }),
    z.strictObject({
      form: z.literal("item"),
      /** What it is called: `Langstroth 10 body, deep`. */
      material: z.string().min(1).max(60),
      item: z.string().min(1).max(60),
      standard: z.string().min(1).max(60),
      size: z.string().max(60),
      as: z.enum(BOUGHT_AS),
      price,
      /** Days from ordering it until it is here, where they were asked for. */
      days: z.number().int().min(0).max(400).optional(),
    }),
  ]),
);
export type Offered = z.output<typeof offeredSchema>;

/** What is offered, by its number. */
export type Offer = Offered & { id: number };

/** Most that one catalogue lists. */
export const MOST_OFFERS = 400;
const id = z.number().int().min(1);

/** Everything a person can do to the catalogue. */
export const catalogueActSchema = z.lazy(() =>
  z.discriminatedUnion("do", [
    z.strictObject({ do: z.literal("offer"), offers: z.array(offeredSchema).min(1).max(MOST_OFFERS) }),
    z.strictObject({ do: z.literal("change"), id, to: offeredSchema }),
    z.strictObject({ do: z.literal("leave out"), id }),
  ]),
);
export type CatalogueAct = z.output<typeof catalogueActSchema>;

/** The catalogue as it is kept. */
export interface Catalogue {
  offers: Offer[];
}
export interface StoredCatalogue extends Kept {
  offers: Offer[];
}

/** What makes two offers the same thing, whatever they cost. */
const sameThing = (o: Offered): string =>
  o.form === "item" ? ["item", o.item, o.standard, o.size, o.as].join("|") : o.form === "pack" ? `pack ${o.material} ${o.pack}` : [o.form, o.material, o.thickness, o.width, o.length, o.rough ?? ""].join("|"); // prettier-ignore

/** The catalogue after an act; what is offered already only takes the price that is said. @throws JobFileError */
export function changeCatalogue({ offers }: Catalogue, act: CatalogueAct): Catalogue {
  const known = (n: number) => {
    if (!offers.some((o) => o.id === n)) throw new JobFileError([{ path: "id", message: `the catalogue has no number ${n}` }]); // prettier-ignore
  };
  switch (act.do) {
    case "offer": {
      const next = new Map(offers.map((o) => [sameThing(o), o]));
      let last = Math.max(0, ...offers.map((o) => o.id));
      for (const o of act.offers) {
        const there = next.get(sameThing(o));
        next.set(
          sameThing(o),
          there
            ? { ...there, price: o.price ?? there.price, ...("days" in o ? { days: o.days } : {}) }
            : { ...o, id: ++last },
        );
      }
      if (next.size > MOST_OFFERS)
        throw new JobFileError([{ path: "offers", message: `a catalogue lists at most ${MOST_OFFERS} things; leave out what is not bought any more` }]); // prettier-ignore
      return { offers: [...next.values()] };
    }
    case "change":
      known(act.id);
      return { offers: offers.map((o) => (o.id === act.id ? { ...act.to, id: o.id } : o)) };
    case "leave out":
      known(act.id);
      return { offers: offers.filter((o) => o.id !== act.id) };
  }
}

export const touchesCatalogue = (act: CatalogueAct): string[] => (act.do === "offer" ? [] : [`offer ${act.id}`]);

export const catalogueActText = (act: CatalogueAct): string =>
  act.do === "offer" ? `${act.offers.map((o) => o.material).slice(0, 3).join(", ")} in the catalogue` : act.do === "change" ? `${act.to.material} in the catalogue` : "left out of the catalogue"; // prettier-ignore

/** What things are made from and held together with, as opposed to what can be bought instead of made. */
export type StockOffered = Exclude<Offered, { form: "item" }>;
type StockOffer = StockOffered & { id: number };
export const isStock = (o: Offer): o is StockOffer => o.form !== "item";

/** What is asked for one of an item, by how it is bought, and the days it takes; null where that is not known. */
export const askedFor = (offers: Offer[], of: { item: string; standard: string; size: string }): Partial<Record<BoughtAs, { price: number | null; days: number | null }>> => // prettier-ignore
  Object.fromEntries(offers.flatMap((o) => (o.form === "item" && o.item === of.item && o.standard === of.standard && o.size === of.size ? [[o.as, { price: o.price, days: o.days ?? null }]] : []))); // prettier-ignore

/** An offer as a job's layout or order takes it: any number of it, its price 0 as long as nobody knows it. */
export function asStock({ id: offer, price: known, ...rest }: StockOffer): StockEntry {
  const of = { price: known ?? 0, available: null, source: "buy", offer } as const;
  return rest.form === "pack" ? ({ ...rest, ...of } satisfies PackStock) : ({ ...rest, ...of } satisfies BoardStock);
}

/** What of a job's stock would be offered: its size and its price, where it has one. */
export const offerOf = (s: StockEntry): Offered =>
  s.form === "pack"
    ? { form: "pack", material: s.material, pack: s.pack, price: s.price || null }
    : { form: s.form, material: s.material, thickness: s.thickness, width: s.width, length: s.length, price: s.price || null, ...(s.rough ? { rough: true as const } : {}) }; // prettier-ignore
