import type { Standard } from "./standard";

type Value = Standard["values"][string];
const marked =
  (mark: Value["mark"]) =>
  (value: string | number, note?: string): Value => ({ value, mark, ...(note ? { note } : {}) });

/** Common practice in the trade, no source. */
export const trade = marked("trade");
/** Written down from memory: measure yours before you cut. */
export const mem = marked("mem");
/** BS 1300:1960, values from memory. */
export const british = marked({ pub: "BS 1300:1960", fromMemory: true });
/** Follows from the others by arithmetic. */
export const reckoned = marked("arithmetic");
