import type { Options } from "@/core/shape/shape";

/** A line of a job: so many of one item, in a standard and a size, with what was chosen for it. */
export interface JobLine {
  item: string;
  standard: string;
  size: string;
  quantity: number;
  options: Options;
}

/** One kind of piece of one line of a job: the line's place, and the part's id in its recipe. */
export interface PartId {
  line: number;
  part: string;
}

const STAVE = "#stave";

/** A part as files and pages write it: `0/side`; the staves a panel of it is glued up from are `0/side#stave`. */
export const partKey = ({ line, part }: PartId, stave = false): string => `${line}/${part}${stave ? STAVE : ""}`;

/** Reads what `partKey` writes. */
export function readPartKey(text: string): PartId & { stave: boolean } {
  const slash = text.indexOf("/");
  const stave = text.endsWith(STAVE);
  return { line: Number(text.slice(0, slash)), part: text.slice(slash + 1, stave ? -STAVE.length : undefined), stave };
}
