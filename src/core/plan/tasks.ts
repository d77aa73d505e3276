import { settingsKey, type Station } from "@/core/feature/machine";
import { handsOf, type Workshop } from "@/core/shop/shop";
import { lotsOf, namesOf } from "@/core/work/names";
import type { Operation } from "@/core/work/operation";
import type { PartId } from "@/core/line/line";
import { DAY } from "./calendar";
import type { Hands } from "./hands";

/** What a plan has to know of an operation. */
export type Work = Pick<
  Operation,
  "id" | "name" | "kind" | "station" | "line" | "lot" | "pieces" | "people" | "setup" | "each" | "share" | "wait" | "after" | "settings" // prettier-ignore
> & {
  /** What goes through, in words; its caution; whether its minutes are a guess. */
  of?: string;
  caution?: string;
  guess?: boolean;
  step?: string | undefined;
  measure: readonly unknown[];
  /** Keys of the things it takes up: boards, hardware, finish. */
  takes?: string[];
  /** The cut is to lie in the middle. */
  centred?: boolean;
  /** The boards it is the first to work, and parts that go through, in words. */
  from?: string[];
  ofParts?: { of: PartId; name: string }[];
};

/** What a plan has to know of the shop. */
export type PlanShop = Pick<Workshop, "people" | "staff" | "days" | "hours" | "closed" | "stations">;

/** A job that is to be planned; clock minutes. */
export interface ToPlan {
  job: number;
  /** It does not begin earlier. */
  from: number;
  /** The end of the day it is due. */
  due: number | null;
  work: Work[];
  /** What an operation waits for, by its id: wood that comes on a day. */
  comes?: Record<string, number>;
}

/** All lots of one operation of a job, in the order of their pieces. */
export interface Family {
  /** The place of its job among those planned. */
  job: number;
  /** The operation, or the first of its lots. */
  work: Work;
  /** What it is known by from one plan to the next, though its number changes. */
  name: string;
  station: number;
  people: number;
  /** The set-up it needs on a machine; −1 needs none, or has its own at each beginning. */
  key: number;
  setUp: number;
  /** Minutes left of all its lots, without a set-up that may be shared. */
  minutes: number;
  /** So many pieces go through, in so many lots at least. */
  pieces: number;
  /** One piece of it, or all of a lot that stands. */
  least: number;
  release: number;
  /** Families before it; `whole` waits for the last piece of them. */
  after: { family: number; whole: boolean }[];
  next: number[];
  tasks: number[];
}

/** One lot of an operation: the pieces from one number up to another go through a station together. */
export interface Task {
  id: string;
  family: number;
  /** The operation it is, or is a part of. */
  op: string;
  from: number;
  to: number;
  /** The same, counted in its operation. */
  pieces: [from: number, to: number];
  /** Minutes of it, and what is left of them. */
  all: number;
  minutes: number;
  after: number[];
  next: number[];
  /** Its place among those of its family. */
  lot: number;
}

/** A task that was begun: where and by whom, until when, and whether it is done. */
export interface Begun {
  start: number;
  end: number;
  done: boolean;
  unit: number;
  who: number[];
  setUp: boolean;
}

/** A shop's work as tasks, and what they are done at. */
export interface Instance {
  jobs: ToPlan[];
  families: Family[];
  tasks: Task[];
  stations: { name: Station; count: number; held: boolean; able: number[] }[];
  hands: Hands;
  /** Nothing begins earlier. */
  now: number;
  lots: Lots;
  /** What has begun, by its task: it stands where it is. */
  begun: ReadonlyMap<number, Begun>;
}

/**
 * How work is cut into lots: a job's sublots, the same for all its operations, the first and the last of so many minutes of its work, each
 * between `growth` times its neighbour until they are `parts` of the whole (consistent sublots, geometric at both ends: Trietsch and Baker
 * 1993); and no lot longer than `most` minutes.
 */
export interface Lots {
  first: number;
  growth: number;
  parts: number;
  most: number;
}

