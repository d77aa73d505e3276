import type { Length } from "@/core/length/length";
import type { BoardStock } from "./stock";

/** What the shop's saw takes and what it can hold: one for the shop and for every layout. */
export interface Saw {
  kerf: Length;
  endTrim: Length;
  edgeTrim: Length;
  /** Lost all round a sheet. */
  sheetTrim: Length;
  /** Shorter pieces are not ripped. */
  minHold: Length;
  keepOffcut: Length;
  /** Cuts that may follow one another on a sheet before the trim. */
  sheetStages: 2 | 3;
}

/** What is lost at each end and each edge of a board or sheet. */
export const trims = (s: BoardStock, saw: Saw) =>
  s.form === "sheet" ? { end: saw.sheetTrim, edge: saw.sheetTrim } : { end: saw.endTrim, edge: saw.edgeTrim };
