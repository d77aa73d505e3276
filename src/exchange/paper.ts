import { NM_PER_INCH, NM_PER_MM } from "@/core/length/length";

/** PDF points in a nanometre: 72 to the inch. */
export const PT = 72 / NM_PER_INCH;

/** Papers a printer holds, upright, in nm. */
export const PAPER = { A4: [210 * NM_PER_MM, 297 * NM_PER_MM], Letter: [8.5 * NM_PER_INCH, 11 * NM_PER_INCH] } as const;
export type Paper = keyof typeof PAPER;
