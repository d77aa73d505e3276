import { partLetter } from "@/core/drawing/face";
import { type Stick, storyStick } from "@/core/drawing/stick";
import type { WorkedJob } from "@/core/job/worked";
import { piecesOf } from "@/core/boards/laid";
import { allLayouts, type LayoutResult } from "@/core/layout/layout";
import { type CutPart, cutList } from "@/core/line/cutlist";
import { partKey } from "@/core/line/line";
import { DAY } from "@/core/plan/calendar";
import { type Row, rowsOf } from "@/core/plan/fold";
import type { Plan, Planned } from "@/core/plan/plan";
import type { Operation } from "@/core/work/operation";
import { lotsOf } from "@/core/work/names";
import { operations } from "@/core/work/operations";

/** What goes with a stack of parts through the shop: what it is, where it comes from, and everything it passes. */
export interface Ticket {
  part: CutPart;
  letter: string;
  /** The patterns it is cut from, counted from 1. */
  patterns: number[];
  /** In the order it passes them. */
  passes: Operation[];
}

/** All papers of a job, in the order they are wanted. Without a plan there is no set-up list and no run sheet. */
export interface Batch {
  setUps: { op: Planned; pieces: number }[];
  /** A clock minute of each day, and what is done on it. */
  days: { at: number; rows: Row[] }[];
  parts: CutPart[];
  tickets: Ticket[];
  sticks: Stick[];
}

/** What the label of a stack of parts says to a scanner: the job, the line and the part; in capitals, which make the smallest code. */
export const codeOf = (jobId: number, { part, line }: CutPart): string =>
  `rundik ${jobId}/${line.at}/${part.id}`.toUpperCase();

/** The papers of a job as it is laid out and planned. */
export function batchOf(worked: WorkedJob, result: LayoutResult, plan: Plan | null): Batch {
  const parts = cutList(worked.lines);
  // A lot of clamps is no stop of its own.
  const whole = [...lotsOf(operations(worked, result)).values()].map(([first]) => first!);
  const layouts = allLayouts(result).map(({ layout }) => layout);
  const set = (plan?.operations ?? []).filter((o) => o.settings.length > 0);
  const rows = rowsOf(plan?.operations ?? []);
  const days = [...new Set(rows.map((r) => Math.floor(r.startsAt / DAY)))];
  return {
    // Every setting once, in the order it is set.
    setUps: [...new Map(set.map((o) => [o.whole, o])).values()].map((op) => ({
      op,
      pieces: set.reduce((n, o) => n + (o.whole === op.whole ? o.pieces : 0), 0),
    })),
    days: days.map((d) => ({ at: d * DAY, rows: rows.filter((r) => Math.floor(r.startsAt / DAY) === d) })),
    parts,
    tickets: parts.map((part, i) => ({
      part,
      letter: partLetter(i),
      patterns: layouts.flatMap((l, k) => (piecesOf(l).some((p) => partKey(p.of) === part.id) ? [k + 1] : [])),
      passes: whole.filter((o) => o.parts.has(part.id) || o.joins.some((j) => partKey(j.part) === part.id)),
    })),
    sticks: worked.lines.map((l) => storyStick(worked.lines, l.at)),
  };
}
