import { type LaidPiece, type LaidStrip, type Layout, stripSize, type Order } from "@/core/boards/laid";
import { trims, type Saw } from "@/core/boards/saw";
import type { Length } from "@/core/length/length";
import type { BoardStock } from "@/core/boards/stock";

export interface Cut {
  kind: "trim" | "out" | "rip" | "crosscut";
  /** Fence or stop; for a bad stretch where it is cut out. */
  setting: Length;
  count: number;
  /** 1 frees strips, 2 sections of them, 3 brings a piece to size. */
  level: 0 | 1 | 2 | 3;
}

/** What each kind of cut is against, in the words of the saw. */
export const AGAINST: Record<Cut["kind"], string> = {
  trim: "square the end, take off",
  out: "cut the bad stretch out, at",
  rip: "rip, reference edge against the fence, at",
  crosscut: "crosscut, squared end against the stop, at",
};

/** The cut that frees a strip, then its sections, then pieces of a section: it turns with every level. */
const kindOf = (order: Order, level: 1 | 2 | 3): "rip" | "crosscut" =>
  (order === "rip") === (level !== 2) ? "rip" : "crosscut";

/**
 * No layout of these pieces has fewer set-ups: each width wants its fence and each length its stop, of what may be turned at least
 * one of either for each size nothing else has; and there is one pattern at the least.
 */
export function fewestSetUps(pieces: { length: number; width: number; turn: boolean }[]): number {
  if (pieces.length === 0) return 0;
  const fixed = pieces.filter((p) => !p.turn);
  const fences = new Set(fixed.map((p) => p.width));
  const stops = new Set(fixed.map((p) => p.length));
  const others = pieces.filter((p) => p.turn).flatMap((p) => [p.length, p.width]);
  const more = new Set(others.filter((s) => !fences.has(s) && !stops.has(s)));
  return fences.size + stops.size + more.size + 1;
}

/** Every cut that a strip takes, with the pieces it frees. */
export function cutsOfStrip(
  strip: LaidStrip,
): { kind: "rip" | "crosscut"; level: 1 | 2 | 3; setting: Length; pieces: LaidPiece[] }[] {
  const rip = strip.order === "rip";
  const size = stripSize(strip);
  const along = (p: LaidPiece) => (rip ? p.length : p.width);
  const across = (p: LaidPiece) => (rip ? p.width : p.length);
  const all = strip.sections.flatMap((x) => x.pieces);
  return [
    { kind: kindOf(strip.order, 1), level: 1, setting: size, pieces: all },
    ...strip.sections.map((x) => ({
      kind: kindOf(strip.order, 2),
      level: 2 as const,
      setting: x.size,
      pieces: x.pieces,
    })),
    ...strip.sections.flatMap((x) =>
      x.pieces.flatMap((p) => [
        ...(across(p) < size
          ? [{ kind: kindOf(strip.order, 3), level: 3 as const, setting: across(p), pieces: [p] }]
          : []),
        ...(along(p) < x.size
          ? [{ kind: kindOf(strip.order, 2), level: 3 as const, setting: along(p), pieces: [p] }]
          : []),
      ]),
    ),
  ];
}

/** When in the sawing a cut is made: blocks are worked between being crosscut and being sliced. */
export type Step = "section" | "block" | "rip" | "slice" | "crosscut" | "trim";

export function stepOf(cut: { level: 1 | 2 | 3; kind: "rip" | "crosscut" }, order: Order, block: boolean): Step {
  if (cut.level === 3) return "trim";
  if (block) return cut.level === 1 ? "block" : "slice";
  if (order === "crosscut" && cut.level === 1) return "section";
  return cut.kind;
}

/** The settings a layout wants, each said once: a stop used before the rips and again after them counts twice. */
export const settingsOf = (strips: LaidStrip[]): string[] => [
  ...new Set(strips.flatMap((s) => cutsOfStrip(s).map((c) => `${stepOf(c, s.order, false)} ${c.kind} ${c.setting}`))),
];

/** The cuts of one board in the order a person makes them: square the end, cut bad stretches out, then strips, sections and trims. */
export function cutsOf(layout: Layout, board: BoardStock, saw: Saw): Cut[] {
  const cuts: Cut[] = [{ kind: "trim", setting: trims(board, saw).end, count: 1, level: 0 }];
  for (const [from] of board.bad ?? []) cuts.push({ kind: "out", setting: from, count: 1, level: 0 });
  const all = layout.strips.flatMap(cutsOfStrip);
  for (const level of [1, 2, 3] as const)
    for (const { kind, setting } of all.filter((c) => c.level === level)) {
      const same = cuts.find((c) => c.kind === kind && c.setting === setting && c.level === level);
      if (same) same.count++;
      else cuts.push({ kind, setting, count: 1, level });
    }
  return cuts;
}
