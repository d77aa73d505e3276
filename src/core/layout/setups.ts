import type { Length } from "@/core/length/length";
import type { WorkedJob } from "@/core/job/worked";
import type { LayoutResult } from "./layout";
import type { Blank } from "./request";

/** One setting of the saw and everything cut at it. */
export interface SetUp {
  kind: "rip" | "crosscut";
  setting: Length;
  /** Boards ripped (each strip once), or pieces crosscut. */
  count: number;
  boards: number;
  /** Ids of the blanks cut at it, and the parts' names. */
  blanks: string[];
  parts: string[];
  thickness: Length;
  planed: Length;
}

/** All rips at one fence setting together, widest first, then all crosscuts at one stop together, longest first. */
export function setUps(result: LayoutResult): SetUp[] {
  const found = new Map<string, SetUp>();
  for (const { group, result: g } of result.groups) {
    const lying = new Map(group.lying.map((l) => [l.blank.id, l]));
    for (const layout of g.layouts)
      for (const strip of layout.strips) {
        const names = strip.pieces.map((p) => lying.get(p.blank)!);
        add(
          found,
          "rip",
          strip.width,
          layout.repeat,
          layout.repeat,
          names.map((l) => l.blank),
          group.thickness,
          Math.max(...names.map((l) => l.planed)) as Length,
        );
        for (const p of strip.pieces)
          add(found, "crosscut", p.length, layout.repeat, 0, [lying.get(p.blank)!.blank], group.thickness, 0 as Length);
      }
  }
  return [...found.values()].sort((a, b) => (a.kind === b.kind ? b.setting - a.setting : a.kind === "rip" ? -1 : 1));
}

function add(
  found: Map<string, SetUp>,
  kind: SetUp["kind"],
  setting: Length,
  count: number,
  boards: number,
  blanks: Blank[],
  thickness: Length,
  planed: Length,
): void {
  const key = `${kind} ${setting}${kind === "rip" ? ` ${thickness}` : ""}`;
  const s = found.get(key) ?? { kind, setting, count: 0, boards: 0, blanks: [], parts: [], thickness, planed };
  s.count += count;
  s.boards += boards;
  for (const b of blanks) {
    if (!s.blanks.includes(b.id)) s.blanks.push(b.id);
    if (!s.parts.includes(b.name)) s.parts.push(b.name);
  }
  found.set(key, s);
}

/** Fence and stop settings if every line were cut on its own, against the shared ones. */
export function settingsApart(worked: WorkedJob): number {
  return worked.lines.reduce(
    (n, l) =>
      n +
      new Set(l.shape.parts.map((p) => `rip ${p.size.w}`)).size +
      new Set(l.shape.parts.map((p) => `stop ${p.size.l}`)).size,
    0,
  );
}
