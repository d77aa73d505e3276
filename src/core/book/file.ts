import { z } from "zod";
import { conditionOf, type Happening, happeningSchema, type KeptPiece, pieceSchema } from "./book";
import { codeSchema } from "./mark";
import { JobFileError, meant } from "@/core/problem/problem";

/** A piece's own name in a Book, the same in every copy of it. */
const key = z.string().min(8).max(80);

/** A whole Book: every piece, and all that happened to each. `given` is what a mark the shop gave was made from. */
export const bookFileSchema = z.strictObject({
  format: z.literal("rundik-book"),
  version: z.literal(1),
  pieces: z.array(z.strictObject({ key, given: z.strictObject({ code: codeSchema, year: z.number().int(), number: z.number().int().min(1).max(9999) }).optional(), piece: pieceSchema })).max(200_000), // prettier-ignore
  happenings: z.array(happeningSchema.omit({ piece: true }).extend({ of: key })).max(2_000_000),
});
export type BookFile = z.output<typeof bookFileSchema>;

/** Reads a Book's file. @throws JobFileError naming the field */
export function readBookFile(text: string): BookFile {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (e) {
    throw new JobFileError([{ path: "", message: `not JSON: ${(e as Error).message}` }]);
  }
  const read = bookFileSchema.safeParse(raw);
  if (!read.success) throw new JobFileError(read.error.issues.flatMap(meant).map((i) => ({ path: i.path.join("."), message: i.message }))); // prettier-ignore
  const known = new Set(read.data.pieces.map((p) => p.key));
  const lost = read.data.happenings.findIndex((h) => !known.has(h.of));
  if (lost >= 0) throw new JobFileError([{ path: `happenings.${lost}.of`, message: `read ${JSON.stringify(read.data.happenings[lost]!.of)}, which is no piece of this file` }]); // prettier-ignore
  return read.data;
}

/** What stands at the head of the table of pieces. */
export const BOOK_HEADS = ["mark", "what", "item", "standard", "size", "wood", "corner", "finish", "made on", "where", "to", "faults", "repairs", "scrapped on", "for"]; // prettier-ignore

/** Pieces as lines of a table: how each stands and where it is. */
export const bookLines = (pieces: { piece: KeptPiece; happenings: Happening[] }[]): string[][] =>
  pieces.map(({ piece: p, happenings }) => {
    const c = conditionOf(happenings);
    return [p.mark ?? "", p.title, p.item, p.standard, p.size, p.wood ?? "", p.joint ?? "", p.finish ?? "", p.madeOn, c.where, c.to ?? "", c.faults.join(", "), String(c.repairs), c.ended?.on ?? "", c.ended?.why ?? ""]; // prettier-ignore
  });

/** A part of a Book: its pieces or what happened to them. */
export type BookPart = Pick<BookFile, "pieces" | "happenings">;

/** A whole Book's file as text, part by part; all pieces come before what happened. */
export function* bookText(parts: Iterable<BookPart>): Generator<string> {
  yield '{"format":"rundik-book","version":1,"pieces":[';
  let [list, isFirst]: ["pieces" | "happenings", boolean] = ["pieces", true];
  for (const part of parts) {
    if (list === "pieces" && part.happenings.length > 0) {
      yield '],"happenings":[';
      [list, isFirst] = ["happenings", true];
    }
    for (const one of part[list]) {
      yield `${isFirst ? "" : ","}${JSON.stringify(one)}`;
      isFirst = false;
    }
  }
  yield list === "pieces" ? '],"happenings":[]}' : "]}";
}
