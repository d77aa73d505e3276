const DAY = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short", timeZone: "UTC" });

/** `Fri 12 Mar`, from `YYYY-MM-DD`. */
export const dayText = (date: string): string => DAY.format(new Date(`${date}T00:00:00Z`)).replace(",", "");

/** `Fri 12 Mar`, from a clock minute of the plan. */
export const clockDay = (minute: number) => dayText(new Date(minute * 60_000).toISOString().slice(0, 10));

/** `08:30`, from a clock minute of the plan. */
export const clockTime = (minute: number) => new Date(minute * 60_000).toISOString().slice(11, 16);

const NUMBER = new Intl.NumberFormat("en-GB");

/** `1 board`, `2 boards`. */
export const count = (n: number, one: string, many = `${one}s`) => `${NUMBER.format(n)} ${n === 1 ? one : many}`;

/** A share as `0.13 %` or `12 %`: two figures that count, however small it is. */
export const percent = (share: number) => `${Number((share * 100).toPrecision(2))} %`;

/** What a share is at most, as `percent`, and never less than it is: 2.61 % is within 2.7 %. */
export function atMost(share: number): string {
  const unit = 10 ** (Math.floor(Math.log10(share || 1)) - 1);
  return percent(Math.ceil(share / unit - 1e-9) * unit);
}

/** `2 h 10`, `45 min`. */
export const duration = (minutes: number) =>
  minutes < 60
    ? `${minutes} min`
    : `${Math.floor(minutes / 60)} h${minutes % 60 ? ` ${String(minutes % 60).padStart(2, "0")}` : ""}`;

/** How long ago, roughly: `5 min ago`. */
export function agoText(ms: number): string {
  const minutes = Math.floor(ms / 60_000);
  if (minutes < 1) return "just now";
  if (minutes < 60) return `${minutes} min ago`;
  const hours = Math.floor(minutes / 60);
  return hours < 48 ? `${hours} h ago` : `${Math.floor(hours / 24)} days ago`;
}

/** `Table saw`, of `table saw`. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
