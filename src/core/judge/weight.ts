import { NM_PER_MM } from "@/core/length/length";

/**
 * Specific gravity at 12 % moisture by a word in a wood's name: the species of the handbook's table where the trade's name stands for one
 * (Wood Handbook, from memory), larch and ply by common practice.
 */
const BY_WORD: [RegExp, number][] = [
  [/ply|osb/i, 0.6],
  [/larch/i, 0.52],
  [/douglas/i, 0.48],
  [/cypress/i, 0.46],
  [/yellow.cedar/i, 0.44],
  [/poplar/i, 0.42],
  [/white.cedar/i, 0.31],
  [/cedar/i, 0.32],
  [/spruce|fir\b/i, 0.35],
  [/loblolly|southern/i, 0.51],
  [/ponderosa/i, 0.4],
  [/pine/i, 0.35],
];

/** kg in a cubic metre of a wood at 12 % moisture, G × 1.12 × 1000 (the handbook's); undefined where its name says nothing. */
export function densityOf(material: string): number | undefined {
  const found = BY_WORD.find(([word]) => word.test(material));
  return found && Math.round(found[1] * 1120);
}

/** Cubic metres of a box in nm. */
export const cubicMetres = (l: number, w: number, t: number): number =>
  (l / NM_PER_MM / 1000) * (w / NM_PER_MM / 1000) * (t / NM_PER_MM / 1000);
