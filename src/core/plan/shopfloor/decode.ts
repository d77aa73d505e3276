import { type Chain, EPS, type Placed, type Schedule, type Shop, type Task } from "./shop";

/** What a station last ran until when. */
export interface Unit {
  free: number;
  key: number;
}

/** A schedule being built: each task that is put in starts as early as what is in already lets it (serial schedule generation). */
export class Building {
  readonly units: Unit[][];
  /** When the next task of each chain may start, and which it is. */
  readonly ready: number[];
  readonly next: number[];
  readonly placed: Placed[] = [];

  constructor(
    readonly shop: Shop,
    readonly chains: Chain[],
  ) {
    this.units = shop.counts.map((n) => Array.from({ length: n }, () => ({ free: 0, key: -1 })));
    this.ready = chains.map((c) => c.release);
    this.next = chains.map(() => 0);
  }

  /** The task a chain is at; undefined where it is through. */
  at(chain: number): Task | undefined {
    return this.chains[chain]!.tasks[this.next[chain]!];
  }

  /** When a task would run on a unit of its station. */
  trial(task: Task, unit: number): Placed {
    const u = this.units[task.station]![unit]!;
    const setUp = task.key >= 0 && u.key !== task.key ? task.setUp : 0;
    const long = setUp + task.minutes;
    const start = this.peopleFrom(Math.max(u.free, this.ready[task.chain]!), long, task.people);
    return { task, unit, start, end: start + long, setUp };
  }

  /** The unit a task ends soonest on; of several the one that stood idle least before it. */
  best(task: Task): Placed {
    const units = this.units[task.station]!;
    let best = this.trial(task, 0);
    for (let unit = 1; unit < units.length; unit++) {
      const p = this.trial(task, unit);
      if (p.end < best.end - EPS || (p.end < best.end + EPS && units[unit]!.free > units[best.unit]!.free)) best = p;
    }
    return best;
  }

  /** The first time from which so many people are free for so long. */
  private peopleFrom(from: number, long: number, people: number): number {
    const { people: all } = this.shop;
    if (all === null || people === 0 || long === 0) return from;
    const busy = this.placed.filter((p) => p.task.people > 0 && p.end > from + EPS);
    const starts = [from, ...busy.map((p) => p.end)].sort((a, b) => a - b);
    return starts.find((s) => this.mostBusy(busy, s, s + long) + people <= all)!;
  }

  /** The most people that are busy at once between two times. */
  private mostBusy(busy: Placed[], from: number, to: number): number {
    const within = busy.filter((p) => p.start < to - EPS && p.end > from + EPS);
    let most = 0;
    for (const at of [from, ...within.map((p) => p.start)]) {
      if (at < from - EPS) continue;
      const n = within.reduce((sum, p) => sum + (p.start <= at + EPS && p.end > at + EPS ? p.task.people : 0), 0);
      most = Math.max(most, n);
    }
    return most;
  }

  put(p: Placed): void {
    const u = this.units[p.task.station]![p.unit]!;
    u.free = p.end;
    if (p.task.key >= 0) u.key = p.task.key;
    this.ready[p.task.chain] = p.end + p.task.wait;
    this.next[p.task.chain]!++;
    this.placed.push(p);
  }

  /** Takes the last one out again; `was` is how its unit and its chain stood before. */
  takeBack(was: { free: number; key: number; ready: number }): void {
    const p = this.placed.pop()!;
    Object.assign(this.units[p.task.station]![p.unit]!, { free: was.free, key: was.key });
    this.ready[p.task.chain] = was.ready;
    this.next[p.task.chain]!--;
  }
}

/** The schedule a list of chains stands for, each time the next task of that chain: permutation with repetition (Bierwirth). */
export function decode(shop: Shop, chains: Chain[], list: ArrayLike<number>): Schedule {
  const building = new Building(shop, chains);
  for (let i = 0; i < list.length; i++) building.put(building.best(building.at(list[i]!)!));
  return scheduleOf(shop, chains, building.placed);
}

export function scheduleOf(shop: Shop, chains: Chain[], placed: Placed[]): Schedule {
  const ends = shop.jobs.map(() => 0);
  for (const p of placed) {
    const { job } = chains[p.task.chain]!;
    ends[job] = Math.max(ends[job]!, p.end);
  }
  const lateness = shop.jobs.reduce((sum, j, i) => sum + (j.due === null ? 0 : j.weight * Math.max(0, ends[i]! - j.due)), 0); // prettier-ignore
  return { placed, finish: Math.max(0, ...ends), lateness };
}

export const worthOf = (shop: Shop, s: Schedule): number => (shop.aim === "finish" ? s.finish : s.lateness);
