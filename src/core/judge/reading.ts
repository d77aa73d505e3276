import { z } from "zod";
import { lengthWithUnit } from "@/core/length/format";
import { lengthSchema } from "@/core/length/schema";
import { inch, type Length, nm, type Units } from "@/core/length/length";

/** Tolerances at the bench [trade]: joints ±1/64, lengths that set a bee space ±1/32, outside faces ±1/16. */
export const TOLERANCE = { joint: inch(0, 1, 64), gap: inch(0, 1, 32), outside: inch(0, 1, 16) };

/** A gauge reading of a piece against its target, nm; `at` is when, as ISO text. */
export const readingSchema = z.lazy(() =>
  z.strictObject({
    subject: z.string().min(1).max(120),
    target: lengthSchema,
    value: lengthSchema,
    at: z.iso.datetime(),
  }),
);
export type Reading = z.output<typeof readingSchema>;

/** So many are kept of a job, the newest. */
export const MOST_READINGS = 500;

/** What a reading of a made box is of: the place of its line, and which of its sizes. */
export const madeSubject = (line: number, name: string): string => `made ${line} ${name}`;

/** Readings of made boxes name their line: those of a line that goes are let go, those of later lines follow it up. */
export function readingsWithoutLine(readings: Reading[], at: number): Reading[] {
  return readings.flatMap((r) => {
    const [, line, name] = /^made (\d+) (.+)$/.exec(r.subject) ?? [];
    if (line === undefined || Number(line) < at) return [r];
    return Number(line) === at ? [] : [{ ...r, subject: madeSubject(Number(line) - 1, name!) }];
  });
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
