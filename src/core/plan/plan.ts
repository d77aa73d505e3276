import type { Station } from "@/core/feature/machine";
import { canWork, handsOf, presence, type Workshop } from "@/core/shop/shop";
import type { WorkedJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import { type Calendar, calendar, clockText } from "./calendar";
import type { Operation } from "@/core/work/operation";
import { push } from "./lists";
import { Ready } from "./ready";
import { isSkilled, Skills } from "./skills";
import { Usage } from "./usage";
import { operations } from "@/core/work/operations";
import { toMm } from "@/core/length/format";
import { partKey } from "@/core/line/line";

/** An operation with its place in the calendar; clock minutes, local. */
export interface Planned extends Operation {
  startsAt: number;
  endsAt: number;
}

export interface Plan {
  operations: Planned[];
  /** When the last piece is done and dry. */
  finish: number;
  /** No plan in these hours with these people can finish earlier. */
  bound: number;
  due?: string;
  late: boolean;
}

/** A job without a start date cannot be planned. */
export class PlanError extends Error {
  override name = "PlanError";
}

const DAY = 24 * 60;

/** Stations that are only room for a person: as many work there as there are. */
const MANNED = ["bench", "clamps", "frame jig", "finish"];

/** Plans a job from its start date. @throws PlanError when it has none. */
export function planOf(worked: WorkedJob, layout: LayoutResult): Plan {
  const { start, due, workshop } = worked.job;
  if (!start) throw new PlanError('start: missing; a plan needs the day work starts, like "2027-02-08"');
  const cal = calendar(start, workshop);
  const ops = operations(worked, layout);
  let best: Planned[] | undefined;
  const end = (list: Planned[]) => Math.max(0, ...list.map((o) => o.endsAt + o.wait));
  for (const order of priorities(ops)) {
    const tried = scheduleInOrder(ops, order, cal, workshop);
    if (!best || end(tried) < end(best)) best = tried;
  }
  const planned = (best ?? []).sort((a, b) => a.startsAt - b.startsAt || a.id.localeCompare(b.id));
  const finish = planned.length > 0 ? end(planned) : cal.toClock(0, "start");
  const dueEnd = due ? Date.parse(`${due}T00:00:00Z`) / 60_000 + DAY : Infinity;
  return {
    operations: planned,
    finish,
    bound: Math.min(finish, boundOf(ops, cal, workshop)),
    due,
    late: finish > dueEnd,
  };
}

/** How long the rest of the job takes after each operation starts, at least. */
function tails(ops: Operation[]): Map<string, number> {
  const next = new Map<string, Operation[]>();
  for (const o of ops) for (const a of o.after) push(next, a, o);
  const tail = new Map<string, number>();
  for (const o of [...ops].reverse())
    tail.set(o.id, o.minutes + o.wait + Math.max(0, ...(next.get(o.id) ?? []).map((n) => tail.get(n.id) ?? 0)));
  return tail;
}

/** A few orders worth trying: as written, longest tail first, and that one nudged. */
function priorities(ops: Operation[]): ((o: Operation) => number)[] {
  const tail = tails(ops);
  const place = new Map(ops.map((o, i) => [o.id, i]));
  return [
    (o) => tail.get(o.id)!,
    (o) => -place.get(o.id)!,
    (o) => tail.get(o.id)! - 2 * o.minutes,
    (o) => tail.get(o.id)! + o.wait * 10,
  ];
}

/** Serial list scheduling: the ready operation that matters most takes the first time its station and a person are free. */
function scheduleInOrder(
  ops: Operation[],
  weight: (o: Operation) => number,
  cal: Calendar,
  workshop: Workshop,
): Planned[] {
  const done = new Map<string, Planned>();
  const busy = new Map<string, Usage>();
  const people = handsOf(workshop);
  const there = absences(workshop, cal, ops);
  const hands = there.usage;
  const capacity = (station: Station) => workshop.stations[station] ?? (MANNED.includes(station) ? people : 1);
  const ready = new Ready(ops, weight);
  for (let o = ready.take(); o; o = ready.take()) {
    const earliest = Math.max(0, ...o.after.map((a) => cal.toWorked(done.get(a)!.endsAt + done.get(a)!.wait)));
    const station = busy.get(o.station) ?? new Usage();
    busy.set(o.station, station);
    const wanted = there.most(Math.min(o.people, people), o.minutes);
    const needsOne = there.isWorkable(o.station, o.minutes);
    let from = earliest;
    for (let before = -1; before !== from;) {
      before = from;
      from = hands.firstFree(station.firstFree(from, o.minutes, capacity(o.station)), o.minutes, people - wanted + 1);
      if (needsOne) from = there.skills.firstFree(from, o.minutes, o.station);
    }
    station.use(from, from + o.minutes, 1);
    hands.use(from, from + o.minutes, wanted);
    if (needsOne) there.skills.use(from, from + o.minutes, o.station);
    done.set(o.id, { ...o, startsAt: cal.toClock(from, "start"), endsAt: cal.toClock(from + o.minutes, "end") });
    ready.finish(o);
  }
  if (done.size < ops.length)
    throw new PlanError(
      `operations wait for each other: ${ops.filter((o) => !done.has(o.id)).map((o) => o.id).slice(0, 20).join(", ")}`, // prettier-ignore
    );
  return [...done.values()];
}

/** Worked minutes that are looked ahead for who is off. */
const AHEAD = 400 * DAY;

interface There {
  /** Those who are off count as busy. */
  usage: Usage;
  skills: Skills;
  /** How many of those wanted are ever in for so long on end; what wants more is done by those who are. */
  most(wanted: number, minutes: number): number;
  /** True where only some can work a station, and one of them is ever in for so long on end; if none is, whoever is in does it. */
  isWorkable(station: Station, minutes: number): boolean;
}

/** Who is there, over worked time. */
function absences(workshop: Workshop, cal: Calendar, ops: Operation[]): There {
  const { staff } = workshop;
  const [usage, skills] = [new Usage(), new Skills(staff)];
  const people = handsOf(workshop);
  if (staff.length === 0) return { usage, skills, most: (wanted) => wanted, isWorkable: () => false };
  const work = ops.reduce((s, o) => s + o.minutes, 0);
  const horizon = Math.min(AHEAD, 3 * work + 30 * DAY);
  const skilled = [...new Set(ops.map((o) => o.station))].filter((s) => isSkilled(staff, s));
  const ableAt = new Map(skilled.map((s) => [s, staff.flatMap((p, i) => (canWork(p, s) ? [i] : []))]));
  /** The longest stretch for which so many are in, or one who can work a station. */
  const longest = new Map<number | Station, number>();
  const since = new Map<number | Station, number>();
  const stretch = (of: number | Station, holds: boolean, from: number, to: number) => {
    if (!holds) return void since.delete(of);
    since.set(of, since.get(of) ?? from);
    longest.set(of, Math.max(longest.get(of) ?? 0, to - since.get(of)!));
  };
  for (let w = 0; w < horizon;) {
    const clock = cal.toClock(w, "start");
    const date = new Date(clock * 60_000).toISOString().slice(0, 10);
    const midnight = clock - (clock % DAY);
    const spans = presence(workshop, date);
    const edges = [...new Set(spans.flat(2))].toSorted((a, b) => a - b);
    for (const [i, a] of edges.entries()) {
      const b = edges[i + 1];
      if (b === undefined) continue;
      const present = spans.flatMap((s, at) => (s.some(([x, y]) => x <= a && b <= y) ? [at] : []));
      if (present.length === 0) continue;
      const [from, to] = [cal.toWorked(midnight + a), cal.toWorked(midnight + b)];
      usage.use(from, to, people - present.length);
      skills.isIn(from, to, present);
      for (let n = 1; n <= people; n++) stretch(n, n <= present.length, from, to);
      for (const [s, able] of ableAt) stretch(s, able.some((p) => present.includes(p)), from, to); // prettier-ignore
    }
    w = cal.toWorked(midnight + DAY);
  }
  const most = (wanted: number, minutes: number) => {
    for (let n = wanted; n > 1; n--) if ((longest.get(n) ?? 0) >= minutes) return n;
    return 1;
  };
  return { usage, skills, most, isWorkable: (s, minutes) => ableAt.has(s) && (longest.get(s) ?? 0) >= minutes };
}

/** The longest of: the longest chain without waiting for stations, the fullest station, all work over all people. */
function boundOf(ops: Operation[], cal: Calendar, workshop: Workshop): number {
  const people = handsOf(workshop);
  const alone = new Map<string, number>();
  for (const o of ops) {
    const from = Math.max(0, ...o.after.map((a) => cal.toWorked(alone.get(a)!)));
    alone.set(o.id, cal.toClock(from + o.minutes, "end") + o.wait);
  }
  const load = (pick: (o: Operation) => boolean) => ops.filter(pick).reduce((s, o) => s + o.minutes, 0);
  const stations = [...new Set(ops.map((o) => o.station))].filter((s) => !MANNED.includes(s));
  const fullest = Math.max(
    0,
    ...stations.map((s) => Math.ceil(load((o) => o.station === s) / (workshop.stations[s] ?? 1))),
    Math.ceil(load(() => true) / people),
  );
  return Math.max(0, ...alone.values(), cal.toClock(fullest, "end"));
}

/** The plan as the contract's document; times ISO 8601, local. */
export function planDocument(plan: Plan) {
  return {
    operations: plan.operations.map((o) => ({
      id: o.id,
      name: o.name,
      station: o.station,
      lot: o.lot,
      of: o.of,
      pieces: o.pieces,
      minutes: o.minutes,
      people: o.people,
      start: clockText(o.startsAt),
      end: clockText(o.endsAt),
      after: o.after,
      makes: o.makes.map((m) => ({ ...m, part: partKey(m.part) })),
      joins: o.joins.map((j) => ({ ...j, part: partKey(j.part) })),
      // To a thousandth: sums of areas are no counts.
      uses: o.uses.map(({ what, quantity, unit }) => ({ what, quantity: Math.round(quantity * 1000) / 1000, unit })),
      settings: o.settings.map((s) => (s.kind === "angle" ? s : { kind: s.kind, valueMm: toMm(s.value) })),
      how: o.how,
      ...(o.measure.length > 0 ? { measure: o.measure.map((m) => ({ ...m, part: partKey(m.part) })) } : {}),
      ...(o.check ? { check: o.check } : {}),
      ...(o.caution ? { caution: o.caution } : {}),
    })),
    finish: clockText(plan.finish),
    bound: clockText(plan.bound),
    due: plan.due ?? null,
    late: plan.late,
  };
}
