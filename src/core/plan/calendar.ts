import { hoursOn, type Workshop } from "@/core/shop/shop";

/**
 * Shop hours. A clock minute counts from 1970-01-01 00:00 local, without zones; a worked minute counts only the time
 * somebody is in, from the first opening on or after the start date.
 */
export interface Calendar {
  toClock(worked: number, side: "start" | "end"): number;
  toWorked(clock: number): number;
}

const DAY = 24 * 60;
/** A shop that is closed for so many days on end is never open again. */
const MOST_CLOSED = 3700;

type Open = Pick<Workshop, "days" | "hours" | "closed" | "staff">;

/** @param start `YYYY-MM-DD` */
export function calendar(start: string, shop: Open): Calendar {
  const first = Date.parse(`${start}T00:00:00Z`) / 60_000;
  /** Days that are open, as they come: how many days after the first, when, and what was worked before it. */
  const opens: { day: number; spans: [number, number][]; before: number }[] = [];
  let looked = 0;
  let worked = 0;
  const lookOn = () => {
    const spans = hoursOn(shop, new Date((first + looked * DAY) * 60_000).toISOString().slice(0, 10));
    const minutes = spans.reduce((s, [a, b]) => s + b - a, 0);
    if (minutes > 0) opens.push({ day: looked, spans, before: worked });
    else if (looked - (opens.at(-1)?.day ?? 0) > MOST_CLOSED) throw new RangeError("the shop is never open");
    worked += minutes;
    looked++;
  };
  /** The last that is not after, by what the days are told apart by. */
  const last = (of: (o: (typeof opens)[number]) => boolean) => {
    let [low, high] = [0, opens.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (of(opens[middle]!)) low = middle;
      else high = middle - 1;
    }
    return opens[low];
  };
  return {
    toClock(minute, side) {
      // An end at closing time is that evening, not the next morning.
      const w = side === "end" && minute > 0 ? minute - 1 : minute;
      while (worked <= w) lookOn();
      const { day, spans, before } = last((o) => o.before <= w)!;
      let rest = w - before;
      const span = spans.find(([a, b]) => (rest < b - a ? true : ((rest -= b - a), false)))!;
      return first + day * DAY + span[0] + rest + (side === "end" && minute > 0 ? 1 : 0);
    },
    toWorked(clock) {
      const since = Math.max(0, clock - first);
      const today = Math.floor(since / DAY);
      while (looked <= today) lookOn();
      const open = last((o) => o.day <= today);
      if (!open || open.day > today) return 0;
      const minute = open.day === today ? since - today * DAY : DAY;
      return open.before + open.spans.reduce((s, [a, b]) => s + Math.min(Math.max(minute - a, 0), b - a), 0);
    },
  };
}

/** `2027-02-08T08:30`, local. */
export function clockText(clock: number): string {
  return new Date(clock * 60_000).toISOString().slice(0, 16);
}
