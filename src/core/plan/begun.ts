import { dayOf } from "./calendar";
import type { Begun, Instance } from "./tasks";
import type { Block, WholeAsk } from "./block";

/** The first day of hours that have to be known: of a plan, or of one that stood before it. */
export const dayFrom = (now: number, was: Block[]): string => dayOf(Math.min(now, ...was.map((b) => b.startsAt)));

/** What each lot was in an earlier plan: the same pieces of the same operation, or the one that held its first piece. */
export function earlierOf({ jobs, families, tasks }: Instance, blocks: Block[]): (Block | undefined)[] {
  const known = new Map<string, Block[]>();
  for (const b of blocks) {
    const key = `${b.job} ${b.name}`;
    known.set(key, [...(known.get(key) ?? []), b]);
  }
  for (const list of known.values()) list.sort((a, b) => a.lot - b.lot);
  return tasks.map(({ family, lot }) => {
    const { job, name, tasks: own } = families[family]!;
    const list = known.get(`${jobs[job]!.job} ${name}`);
    return list && list[Math.min(list.length - 1, Math.floor((lot * list.length) / own.length))];
  });
}

/** Something may be going on now: where, by whom, and how sure that is. */
type MayRun = Omit<Begun, "done"> & { task: number; left: number; heard: number };

/**
 * An instance as the shop stands: of a job that was counted at the bench, what was counted is made; of another, what an earlier plan had
 * begin by now has begun. What is made leaves no minutes. One lot goes on at each station, and one with each of the people: the one last
 * heard of there, if all it is made of is there. Of another that is made in part the rest is still to be begun.
 */
export function asItStands(instance: Instance, { made, now }: WholeAsk, was: Block[]): Instance {
  const { jobs, families, stations, hands } = instance;
  const earlier = earlierOf(instance, was);
  const begun = new Map<number, Begun>();
  const mayRun: MayRun[] = [];
  /** When a bench was last heard of at each station. */
  const heardAt = new Map<string, number>();
  const tasks = instance.tasks.map((task, t) => {
    const { from, to, all, family } = task;
    const { job, name, station: at, setUp } = families[family]!;
    const station = stations[at]!;
    const b = earlier[t];
    const counted = made?.[jobs[job]!.job];
    const able = b?.who.filter((p) => station.able.includes(p)) ?? [];
    const who = (able.length > 0 ? able : station.able.slice(0, 1)).toSorted((x, y) => x - y);
    const of = { unit: Math.min(b?.unit ?? 0, station.count - 1), who, setUp: (b?.setUp ?? 0) > 0 };
    const windows = hands.all(who);
    if (!counted) {
      if (!b || b.startsAt >= now || b.unit >= station.count || able.length < b.who.length || able.length === 0) return task; // prettier-ignore
      const end = windows.end(b.startsAt, all + (of.setUp ? setUp : 0));
      const left = end > now ? windows.workedBy(end) - windows.workedBy(now) : 0;
      if (left > 0) mayRun.push({ ...of, task: t, left, start: b.startsAt, end, heard: b.startsAt });
      else begun.set(t, { ...of, start: b.startsAt, end, done: true });
      return left > 0 ? task : { ...task, minutes: 0 };
    }
    const { pieces = 0, at: heard = 0 } = counted[name] ?? {};
    const place = `${at} ${of.unit}`;
    if (pieces > from) heardAt.set(place, Math.max(heardAt.get(place) ?? 0, heard));
    const beganAt = (worked: number) => (b && b.startsAt < now ? b.startsAt : now - Math.max(1, worked));
    if (pieces >= to && to > from) {
      begun.set(t, { ...of, start: beganAt(all), end: Math.min(b?.endsAt ?? now, now), done: true });
      return { ...task, minutes: 0 };
    }
    if (pieces <= from) return task;
    const left = Math.ceil((all * (to - pieces)) / Math.max(1, to - from));
    mayRun.push({ ...of, task: t, left, start: beganAt(all - left), end: windows.end(now, left), heard });
    return { ...task, minutes: left };
  });
  const isDone = (t: number) => begun.get(t)?.done === true;
  for (const { task: t, left, heard, ...b } of mayRun.toSorted((x, y) => y.heard - x.heard || y.start - x.start)) {
    // prettier-ignore
    const stationOf = (x: number) => families[tasks[x]!.family]!.station;
    const taken = [...begun].some(([x, o]) => !o.done && (o.who.some((p) => b.who.includes(p)) || (stationOf(x) === stationOf(t) && o.unit === b.unit))); // prettier-ignore
    const isLast = heard >= (heardAt.get(`${stationOf(t)} ${b.unit}`) ?? -Infinity);
    if (taken || !isLast || !tasks[t]!.after.every(isDone)) continue;
    begun.set(t, { ...b, done: false });
    tasks[t] = { ...tasks[t]!, minutes: left };
  }
  return {
    ...instance,
    tasks,
    begun,
    families: families.map((f) => ({ ...f, minutes: f.tasks.reduce((n, t) => n + tasks[t]!.minutes, 0) })),
  };
}
