import type { Station } from "@/core/feature/machine";
import { canWork, type Person } from "@/core/shop/shop";

/** Whether some can work a station and others not; where nobody can, whoever is in works it. */
export const isSkilled = (staff: Person[], station: Station): boolean =>
  staff.some((p) => canWork(p, station)) && !staff.every((p) => canWork(p, station));

interface Step {
  from: number;
  /** Places in the staff. */
  present: number[];
  running: Station[];
}

/**
 * Whether at every moment each station that runs has somebody who can work it, no two the same one: a bipartite matching, by augmenting
 * paths. The others help. Times are worked minutes; a step holds until the next begins.
 */
export class Skills {
  private readonly steps: Step[];

  constructor(private readonly staff: Person[]) {
    this.steps = [{ from: 0, present: [...staff.keys()], running: [] }];
  }

  /** Who is in over a time; before it is said, all are. */
  isIn(start: number, end: number, present: number[]): void {
    this.each(start, end, (step) => void (step.present = present));
  }

  /** The first time from `t` on at which a station can be worked for so many minutes beside what runs. */
  firstFree(t: number, minutes: number, station: Station): number {
    let start = t;
    for (let i = this.at(t); i < this.steps.length && this.steps[i]!.from < Math.max(start + minutes, start + 1); i++) {
      const { present, running } = this.steps[i]!;
      if (!this.isCovered([...running, station], present) && i + 1 < this.steps.length) start = this.steps[i + 1]!.from;
    }
    return start;
  }

  use(start: number, end: number, station: Station): void {
    this.each(start, end, (step) => step.running.push(station));
  }

  private isCovered(stations: Station[], present: number[]): boolean {
    const worksAt = new Map<number, number>();
    const take = (s: number, asked: Set<number>): boolean =>
      present.some((p) => {
        if (asked.has(p) || !canWork(this.staff[p]!, stations[s]!)) return false;
        asked.add(p);
        const at = worksAt.get(p);
        if (at !== undefined && !take(at, asked)) return false;
        worksAt.set(p, s);
        return true;
      });
    return stations.every((_, s) => take(s, new Set()));
  }

  private each(start: number, end: number, act: (step: Step) => void): void {
    if (end <= start) return;
    const [a, b] = [this.split(start), this.split(end)];
    for (let i = a; i < b; i++) act(this.steps[i]!);
  }

  /** The step that holds a time. */
  private at(t: number): number {
    let [low, high] = [0, this.steps.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.steps[middle]!.from <= t) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  private split(t: number): number {
    const i = this.at(t);
    const step = this.steps[i]!;
    if (step.from === t) return i;
    this.steps.splice(i + 1, 0, { ...step, from: t, running: [...step.running] });
    return i + 1;
  }
}
