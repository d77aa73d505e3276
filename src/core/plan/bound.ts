import { type Instance, stretchOf } from "./tasks";

/**
 * What no plan of an instance can be earlier than, whatever lots it is cut to; clock minutes. `ready` holds for each job on its own.
 */
export interface Bound {
  finish: number;
  ready: number[];
  /** Minutes late that no plan avoids. */
  late: number;
  /** What holds the finish: the longest job alone, or what is short. */
  by: string;
}

/**
 * The longest of: each job's chain, where a first piece goes on as soon as it is done (heads and tails); and, for each station, for all
 * who can work a station and for clamps that wait, the energy of what is left after a head and before a tail (Carlier 1982 for one machine,
 * Baptiste, Le Pape and Nuijten 1999 for several).
 */
export function boundOf(instance: Instance): Bound {
  const { families, tasks, stations, hands, jobs, now, begun } = instance;
  const order = inOrder(instance);
  const shared = new Map<number, number>();
  for (const f of families) if (f.key >= 0) shared.set(f.key, (shared.get(f.key) ?? 0) + 1);
  // One that something begun may have left there costs nothing.
  for (const t of begun.keys()) shared.set(families[tasks[t]!.family]!.key, Infinity);
  /** Nor does one that another operation may have left there. */
  const alone = (f: (typeof families)[0]) => (f.key >= 0 && shared.get(f.key) === 1 ? f.setUp : 0);
  const unbegun = families.map((f) => f.tasks.filter((t) => !begun.has(t)));
  const least = families.map((f, i) => Math.min(f.least, ...unbegun[i]!.map((t) => tasks[t]!.minutes)));
  const isOpen = (i: number) => families[i]!.tasks.some((t) => !begun.get(t)?.done);
  /** Each lot of one that is not done is followed by one of another that is not begun. */
  const isFollowed = (from: number, to: number) => isOpen(from) && families[from]!.tasks.every((t) => begun.get(t)?.done || tasks[t]!.next.some((x) => tasks[x]!.family === to && !begun.has(x))); // prettier-ignore
  const worked = stations.map((s) => hands.any(s.able, 1));

  const head = new Float64Array(families.length);
  const first = new Float64Array(families.length);
  const last = new Float64Array(families.length);
  /** When what has begun of it has waited. */
  const dry = new Float64Array(families.length);
  for (const i of order) {
    const f = families[i]!;
    const open = worked[f.station]!;
    const own = f.tasks.flatMap((t) => begun.get(t) ?? []);
    const known = Math.max(0, ...own.map((b) => (b.done ? 0 : b.end + f.work.wait)));
    dry[i] = Math.max(0, ...own.map((b) => b.end + f.work.wait));
    if (unbegun[i]!.length === 0) {
      // A lot that goes on takes what is left of it from now on.
      [head[i], first[i], last[i]] = [now, 0, known];
      continue;
    }
    let [begins, ends] = [own.length > 0 ? now : f.release, 0];
    for (const t of unbegun[i]!) for (const a of tasks[t]!.after) if (begun.has(a)) ends = Math.max(ends, begun.get(a)!.end + families[tasks[a]!.family]!.work.wait); // prettier-ignore
    for (const { family, whole } of f.after) {
      if (own.length === 0) begins = Math.max(begins, whole ? last[family]! : first[family]!);
      if (!isFollowed(family, i)) continue;
      // What is done once goes with the first piece.
      ends = Math.max(ends, f.work.each === 0 && !whole ? first[family]! : last[family]!);
    }
    const { name, able, count } = stations[f.station]!;
    const atOnce = Math.max(1, Math.min(count, Math.floor(hands.most(name, able.length) / f.people)));
    const set = alone(f);
    head[i] = open.next(begins);
    first[i] = own.length > 0 || unbegun[i]!.some((t) => tasks[t]!.minutes < tasks[t]!.all) ? 0 : open.end(begins, set + f.least) + f.work.wait; // prettier-ignore
    const all = open.end(begins, set + f.minutes / Math.min(atOnce, Math.max(1, f.tasks.length > 0 ? f.pieces : 1)));
    last[i] = Math.max(all + f.work.wait, f.after.length > 0 ? open.end(ends, least[i]!) + f.work.wait : 0, known); // prettier-ignore
  }
  const ready = jobs.map((j) => Math.max(now, j.from));
  for (const [i, f] of families.entries()) ready[f.job] = Math.max(ready[f.job]!, last[i]!, dry[i]!);
  const late = jobs.reduce((n, j, i) => n + (j.due === null ? 0 : Math.max(0, ready[i]! - j.due)), 0);
  let [finish, by] = [now, ""];
  const atLeast = (t: number, why: string) => {
    if (t > finish) [finish, by] = [t, why];
  };
  for (const r of ready) atLeast(r, "one job alone");

  // What has to pass after the last of an operation has left it.
  const tail = new Float64Array(families.length);
  for (const i of order.toReversed()) {
    const f = families[i]!;
    tail[i] = f.work.wait + Math.max(0, ...f.next.map((k) => (isFollowed(i, k) ? least[k]! + tail[k]! : 0)));
  }
  /** Every stretch of work that begins no earlier than one head and is followed by no less than one tail. */
  const energy = (of: number[], load: (i: number) => number, more: (set: number[]) => number, end: (from: number, load: number) => number, why: string) => {
    const byTail = of.toSorted((a, b) => tail[b]! - tail[a]!);
    for (const from of new Set(of.map((i) => head[i]!))) {
      let sum = 0;
      const set: number[] = [];
      for (const [k, i] of byTail.entries()) {
        if (head[i]! < from) continue;
        sum += load(i);
        set.push(i);
        const next = byTail.slice(k + 1).find((x) => head[x]! >= from);
        if (next !== undefined && tail[next] === tail[i]) continue;
        atLeast(end(from, sum + more(set)) + tail[i]!, why);
      }
    }
  }; // prettier-ignore
  /** Each set-up is made once, by the least of those who share it; one that something else may have left there counts for nothing. */
  const setUps = (set: number[]) => {
    const here = new Map<number, number[]>();
    for (const i of set) here.set(families[i]!.key, [...(here.get(families[i]!.key) ?? []), families[i]!.setUp]);
    return [...here].reduce((n, [key, of]) => n + (key >= 0 && of.length === shared.get(key) ? Math.min(...of) : 0), 0); // prettier-ignore
  };
  for (const [s, { name, count, able, held }] of stations.entries()) {
    const here = families.flatMap((f, i) => (f.station === s && isOpen(i) ? [i] : []));
    const rated = hands.any(able, count);
    energy(here, (i) => families[i]!.minutes, setUps, (from, load) => rated.end(from, load), `the ${name}`); // prettier-ignore
    if (held && count === 1) atLeast(held1(here), `the ${name}, which wait for the glue`);
  }
  const groups = new Map(stations.map((s) => [s.able.join(" "), s.able]));
  groups.set(
    "all",
    Array.from({ length: hands.count }, (_, p) => p),
  );
  for (const who of groups.values()) {
    const theirs = families.flatMap((f, i) => (isOpen(i) && stations[f.station]!.able.every((p) => who.includes(p)) ? [i] : [])); // prettier-ignore
    const rated = hands.any(who);
    const title = who.length === hands.count ? "the hands there are" : who.map((p) => hands.title(p)).join(" and ");
    energy(theirs, (i) => families[i]!.minutes * families[i]!.people, setUps, (from, load) => rated.end(from, load), title); // prettier-ignore
  }
  return { finish, ready, late, by };

  /** Lots one after another through a station that is taken until each has waited: all as short as the shortest. */
  function held1(here: number[]): number {
    const lots = here.flatMap((i) => unbegun[i]!.map((t) => ({ minutes: tasks[t]!.minutes, wait: families[i]!.work.wait }))); // prettier-ignore
    if (lots.length === 0 || here.some((i) => families[i]!.tasks.length === 1 && families[i]!.pieces > 1)) return now;
    const [minutes, wait] = [Math.min(...lots.map((l) => l.minutes)), Math.min(...lots.map((l) => l.wait))];
    const open = worked[families[here[0]!]!.station]!;
    let t = Math.min(...here.map((i) => head[i]!));
    for (let k = 0; k < lots.length; k++) t = open.end(t, minutes) + wait;
    return t - wait + Math.min(...here.map((i) => tail[i]!));
  }
}

/** Families, each after those before it. */
function inOrder({ families }: Instance): number[] {
  const waits = families.map((f) => f.after.length);
  const row = waits.flatMap((n, i) => (n === 0 ? [i] : []));
  for (const i of row) for (const k of families[i]!.next) if (--waits[k]! === 0) row.push(k);
  return row;
}

/** How long the rest of its job takes after each task begins, in clock minutes as a week has them: no bound, an estimate. */
export function tailsOf(instance: Instance): Float64Array {
  const { families, tasks } = instance;
  const stretch = stretchOf(instance);
  const tail = new Float64Array(tasks.length);
  for (const i of inOrder(instance).toReversed())
    for (const t of families[i]!.tasks.toReversed())
      tail[t] = tasks[t]!.minutes * stretch + families[i]!.work.wait + Math.max(0, ...tasks[t]!.next.map((k) => tail[k]!));
  return tail;
} // prettier-ignore
