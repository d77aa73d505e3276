import type { Part } from "@/core/shape/part";
import { itemOf, type WorkedLine } from "./shapes";

/** What a part is cut to as it was made: a step of its own line, or the box of another line. */
export interface FitsTo {
  line: number;
  step: string;
}

/** The step at which a box stands and can be measured. */
const BOX_STANDS = "glue-up";

/** What a part has to be measured from before it is cut, when that is made in this job. */
export function fitsTo(part: Part, line: WorkedLine, lines: WorkedLine[]): FitsTo[] {
  const to = part.fits?.to;
  if (to === undefined) return [];
  if (to !== "box") return [{ line: line.at, step: to.step }];
  return lines
    .filter((l) => l.at !== line.at && itemOf(l) === "body" && l.line.standard === line.line.standard)
    .map((l) => ({ line: l.at, step: BOX_STANDS }));
}

/** The same as a word: blanks with the same may be cut together. */
export const waitsOf = (part: Part, line: WorkedLine, lines: WorkedLine[]): string | undefined =>
  fitsTo(part, line, lines)
    .map((f) => `fits line ${f.line + 1} ${f.step}`)
    .join(", ") || undefined;
