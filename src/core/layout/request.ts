import { z } from "zod";
import { usable } from "@/core/boards/clear";
import { pinnedSchema } from "@/core/boards/laid";
import { sawSchema } from "@/core/boards/saw";
import { type BoardStock, boardStockSchema, kindOf } from "@/core/boards/stock";
import { type Material, materialSchema } from "@/core/feature/material";
import { type Length, nm } from "@/core/length/length";
import { sizeSchema } from "@/core/length/schema";
import { pieceIdSchema } from "@/core/line/line";

/** A blank to be laid out. Sizes in nm, length along the grain; `quantity` for the whole job. */
const blankSchema = z.lazy(() =>
  z.strictObject({
    of: pieceIdSchema,
    name: z.string(),
    material: materialSchema,
    length: sizeSchema,
    width: sizeSchema,
    thickness: sizeSchema,
    quantity: z.number().int().min(1).max(1e7),
    /** May lie across the face grain of a sheet. */
    turn: z.boolean(),
    /** It is one of so many strips that are glued to a panel. */
    staves: z.number().int().min(2).optional(),
    /** Made by the block: crosscut, worked as one, then sliced. */
    block: z.boolean(),
    /** What it is cut to, and so comes after: blanks that wait for the same may be cut together. */
    waits: z.string().optional(),
  }),
);
export type Blank = z.output<typeof blankSchema>;

/** What the maker weighs beside the price of the wood. */
export const weighingSchema = z.strictObject({
  /** Money one more set-up is held to cost: a pattern more, or a fence or stop setting more; each a chance to get it wrong. */
  setUp: z.number().min(0).max(1e7).default(0),
  /** Part of its price an offcut that is kept is held to be worth. */
  offcut: z.number().min(0).max(1).default(0),
});
export type Weighing = z.output<typeof weighingSchema>;

/** Most kinds of piece in one layout. */
const MOST_BLANKS = 20_000;
/** Most kinds of board in one layout. */
const MOST_STOCK = 500;

/** All a layout depends on, as plain data: it crosses to a worker and is the key of a cached result. */
export const layoutRequestSchema = z.lazy(() =>
  z.strictObject({
    blanks: z.array(blankSchema).max(MOST_BLANKS),
    /** Boards as they are weighed; `unpriced` where the price is only a stand-in. */
    stock: z.array(boardStockSchema.extend({ unpriced: z.literal(true).optional() })).max(MOST_STOCK),
    saw: sawSchema,
    weighing: weighingSchema,
    /** Layouts that stay as they are; the rest is laid out around them. */
    pinned: z.array(pinnedSchema).max(MOST_STOCK),
  }),
);
export type LayoutRequest = z.output<typeof layoutRequestSchema>;

/** A blank as it lies on a board of one thickness: flat, or on edge so that the fence sets its thickness. */
export interface Lying {
  blank: Blank;
  /** Across the board, what the fence is set to. */
  width: Length;
  onEdge: boolean;
  /** How thick a board it wants: what a board has above that is planed off. */
  takes: Length;
  /** Boards it may come from, where that is not every one of its group: their places among the group's. */
  from?: number[];
}

/** Blanks that come from boards of one thickness, or of several where those share boards; `thickness` is the least of them. */
export interface Group {
  thickness: Length;
  stock: number[];
  lying: Lying[];
}

/** A blank no stock can give, and the least that would. */
export interface Missing {
  blank: Blank;
  needs: { thickness: Length; width: Length; length: Length };
  why: "no stock" | "other thickness" | "too thin" | "too narrow" | "too short" | "too few";
  short?: number;
}

/** How a blank may lie on boards of one kind and thickness. */
interface Way {
  onEdge: boolean;
  width: Length;
  planed: number;
  thickness: Length;
  kind: Material;
}

const gives = (s: BoardStock, blank: Blank) => kindOf(s) === blank.material;

/** Taken as thick as it comes. */
const AS_IT_COMES: Material[] = ["mesh", "metal"];

/** Less than this is not planed off: a board measured 27 mm gives a 1 1/16 bar as it is. */
export const SHAVING = 200_000;
/** A board is planed down by no more than this to serve as one of a thinner kind. */
const MOST_PLANED = 9_525_000;

/** So much is planed off a bought board to serve as one of a thinner kind: 3/4 inch for 19 mm, not an inch for it. */
const MOST_OF_BOUGHT = 1_500_000;

/**
 * A board is thick enough for a blank, and not so thick that too much of it would be planed away: of one that is bought hardly more
 * than a shaving, of one in the yard what makes it of use.
 */
