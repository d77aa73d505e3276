import { z } from "zod";
import { boardStockSchema, packStockSchema } from "@/core/boards/stock";
import { type Lot, lotKey } from "@/core/yard/lot";

/** What can be bought, whoever sells it: a board, sheet, roll or coil in one size (nm), or what comes in packs. */
export const thingSchema = z.discriminatedUnion("form", [
  boardStockSchema.pick({ form: true, material: true, thickness: true, width: true, length: true, rough: true }),
  packStockSchema.pick({ form: true, material: true }),
]);
export type Thing = z.output<typeof thingSchema>;

/** What makes two things the same, however their names are written. */
export const thingKey = (thing: Lot): string => lotKey(thing).toLowerCase();

/** A thing as it lies in the yard, without where. */
export function thingOf(lot: Lot): Thing {
  if (lot.form === "pack") return { form: "pack", material: lot.material };
  const { form, material, thickness, width, length, rough } = lot;
  return { form, material, thickness, width, length, ...(rough ? { rough } : {}) };
}
