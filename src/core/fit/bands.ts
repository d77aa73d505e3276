import { inch, type Length, mm, type Units } from "@/core/length/length";
import type { Bands, GapState, State } from "./finding";

/** Default bands: one school in the trade says 3/8" all round, another 6–9 mm; a workshop may set its own. */
export const DEFAULT_BANDS: Bands = { glues: inch(0, 3, 16), open: [mm(6), mm(10)], bridges: inch(0, 1, 2) };

/** What a rule is told beside its measures: the line it speaks of, the units it speaks in, the bands it judges by. */
export interface Context {
  line: number;
  units: Units;
  bands: Bands;
}

/** Judges a gap by the bee-space bands. */
export function gapState(gap: Length, bands: Bands): { state: State; gapState: GapState } {
  if (gap < bands.glues) return { state: "stop", gapState: "glues" };
  if (gap > bands.bridges) return { state: "stop", gapState: "bridges" };
  return { state: gap < bands.open[0] || gap > bands.open[1] ? "care" : "ok", gapState: "open" };
}
