import { z } from "zod";
import type { Length } from "@/core/length/length";
import { lengthSchema, sizeSchema } from "@/core/length/schema";
import { pieceIdSchema, pieceKey } from "@/core/line/line";

const box = { x: lengthSchema, y: lengthSchema, length: sizeSchema, width: sizeSchema };

/** A piece on a board: its corner from the left end and the reference edge; sizes as it lies. */
const laidPieceSchema = z.lazy(() => z.strictObject({ of: pieceIdSchema, ...box }));
export type LaidPiece = z.output<typeof laidPieceSchema>;

/** A length of a strip, cut off it; its pieces lie side by side across the strip. */
const laidSectionSchema = z.lazy(() =>
  z.strictObject({ size: sizeSchema, pieces: z.array(laidPieceSchema).min(1).max(500) }),
);
export type LaidSection = z.output<typeof laidSectionSchema>;

/** What the first cuts free: a strip along the board (rip) or a section across it (crosscut). */
const laidStripSchema = z.lazy(() =>
  z.strictObject({ order: z.enum(["rip", "crosscut"]), ...box, sections: z.array(laidSectionSchema).max(500) }),
);
export type LaidStrip = z.output<typeof laidStripSchema>;

/** What is cut first: strips along the stock (rip), or sections across it (crosscut). */
export type Order = LaidStrip["order"];

/** A layout the maker keeps as it is, on so many boards of one stock (its place among the job's stock). */
export const pinnedSchema = z.lazy(() =>
  z.strictObject({
    stock: z.number().int().min(0),
    repeat: z.number().int().min(1),
    strips: z.array(laidStripSchema).max(500),
  }),
);
export type Pinned = z.output<typeof pinnedSchema>;

export interface Offcut {
  x: Length;
  y: Length;
  length: Length;
  width: Length;
  keep: boolean;
}

/** One way to cut a board, and how many boards are cut so. */
export interface Layout {
  stock: number;
  repeat: number;
  strips: LaidStrip[];
  offcuts: Offcut[];
  /** Its place among the pinned ones, when it is one. */
  pin?: number;
}

export const piecesOf = (l: { strips: LaidStrip[] }): LaidPiece[] =>
  l.strips.flatMap((s) => s.sections.flatMap((x) => x.pieces));

/** How many pieces of each kind and size a layout gives, most first; `piece` is one of them. */
export function givesOf(l: { strips: LaidStrip[] }): { piece: LaidPiece; quantity: number }[] {
  const kinds = new Map<string, { piece: LaidPiece; quantity: number }>();
  for (const piece of piecesOf(l)) {
    const key = `${pieceKey(piece.of)} ${piece.length} ${piece.width}`;
    kinds.set(key, { piece, quantity: (kinds.get(key)?.quantity ?? 0) + 1 });
  }
  return [...kinds.values()].sort((a, b) => b.quantity - a.quantity);
}

/** Across the strip, what the first cut is set to. */
export const stripSize = (s: LaidStrip): Length => (s.order === "rip" ? s.width : s.length);
