import { pieceKey } from "@/core/line/line";
import { type Length, nm } from "@/core/length/length";
import type { LaidPiece, LaidStrip } from "@/core/boards/laid";
import type { BoardStock } from "@/core/boards/stock";
import type { WorkedLine } from "@/core/line/shapes";
import { cutsOfStrip, type Step, stepOf } from "./cuts";
import type { LayoutResult } from "./layout";
import { type Blank, type Lying, SHAVING } from "./request";

/** What is done to boards, in sawing order; planing comes right after the cut that frees what is planed. */
export type SawStep = Step | "joint" | "resaw" | "plane";

/**
 * One setting of one machine and everything that is cut at it. In sawing order: `joint` gives a rough board its straight edge;
 * `resaw` makes thinner boards of it;
 * `section` crosscuts come before any rip, and `block` ones whose blocks are worked before they are sliced; `rip`; `slice` off
 * a block; `crosscut` to length; `trim`. `plane` takes a board, strip or piece down to the thickness of its part.
 */
export interface SetUp {
  id: string;
  step: SawStep;
  /** A rip goes along the fence, a crosscut against the stop; absent where nothing is sawn. */
  kind?: "rip" | "crosscut";
  /** Fence or stop, how thick it is resawn, or what planing takes off. */
  setting: Length;
  /** Boards, strips, sections or pieces that go through. */
  count: number;
  boards: number;
  /** Every blank that goes through, each once. */
  blanks: Blank[];
  /** How many pieces of a blank go through, and what of it goes through as one (a strip, a block), by its key. */
  through: Map<string, { pieces: number; units: number }>;
  /** How many pieces of a blank are brought to size here, by its key. */
  finishes: Map<string, number>;
  /** Set-ups that come before it for some of its pieces. */
  after: Set<string>;
  /** Boards it is the first to work, by their places in the stock, and how many of each. */
  begins: Map<number, number>;
  /** What its pieces are cut to and have to wait for, when it is made to fit. */
  waits?: string;
}

/** A section longer than any of its pieces, and as short as can be held: it is so long only to be ripped. */
export const isHeldLong = ({ step, setting, blanks }: SetUp, minHold: Length): boolean =>
  step === "section" && setting === minHold && blanks.every((b) => b.length < setting);

const ORDER: Step[] = ["section", "block", "rip", "slice", "crosscut", "trim"];
const rankOf = (step: SawStep, follows?: Step): number =>
  step === "joint"
    ? -2
    : step === "resaw"
      ? -1
      : step === "plane"
        ? ORDER.indexOf(follows!) + 0.5
        : ORDER.indexOf(step);

/** A stretch of one piece's way through the shop. */
interface Stage {
  key: string;
  step: SawStep;
  kind?: "rip" | "crosscut";
  rank: number;
  setting: Length;
  waits?: string;
}

const known = new WeakMap<LayoutResult, SetUp[]>();

/** All cuts at one setting together, for the whole job, in sawing order; widest and longest first within a step. */
export function setUps(result: LayoutResult): SetUp[] {
  const found = known.get(result) ?? workedOut(result);
  known.set(result, found);
  return found;
}

function workedOut(result: LayoutResult): SetUp[] {
  const found = new Map<string, SetUp & { rank: number }>();
  const take = (stage: Stage, blank: Blank): SetUp => {
    const at: SetUp & { rank: number } = found.get(stage.key) ?? {
      id: stage.key,
      step: stage.step,
      ...(stage.kind ? { kind: stage.kind } : {}),
      rank: stage.rank,
      setting: stage.setting,
      count: 0,
      boards: 0,
      blanks: [],
      through: new Map(),
      finishes: new Map(),
      after: new Set(),
      begins: new Map(),
      ...(stage.waits ? { waits: stage.waits } : {}),
    };
    if (!at.blanks.includes(blank)) at.blanks.push(blank);
    found.set(stage.key, at);
    return at;
  };
  for (const { group, result: g } of result.groups) {
    const lying = new Map(group.lying.map((l) => [pieceKey(l.blank.of), l]));
    for (const layout of g.layouts) {
      const board = result.request.stock[layout.stock]!;
      const before = onBoards(board);
      const begun = new Set<string>();
      const first = layout.strips[0] && lying.get(pieceKey(layout.strips[0].sections[0]!.pieces[0]!.of))!;
      // Boards that come of one are one until they are resawn.
      if (first)
        for (const stage of before) {
          const up = take(stage, first.blank);
          up.count += layout.repeat / (board.resawn ?? 1);
          up.boards = up.count;
        }
      for (const strip of layout.strips) {
        const passed = new Map<string, Set<object>>();
        const ofBlank = new Map<string, Set<object>>();
        for (const { piece, l, stages } of waysThrough(strip, lying, board.thickness, group.thickness)) {
          const all = [...before.map((stage) => ({ stage, unit: layout })), ...stages];
          let last: string | undefined;
          for (const { stage, unit } of all) {
            const up = take(stage, l.blank);
            if (last) up.after.add(last);
            else if (!begun.has(stage.key)) {
              begun.add(stage.key);
              up.begins.set(layout.stock, (up.begins.get(layout.stock) ?? 0) + layout.repeat);
            }
            last = stage.key;
            // One cut frees a whole strip or section: it counts once, however many pieces come of it.
            const seen = passed.get(stage.key) ?? new Set();
            passed.set(stage.key, seen);
            if (!seen.has(unit) && unit !== layout) {
              up.count += layout.repeat;
              if (unit === strip) up.boards += layout.repeat;
            }
            const id = pieceKey(piece.of);
            const own = up.through.get(id) ?? { pieces: 0, units: 0 };
            const counted = ofBlank.get(`${stage.key} ${id}`) ?? new Set();
            ofBlank.set(`${stage.key} ${id}`, counted);
            own.pieces += layout.repeat;
            if (!counted.has(unit)) own.units += layout.repeat;
            counted.add(unit);
            up.through.set(id, own);
            seen.add(unit);
          }
          const end = found.get(last!)!;
          end.finishes.set(pieceKey(piece.of), (end.finishes.get(pieceKey(piece.of)) ?? 0) + layout.repeat);
        }
      }
    }
  }
  return [...found.values()]
    .sort((a, b) => a.rank - b.rank || b.setting - a.setting)
    .map(({ rank: _rank, ...s }) => ({ ...s, count: Math.ceil(s.count), boards: Math.ceil(s.boards) }));
}

