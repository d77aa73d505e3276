import { inch, type Length, mm, type Units } from "@/core/length/length";
import type { Bands, GapState, State } from "./finding";

/** Default bands: one school in the trade says 3/8" all round, another 6–9 mm; a workshop may set its own. */
export const DEFAULT_BANDS: Bands = { glues: inch(0, 3, 16), open: [mm(6), mm(10)], bridges: inch(0, 1, 2) };

/** How a job is judged: the units it is spoken of in, and the bands of the shop it is made in. */
export interface Judging {
  units: Units;
  bands: Bands;
}

/** Judged where no shop says otherwise. */
export const usually = (units: Units): Judging => ({ units, bands: DEFAULT_BANDS });

/** What a rule is told beside its measures: the line it speaks of, the units it speaks in, the bands it judges by. */
export interface Context extends Judging {
  line: number;
}

/** The bands a school of the trade keeps to; a shop may have its own. */
export const SCHOOLS: { id: string; name: string; open: [Length, Length] }[] = [
  { id: "usual", name: "6 to 10 mm", open: DEFAULT_BANDS.open },
  { id: "quarter", name: '1/4" to 3/8"', open: [inch(0, 1, 4), inch(0, 3, 8)] },
  { id: "eight", name: "6 to 9 mm, 8 the target", open: [mm(6), mm(9)] },
];

/** Judges a gap by the bee-space bands. */
export function gapState(gap: Length, bands: Bands): { state: State; gapState: GapState } {
  if (gap < bands.glues) return { state: "stop", gapState: "glues" };
  if (gap > bands.bridges) return { state: "stop", gapState: "bridges" };
  return { state: gap < bands.open[0] || gap > bands.open[1] ? "care" : "ok", gapState: "open" };
}
