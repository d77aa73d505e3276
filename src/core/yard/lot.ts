import { z } from "zod";
import { type BoardStock, boardStockSchema, type PackStock, packStockSchema } from "@/core/boards/stock";
import type { Kept } from "@/core/keeping/kept";
import { lengthText } from "@/core/length/format";
import type { Units } from "@/core/length/length";

/** Where it lies: `rack 2`. */
const place = z.string().trim().min(1).max(60).optional();

const boardLotSchema = z.lazy(() =>
  boardStockSchema
    .pick({ form: true, material: true, thickness: true, width: true, length: true, bad: true, rough: true })
    .extend({ place, offcut: z.literal(true).optional() }),
);
/** Of packs what is in them counts, opened or not. */
const packLotSchema = z.lazy(() => packStockSchema.pick({ form: true, material: true }).extend({ place }));

/** Things alike that lie in one place: boards of a size, one kind of screw. Sizes in nm, bad stretches from a board's left end. */
export const lotSchema = z.lazy(() =>
  z.discriminatedUnion("form", [boardLotSchema, packLotSchema]).superRefine((lot, ctx) => {
    if (lot.form === "pack") return;
    for (const [i, [a, b]] of (lot.bad ?? []).entries())
    if (a >= b || b > lot.length)
      ctx.addIssue({ code: "custom", path: ["bad", i], message: "a bad stretch runs from its start to its end, within the board", input: lot }); // prettier-ignore
  }),
);
export type Lot = z.output<typeof lotSchema>;
export type BoardLot = z.output<typeof boardLotSchema>;

/** A lot as the yard has it: its number, how many there are, and how many of them are kept for jobs. */
export interface LotThere {
  id: number;
  lot: Lot;
  /** Boards, sheets; of packs what is in them: screws, grams. */
  there: number;
  reserved: { job: number; count: number }[];
}

/** Why something came or went. */
export const WHYS = ["counted", "received", "cut", "kept", "used", "spoiled", "put right"] as const;
export type Why = (typeof WHYS)[number];

/** One line of the ledger; never changed once written. */
export interface Movement {
  id: number;
  lot: number;
  why: Why;
  change: number;
  job: number | null;
  at: string;
}

/** The yard as it is kept; lots of a page that knows an older revision are only those that changed since. */
export interface StoredYard extends Kept {
  lots: LotThere[];
  /** The revision since when; 0 is all there is. */
  since: number;
}

/** What can be used by a job: neither kept for another, nor more than there is. */
export const freeFor = ({ there, reserved }: LotThere, job?: number): number =>
  Math.max(0, there - reserved.reduce((s, r) => s + (r.job === job ? 0 : r.count), 0));

/** What makes two lots the same. */
export const lotKey = (lot: Lot): string =>
  lot.form === "pack"
    ? ["pack", lot.material, lot.place ?? ""].join("|")
    : [lot.form, lot.material, lot.thickness, lot.width, lot.length, lot.rough ?? "", lot.bad?.join(";") ?? "", lot.place ?? "", lot.offcut ?? ""].join("|"); // prettier-ignore

/** `birch ply sheet`; `zinc sheet`, `pine` and what comes in packs as they are. */
export const madeOf = ({ material, form }: { material: string; form: string }): string =>
  !["sheet", "roll", "coil"].includes(form) || material.toLowerCase().split(" ").includes(form)
    ? material
    : `${material} ${form}`;

/** `pine, rough, 1 × 8 1/4 × 110, bad 30–42` */
export function lotText(lot: Lot, units: Units): string {
  if (lot.form === "pack") return lot.material;
  const say = (l: BoardLot["length"]) => lengthText(l, units);
  const bad = (lot.bad ?? []).map(([a, b]) => `${say(a)}–${say(b)}`).join(", ");
  return [
    madeOf(lot),
    ...(lot.offcut ? ["offcut"] : lot.rough ? ["rough"] : []),
    [lot.thickness, lot.width, lot.length].map(say).join(" × "),
    ...(bad ? [`bad ${bad}`] : []),
  ].join(", ");
}

/** A lot as a layout or an order takes it: of the yard, for nothing. Boards with bad stretches stand one by one. */
export function stockOf({ id, lot }: LotThere, free: number): (BoardStock | PackStock)[] {
  const { place: _place, ...rest } = lot;
  const of = { price: 0, source: "yard", lot: id } as const;
  if (rest.form === "pack") return free > 0 ? [{ ...rest, ...of, pack: free, available: 1 }] : [];
  const { offcut: _offcut, ...board } = rest;
  if (!board.bad) return [{ ...board, ...of, available: free }];
  return Array.from({ length: free }, () => ({ ...board, ...of, available: 1 }));
}
