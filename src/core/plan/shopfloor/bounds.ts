import type { Chain, Shop, Task } from "./shop";

/** What a task asks of a machine in a bound: no earlier than its head, nothing after it shorter than its tail. */
interface Held {
  head: number;
  minutes: number;
  tail: number;
}

/** The preemptive one-machine bound: Jackson's schedule, always the longest tail that is there (Carlier 1982). */
export function jackson(held: Held[]): number {
  const waiting = held.map((h) => ({ ...h })).sort((a, b) => a.head - b.head);
  const open: Held[] = [];
  let [time, bound, i] = [0, 0, 0];
  while (i < waiting.length || open.length > 0) {
    if (open.length === 0) time = Math.max(time, waiting[i]!.head);
    while (i < waiting.length && waiting[i]!.head <= time) open.push(waiting[i++]!);
    let top = 0;
    for (let k = 1; k < open.length; k++) if (open[k]!.tail > open[top]!.tail) top = k;
    const task = open[top]!;
    const until = i < waiting.length ? Math.min(time + task.minutes, waiting[i]!.head) : time + task.minutes;
    task.minutes -= until - time;
    time = until;
    if (task.minutes <= 1e-9) {
      bound = Math.max(bound, time + task.tail);
      open.splice(top, 1);
    }
  }
  return bound;
}

/** All that several machines, or people, have to do between the first they can begin with and what follows the last. */
function load(held: (Held & { times: number })[], count: number, more = 0): number {
  if (held.length === 0) return 0;
  const work = held.reduce((sum, h) => sum + h.minutes * h.times, more);
  return Math.min(...held.map((h) => h.head)) + work / count + Math.min(...held.map((h) => h.tail));
}

/** No schedule ends earlier: the longest chain, each station's load and its one-machine bound with the set-ups there must be, the people's load. */
export function finishBound(shop: Shop, chains: Chain[]): number {
  const tasks = chains.flatMap((c) => c.tasks);
  const chain = Math.max(0, ...tasks.map((t) => t.head + t.minutes + t.tail));
  const stations = shop.counts.map((count, station) => {
    const here = tasks.filter((t) => t.station === station);
    const one = count === 1 ? jackson(here) : 0;
    return Math.max(one, load(here.map((t) => ({ ...t, times: 1 })), count, keysOf(here))); // prettier-ignore
  });
  const manned = tasks.filter((t) => t.people > 0);
  const people = shop.people === null ? 0 : load(manned.map((t) => ({ ...t, times: t.people })), shop.people); // prettier-ignore
  return Math.max(chain, people, ...stations);
}

/** Every set-up there is on a station is made at least once. */
function keysOf(tasks: Task[]): number {
  const least = new Map<number, number>();
  for (const t of tasks) if (t.key >= 0) least.set(t.key, Math.min(least.get(t.key) ?? Infinity, t.setUp));
  return [...least.values()].reduce((sum, n) => sum + n, 0);
}

/** No schedule is less late: each job by its own longest chain, and all of a station's last job at least as late as its load. */
export function latenessBound(shop: Shop, chains: Chain[]): number {
  const alone = shop.jobs.map((j, job) => {
    if (j.due === null) return 0;
    const end = Math.max(0, ...chains.filter((c) => c.job === job).map((c) => c.tasks.at(-1)!).map((t) => t.head + t.minutes)); // prettier-ignore
    // All lots of a job go through each of its stations.
    const stations = shop.counts.map((count, station) => load(chains.filter((c) => c.job === job).flatMap((c) => c.tasks).filter((t) => t.station === station).map((t) => ({ ...t, times: 1 })), count)); // prettier-ignore
    return j.weight * Math.max(0, Math.max(end, ...stations) - j.due);
  });
  return alone.reduce((sum, n) => sum + n, 0);
}

export const boundOf = (shop: Shop, chains: Chain[]): number => shop.aim === "finish" ? finishBound(shop, chains) : latenessBound(shop, chains); // prettier-ignore