export function serves(s: BoardStock, l: Lying): boolean {
  const most = s.form !== "board" ? 0 : s.source === "yard" ? MOST_PLANED : MOST_OF_BOUGHT;
  return gives(s, l.blank) && s.thickness >= l.takes && s.thickness - l.takes <= most;
}

/**
 * Chooses for every blank the thickness of board it comes from and how it lies: the way that takes least wood
 * (board thickness × width ripped), flat where it makes no difference.
 */
export function groups(request: LayoutRequest): { groups: Group[]; missing: Missing[] } {
  const { blanks, stock, saw } = request;
  const byThickness = new Map<string, Group>();
  const missing: Missing[] = [];
  const form = (g: Group) => (stock[g.stock[0]!]!.form === "board" ? 0 : 1);
  // Many boards are alike, and many blanks.
  const boards = [
    ...new Map(
      stock.map((s) => {
        const [room, kind] = [usable(s, saw), kindOf(s)];
        return [`${kind} ${s.form} ${s.thickness} ${room.length} ${room.width}`, { s, room, kind }];
      }),
    ).values(),
  ];
  const bySize = new Map<string, Way | Missing["why"]>();
  const wayOf = (blank: Blank): Way | undefined => {
    const asItComes = AS_IT_COMES.includes(blank.material);
    let best: Way | undefined;
    for (const { s, room, kind } of boards) {
      if (kind !== blank.material) continue;
      for (const onEdge of s.form === "board" ? [false, true] : [false]) {
        const width = onEdge ? blank.thickness : blank.width;
        const planed = onEdge ? s.thickness - blank.width : asItComes ? 0 : s.thickness - blank.thickness;
        const lies = width <= room.width && blank.length <= room.length;
        const turned = blank.turn && !onEdge && blank.length <= room.width && width <= room.length;
        if (planed < 0 || !(lies || turned) || (s.form !== "board" && planed !== 0)) continue;
        const wood = s.thickness * width - (best ? best.thickness * best.width : Infinity);
        if (wood < 0 || (wood === 0 && !onEdge && best!.onEdge)) best = { onEdge, width, planed, thickness: s.thickness, kind }; // prettier-ignore
      }
    }
    return best;
  };
  for (const blank of blanks) {
    const size = `${blank.material} ${blank.length} ${blank.width} ${blank.thickness} ${blank.turn}`;
    const best = bySize.get(size) ?? wayOf(blank) ?? whyNot(blank, request);
    bySize.set(size, best);
    if (typeof best === "string") {
      missing.push({
        blank,
        needs: {
          thickness: blank.thickness,
          width: nm(blank.width + 2 * saw.edgeTrim),
          length: nm(blank.length + 2 * saw.endTrim),
        },
        why: best,
      });
      continue;
    }
    const group: Group = byThickness.get(`${best.kind} ${best.thickness}`) ?? {
      thickness: best.thickness,
      stock: [],
      lying: [],
    };
    group.lying.push({ blank, width: best.width, onEdge: best.onEdge, takes: nm(best.thickness - best.planed) });
    byThickness.set(`${best.kind} ${best.thickness}`, group);
  }
  // A board belongs to the thickness it has, or is planed down to the nearest below it that is wanted.
  for (const [i, s] of stock.entries()) {
    const home = [...byThickness]
      .filter(
        ([key, g]) =>
          key.startsWith(`${kindOf(s)} `) &&
          s.thickness >= g.thickness &&
          s.thickness - g.thickness <= (s.form === "board" ? MOST_PLANED : 0),
      )
      .sort(([, a], [, b]) => b.thickness - a.thickness)[0];
    home?.[1].stock.push(i);
  }
  return { groups: [...byThickness.values()].sort((a, b) => form(a) - form(b) || a.thickness - b.thickness), missing };
}

function whyNot(blank: Blank, { stock, saw }: LayoutRequest): Missing["why"] {
  const suited = stock.filter((s) => gives(s, blank));
  if (suited.length === 0) return "no stock";
  const thick = suited.filter((s) =>
    AS_IT_COMES.includes(blank.material) || s.form === "board"
      ? AS_IT_COMES.includes(blank.material) || s.thickness >= blank.thickness
      : s.thickness === blank.thickness,
  );
  if (thick.length === 0) return blank.material === "wood" ? "too thin" : "other thickness";
  return thick.some((s) => usable(s, saw).width >= blank.width) ? "too short" : "too narrow";
}
