import { z } from "zod";
import type { Material } from "@/core/feature/material";
import { inch, type Length, nm } from "@/core/length/length";
import { lengthSchema, sizeSchema } from "@/core/length/schema";

const offer = {
  material: z.string().min(1).max(60),
  price: z.number().min(0).max(1e7),
  /** Null is unlimited. */
  available: z.number().int().min(0).nullable(),
  /** What lies in the yard costs nothing and is used first. */
  source: z.enum(["yard", "buy"]),
  /** Its number in the shop's yard, or in the catalogue; a job's own has neither. */
  lot: z.number().int().min(1).optional(),
  offer: z.number().int().min(1).optional(),
};
/** Boards give solid wood; sheets, rolls and coils what is cut from a plane, a ply's face grain along the length. */
export const CUT_FROM = ["board", "sheet", "roll", "coil"] as const;
/** Sizes in nm; a roll or a coil is as long as there is of it. */
export const boardStockSchema = z.strictObject({
  form: z.enum(CUT_FROM),
  ...offer,
  thickness: sizeSchema,
  width: sizeSchema,
  length: sizeSchema,
  /** Bad stretches of a single board, from its left end: nothing is laid on them. */
  bad: z
    .array(z.tuple([lengthSchema, lengthSchema]))
    .min(1)
    .max(50)
    .optional(),
  /** Rough sawn: it gets a straight edge before anything is measured from it. */
  rough: z.literal(true).optional(),
  /** So many of it come of one thicker board, which is resawn first. */
  resawn: z.number().int().min(2).max(4).optional(),
  /** How many turned out unusable: they count as gone, and bought ones are bought again. */
  struck: z.number().int().min(1).optional(),
  /** They are sawn: as many as there were of it for the job are cut as they were laid out. */
  sawn: z.literal(true).optional(),
});
/** Fasteners, glue, foundation: `pack` is how many (or grams of glue) one pack holds. `chosen` is bought in no other size. */
export const packStockSchema = z.strictObject({
  form: z.literal("pack"),
  ...offer,
  pack: z.number().positive(),
  chosen: z.literal(true).optional(),
});
/** Material on hand or for sale. */
export const stockSchema = z.lazy(() => z.discriminatedUnion("form", [boardStockSchema, packStockSchema]));

export type BoardStock = z.output<typeof boardStockSchema>;
export type PackStock = z.output<typeof packStockSchema>;
export type StockEntry = BoardStock | PackStock;

/** Words that say what a sheet, a roll or a coil is of. */
const WORDS: [Exclude<Material, "wood">, RegExp][] = [
  ["mesh", /mesh|cloth|net/i],
  ["metal", /metal|alumin|steel|zinc|tin\b/i],
  ["foam", /foam|polystyrene/i],
  ["plastic", /plastic|polycarbonate|acrylic|hdpe/i],
];
const PLY = /ply|hardboard|osb|mdf/i;

const namedKind = (material: string) => WORDS.find(([, word]) => word.test(material))?.[0];

/** What a stock is, by the words it is called: boards are wood, and a sheet is ply unless it says otherwise. */
export const kindOf = (s: Pick<BoardStock, "form" | "material">): Material =>
  s.form === "board" ? "wood" : (namedKind(s.material) ?? "ply");

/** The form a material usually comes in, by the words it is called. */
export const usualForm = (material: string): "board" | "sheet" =>
  PLY.test(material) || namedKind(material) ? "sheet" : "board";

/** Thinner is not resawn: it would not stay flat [mem]. */
const THINNEST = inch(0, 3, 8);

/**
 * A board of the yard resawn into so many, each with both faces rough: what the saw cuts goes to dust. Undefined where they would be
 * too thin, and for what is bought, which is counted as it is sold.
 */
export function resawn(board: BoardStock, into: number, kerf: Length): BoardStock | undefined {
  const thickness = nm(Math.floor((board.thickness - (into - 1) * kerf) / into));
  if (board.form !== "board" || board.source !== "yard" || board.resawn !== undefined || thickness < THINNEST)
    return undefined;
  return {
    ...board,
    thickness,
    available: board.available === null ? null : board.available * into,
    rough: true,
    resawn: into,
  };
}

/** What a square nanometre of the cheapest bought board costs; null where none has a price. */
export function cheapestByArea(stock: StockEntry[]): number | null {
  const prices = stock.flatMap((s) =>
    s.form === "board" && s.source === "buy" && s.price > 0 ? [s.price / (s.length * s.width)] : [],
  );
  return prices.length > 0 ? Math.min(...prices) : null;
}
