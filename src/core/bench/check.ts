import type { Setting } from "@/core/feature/machine";
import { type Length, inch, nm } from "@/core/length/length";

/** How far off the target a piece may be, either way [trade]: joints 1/64, lengths and widths that a bee space hangs on 1/32. */
export const toleranceOf = (s: Setting): Length => (s.kind === "fence" || s.kind === "stop" ? inch(0, 1, 32) : inch(0, 1, 64)); // prettier-ignore

/** A setting that is a length. */
type Measured = Exclude<Setting, { kind: "angle" }>;

/** What can be measured of a first piece: a setting that is a length of the piece itself; of a cut in the middle where it lies. */
export function targetOf(settings: Setting[], centred = false): Measured | undefined {
  const all = settings.flatMap((s) => (s.kind === "angle" || s.kind === "take off" ? [] : [s]));
  return (centred ? all.find((s) => s.kind === "from edge" || s.kind === "from end") : undefined) ?? all[0];
}

/** Where a cut that should be in the middle lies, from what is left of the piece on both its sides: it is off by half of their difference. */
export const centredAt = (target: Length, fence: Length, other: Length): Length => nm(target + Math.round((fence - other) / 2)); // prettier-ignore

/** What to do after a piece was measured. */
export type Advice =
  | { say: "good" }
  /** Set it by so much more, or less where it is below nothing; measure the next. */
  | { say: "nudge"; by: Length }
  /** So far off that a setting was misread, or something slipped: do not go on before it is found. */
  | { say: "stop" };

/** More than so many times the tolerance off is no nudge. */
const WILD = 6;

/** What to do with a piece that came out at one length where another was wanted. A nudge takes back all of the difference. */
export function adviceOf(target: Length, tolerance: Length, value: Length): Advice {
  const off = value - target;
  if (Math.abs(off) <= tolerance) return { say: "good" };
  return Math.abs(off) > WILD * tolerance ? { say: "stop" } : { say: "nudge", by: nm(-off) };
}

/** What a run of measured pieces says. */
export type Drift =
  | { say: "few" }
  | { say: "steady" }
  | { say: "drifts"; way: 1 | -1; /** So many more pieces that are measured, and one would be off. */ left: number }
  | { say: "off"; way: 1 | -1 };

/** So many are wanted before anything is said of a run, and looked back at. */
const [FEW, LOOK] = [4, 8];

/**
 * Calls drift before pieces are bad. Pre-control (Satterthwaite 1954): the middle half of the tolerance is fine, two on end in the same outer
 * quarter are not; and a line through the last pieces that leaves the tolerance within as many more (least squares).
 */
export function driftOf(values: Length[], target: Length, tolerance: Length): Drift {
  const all = values.map((v) => (v - target) / tolerance);
  // What was off was set again: a new run begins with the next.
  const off = all.slice(all.slice(0, -1).findLastIndex((v) => Math.abs(v) > 1) + 1);
  const last = off.at(-1);
  if (last === undefined) return { say: "few" };
  if (Math.abs(last) > 1) return { say: "off", way: last > 0 ? 1 : -1 };
  const before = off.at(-2);
  const slope = slopeOf(off.slice(-LOOK));
  const way = slope.by > 0 ? 1 : -1;
  const left = slope.by === 0 ? Infinity : Math.ceil((way - slope.at) / slope.by);
  if (before !== undefined && Math.abs(last) > 0.5 && Math.abs(before) > 0.5 && Math.sign(last) === Math.sign(before)) return { say: "drifts", way: last > 0 ? 1 : -1, left: Math.max(1, Math.min(left, LOOK)) }; // prettier-ignore
  if (off.length < FEW) return { say: "few" };
  // A slope that chance makes of scatter is none: it has to be more than twice its own error.
  return Math.abs(slope.by) > 2 * slope.error && left <= LOOK ? { say: "drifts", way, left: Math.max(1, left) } : { say: "steady" }; // prettier-ignore
}

/** The line through values one after another by least squares: how much a step is, its standard error, and where the line is at the last. */
function slopeOf(y: number[]): { by: number; error: number; at: number } {
  const n = y.length;
  if (n < 2) return { by: 0, error: 0, at: y[0] ?? 0 };
  const [mx, my] = [(n - 1) / 2, y.reduce((a, b) => a + b, 0) / n];
  const sxx = y.reduce((s, _, i) => s + (i - mx) ** 2, 0);
  const by = y.reduce((s, v, i) => s + (i - mx) * (v - my), 0) / sxx;
  const rest = y.reduce((s, v, i) => s + (v - my - by * (i - mx)) ** 2, 0);
  return { by, error: n > 2 ? Math.sqrt(rest / (n - 2) / sxx) : Infinity, at: my + by * mx };
}
