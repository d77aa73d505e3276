import { push } from "./lists";
import type { Operation } from "@/core/work/operation";

/** Operations whose predecessors are done, the one that matters most first; of equals the one that is written first. */
export class Ready {
  /** Sorted, the one to take last. */
  private readonly row: { o: Operation; weight: number; place: number }[] = [];
  private readonly next = new Map<string, number[]>();
  private readonly waitsFor: number[];

  constructor(
    private readonly ops: Operation[],
    private readonly weight: (o: Operation) => number,
  ) {
    this.waitsFor = ops.map((o) => new Set(o.after).size);
    ops.forEach((o, place) => {
      for (const a of new Set(o.after)) push(this.next, a, place);
      if (o.after.length === 0) this.add(place);
    });
  }

  take(): Operation | undefined {
    return this.row.pop()?.o;
  }

  /** What waited for it alone is ready now. */
  finish(o: Operation): void {
    for (const place of this.next.get(o.id) ?? []) if (--this.waitsFor[place]! === 0) this.add(place);
  }

  private add(place: number): void {
    const o = this.ops[place]!;
    const weight = this.weight(o);
    let [low, high] = [0, this.row.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      const other = this.row[middle]!;
      if (other.weight < weight || (other.weight === weight && other.place > place)) low = middle + 1;
      else high = middle;
    }
    this.row.splice(low, 0, { o, weight, place });
  }
}
