import type { Order } from "@/core/boards/laid";
import { type Raster, rasterOf } from "./knapsack";
import type { CuttingProblem, CutPiece, Room, Style } from "./problem";

/**
 * A clear stretch of stock seen one way, so that pricing works along strips and across them whichever way they run.
 *
 * A sheet 100 × 60 and a piece 40 × 25 that may turn. Ripped (strips along the 100): it lies 40 along and 25 across, or turned 25
 * along and 40 across. Crosscut first (strips along the 60): 25 along and 40 across, or 40 along and 25 across. Each is a variant
 * of the plan of that order, with its room 100 along and 60 across, or 60 along and 100 across. The narrowest strip a variant may lie
 * in is as wide as it is; crosscut first where less than 30 cannot be held, the one of 25 across lies in a strip of 30: it is ripped
 * while it can be held, and then cut to length.
 */

/** A piece lying one way, seen along the strips. */
export interface Variant {
  piece: number;
  turned: boolean;
  along: number;
  across: number;
  /** The narrowest strip it may lie in. */
  strip: number;
  /** Its strip holds nothing else. */
  alone: boolean;
}

/** One clear stretch cut in one order: its variants and rooms in cells. */
export interface Plan {
  order: Order;
  style: Style;
  pieces: CutPiece[];
  kerf: number;
  /** What is shorter is not ripped. */
  hold: number;
  variants: Variant[];
  /** Distinct sizes of strips, ascending. */
  sizes: number[];
  along: Raster;
  across: Raster;
  roomAlong: number;
  roomAcross: number;
  /** Cells filled by pricing so far, of all plans of a problem together. */
  meter: { spent: number };
}

/** The plans of every stock, clear stretch and order of a problem. */
export function plansOf(problem: CuttingProblem, meter: Plan["meter"]): Plan[][][] {
  const { stock, style } = problem;
  return stock.map((s, k) =>
    s.clear.map((clear) => style.orders.map((order) => planOf(problem, order, clear, k, meter))),
  );
}

/** False where sizes had to be rounded: what is then found cannot be more than what is said, but may be less. */
export const isExact = (plan: Plan): boolean => plan.along.exact && plan.across.exact;

function planOf(
  { pieces, kerf, style }: CuttingProblem,
  order: Order,
  clear: Room,
  stock: number,
  meter: Plan["meter"],
): Plan {
  const hold = style.hold ?? 0;
  const variants = pieces
    .flatMap((p, piece) => (p.from?.[stock] === false ? [] : variantsOf(p, piece, order, clear, style)))
    .sort((a, b) => a.across - b.across || a.along - b.along);
  const [roomAlong, roomAcross] = order === "rip" ? [clear.length, clear.width] : [clear.width, clear.length];
  const sizes = distinct(variants.map((v) => v.strip));
  const wanted = (size: number) => variants.reduce((n, v) => n + (v.along === size ? pieces[v.piece]!.quantity : 0), 0);
  const along = rasterOf(
    // Sections of three stages may be taken more often than there are pieces.
    distinct(variants.map((v) => v.along)).map((size) => ({
      size,
      most: style.stages === 3 ? Infinity : wanted(size),
    })),
    roomAlong,
    kerf,
  );
  const across = rasterOf(
    // In three stages what lies side by side in a section is added up too.
    distinct(style.stages === 3 ? [...sizes, ...variants.map((v) => v.across)] : sizes).map((size) => ({
      size,
      most: Infinity,
    })),
    roomAcross,
    kerf,
  );
  return { order, style, pieces, kerf, hold, variants, sizes, along, across, roomAlong, roomAcross, meter };
}

/** How a piece may lie in a clear stretch cut in one order: not at all where it does not fit. */
function variantsOf(p: CutPiece, piece: number, order: Order, room: Room, style: Style): Variant[] {
  return (p.turn && p.length !== p.width ? [false, true] : [false]).flatMap((turned): Variant[] => {
    const [x, y] = turned ? [p.width, p.length] : [p.length, p.width];
    const hold = style.hold ?? 0;
    const alone = p.block === true && x >= hold;
    // A block is crosscut before it is sliced.
    if (order === "crosscut" && style.ripOnly && !alone) return [];
    if (x > room.length || y > room.width || (alone && order === "rip" && style.orders.includes("crosscut"))) return [];
    if (order === "rip") return [{ piece, turned, alone, along: x, across: y, strip: y }];
    // What is crosscut first is ripped after that.
    const strip = Math.max(x, hold);
    if (strip > x && (!style.trim || strip > room.length)) return [];
    return [{ piece, turned, alone, along: y, across: x, strip }];
  });
}

/** In a strip that may be wider, in one as wide as it may be, or in one that holds nothing else. */
export type Lying = "trimmed" | "fitted" | "alone";

export function lyingOf({ style, order, hold }: Plan, v: Variant): Lying {
  if (v.alone) return "alone";
  if (style.stages === 3) return "trimmed";
  // A piece too short to hold cannot be trimmed by a rip: its strip is as wide as it is.
  return !style.trim || (order === "rip" && v.along < hold) ? "fitted" : "trimmed";
}

export const distinct = (sizes: number[]) => [...new Set(sizes)].sort((a, b) => a - b);
