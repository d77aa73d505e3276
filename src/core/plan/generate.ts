import type { Instance } from "./tasks";

/** So much sooner than whoever is free somebody else has to be done with a task for it to wait for them, minutes. */
const PATIENCE = 60;

/** When and where each task runs, by its number; clock minutes. */
export interface Timetable {
  start: Float64Array;
  end: Float64Array;
  unit: Int16Array;
  /** Its set-up was not there yet. */
  setUp: Uint8Array;
  who: number[][];
}

/** What a timetable is judged by, the first that differs decides: minutes late, the last end, set-ups, and the sum of all jobs' ends. */
export interface Worth {
  late: number;
  finish: number;
  setUps: number;
  ends: number;
  /** When each job is done and dry. */
  ready: number[];
}

/** What tasks are taken by: the lowest rank first, but one at the set-up that stands, while it is behind by no more than `hold`. */
export interface Order {
  rank: Float64Array;
  hold: number;
  /** A task is not begun before. */
  notBefore?: Float64Array;
  /** Who did it, and where, before: they do it again where they can. */
  was?: Pick<Timetable, "unit" | "who">;
}

/**
 * The parallel schedule generation scheme (Kolisch 1996) in shop hours: time goes from one event to the next, and whenever somebody and a
 * station are free the task of lowest rank that can begin does. A task that wants several people who are not all free yet keeps those who
 * are from beginning what would end after it could begin (backfilling). Nobody stops once begun; work goes on over breaks and nights.
 */
