import { clearOf } from "@/core/boards/clear";
import type { Saw } from "@/core/boards/saw";
import type { BoardStock } from "@/core/boards/stock";
import { costOf, type CuttingProblem, type Pattern, type Reasons, type Used } from "./cutting/problem";
import { type CuttingAnswer, solveCutting, type Wishes } from "./cutting/solve";
import { cutsOfStrip, fewestSetUps, settingsOf } from "./cuts";
import type { LpSolver } from "./lp";
import { type Layout } from "@/core/boards/laid";
import { place } from "./place";
import { type Lying, type Weighing } from "./request";

export interface GroupLayout {
  layouts: Layout[];
  /** Pieces that were left when the stock ran out. */
  short: { lying: number; quantity: number }[];
  boundCount: number;
  boundCost: number;
  cost: number;
  count: number;
  /** What the bound holds for: any cutting at all, or the style the layouts are cut in. */
  boundStyle: BoundStyle;
  /** Why nothing can cost less than the bound; of the boards still to be laid out, without pinned ones. */
  reasons: Reasons;
  /** Layouts none of which another beats in both cost and set-ups: what fewer of those would cost. */
  tradeOff: { patterns: number; settings: number; cost: number }[];
  /** No layout does with fewer set-ups. */
  fewestSetUps: number;
}
export type BoundStyle = "any" | "two-stage" | "three-stage";

/** Where money decides nothing, offcuts and set-ups count so much of a board's price, and a trim a part of that. */
const TIE = 1e-5;
/** So many pieces are trimmed in the time a set-up takes [a guess]. */
const TRIMS = 30;

/** All that the layout of one thickness depends on, and nothing else: what is unchanged need not be solved again. */
export interface GroupRequest {
  lying: Lying[];
  boards: BoardStock[];
  /** Of each board how many there are; null is as many as wanted. */
  available: (number | null)[];
  saw: Saw;
  weighing: Weighing;
}

/** Tells of better layouts, and is asked whether to go on. */
export interface Listener {
  hear?(best: { cost: number; count: number; bound: number }): void;
  goOn?(): boolean;
  /** Asked whether the best so far is wanted while the search goes on, and shown it then. */
  isWanted?(): boolean;
  show?(soFar: GroupLayout): void;
}

/**
 * Lays out the blanks of one thickness on its boards or sheets. Boards are ripped or crosscut first, whichever is
 * better, never turned; sheets in two or three stages, turned where the face grain allows. When the listener will not go
 * on, what was best so far is the answer. Layouts name their board by its place in the request.
 */
export function layGroup(request: GroupRequest, { show, ...watcher }: Listener = {}, lp?: LpSolver): GroupLayout {
  const { lying, boards, available, saw, weighing } = request;
  const sheet = boards[0] !== undefined && boards[0].form !== "board";
  const stages = sheet ? saw.sheetStages : 2;
  const problem: CuttingProblem = {
    kerf: saw.kerf,
    pieces: lying.map((l) => ({
      length: l.blank.length,
      width: l.width,
      quantity: l.blank.quantity,
      turn: l.blank.turn && !l.onEdge,
      block: l.blank.block && l.onEdge,
      ...(l.from ? { from: boards.map((_, k) => l.from!.includes(k)) } : {}),
    })),
    stock: boards.map((s, k) => ({ clear: clearOf(s, saw), price: s.price, available: available[k]! })),
    style: { orders: ["rip", "crosscut"], stages, trim: true, hold: sheet ? 0 : saw.minHold, plainFirst: !sheet },
  };
  const laid = (pattern: Pattern, repeat: number): Layout => ({
    ...place(pattern, repeat, lying, boards[pattern.stock]!, saw),
    stock: pattern.stock,
  });
  const typical = Math.max(...boards.map((b) => b.price), 1e-6);
  const looks = new Map<Pattern, { kept: number; settings: string[] }>();
  /** A pattern's settings, and what its offcuts are worth by the maker's weighing, less a little for each trim. */
  const look = (p: Pattern) => {
    let known = looks.get(p);
    if (!known) {
      const { offcuts, strips } = laid(p, 1);
      const board = boards[p.stock]!;
      const cuts = strips.flatMap(cutsOfStrip);
      const trims = cuts.filter((c) => c.level === 3).length;
      const area = offcuts.reduce((s, o) => s + (o.keep ? o.length * o.width : 0), 0);
      known = {
        kept:
          ((weighing.offcut + TIE) * board.price * area) / (board.length * board.width) -
          (TIE / TRIMS) * typical * trims,
        settings: settingsOf(strips),
      };
      looks.set(p, known);
    }
    return known;
  };
  const settings = (used: Used) => new Set(used.flatMap((u) => look(u.pattern).settings)).size;
  const fewest = fewestSetUps(problem.pieces);
  const laidOut = (answer: CuttingAnswer): GroupLayout => {
    const tradeOff = answer.others.map((used) => ({
      patterns: used.length,
      settings: settings(used),
      cost: costOf(used, problem.stock),
    }));
    // Of what the stock cannot give nothing is said: the bound is of what is laid out, as far as that is known.
    const bound = answer.short.length > 0 ? Math.min(answer.bound, answer.cost) : answer.bound;
    const count = answer.used.reduce((n, u) => n + u.repeat, 0);
    const fewestBoards = Math.max(
      answer.fewest,
      // With one kind of board, so much money is so many boards.
      boards.length === 1 && typical > 1e-6 ? Math.ceil(bound / typical - 1e-6) : 0,
    );
    return {
      layouts: answer.used.map(({ pattern, repeat }) => laid(pattern, repeat)),
      short: answer.short.map(({ piece, quantity }) => ({ lying: piece, quantity })),
      cost: answer.cost,
      count,
      boundCost: bound,
      boundCount: answer.short.length > 0 ? Math.min(fewestBoards, count) : fewestBoards,
      boundStyle: answer.boundStyle === "any" ? "any" : stages === 3 ? "three-stage" : "two-stage",
      reasons: answer.reasons,
      tradeOff,
      fewestSetUps: fewest,
    };
  };
  const wishes: Wishes = {
    fewest,
    price: weighing.setUp + TIE * typical,
    setUps: (used) => used.length + settings(used),
    kept: (used) => used.reduce((s, u) => s + u.repeat * look(u.pattern).kept, 0),
  };
  return laidOut(solveCutting(problem, lp, { ...watcher, show: (soFar) => show?.(laidOut(soFar)) }, wishes));
}
