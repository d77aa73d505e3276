import type { Length } from "@/core/length/length";
import type { Working } from "@/core/formula/scope";

export type State = "ok" | "care" | "stop";
export type GapState = "glues" | "open" | "bridges";

/** What a fit rule says. `allowed` is the ok band; null is no limit on that side. */
export interface Finding {
  rule: string;
  label: string;
  line: number;
  /** The line it is held against, where it is held against several. */
  with?: number;
  state: State;
  gapState?: GapState;
  value: Length;
  allowed: [Length | null, Length | null];
  /** One sentence in the trade's words, with the number. */
  text: string;
  /** The standard has it by itself: nothing this job did. */
  ofStandard?: boolean;
  /** What to change; empty when nothing need be. */
  advice: string;
  working: Working;
  /** For a figure that is no length: how it reads, and its size in mm² or mm³. */
  figure?: { text: string; mm: number };
  /** The bands a gap is judged by, when it is a bee space. */
  bands?: Bands;
}

/** Bee-space bands: glues < `glues` ≤ care < `open[0]` ≤ open ≤ `open[1]` < care ≤ `bridges` < bridges. */
export interface Bands {
  glues: Length;
  open: [Length, Length];
  bridges: Length;
}

/** How grave each state is. */
export const RANK: Record<State, number> = { ok: 0, care: 1, stop: 2 };

/** The worst of a list, for a one-line summary. */
export function worst(findings: Finding[]): State {
  return findings.reduce<State>((w, f) => (RANK[f.state] > RANK[w] ? f.state : w), "ok");
}
