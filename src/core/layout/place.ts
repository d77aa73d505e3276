import type { Length } from "@/core/length/length";
import { nm } from "@/core/length/length";
import type { BoardStock } from "@/core/job/job";
import type { Order, Pattern } from "./cutting/problem";
import { clearOf, type Lying, type Saw } from "./request";

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

/** Across the strip, what the first cut is set to. */
export const stripSize = (s: LaidStrip): Length => (s.order === "rip" ? s.width : s.length);

/** Narrower strips are not worth a place in the rack. */
const KEEP_WIDTH = 19_050_000;

/** Puts a pattern on its board: widest strips against the reference edge, longest sections first, all a kerf apart. */
export function place(pattern: Pattern, repeat: number, lying: Lying[], board: BoardStock, saw: Saw): Layout {
  const strips: LaidStrip[] = [];
  const offcuts: Offcut[] = [];
  const clears = clearOf(board, saw);
  const descending = <T>(list: T[], size: (t: T) => number) => list.toSorted((a, b) => size(b) - size(a));
  const each = <T extends { count: number }>(list: T[]) =>
    list.flatMap((x) => Array.from({ length: x.count }, () => x));
  clears.forEach((clear, at) => {
    const stretch = pattern.stretches.find((t) => t.clear === at);
    const rip = stretch?.order !== "crosscut";
    const [roomAlong, roomAcross] = rip ? [clear.length, clear.width] : [clear.width, clear.length];
    const box = (along: number, across: number, long: number, high: number) => ({
      x: nm(clear.x + (rip ? along : across)),
      y: nm(clear.y + (rip ? across : along)),
      length: nm(rip ? long : high),
      width: nm(rip ? high : long),
    });
    const offcut = (...b: Parameters<typeof box>) => {
      const o = box(...b);
      if (o.length > 0 && o.width > 0)
        offcuts.push({
          ...o,
          keep: Math.max(o.length, o.width) >= saw.keepOffcut && Math.min(o.length, o.width) >= KEEP_WIDTH,
        });
    };
    let across = 0;
    for (const strip of descending(each(stretch?.strips ?? []), (s) => s.size)) {
      let along = 0;
      const sections = descending(each(strip.sections), (x) => x.size).map((section): LaidSection => {
        let off = 0;
        const pieces = section.items.flatMap((item) =>
          Array.from({ length: item.count }, (): LaidPiece => {
            const l = lying[item.piece]!;
            const [x, y] = item.turned ? [l.width, l.blank.length] : [l.blank.length, l.width];
            const [long, high] = rip ? [x, y] : [y, x];
            const piece = { blank: l.blank.id, ...box(along, across + off, long, high) };
            offcut(along + long + saw.kerf, across + off, section.size - long - saw.kerf, high);
            off += high + saw.kerf;
            return piece;
          }),
        );
        offcut(along, across + off, section.size, strip.size - off);
        along += section.size + saw.kerf;
        return { size: nm(section.size), pieces };
      });
      offcut(along, across, roomAlong - along, strip.size);
      strips.push({ order: stretch!.order, ...box(0, across, roomAlong, strip.size), sections });
      across += strip.size + saw.kerf;
    }
    offcut(0, across, roomAlong, roomAcross - across);
  });
  return { stock: 0, repeat, strips, offcuts };
}
