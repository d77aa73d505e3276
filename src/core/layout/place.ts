import {
  type LaidPiece,
  type LaidSection,
  type LaidStrip,
  type Layout,
  type Offcut,
  stripSize,
  type Order,
} from "@/core/boards/laid";
import { type Clear, clearOf } from "@/core/boards/clear";
import type { Saw } from "@/core/boards/saw";
import { nm } from "@/core/length/length";
import type { BoardStock } from "@/core/boards/stock";
import type { Pattern } from "./cutting/problem";
import { type Lying } from "./request";

/** Narrower strips are not worth a place in the rack. */
const KEEP_WIDTH = 19_050_000;

/** Puts a pattern on its board: widest strips against the reference edge, longest sections first, all a kerf apart. */
export function place(pattern: Pattern, repeat: number, lying: Lying[], board: BoardStock, saw: Saw): Layout {
  const clears = clearOf(board, saw);
  const descending = <T>(list: T[], size: (t: T) => number) => list.toSorted((a, b) => size(b) - size(a));
  const each = <T extends { count: number }>(list: T[]) =>
    list.flatMap((x) => Array.from({ length: x.count }, () => x));
  const strips = pattern.stretches.flatMap(({ clear: at, order, strips: own }) => {
    const clear = clears[at]!;
    const box = boxIn(clear, order);
    const roomAlong = order === "rip" ? clear.length : clear.width;
    let across = 0;
    return descending(each(own), (s) => s.size).map((strip): LaidStrip => {
      let along = 0;
      const sections = descending(each(strip.sections), (x) => x.size).map((section): LaidSection => {
        let off = across;
        const pieces = section.items.flatMap((item) =>
          Array.from({ length: item.count }, (): LaidPiece => {
            const l = lying[item.piece]!;
            const [x, y] = item.turned ? [l.width, l.blank.length] : [l.blank.length, l.width];
            const [long, high] = order === "rip" ? [x, y] : [y, x];
            const piece = { of: l.blank.of, ...box(along, off, long, high) };
            off += high + saw.kerf;
            return piece;
          }),
        );
        along += section.size + saw.kerf;
        return { size: nm(section.size), pieces };
      });
      const laid = { order, ...box(0, across, roomAlong, strip.size), sections };
      across += strip.size + saw.kerf;
      return laid;
    });
  });
  return { stock: 0, repeat, strips, offcuts: offcutsOf(strips, board, saw) };
}

/** Boxes of a clear stretch by their place along its strips and across them. */
const boxIn =
  (clear: Clear, order: Order) =>
  (along: number, across: number, long: number, high: number): Clear => ({
    x: nm(clear.x + (order === "rip" ? along : across)),
    y: nm(clear.y + (order === "rip" ? across : along)),
    length: nm(order === "rip" ? long : high),
    width: nm(order === "rip" ? high : long),
  });

/** What is left of a board: beside the strips, at their ends, and beside what is smaller than its strip or section. */
export function offcutsOf(strips: LaidStrip[], board: BoardStock, saw: Saw): Offcut[] {
  const offcuts: Offcut[] = [];
  for (const clear of clearOf(board, saw)) {
    const within = strips.filter((s) => s.x >= clear.x && s.x < clear.x + clear.length);
    const order = within[0]?.order ?? "rip";
    const box = boxIn(clear, order);
    const rip = order === "rip";
    const [roomAlong, roomAcross] = rip ? [clear.length, clear.width] : [clear.width, clear.length];
    const add = (...b: Parameters<typeof box>) => {
      const o = box(...b);
      if (o.length <= 0 || o.width <= 0) return;
      const keep = Math.max(o.length, o.width) >= saw.keepOffcut && Math.min(o.length, o.width) >= KEEP_WIDTH;
      offcuts.push({ ...o, keep });
    };
    let acrossEnd = 0;
    for (const strip of within) {
      const across = rip ? strip.y - clear.y : strip.x - clear.x;
      const size = stripSize(strip);
      let along = 0;
      for (const section of strip.sections) {
        let off = across;
        for (const p of section.pieces) {
          const [long, high] = rip ? [p.length, p.width] : [p.width, p.length];
          add(along + long + saw.kerf, off, section.size - long - saw.kerf, high);
          off += high + saw.kerf;
        }
        add(along, off, section.size, across + size - off);
        along += section.size + saw.kerf;
      }
      add(along, across, roomAlong - along, size);
      acrossEnd = Math.max(acrossEnd, across + size + saw.kerf);
    }
    add(0, acrossEnd, roomAlong, roomAcross - acrossEnd);
  }
  return offcuts;
}
