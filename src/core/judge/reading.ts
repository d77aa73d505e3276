import { lengthWithUnit } from "@/core/length/format";
import { inch, type Length, nm, type Units } from "@/core/length/length";

/** Tolerances at the bench [trade]: joints ±1/64, lengths that set a bee space ±1/32, outside faces ±1/16. */
export const TOLERANCE = { joint: inch(0, 1, 64), gap: inch(0, 1, 32), outside: inch(0, 1, 16) };

/** A gauge reading of a piece against its target, nm. */
export interface Measurement {
  subject: string;
  target: Length;
  value: Length;
  at: string;
}

export interface Judged {
  state: "good" | "nudge" | "stop";
  /** How far over (positive) or under. */
  off: Length;
  text: string;
}

/** Judges a first piece: carry on, nudge the fence or stop by so much, or stop and look. */
export function judgeReading(
  target: Length,
  value: Length,
  tolerance: Length,
  units: Units,
  moves: "fence" | "stop" | "cutter",
): Judged {
  const off = nm(value - target);
  const size = nm(Math.abs(off));
  const say = lengthWithUnit(size, units);
  if (size <= tolerance)
    return {
      state: "good",
      off,
      text: size === 0 ? "spot on, carry on" : `${say} ${off > 0 ? "over" : "under"}, good, carry on`,
    };
  if (size <= 8 * tolerance)
    return {
      state: "nudge",
      off,
      text: `${say} ${off > 0 ? "over" : "under"}: move the ${moves} ${off > 0 ? "in" : "out"} by ${say}`,
    };
  return {
    state: "stop",
    off,
    text: `${say} ${off > 0 ? "over" : "under"}: stop, check what was set and what was measured`,
  };
}
