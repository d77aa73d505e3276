import { utc } from "@date-fns/utc";
import { addDays, format } from "date-fns";

/** Clock minutes count from 1970-01-01 00:00 local, without zones. */
export const DAY = 24 * 60;
/** What is closed for so many days on end is never open again. */
const MOST_CLOSED = 3700;

/** From and to, minutes of a day, and how many are there then. */
export type Span = [from: number, to: number, rate?: number];

/** `2027-02-08` as the clock minute it begins with. */
export const dayStart = (day: string): number => Date.parse(`${day}T00:00:00Z`) / 60_000;

/** `2027-02-08`, the day of a clock minute. */
export const dayOf = (clock: number): string => format(clock * 60_000, "yyyy-MM-dd", { in: utc });

/** `2027-02-08T08:30`, local. */
export const clockText = (clock: number): string => format(clock * 60_000, "yyyy-MM-dd'T'HH:mm", { in: utc });

/**
 * Times somebody is there, one span after another, looked ahead as far as they are asked for. Where several are there, a minute counts as
 * many times.
 */
export class Windows {
  private readonly from: number[] = [];
  private readonly to: number[] = [];
  private readonly rate: number[] = [];
  /** What was worked before each span. */
  private readonly before: number[] = [];
  private worked = 0;
  private days = 0;

  /** @param first the day they begin with, `YYYY-MM-DD`; @param spansOn the spans of a day, in order */
  constructor(
    private readonly first: string,
    private readonly spansOn: (day: string) => Span[],
  ) {}

  private lookOn(): void {
    const day = format(addDays(this.first, this.days, { in: utc }), "yyyy-MM-dd", { in: utc });
    const midnight = dayStart(day);
    for (const [a, b, rate = 1] of this.spansOn(day)) {
      if (rate === 0 || b <= a) continue;
      this.from.push(midnight + a);
      this.to.push(midnight + b);
      this.rate.push(rate);
      this.before.push(this.worked);
      this.worked += (b - a) * rate;
    }
    this.days++;
    if (this.days * DAY + dayStart(this.first) - (this.to.at(-1) ?? dayStart(this.first)) > MOST_CLOSED * DAY) throw new RangeError("nobody is ever in"); // prettier-ignore
  }

  /** The first span that ends after a time. */
  private at(t: number): number {
    while (this.to.length === 0 || this.to[this.to.length - 1]! <= t) this.lookOn();
    let [low, high] = [0, this.to.length - 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.to[middle]! > t) high = middle;
      else low = middle + 1;
    }
    return low;
  }

  /** The first time from `t` on at which somebody is in. */
  next(t: number): number {
    return Math.max(t, this.from[this.at(t)]!);
  }

  /** When so many minutes of work that begin at `t` are done: at closing time, not the next morning. */
  end(t: number, minutes: number): number {
    let i = this.at(t);
    const start = Math.max(t, this.from[i]!);
    if (minutes <= 0) return start;
    const until = this.before[i]! + (start - this.from[i]!) * this.rate[i]! + minutes;
    while (this.worked < until) this.lookOn();
    while (i + 1 < this.before.length && this.before[i + 1]! < until) i++;
    return this.from[i]! + (until - this.before[i]!) / this.rate[i]!;
  }

  /** Minutes worked up to a time. */
  workedBy(t: number): number {
    const i = this.at(t);
    return this.before[i]! + Math.max(0, t - this.from[i]!) * this.rate[i]!;
  }
}
