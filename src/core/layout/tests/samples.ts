import type { Saw } from "@/core/boards/saw";
import { inch, type Length, nm } from "@/core/length/length";
import type { BoardStock } from "@/core/boards/stock";
import type { Blank, LayoutRequest } from "../request";

/** A 3/4 × 11 1/4 × 96 board as the yard sells it. */
export const board = (o: Partial<BoardStock> = {}): BoardStock => ({
  form: "board",
  material: "pine",
  thickness: inch(0, 3, 4),
  width: inch(11, 1, 4),
  length: inch(96),
  price: 14.2,
  available: null,
  source: "buy",
  ...o,
});

export const sheet = (o: Partial<BoardStock> = {}): BoardStock =>
  board({ form: "sheet", material: "ply", width: nm(1_220_000_000), length: nm(2_440_000_000), price: 40, ...o });

export const blank = (id: string, length: Length, width: Length, quantity: number, o: Partial<Blank> = {}): Blank => ({
  of: { line: Number(id.split("/")[1] ? id.split("/")[0] : 0), part: id.split("/").at(-1)! },
  name: id,
  material: "wood",
  length,
  width,
  thickness: inch(0, 3, 4),
  quantity,
  turn: o.material === "ply",
  block: false,
  ...o,
});

export const saw: Saw = {
  kerf: inch(0, 1, 8),
  endTrim: inch(0, 1, 4),
  edgeTrim: nm(0),
  sheetTrim: nm(0),
  minHold: inch(9),
  keepOffcut: inch(12),
  sheetStages: 2,
};

export const request = (
  blanks: Blank[],
  stock: BoardStock[] = [board()],
  o: Partial<LayoutRequest> = {},
): LayoutRequest => ({ blanks, stock, saw, weighing: { setUp: 0, offcut: 0 }, pinned: [], ...o });
