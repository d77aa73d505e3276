import type { BoardStock } from "@/core/job/job";
import type { CuttingProblem, Pattern, Used } from "./cutting/problem";
import { solveCutting } from "./cutting/solve";
import { cutsOfStrip } from "./cuts";
import type { LpSolver } from "./lp";
import { type Layout, place } from "./place";
import { clearOf, type Group, type Saw, type Weighing } from "./request";

export interface GroupLayout {
  layouts: Layout[];
  /** Pieces that were left when the stock ran out. */
  short: { blank: string; quantity: number }[];
  boundCount: number;
  boundCost: number;
  cost: number;
  count: number;
  /** What the bound holds for: any cutting at all, or the style the layouts are cut in. */
  boundStyle: BoundStyle;
  /** Layouts none of which another beats in both cost and patterns: what fewer patterns would cost. */
  tradeOff: { patterns: number; cost: number }[];
}
export type BoundStyle = "any" | "two-stage" | "three-stage";

/** Where money decides nothing, offcuts, trims and patterns count so much of a board's price. */
const TIE = 1e-5;

/**
 * Lays out the blanks of one thickness on its boards or sheets. Boards are ripped or crosscut first, whichever is
 * better, never turned; sheets in two or three stages, turned where the face grain allows. `hear` is told of every better
 * layout and stops the search by returning false.
 */
export function layGroup(
  group: Group,
  stock: BoardStock[],
  available: (number | null)[],
  saw: Saw,
  weighing: Weighing,
  hear: (best: { cost: number; count: number; bound: number }) => boolean = () => true,
  lp?: LpSolver,
): GroupLayout {
  const boards = group.stock.map((i) => stock[i]!);
  const sheet = boards[0]?.form === "sheet";
  const stages = sheet ? saw.sheetStages : 2;
  const problem: CuttingProblem = {
    kerf: saw.kerf,
    pieces: group.lying.map((l) => ({
      length: l.blank.length,
      width: l.width,
      quantity: l.blank.quantity,
      turn: l.blank.turn && !l.onEdge,
      block: l.blank.block && l.onEdge,
    })),
    stock: boards.map((s, k) => ({ clear: clearOf(s, saw), price: s.price, available: available[group.stock[k]!]! })),
    style: { orders: ["rip", "crosscut"], stages, trim: true, hold: sheet ? 0 : saw.minHold, plainFirst: !sheet },
  };
  const laid = (pattern: Pattern, repeat: number): Layout => ({
    ...place(pattern, repeat, group.lying, boards[pattern.stock]!, saw),
    stock: group.stock[pattern.stock]!,
  });
  const typical = Math.max(...boards.map((b) => b.price), 1e-6);
  // What an offcut is worth by the maker's weighing; trims are worth avoiding where they cost no wood.
  const keptOf = (p: Pattern) => {
    const { offcuts, strips } = laid(p, 1);
    const board = boards[p.stock]!;
    const trims = strips.flatMap(cutsOfStrip).filter((c) => c.level === 3).length;
    const area = offcuts.reduce((s, o) => s + (o.keep ? o.length * o.width : 0), 0);
    return ((weighing.offcut + TIE) * board.price * area) / (board.length * board.width) - TIE * typical * trims;
  };
  const settings = (used: Used) =>
    new Set(
      used.flatMap((u) =>
        laid(u.pattern, 1)
          .strips.flatMap(cutsOfStrip)
          .map((c) => `${c.kind} ${c.setting}`),
      ),
    ).size;
  const kept = (used: Used) =>
    used.reduce((s, u) => s + u.repeat * keptOf(u.pattern), 0) - TIE * typical * settings(used);
  const answer = solveCutting(problem, lp, hear, { pattern: weighing.pattern + TIE * typical, kept });
  const tradeOff = answer.others.map((used) => ({
    patterns: used.length,
    cost: used.reduce((s, u) => s + u.repeat * boards[u.pattern.stock]!.price, 0),
  }));
  return {
    layouts: answer.used.map(({ pattern, repeat }) => laid(pattern, repeat)),
    short: answer.short.map(({ piece, quantity }) => ({ blank: group.lying[piece]!.blank.id, quantity })),
    cost: answer.cost,
    count: answer.used.reduce((n, u) => n + u.repeat, 0),
    boundCost: answer.bound,
    // With one kind of board, so much money is so many boards.
    boundCount: Math.max(
      answer.fewest,
      boards.length === 1 && typical > 1e-6 ? Math.ceil(answer.bound / typical - 1e-6) : 0,
    ),
    boundStyle: answer.boundStyle === "any" ? "any" : stages === 3 ? "three-stage" : "two-stage",
    tradeOff,
  };
}
