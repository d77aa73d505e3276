import { z } from "zod";
import { lengthSchema } from "@/core/length/schema";
import { partIdSchema } from "@/core/line/line";
import { screenOf } from "@/core/keeping/kept";

/** Why a piece was spoiled. */
export const SPOILED = ["split", "knot", "wrong side", "short"] as const;
/** Why work stands still: that time is not the operation's. */
export const STOPPED = ["break", "called away", "machine", "wood"] as const;

const whole = z.number().int().min(1).max(1_000_000);
const minutes = z.number().min(0).max(10_000);

/**
 * Something that happened at the bench with an operation of a job. Each has an id of its own, `screen.number`: sent twice it happened
 * once. `at` is ms since 1970, by the bench's clock.
 */
export const benchEventSchema = z.strictObject({
  id: z.string().regex(/^[\w-]{1,60}\.\d{1,17}$/, 'wanted a screen and a number, like "3f2a.17"'),
  job: z.number().int().min(1),
  /** What the operation is known by in the plan. */
  name: z.string().min(1).max(400),
  at: z.number().int().min(0),
  what: z.discriminatedUnion("do", [
    /** What kind of operation it is, how many pieces it has in all, and the minutes it was planned by. */
    z.strictObject({
      do: z.literal("begin"),
      of: z.strictObject({ kind: z.string().min(1).max(120), all: whole, setup: minutes, each: minutes }).optional(),
    }),
    /** Its time counts for the next estimate, however odd it looks; or it does not. */
    z.strictObject({ do: z.literal("time"), counts: z.boolean() }),
    /** Pieces made; below nothing takes back what was counted too many. */
    z.strictObject({
      do: z.literal("count"),
      n: z.number().int().min(-10_000).max(10_000).refine((n) => n !== 0, "a count of nothing"),
    }), // prettier-ignore
    /** Of so many of what goes through, these parts are no good: as much more of them is cut. */
    z.strictObject({
      do: z.literal("spoil"),
      n: whole,
      why: z.enum(SPOILED),
      of: z.array(partIdSchema).min(1).max(100).optional(),
    }),
    z.strictObject({ do: z.literal("measure"), target: lengthSchema, value: lengthSchema, tolerance: lengthSchema }),
    z.strictObject({ do: z.literal("stop"), why: z.enum(STOPPED) }),
    z.strictObject({ do: z.literal("go on") }),
    /** The bench is set for something else. */
    z.strictObject({ do: z.literal("leave") }),
  ]),
});
export type BenchEvent = z.output<typeof benchEventSchema>;

/** What became of one operation of a job. */
export interface Tally {
  job: number;
  name: string;
  made: number;
  spoiled: { why: (typeof SPOILED)[number]; n: number }[];
  measured: Extract<BenchEvent["what"], { do: "measure" }>[];
  /** Somebody is at it, and does not stand still. */
  running: boolean;
  /** When it was last heard of, ms. */
  at: number;
  /** What it was begun as. */
  of?: Extract<BenchEvent["what"], { do: "begin" }>["of"];
  /** So many times a bench was set for it. */
  setUps: number;
  /** Somebody has said whether its time counts. */
  counts?: boolean;
  /** Minutes worked at it so far, without what it stood still; several benches add up. */
  minutes: number;
}

/** When nothing is heard of a bench for so long, nobody was at it: minutes. */
const NOBODY = 120;

/** Minutes worked between two things that happened at a bench. */
const between = (from: number, to: number): number => {
  const minutes = Math.max(0, to - from) / 60_000;
  return minutes > NOBODY ? 0 : minutes;
};

/** What it is known by among all tallies. */
export const tallyKey = (t: { job: number; name: string }): string => `${t.job} ${t.name}`;

/** What became of each operation, from all that happened, in whatever order it came in; `now` is until when running work counts, ms. */
export function talliesOf(events: BenchEvent[], now: number): Map<string, Tally> {
  const tallies = new Map<string, Tally>();
  /** When a bench that is at an operation was last heard of. */
  const since = new Map<string, number>();
  /** Benches that are set for an operation. */
  const set = new Set<string>();
  for (const { id, job, name, at, what } of events.toSorted((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))) {
    const key = tallyKey({ job, name });
    const t = tallies.get(key) ?? { job, name, made: 0, spoiled: [], measured: [], running: false, at, setUps: 0, minutes: 0 }; // prettier-ignore
    tallies.set(key, t);
    t.at = at;
    const bench = `${key} ${screenOf(id)}`;
    if (since.has(bench)) {
      t.minutes += between(since.get(bench)!, at);
      since.set(bench, at);
    }
    switch (what.do) {
      case "begin":
        if (!set.has(bench)) t.setUps++;
        set.add(bench);
        if (what.of) t.of = what.of;
        since.set(bench, at);
        break;
      case "time":
        t.counts = what.counts;
        break;
      case "go on":
        since.set(bench, at);
        break;
      case "stop":
      case "leave":
        since.delete(bench);
        set.delete(bench);
        break;
      case "count":
        t.made = Math.max(0, t.made + what.n);
        break;
      case "spoil": {
        const same = t.spoiled.find((s) => s.why === what.why);
        if (same) same.n += what.n;
        else t.spoiled.push({ why: what.why, n: what.n });
        break;
      }
      case "measure":
        t.measured.push(what);
    }
  }
  for (const [bench, from] of since) {
    const t = [...tallies].find(([key]) => bench.startsWith(`${key} `))![1];
    t.running = true;
    t.minutes += between(from, now);
  }
  return tallies;
}
