import { clearOf } from "@/core/boards/clear";
import type { Saw } from "@/core/boards/saw";
import type { BoardStock } from "@/core/boards/stock";
import { costOf, type CuttingProblem, type Pattern, type Reasons, type Used } from "./cutting/problem";
import { type CuttingAnswer, solveCutting, type Wishes } from "./cutting/solve";
import { merge } from "./cutting/reshape";
import { unbeaten } from "./cutting/tidy";
import { cutsOfStrip, fewestSetUps, settingsOf } from "./cuts";
import type { LpSolver } from "./lp";
import type { Layout, Offcut } from "@/core/boards/laid";
import { place } from "./place";
import { type Lying, type Weighing } from "./request";

/** What is known of the layouts of one thickness, whichever is chosen. */
interface Known {
  /** Pieces that were left when the stock ran out. */
  short: { lying: number; quantity: number }[];
  boundCount: number;
  boundCost: number;
  /** What the bound holds for: any cutting at all, or the style the layouts are cut in. */
  boundStyle: BoundStyle;
  /** Why nothing can cost less than the bound; of the boards still to be laid out, without pinned ones. */
  reasons: Reasons;
  /** No layout does with fewer set-ups. */
  fewestSetUps: number;
}

/** A layout that may be chosen: its boards, and what is weighed beside them. */
interface Choice {
  cost: number;
  count: number;
  patterns: number;
  /** Of fence and stop. */
  settings: string[];
  /** The price of what is kept of its boards, by area. */
  worth: number;
  /** What decides where nothing else does. */
  tie: number;
  /** How often it cuts a board in which of the ways. */
  used: [way: number, repeat: number][];
}

/** The layouts none of which another beats in all that is weighed, cheapest first, and every way to cut a board that one of them has. */
export interface GroupSolved extends Known {
  ways: Layout[];
  choices: Choice[];
}

/** So many set-ups, patterns among them, what they cost, what the kept offcuts are held to be worth, and what decides where nothing else does. */
export interface Point {
  setUps: number;
  patterns: number;
  cost: number;
  kept: number;
  tie: number;
}

/** The layout chosen, a point itself. */
export interface GroupLayout extends Known, Point {
  layouts: Layout[];
  count: number;
  /** Layouts none of which another beats in both what they are held to cost and set-ups: what fewer of those would cost. */
  tradeOff: Point[];
}
export type BoundStyle = "any" | "two-stage" | "three-stage";

/** Where money decides nothing, offcuts and set-ups count so much of a board's price, and a trim a part of that. */
const TIE = 1e-5;
/** So many pieces are trimmed in the time a set-up takes [a guess]. */
const TRIMS = 30;

/** All that the layouts of one thickness depend on, and nothing else: what is unchanged need not be solved again. */
export interface GroupRequest {
  lying: Lying[];
  boards: BoardStock[];
  /** Of each board how many there are; null is as many as wanted. */
  available: (number | null)[];
  saw: Saw;
}

/** Tells of better layouts, and is asked whether to go on. */
export interface Listener {
  hear?(best: { cost: number; count: number; bound: number }): void;
  goOn?(): boolean;
  /** Asked whether the best so far is wanted while the search goes on, and shown it then. */
  isWanted?(): boolean;
  show?(soFar: GroupSolved): void;
}

/** A pattern is a set-up, and so is every setting. */
const setUpsOf = ({ patterns, settings }: Pick<Choice, "patterns" | "settings">) => patterns + settings.length;

/** The price of what is kept of a board, by area. */
export const keptWorth = (offcuts: Offcut[], { price, length, width }: BoardStock) =>
  (price * offcuts.reduce((s, o) => s + (o.keep ? o.length * o.width : 0), 0)) / (length * width);

/** What a layout is held to cost: with its set-ups, each of which is held to cost so much. */
export const heldWith = (setUp: number, { setUps, cost, kept, tie }: Point) => cost - kept + tie + setUp * setUps;

/**
 * Of the layouts that were found the best by what the maker weighs: another weighing is another choice, and nothing is looked for again.
 * 71 boards for 761.20 and 37 set-ups, or 74 for 781.40 and 25: while a set-up is held to cost less than 1.68, the first. `needed` are
 * settings that pinned boards want anyway: they count, but once.
 */
