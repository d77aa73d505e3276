import type { Order } from "@/core/boards/laid";

/**
 * Stock 100 × 20 at 10, pieces A 60 × 10 (3 wanted) and B 40 × 10 (3 wanted), kerf 0. Ripped first, one pattern has two strips of 10,
 * each a section of A and one of B: it gives [2, 2]. Cut twice it gives [4, 4]; trimmed to what is wanted, [2, 2] and [1, 1].
 */

/**
 * A cutting problem without any trade in it: rectangles out of rectangles by straight cuts from edge to edge. Sizes are
 * whole numbers of any unit. What is one-dimensional has pieces and stock of one width.
 */
export interface CuttingProblem {
  kerf: number;
  pieces: CutPiece[];
  stock: CutStock[];
  style: Style;
}

export interface CutPiece {
  /** Along the stock's length (the grain), and across it. */
  length: number;
  width: number;
  quantity: number;
  /** May lie the other way round. */
  turn: boolean;
  /** Cut as blocks of one kind, crosscut first and then sliced; where a block may not be so short, ripped like others. */
  block?: boolean;
  /** Stock it may come from, true for each; any when not said. */
  from?: boolean[];
}

export interface Room {
  length: number;
  width: number;
}

/** Its clear stretches, usable size (one when it has no bad stretch), what one costs, how many there are: null is as many as wanted. */
export interface CutStock {
  clear: Room[];
  price: number;
  available: number | null;
}

export interface Style {
  orders: Order[];
  /** Two: strips, then pieces off them. Three: strips, sections of them, then pieces off those. */
  stages: 2 | 3;
  /** One more cut may bring a piece to size; without, every piece is as wide as its strip. */
  trim: boolean;
  /** What is shorter may not be ripped: it cannot be held against the fence. */
  hold?: number;
  /** Only blocks are crosscut first. */
  ripOnly?: boolean;
  /** Layouts ripped first and without trim cuts are looked for first, and kept when nothing is cheaper. */
  plainFirst?: boolean;
}

/** So many of one piece next to one another. */
export interface Item {
  piece: number;
  turned: boolean;
  count: number;
}

/** A length of a strip; its items lie side by side across it. */
export interface Section {
  size: number;
  items: Item[];
  count: number;
}

/** A strip of one stock; alike ones are counted. `size` is across the strip. */
export interface Strip {
  size: number;
  sections: Section[];
  count: number;
}

/** One clear stretch cut into strips. */
export interface Stretch {
  clear: number;
  order: Order;
  strips: Strip[];
}

/** One way to cut one piece of stock. */
export interface Pattern {
  stock: number;
  stretches: Stretch[];
  /** How many of each piece it gives. */
  gives: number[];
}

export type Used = { pattern: Pattern; repeat: number }[];

/** How many of each piece the strips give. */
export function given(stretches: { strips: Strip[] }[], pieces: number): number[] {
  const sum = Array.from({ length: pieces }, () => 0);
  for (const { strips } of stretches)
    for (const s of strips)
      for (const x of s.sections) for (const i of x.items) sum[i.piece]! += s.count * x.count * i.count;
  return sum;
}

/** Money added up, to a millionth: the same boards cost the same in whatever order they are added. */
export const added = (money: number[]) => Math.round(money.reduce((s, m) => s + m, 0) * 1e6) / 1e6;

export const costOf = (used: Used, stock: CutStock[]) =>
  added(used.map((u) => u.repeat * stock[u.pattern.stock]!.price));

export function patternKey(p: Pattern): string {
  const item = (i: Item) => `${i.count}*${i.piece}${i.turned ? "t" : ""}`;
  const section = (x: Section) => `${x.count}*${x.size}(${x.items.map(item).join()})`;
  const strip = (s: Strip) => `${s.count}*${s.size}:${s.sections.map(section).join()}`;
  return `${p.stock} ${p.stretches.map((t) => `${t.clear}${t.order[0]}${t.strips.map(strip).join(";")}`).join("|")}`;
}

/** How many there are left of each stock; null is no limit. */
export type Supply = (number | null)[];

/** The pieces and the stock that are left, while a layout is built; of each stock at least what it `needs` has to be used. */
export interface Rest {
  left: number[];
  supply: Supply;
  needs?: number[];
}

/** How a bound came about; all in money, nothing rounded up to a sum of prices. */
export interface Reasons {
  /** By size alone, whatever the cutting. */
  size: number;
  /** What the cheapest mix of patterns would cost if boards could be cut in fractions. */
  fractions?: number;
  /** The least that whole numbers of each kind of board could cost, cut in fractions, where those of no less were tried in vain. */
  counts?: number;
  /** So many choices of those numbers were shown to be too few for whole boards, though fractions would do. */
  refuted?: number;
  /** All patterns that could be part of a cutting for so much, none of which together gives every piece. */
  tried?: { patterns: number; upTo: number };
}

/** A pattern worth having, and its value: what it gives, at the duals asked. */
export interface Offer {
  pattern: Pattern;
  value: number;
}

/** What column generation and dives ask. */
export interface Pricing {
  /** Cells filled so far: a measure of the work done that does not depend on the machine. */
  spent(): number;
  /** The best pattern of each order on a stock; `most`: no pattern of the style has a higher value. It may give more of a piece than is left. */
  best(stock: number, duals: number[], left: number[]): { offers: Offer[]; most: number };
  /** A full pattern that gives no more than is left, built strip by strip; undefined when nothing fits. */
  fitting(stock: number, duals: number[], left: number[]): Offer | undefined;
}