/** Where the sublots of each job end, as parts of the whole: a job that is a part of the shop's work is cut into that part as many. */
export function sublotsOf(jobs: ToPlan[], lots: Lots): number[][] {
  const minutes = jobs.map(({ work }) => work.reduce((n, w) => n + w.each * w.share * w.pieces, 0));
  const all = minutes.reduce((a, b) => a + b, 0);
  return minutes.map((m) => {
    const share = all > 0 ? m / all : 1;
    return sublots(m, { ...lots, growth: share > 0.5 ? lots.growth : 1, parts: Math.max(1, Math.round(lots.parts * share)) }); // prettier-ignore
  });
}

/** Where a job's sublots end, as parts of the whole. */
function sublots(minutes: number, { first, growth, parts }: Lots): number[] {
  const [least, most] = [first / Math.max(first, minutes), 1 / parts];
  const ramp: number[] = [];
  for (let [size, sum] = [least, 0]; growth > 1 && size < most && sum + size < 0.5 - most / 2; size *= growth) {
    ramp.push(size);
    sum += size;
  }
  const middle = 1 - 2 * ramp.reduce((a, b) => a + b, 0);
  const even = Math.max(1, Math.round(middle / most));
  let end = 0;
  return [...ramp, ...Array.from({ length: even }, () => middle / even), ...ramp.toReversed()].map((size) => (end += size));
} // prettier-ignore

/** Lots are no shorter than gives about so many tasks in all: more take longer to plan than they are worth. */
const MOST_TASKS = 1200;

/** Stations that are only room for a person: as many work there as there are. */
const MANNED: readonly Station[] = ["bench", "frame jig", "finish"];
/** Stations that are taken for as long as what stands in them waits. */
const HELD: readonly Station[] = ["clamps"];
/** Stations where another setting is another set-up, and the same one none. */
const isMachine = (station: Station) => !MANNED.includes(station) && !HELD.includes(station);

/** How many there are of a station. */
export const countOf = (station: Station, shop: Pick<Workshop, "stations" | "people" | "staff">): number =>
  shop.stations[station] ?? (MANNED.includes(station) ? handsOf(shop) : 1);

/** The set-up a machine needs for an operation: of two that are the same the second needs none. */
const keyOf = ({ station, kind, settings }: Work): string => `${station}: ${kind}, ${settingsKey(settings)}`;

/**
 * The lots of all jobs. Those that clamps and jigs give stay; others are cut, so that what is done flows on before the whole is: item k of an operation needs item k of the one before, counted as a part of the whole. A fitting that is measured waits for all.
 */