/** What is done to a whole board before anything is measured from it. */
function onBoards(board: BoardStock): Stage[] {
  const stage = (step: "joint" | "resaw", key: string, setting: Length): Stage => ({ key, step, rank: rankOf(step), setting }); // prettier-ignore
  return [
    ...(board.form === "board" && board.rough ? [stage("joint", "joint", nm(0))] : []),
    ...(board.resawn ? [stage("resaw", `resaw, ${board.thickness}`, board.thickness)] : []),
  ];
}

/** For each piece of a strip, what it goes through, and what of it goes through as one: the strip, a section, the piece. */
function waysThrough(strip: LaidStrip, lying: Map<string, Lying>, board: Length, thickness: Length) {
  const pieces = strip.sections.flatMap((s) => s.pieces);
  const of = (p: LaidPiece) => lying.get(pieceKey(p.of))!;
  const taken = (p: LaidPiece) => {
    const t = board - of(p).takes;
    return t >= SHAVING ? nm(t) : nm(0);
  };
  const alike = new Set(pieces.map(taken)).size === 1;
  const block = strip.order === "crosscut" && pieces.every((p) => of(p).blank.block && of(p).onEdge);
  const cuts = cutsOfStrip(strip);
  return pieces.map((piece) => {
    const l = of(piece);
    const stages: { stage: Stage; unit: object }[] = [];
    const planed = taken(piece);
    let flat = planed === 0;
    const plane = (follows: Step, unit: object) => {
      flat = true;
      const key = `plane after ${follows}, ${planed}`;
      stages.push({ stage: { key, step: "plane", rank: rankOf("plane", follows), setting: planed }, unit });
    };
    let last: { step: Step; unit: object } | undefined;
    for (const cut of cuts) {
      if (!cut.pieces.includes(piece)) continue;
      const step = stepOf(cut, strip.order, block);
      const waits = shared(cut.pieces.map((p) => of(p).blank.waits));
      const onBoard = step === "rip" || step === "block" || step === "slice";
      const key = `${step}, ${cut.kind}, ${cut.setting}${onBoard ? `, ${thickness}` : ""}${waits ? `, ${waits}` : ""}`;
      const unit =
        cut.level === 1 ? strip : cut.level === 2 ? strip.sections.find((s) => s.pieces === cut.pieces)! : piece;
      stages.push({
        stage: { key, step, kind: cut.kind, rank: rankOf(step), setting: cut.setting, ...(waits ? { waits } : {}) },
        unit,
      });
      last = { step, unit };
      // A whole strip or block is planed at once where all of it wants the same; otherwise each piece when it is cut.
      if (!flat && alike && cut.level === 1 && step !== "section") plane(step, unit);
    }
    if (!flat) plane(last!.step, piece);
    // What was cut together with others is still brought to fit on its own.
    const { waits } = l.blank;
    if (waits && !stages.some((s) => s.stage.waits))
      stages.push({
        stage: {
          key: `trim, to fit, ${piece.length}, ${waits}`,
          step: "trim",
          kind: "crosscut",
          rank: rankOf("trim") + 0.9,
          setting: piece.length,
          waits,
        },
        unit: piece,
      });
    return { piece, l, stages };
  });
}

/** What all of them wait for, when it is the same. */
const shared = (waits: (string | undefined)[]): string | undefined =>
  waits.every((w) => w === waits[0]) ? waits[0] : undefined;

/** Fence and stop settings if every line were cut on its own, against the shared ones. */
export function settingsApart(lines: WorkedLine[]): number {
  return lines.reduce(
    (n, l) =>
      n +
      new Set(l.shape.parts.map((p) => `rip ${p.size.w}`)).size +
      new Set(l.shape.parts.map((p) => `stop ${p.size.l}`)).size,
    0,
  );
}
