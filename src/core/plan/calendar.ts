import type { Workshop } from "@/core/shop/shop";

/**
 * Shop hours. A clock minute counts from 1970-01-01 00:00 local, without zones; a worked minute counts only the time
 * the shop is open, from the first opening on or after the start date.
 */
export interface Calendar {
  toClock(worked: number, side: "start" | "end"): number;
  toWorked(clock: number): number;
}

const DAY = 24 * 60;

/** @param start `YYYY-MM-DD` */
export function calendar(start: string, { days, hours }: Pick<Workshop, "days" | "hours">): Calendar {
  const first = Date.parse(`${start}T00:00:00Z`) / 60_000;
  const weekday = ((first / DAY + 3) % 7) + 1; // 1970-01-01 was a Thursday, 4
  const perDay = hours.reduce((s, [a, b]) => s + b - a, 0);
  const openDays = [...Array(7).keys()].filter((d) => days.includes(((weekday - 1 + d) % 7) + 1));
  const perWeek = perDay * openDays.length;
  return {
    toClock(worked, side) {
      // An end at closing time is that evening, not the next morning.
      const w = side === "end" && worked > 0 ? worked - 1 : worked;
      const week = Math.floor(w / perWeek);
      const day = Math.floor((w % perWeek) / perDay);
      let rest = w % perDay;
      const span = hours.find(([a, b]) => (rest < b - a ? true : ((rest -= b - a), false)))!;
      return first + (week * 7 + openDays[day]!) * DAY + span[0] + rest + (side === "end" && worked > 0 ? 1 : 0);
    },
    toWorked(clock) {
      const since = Math.max(0, clock - first);
      const day = Math.floor(since / DAY);
      const before = Math.floor(day / 7) * perWeek + openDays.filter((d) => d < day % 7).length * perDay;
      if (!openDays.includes(day % 7)) return before;
      const minute = since - day * DAY;
      return before + hours.reduce((s, [a, b]) => s + Math.min(Math.max(minute - a, 0), b - a), 0);
    },
  };
}

/** `2027-02-08T08:30`, local. */
export function clockText(clock: number): string {
  return new Date(clock * 60_000).toISOString().slice(0, 16);
}
