import type { Length } from "@/core/length/length";

/** What is cut first: strips along the stock (rip), or sections across it (crosscut). */
export type Order = "rip" | "crosscut";

/** A piece on a board: its corner from the left end and the reference edge; sizes as it lies. */
export interface LaidPiece {
  blank: string;
  x: Length;
  y: Length;
  length: Length;
  width: Length;
}

/** A length of a strip, cut off it; its pieces lie side by side across the strip. */
export interface LaidSection {
  size: Length;
  pieces: LaidPiece[];
}

/** What the first cuts free: a strip along the board (rip) or a section across it (crosscut). */
export interface LaidStrip {
  order: Order;
  x: Length;
  y: Length;
  length: Length;
  width: Length;
  sections: LaidSection[];
}

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
    const key = `${piece.blank} ${piece.length} ${piece.width}`;
    kinds.set(key, { piece, quantity: (kinds.get(key)?.quantity ?? 0) + 1 });
  }
  return [...kinds.values()].sort((a, b) => b.quantity - a.quantity);
}

/** Across the strip, what the first cut is set to. */
export const stripSize = (s: LaidStrip): Length => (s.order === "rip" ? s.width : s.length);

/** A layout the maker keeps as it is, on so many boards of one stock (its place among the job's stock). */
export interface Pinned {
  stock: number;
  repeat: number;
  strips: LaidStrip[];
}
