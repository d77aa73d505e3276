import { z } from "zod";
import { lengthSchema } from "@/core/length/schema";
import type { BoardStock } from "./stock";

/** What the shop's saw takes and what it can hold: one for the shop and for every layout. */
export const sawSchema = z.strictObject({
  kerf: lengthSchema,
  endTrim: lengthSchema,
  edgeTrim: lengthSchema,
  /** Lost all round a sheet. */
  sheetTrim: lengthSchema,
  /** Shorter pieces are not ripped. */
  minHold: lengthSchema,
  keepOffcut: lengthSchema,
  /** Cuts that may follow one another on a sheet before the trim. */
  sheetStages: z.union([z.literal(2), z.literal(3)]),
});
export type Saw = z.output<typeof sawSchema>;

/** What is lost at each end and each edge of a board or sheet. */
export const trims = (s: BoardStock, saw: Saw) =>
  s.form === "sheet" ? { end: saw.sheetTrim, edge: saw.sheetTrim } : { end: saw.endTrim, edge: saw.edgeTrim };
