import type { Length } from "@/core/length/length";
import type { WorkedLine } from "@/core/line/shapes";
import { cutsOfStrip, type Step, stepOf } from "./cuts";
import type { LayoutResult } from "./layout";
import { type Blank, SHAVING } from "./request";

/**
 * One setting of the saw and everything cut at it. In sawing order: `section` crosscuts that come before any rip, and
 * `block` ones whose blocks are worked before they are sliced; `rip`; `slice` off a block; `crosscut` to length; `trim`.
 */
export interface SetUp {
  step: Step;
  kind: "rip" | "crosscut";
  setting: Length;
  /** Strips ripped, sections or pieces crosscut. */
  count: number;
  boards: number;
  /** Ids of the blanks cut at it, and the parts' names. */
  blanks: string[];
  parts: string[];
  thickness: Length;
  planed: Length;
}

const ORDER: Step[] = ["section", "block", "rip", "slice", "crosscut", "trim"];

/** All cuts at one fence or stop setting together, for the whole job; widest and longest first within a step. */
export function setUps(result: LayoutResult): SetUp[] {
  const found = new Map<string, SetUp>();
  for (const { group, result: g } of result.groups) {
    const lying = new Map(group.lying.map((l) => [l.blank.id, l]));
    for (const layout of g.layouts)
      for (const strip of layout.strips) {
        for (const cut of cutsOfStrip(strip)) {
          const cutFor = cut.pieces.map((p) => lying.get(p.blank)!);
          const block = strip.order === "crosscut" && cutFor.every((l) => l.blank.block && l.onEdge);
          const step = stepOf(cut, strip.order, block);
          // A board thicker than its group is planed down to it as well.
          const over = result.request.stock[layout.stock]!.thickness - group.thickness;
          const taken = Math.max(...cutFor.map((l) => l.planed + over));
          const planed = (step === "rip" || step === "block") && taken >= SHAVING ? taken : 0;
          add(
            found,
            {
              step,
              kind: cut.kind,
              setting: cut.setting,
              count: layout.repeat,
              boards: cut.level === 1 ? layout.repeat : 0,
              thickness: group.thickness,
              planed: planed as Length,
            },
            cutFor.map((l) => l.blank),
          );
        }
      }
  }
  return [...found.values()].sort((a, b) => ORDER.indexOf(a.step) - ORDER.indexOf(b.step) || b.setting - a.setting);
}

function add(found: Map<string, SetUp>, s: Omit<SetUp, "blanks" | "parts">, blanks: Blank[]): void {
  const onBoard = s.step === "rip" || s.step === "block" || s.step === "slice";
  const key = `${s.step} ${s.kind} ${s.setting}${onBoard ? ` ${s.thickness}` : ""}`;
  const at = found.get(key) ?? { ...s, count: 0, boards: 0, blanks: [], parts: [] };
  at.count += s.count;
  at.boards += s.boards;
  at.planed = Math.max(at.planed, s.planed) as Length;
  for (const b of blanks) {
    if (!at.blanks.includes(b.id)) at.blanks.push(b.id);
    if (!at.parts.includes(b.name)) at.parts.push(b.name);
  }
  found.set(key, at);
}

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