export function chosen(
  { ways, choices, ...known }: GroupSolved,
  { setUp, offcut }: Weighing,
  needed: string[] = [],
): GroupLayout {
  const all = choices.map((choice) => {
    const { patterns, settings, cost, worth, tie } = choice;
    const setUps = setUpsOf({ patterns, settings: [...new Set([...needed, ...settings])] });
    return { choice, point: { patterns, setUps, cost, kept: offcut * worth, tie } };
  });
  const { choice, point } = all.reduce((a, b) => heldWith(setUp, b.point) < heldWith(setUp, a.point) - 1e-9 ? b : a); // prettier-ignore
  const points = all.map((c) => c.point);
  return {
    ...known,
    layouts: choice.used.map(([way, repeat]) => ({ ...ways[way]!, repeat })),
    count: choice.count,
    ...point,
    // Of what lacks pieces nothing is weighed.
    tradeOff: known.short.length > 0 ? [] : unbeaten(points, (p) => [heldWith(0, p), p.setUps]),
  };
}

/** As `solveGroup`, and chooses. */
export const layGroup = (request: GroupRequest, weighing: Weighing, listener: Listener = {}, lp?: LpSolver, needed?: string[]): GroupLayout =>
  chosen(solveGroup(request, listener, lp), weighing, needed); // prettier-ignore

/**
 * Lays out the blanks of one thickness on its boards or sheets. Boards are ripped or crosscut first, whichever is
 * better, never turned; sheets in two or three stages, turned where the face grain allows. When the listener will not go
 * on, what was best so far is the answer. Layouts name their board by its place in the request.
 */
export function solveGroup(request: GroupRequest, { show, ...watcher }: Listener = {}, lp?: LpSolver): GroupSolved {
  const { lying, boards, available, saw } = request;
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
  const typical = Math.max(...boards.map((b) => b.price), 1e-6);
  /** Looks at patterns of these pieces, at each once: how it lies on its board, its settings, what is kept of it and its trims. */
  const looking = (pieces: Lying[]) => {
    const looks = new Map<Pattern, { laid: Layout; settings: string[]; worth: number; trims: number }>();
    const look = (p: Pattern) => {
      const known = looks.get(p);
      if (known) return known;
      const board = boards[p.stock]!;
      const laid = { ...place(p, 1, pieces, board, saw), stock: p.stock };
      const now = {
        laid,
        settings: settingsOf(laid.strips),
        worth: keptWorth(laid.offcuts, board),
        trims: laid.strips.flatMap(cutsOfStrip).filter((c) => c.level === 3).length,
      };
      looks.set(p, now);
      return now;
    };
    const sum = (used: Used, f: (l: ReturnType<typeof look>) => number) =>
      used.reduce((s, u) => s + u.repeat * f(look(u.pattern)), 0);
    const measured = (used: Used) => {
      const settings = [...new Set(used.flatMap((u) => look(u.pattern).settings))];
      const worth = sum(used, (l) => l.worth);
      const tie = TIE * (typical * (used.length + settings.length + sum(used, (l) => l.trims) / TRIMS) - worth);
      return { patterns: used.length, settings, worth, tie };
    };
    return { look, measured };
  };
  // What is alike in size has one name until the layouts are found.
  const { of } = merge(problem);
  const alike = looking([...new Set(of)].map((m) => lying[of.indexOf(m)]!));
  const fewest = fewestSetUps(problem.pieces);
  const wishes: Wishes = {
    fewest,
    setUps: (used) => setUpsOf(alike.measured(used)),
    beside: (used) => {
      const { worth, tie } = alike.measured(used);
      return [-worth, tie];
    },
  };
  const solved = (answer: CuttingAnswer): GroupSolved => {
    const { look, measured } = looking(lying);
    const ways = new Map<Layout, number>();
    const choices = answer.others.map((used): Choice => ({
      cost: costOf(used, problem.stock),
      count: used.reduce((n, u) => n + u.repeat, 0),
      ...measured(used),
      used: used.map(({ pattern, repeat }) => {
        const { laid } = look(pattern);
        if (!ways.has(laid)) ways.set(laid, ways.size);
        return [ways.get(laid)!, repeat];
      }),
    }));
    // Of what the stock cannot give nothing is said: the bound is of what is laid out, as far as that is known.
    const bound = answer.short.length > 0 ? Math.min(answer.bound, answer.cost) : answer.bound;
    const fewestBoards = Math.max(
      answer.fewest,
      // With one kind of board, so much money is so many boards.
      boards.length === 1 && typical > 1e-6 ? Math.ceil(bound / typical - 1e-6) : 0,
    );
    return {
      ways: [...ways.keys()],
      choices,
      short: answer.short.map(({ piece, quantity }) => ({ lying: piece, quantity })),
      boundCost: bound,
      boundCount: answer.short.length > 0 ? Math.min(fewestBoards, choices[0]!.count) : fewestBoards,
      boundStyle: answer.boundStyle === "any" ? "any" : stages === 3 ? "three-stage" : "two-stage",
      reasons: answer.reasons,
      fewestSetUps: fewest,
    };
  };
  return solved(solveCutting(problem, lp, { ...watcher, show: (soFar) => show?.(solved(soFar)) }, wishes));
}
