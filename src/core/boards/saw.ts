import { z } from "zod";
import { inch, type Length } from "@/core/length/length";
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

/** A rough edge takes at least so much before it is straight [mem]. */
const STRAIGHT = inch(0, 1, 4);

/** What is lost at each end and each edge of a board or sheet; rough edges are never free. */
export function trims(s: BoardStock, saw: Saw): { end: Length; edge: Length } {
  if (s.form !== "board") return { end: saw.sheetTrim, edge: saw.sheetTrim };
  return { end: saw.endTrim, edge: s.rough && saw.edgeTrim < STRAIGHT ? STRAIGHT : saw.edgeTrim };
}
