import type { Run } from "@/core/plan/runs";
import type { OpenDay } from "@/core/plan/shown";

/** Days side by side, each as wide as the next, with a gap between; a time's place as a part of the whole width. */
export interface Scale {
  days: OpenDay[];
  /** Where a time is; what is between two days is where the later begins. Undefined before the first or after the last. */
  at(clock: number): number | undefined;
  /** What time a place stands for. */
  time(at: number): number;
  /** What is seen of a stretch of time, a piece for each day. */
  pieces(from: number, to: number): { left: number; width: number }[];
}

/** Of a day's width this much is the gap before the next. */
const GAP = 0.07;

export function scaleOf(days: OpenDay[]): Scale {
  const wide = 1 / Math.max(1, days.length);
  const own = wide * (1 - GAP);
  const within = (i: number, clock: number) => {
    const { from, to } = days[i]!;
    return i * wide + (own * Math.min(Math.max(clock - from, 0), to - from)) / (to - from);
  };
  return {
    days,
    at(clock) {
      const i = days.findIndex((d) => clock <= d.to);
      return i < 0 || (i === 0 && clock < days[0]!.from - 1440) ? undefined : within(i, clock);
    },
    time(at) {
      const i = Math.min(days.length - 1, Math.max(0, Math.floor(at / wide)));
      const { from, to } = days[i]!;
      return Math.round(from + Math.min(1, Math.max(0, (at - i * wide) / own)) * (to - from));
    },
    pieces: (from, to) =>
      days.flatMap((d, i) => {
        const [a, b] = [Math.max(from, d.from), Math.min(to, d.to)];
        return a < b ? [{ left: within(i, a), width: within(i, b) - within(i, a) }] : [];
      }),
  };
}

/** A row of the plan. */
export interface PlanRow {
  key: string;
  name: string;
  under: string;
  /** Runs one beside another, as many lanes as are needed so that none lies on another. */
  lanes: Run[][];
}

/** Runs in as few lanes as keep them apart. */
export function lanesOf(runs: Run[]): Run[][] {
  const lanes: Run[][] = [];
  for (const r of runs.toSorted((a, b) => a.startsAt - b.startsAt)) {
    const lane = lanes.find((l) => l.at(-1)!.endsAt <= r.startsAt);
    if (lane) lane.push(r);
    else lanes.push([r]);
  }
  return lanes;
}