export function generate(instance: Instance, { rank, hold, notBefore, was }: Order): Timetable {
  const { tasks, families, stations, hands, now, begun } = instance;
  const n = tasks.length;
  const out: Timetable = { start: new Float64Array(n), end: new Float64Array(n), unit: new Int16Array(n), setUp: new Uint8Array(n), who: Array.from({ length: n }, () => []) }; // prettier-ignore
  const units = stations.map((s) => Array.from({ length: s.count }, () => ({ free: 0, key: -1 })));
  const windows = Array.from({ length: hands.count }, (_, p) => hands.all([p]));
  const free = new Float64Array(hands.count).fill(now);
  /** Who can do least is asked first: the others are left for what only they can do. */
  const breadth = windows.map((_, p) => stations.filter((s) => s.able.includes(p)).length);
  const asked = stations.map((s) => s.able.toSorted((a, b) => breadth[a]! - breadth[b]! || a - b));
  const alike = hands.alike;
  const waiting = new Int32Array(n);
  const readyAt = new Float64Array(n);
  const pending: number[] = [];
  const there = stations.map((): number[] => []);
  const isBefore = (a: number, b: number) => rank[a]! < rank[b]! || (rank[a] === rank[b] && a < b);

  const ready = (t: number) => {
    readyAt[t] = Math.max(readyAt[t]!, families[tasks[t]!.family]!.release, notBefore?.[t] ?? 0);
    let [low, high] = [0, pending.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (readyAt[pending[middle]!]! > readyAt[t]) low = middle + 1;
      else high = middle;
    }
    pending.splice(low, 0, t);
  };
  const arrive = (t: number) => {
    const row = there[families[tasks[t]!.family]!.station]!;
    let [low, high] = [0, row.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (isBefore(row[middle]!, t)) low = middle + 1;
      else high = middle;
    }
    row.splice(low, 0, t);
  };
  for (let t = 0; t < n; t++) waiting[t] = tasks[t]!.after.length;

  function place(t: number, start: number, unit: number, who: number[], setUp: boolean, end: number): void {
    const { station, work, key } = families[tasks[t]!.family]!;
    [out.start[t], out.end[t], out.unit[t], out.setUp[t], out.who[t]] = [start, end, unit, Number(setUp), who];
    for (const p of who) free[p] = Math.max(free[p]!, end);
    const until = end + work.wait;
    const at = units[station]![unit]!;
    at.free = Math.max(at.free, stations[station]!.held ? until : end);
    if (key >= 0) at.key = key;
    for (const next of tasks[t]!.next) {
      readyAt[next] = Math.max(readyAt[next]!, until);
      if (--waiting[next]! === 0 && !begun.has(next)) ready(next);
    }
    left--;
  }

  /** Until when people who are free are kept for a task that wants more of them. */
  const keptUntil = new Float64Array(hands.count);
  let time = now;
  let left = n;
  // A machine stands as what ended last has left it.
  for (const [t, b] of [...begun].toSorted(([, a], [, b]) => a.end - b.end || a.start - b.start))
    place(t, b.start, b.unit, b.who, b.setUp, b.end);
  for (let t = 0; t < n; t++) if (tasks[t]!.after.length === 0 && !begun.has(t)) ready(t);

  /** What a station would begin now: of those that are there the lowest rank, or one at the set-up of a unit that is free. */
  const candidate = (s: number, tried: Set<number>): { at: number; unit: number; setUp: boolean } | undefined => {
    const row = there[s]!;
    const from = tried.size === 0 ? 0 : row.findIndex((t) => !tried.has(t));
    const first = row[from];
    if (first === undefined) return undefined;
    const idle: number[] = [];
    for (const [u, unit] of units[s]!.entries()) if (unit.free <= time) idle.push(u);
    if (idle.length === 0) return undefined;
    let at = from;
    const most = rank[first]! + hold;
    for (let i = from; i < row.length && rank[row[i]!]! <= most; i++) {
      const { key } = families[tasks[row[i]!]!.family]!;
      if (key >= 0 && !tried.has(row[i]!) && idle.some((u) => units[s]![u]!.key === key)) {
        at = i;
        break;
      }
    }
    const { key } = families[tasks[row[at]!]!.family]!;
    const before = was?.unit[row[at]!];
    const same = key >= 0 ? idle.find((u) => units[s]![u]!.key === key) : undefined;
    const unit = same ?? (before !== undefined && idle.includes(before) ? before : idle.reduce((a, b) => (units[s]![b]!.free < units[s]![a]!.free ? b : a))); // prettier-ignore
    return { at, unit, setUp: key >= 0 && units[s]![unit]!.key !== key };
  };

  /** Who of those who can is free and in now: first who did it before, then who is done with it soonest. */
  const freeNow = (t: number, s: number, long: number): number[] => {
    const list = asked[s]!.filter((p) => free[p]! <= time && windows[p]!.next(time) === time);
    if (list.length <= 1 || alike) return list;
    const before = was?.who[t] ?? [];
    const done = new Map(list.map((p) => [p, windows[p]!.end(time, long)]));
    // Not who did it before, where they would go home in the middle of it.
    const soonest = Math.min(...done.values());
    const again = (p: number) => Number(before.includes(p) && done.get(p)! <= soonest + PATIENCE);
    return list.toSorted((a, b) => again(b) - again(a) || done.get(a)! - done.get(b)!);
  };

  /** Somebody who is not free yet would be done so much sooner that it is better left for them: who begins it goes home for days before it is done. */
  const isForOthers = (s: number, p: number, end: number, long: number): boolean =>
    !alike &&
    stations[s]!.able.some((o) => o !== p && windows[o]!.end(Math.max(time, free[o]!), long) < end - PATIENCE);

  /** Begins the task of lowest rank that can begin now; false where none can. */
  const beginOne = (): boolean => {
    const tried = new Set<number>();
    const full = stations.map(() => false);
    for (;;) {
      let [s, best] = [-1, undefined as ReturnType<typeof candidate>];
      for (let i = 0; i < stations.length; i++) {
        const c = full[i] ? undefined : candidate(i, tried);
        if (c && (!best || rank[there[i]![c.at]!]! < rank[there[s]![best.at]!]!)) [s, best] = [i, c];
      }
      if (!best) return false;
      const t = there[s]![best.at]!;
      const family = families[tasks[t]!.family]!;
      const long = tasks[t]!.minutes + (best.setUp ? family.setUp : 0);
      const able = freeNow(t, s, long);
      if (able.length >= family.people) {
        for (const who of [able, able.filter((p) => keptUntil[p]! <= time)]) {
          if (who.length < family.people) continue;
          const some = who.slice(0, family.people);
          const end = hands.all(some.toSorted((a, b) => a - b)).end(time, long);
          if (some.some((p) => keptUntil[p]! > time && end > keptUntil[p]!)) continue;
          if (some.length === 1 && isForOthers(s, some[0]!, end, long)) continue;
          there[s]!.splice(best.at, 1);
          place(t, time, best.unit, some, best.setUp, end);
          return true;
        }
      } else if (family.people > 1 && able.length > 0) {
        const soon = stations[s]!.able.map((p) => ({ p, at: windows[p]!.next(Math.max(time, free[p]!)) })).toSorted((a, b) => a.at - b.at); // prettier-ignore
        const until = soon[family.people - 1]?.at ?? time;
        for (const { p } of soon.slice(0, family.people)) keptUntil[p] = Math.max(keptUntil[p]!, until);
      }
      if (able.length === 0) full[s] = true;
      else tried.add(t);
    }
  };

  while (left > 0) {
    while (pending.length > 0 && readyAt[pending.at(-1)!]! <= time) arrive(pending.pop()!);
    keptUntil.fill(0);
    while (beginOne()) while (pending.length > 0 && readyAt[pending.at(-1)!]! <= time) arrive(pending.pop()!);
    if (left === 0) break;
    let next = pending.length > 0 ? readyAt[pending.at(-1)!]! : Infinity;
    if (there.some((row) => row.length > 0)) {
      for (const [p, w] of windows.entries()) {
        const at = w.next(Math.max(free[p]!, time));
        if (at > time) next = Math.min(next, at);
      }
      for (const row of units) for (const u of row) if (u.free > time) next = Math.min(next, u.free);
      // Those who are in go home, and come again: several who have to be in at once may be then.
      if (next === Infinity) next = Math.min(...windows.map((w) => w.next(w.end(time, 1) + 1)));
    }
    if (!(next > time)) throw new RangeError("tasks wait for each other");
    time = next;
  }
  return out;
}

/** @see Worth */
export function worthOf({ jobs, families, tasks, now }: Instance, { end, setUp }: Timetable): Worth {
  const ready = jobs.map((j) => Math.max(now, j.from));
  let setUps = 0;
  for (let t = 0; t < tasks.length; t++) {
    const { job, work } = families[tasks[t]!.family]!;
    ready[job] = Math.max(ready[job]!, end[t]! + work.wait);
    setUps += setUp[t]!;
  }
  const late = jobs.reduce((n, j, i) => n + (j.due === null ? 0 : Math.max(0, ready[i]! - j.due)), 0);
  return { late, finish: Math.max(now, ...ready), setUps, ends: ready.reduce((a, b) => a + b, 0), ready };
}

/** Below nothing where the first is better. */
export const compare = (a: Worth, b: Worth): number => a.late - b.late || a.finish - b.finish || a.setUps - b.setUps || a.ends - b.ends; // prettier-ignore
