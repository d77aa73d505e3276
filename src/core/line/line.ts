import { z } from "zod";
import { LONGEST } from "@/core/length/length";

/** What was chosen for a line, lengths in nm: what it means follows from the parameter of that name in its recipe. */
export const optionSchema = z.union([z.number().min(0).max(LONGEST), z.string().max(60), z.boolean()]);

/** A line of a job: so many of one item, in a standard and a size, with what was chosen for it. */
export const jobLineSchema = z.strictObject({
  item: z.string().max(60),
  standard: z.string().max(60),
  size: z.string().max(60),
  quantity: z.number().int().min(1).max(100_000),
  options: z.record(z.string().max(60), optionSchema),
});
export type JobLine = z.output<typeof jobLineSchema>;

/** One kind of piece of one line of a job: the line's place, and the part's id in its recipe. */
export const partIdSchema = z.strictObject({ line: z.number().int().min(0), part: z.string().max(60) });
export type PartId = z.output<typeof partIdSchema>;

const STAVE = "#stave";

/** A part as files and pages write it: `0/side`; the staves a panel of it is glued up from are `0/side#stave`. */
export const partKey = ({ line, part }: PartId, stave = false): string => `${line}/${part}${stave ? STAVE : ""}`;

/** Reads what `partKey` writes. */
export function readPartKey(text: string): PartId & { stave: boolean } {
  const slash = text.indexOf("/");
  const stave = text.endsWith(STAVE);
  return { line: Number(text.slice(0, slash)), part: text.slice(slash + 1, stave ? -STAVE.length : undefined), stave };
}
