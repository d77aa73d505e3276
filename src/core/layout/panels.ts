import { clearOf } from "@/core/boards/clear";
import type { Saw } from "@/core/boards/saw";
import { type Length, nm } from "@/core/length/length";
import type { BoardStock } from "@/core/boards/stock";
import { wholeCm2 } from "@/core/shape/steps";
import type { Blank } from "./request";

/**
 * A blank wider than every board as the staves it is glued up from: as few as the widest board allows, all one width,
 * each joint taking `loss` for the jointing of its two edges. The blank itself when a board is wide enough, or when no
 * board is thick and long enough for a stave either.
 */
export function asStaves(blank: Blank, stock: BoardStock[], saw: Saw, loss: Length): Blank {
  if (blank.material !== "wood") return blank;
  const widest = Math.max(
    0,
    ...stock
      .filter((s) => s.form === "board" && s.thickness >= blank.thickness)
      .flatMap((s) =>
        clearOf(s, saw)
          .filter((c) => c.length >= blank.length)
          .map((c) => c.width),
      ),
  );
  if (blank.width <= widest || widest <= loss) return blank;
  // n staves of w make n·w − (n − 1)·loss.
  const n = Math.ceil((blank.width - loss) / (widest - loss));
  return {
    ...blank,
    of: { ...blank.of, stave: true },
    // Staves may be sawn before what the panel is cut to is there.
    waits: undefined,
    name: `${blank.name} stave`,
    width: nm(Math.ceil((blank.width + (n - 1) * loss) / n)),
    quantity: blank.quantity * n,
    staves: n,
  };
}

/** Glued area of one panel, m²: its joints times length and thickness. */
export const jointArea = (b: Blank): number => wholeCm2(((b.staves ?? 1) - 1) * b.length * b.thickness);
