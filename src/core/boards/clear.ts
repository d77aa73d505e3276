import { type Length, nm } from "@/core/length/length";
import { type Saw, trims } from "./saw";
import type { BoardStock } from "./stock";

/** A clear stretch of a board, between its trims and its bad stretches. */
export interface Clear {
  x: Length;
  y: Length;
  length: Length;
  width: Length;
}

/** What can be cut from: the board within its trims, less its bad stretches, which the saw cuts out whole. */
export function clearOf(s: BoardStock, saw: Saw): Clear[] {
  const { end, edge } = trims(s, saw);
  const out: Clear[] = [];
  let x: number = end;
  const add = (to: number) => {
    if (to > x && s.width > 2 * edge)
      out.push({ x: nm(x), y: edge, length: nm(to - x), width: nm(s.width - 2 * edge) });
  };
  for (const [from, to] of (s.bad ?? []).toSorted((a, b) => a[0] - b[0])) {
    add(Math.min(from, s.length - end));
    x = Math.max(x, to, from + saw.kerf);
  }
  add(s.length - end);
  return out;
}

/** The longest and the widest that can be cut from it. */
export const usable = (s: BoardStock, saw: Saw) => ({
  length: Math.max(0, ...clearOf(s, saw).map((c) => c.length)),
  width: Math.max(0, ...clearOf(s, saw).map((c) => c.width)),
});