export function instanceOf(jobs: ToPlan[], shop: PlanShop, hands: Hands, now: number, lots: Lots): Instance {
  const stations: Instance["stations"] = [];
  const stationAt = (name: Station) => {
    const at = stations.findIndex((s) => s.name === name);
    if (at >= 0) return at;
    return stations.push({ name, count: countOf(name, shop), held: HELD.includes(name), able: hands.able(name) }) - 1;
  };
  const keys = new Map<string, number>();
  const families: Family[] = [];
  const tasks: Task[] = [];
  const cuts = sublotsOf(jobs, lots);
  const all = jobs.reduce((n, { work }) => n + work.reduce((m, w) => m + w.each * w.share * w.pieces, 0), 0);
  const most = Math.max(lots.most, all / MOST_TASKS);
  for (const [job, { work, from, comes = {} }] of jobs.entries()) {
    const of = lotsOf(work);
    const names = namesOf(work);
    const place = new Map<string, number>();
    for (const own of of.values()) {
      const [first] = own as [Work, ...Work[]];
      const machine = isMachine(first.station);
      const key = machine ? (keys.get(keyOf(first)) ?? keys.size) : -1;
      if (machine) keys.set(keyOf(first), key);
      const station = stationAt(first.station);
      const run = (w: Work) => Math.ceil((machine ? 0 : w.setup) + w.each * w.share * w.pieces);
      const family: Family = {
        job,
        work: first,
        name: names.get(first.id)!,
        station,
        people: Math.min(hands.most(first.station, first.people), first.people),
        key,
        setUp: machine ? first.setup : 0,
        minutes: own.reduce((n, w) => n + run(w), 0),
        pieces: own.reduce((n, w) => n + w.pieces, 0),
        least: own.length > 1 ? Math.min(...own.map(run)) : first.each * first.share,
        release: Math.max(from, now, ...own.map((w) => comes[w.id] ?? 0)),
        after: [],
        next: [],
        tasks: [],
      };
      const at = families.push(family) - 1;
      let done = 0;
      for (const w of own) {
        place.set(w.id, at);
        const total = run(w);
        const ends = own.length > 1 || w.each === 0 ? [w.pieces] : endsIn(w, total, cuts[job]!, most);
        // Whole pieces, and whole minutes that add up; a set-up of its own comes with the first.
        const set = machine ? 0 : Math.min(total, Math.ceil(w.setup));
        const upTo = (n: number) => (n === 0 ? 0 : n === w.pieces ? total : set + Math.round(((total - set) * n) / w.pieces)); // prettier-ignore
        for (const [p, b] of ends.entries()) {
          const a = ends[p - 1] ?? 0;
          family.tasks.push(tasks.length);
          tasks.push({
            id: `${jobs[job]!.job}:${w.id}${ends.length > 1 ? `/${p + 1}` : ""}`,
            family: at,
            op: w.id,
            from: done + a,
            // What takes no longer for more is done with the first.
            to: w.each === 0 ? Math.min(1, w.pieces) : done + b,
            pieces: [a, b],
            all: upTo(b) - upTo(a),
            minutes: upTo(b) - upTo(a),
            after: [],
            next: [],
            lot: family.tasks.length - 1,
          });
        }
        done += w.pieces;
      }
    }
    for (const own of of.values()) {
      const at = place.get(own[0]!.id)!;
      const family = families[at]!;
      const before = new Set(own.flatMap((w) => w.after.flatMap((a) => place.get(a) ?? [])));
      before.delete(at);
      for (const b of before) {
        // What is measured on the made thing, and what is done once before the others, is waited for.
        const whole = own.some((w) => w.measure.length > 0) || families[b]!.work.each === 0;
        family.after.push({ family: b, whole });
        families[b]!.next.push(at);
      }
    }
  }
  for (const family of families)
    for (const { family: b, whole } of family.after) {
      const before = families[b]!;
      let begin = 0;
      for (const t of family.tasks) {
        while (!whole && begin < before.tasks.length && !endsAfter(tasks[before.tasks[begin]!]!, before, tasks[t]!, family)) begin++; // prettier-ignore
        for (let k = whole ? 0 : begin; k < before.tasks.length; k++) {
          const p = before.tasks[k]!;
          if (!whole && !endsAfter(tasks[t]!, family, tasks[p]!, before)) break;
          tasks[t]!.after.push(p);
          tasks[p]!.next.push(t);
        }
      }
    }
  return { jobs, families, tasks, stations, hands, now, lots, begun: new Map() };
}

/** Up to which piece each lot of an operation goes: to the ends of sublots, and between them in parts no longer than is said. */
function endsIn(w: Work, total: number, cuts: number[], most: number): number[] {
  const ends: number[] = [];
  for (const cut of cuts) {
    const [from, to] = [ends.at(-1) ?? 0, Math.min(w.pieces, Math.ceil(w.pieces * cut - 1e-9))];
    const parts = Math.max(1, Math.min(to - from, Math.ceil(((to - from) * total) / w.pieces / most)));
    for (let p = 1; p <= parts; p++) {
      const end = from + Math.ceil(((to - from) * p) / parts);
      if (end > (ends.at(-1) ?? 0)) ends.push(end);
    }
  }
  return ends.at(-1) === w.pieces ? ends : [...ends.slice(0, -1), w.pieces];
}

/** True where a lot ends after another begins, as parts of the wholes they are of. */
const endsAfter = (a: Task, of: Family, b: Task, ofB: Family): boolean => a.to * ofB.pieces > b.from * of.pieces;

/** Clock minutes that a worked one takes, over a week. */
export function stretchOf({ hands, now }: Instance): number {
  const all = hands.any(Array.from({ length: hands.count }, (_, p) => p), 1); // prettier-ignore
  const weeks = 4 * 7 * DAY;
  return weeks / Math.max(1, all.workedBy(now + weeks) - all.workedBy(now));
}
