/**
 * How many use a resource, over time: a step function, kept as the minutes where it changes. Times are worked minutes.
 * Used from 10 to 20 and from 15 to 30 it is 0 before 10, 1 from 10, 2 from 15, 1 from 20, 0 from 30.
 */
export class Usage {
  private readonly from: number[] = [0];
  private readonly count: number[] = [0];

  /** The first time from `t` on at which fewer than `most` use it for so many minutes; what takes no time needs only its moment. */
  firstFree(t: number, minutes: number, most: number): number {
    let start = t;
    for (let i = this.at(t); i < this.from.length && (this.from[i]! < start + minutes || this.at(start) === i); i++)
      if (this.count[i]! >= most) start = this.from[i + 1]!;
    return start;
  }

  use(start: number, end: number, by: number): void {
    if (end <= start) return;
    const [a, b] = [this.split(start), this.split(end)];
    for (let i = a; i < b; i++) this.count[i]! += by;
    for (const i of [b, a]) this.join(i);
  }

  /** The step that holds a time. */
  private at(t: number): number {
    let [low, high] = [0, this.from.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.from[middle]! <= t) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  /** A step that begins at a time. */
  private split(t: number): number {
    const i = this.at(t);
    if (this.from[i] === t) return i;
    this.from.splice(i + 1, 0, t);
    this.count.splice(i + 1, 0, this.count[i]!);
    return i + 1;
  }

  /** Two steps of one height are one. */
  private join(i: number): void {
    if (i === 0 || this.count[i] !== this.count[i - 1]) return;
    this.from.splice(i, 1);
    this.count.splice(i, 1);
  }
}
