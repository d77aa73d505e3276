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

/** What lies on a board: the part itself, or one of the staves a panel of it is glued up from. */
export const pieceIdSchema = partIdSchema.extend({ stave: z.literal(true).optional() });
export type PieceId = z.output<typeof pieceIdSchema>;

/** A part as files and pages write it: `0/side`. */
export const partKey = ({ line, part }: PartId): string => `${line}/${part}`;

const STAVE = "#stave";

/** A piece as files and pages write it: as its part, `0/side#stave` for a stave of it. */
export const pieceKey = (piece: PieceId): string => `${partKey(piece)}${piece.stave ? STAVE : ""}`;

/** Reads what `pieceKey` writes. */
export function readPieceKey(text: string): PieceId {
  const slash = text.indexOf("/");
  const stave = text.endsWith(STAVE);
  const part = text.slice(slash + 1, stave ? -STAVE.length : undefined);
  return { line: Number(text.slice(0, slash)), part, ...(stave ? { stave } : {}) };
}
