import type { PlanShop } from "./tasks";
import { DAY, dayOf, dayStart } from "./calendar";
import { Hands } from "./hands";
import type { Run } from "./runs";

/** What in the bees' year things have to be ready for. */
export const OCCASIONS = ["swarms", "flow", "feeding", "winter"] as const;
export type Occasion = (typeof OCCASIONS)[number];

/** When each begins, month and day, by region: common practice, from memory; a beekeepers' association nearby knows better. */
export const REGIONS = {
  "mild coast": { swarms: "04-20", flow: "05-20", feeding: "08-20", winter: "10-15" },
  inland: { swarms: "05-01", flow: "05-25", feeding: "08-10", winter: "10-01" },
  "cold north": { swarms: "05-20", flow: "06-20", feeding: "08-05", winter: "09-20" },
  "warm south": { swarms: "03-15", flow: "04-15", feeding: "09-15", winter: "11-15" },
  "southern half": { swarms: "09-20", flow: "10-20", feeding: "02-20", winter: "04-15" },
} as const satisfies Record<string, Record<Occasion, string>>;
export type Region = keyof typeof REGIONS;

/** What an item has to be ready for: boxes to live in before swarms and splits, supers before the flow, feeders before autumn, what keeps warm before winter [trade]. */
export function occasionOf({ item, size }: { item: string; size: string }): Occasion {
  if (/feed/.test(item)) return "feeding";
  if (/quilt|insulated|mouse|entrance-block/.test(item)) return "winter";
  return /medium|shallow|super/.test(size) ? "flow" : "swarms";
}

/** The first day from a clock minute on with which a season begins. */
export function nextOf(region: Region, season: Occasion, now: number): string {
  const year = Number(dayOf(now).slice(0, 4));
  return [year, year + 1].map((y) => `${y}-${REGIONS[region][season]}`).find((day) => dayStart(day) >= now)!;
}

/** A week of the year ahead: minutes that are planned in it, and that the people who are in have. */
export interface Week {
  /** Its Monday. */
  day: string;
  load: number;
  hours: number;
}

/** So many weeks are looked ahead. */
const AHEAD = 52;

/** The year ahead, week by week: what a plan asks of its people against the time they have. */
export function yearOf(runs: Pick<Run, "who" | "startsAt" | "endsAt">[], shop: PlanShop, now: number): Week[] {
  const monday = now - (((Math.floor(now / DAY) + 3) % 7) * DAY + (now % DAY));
  const hands = new Hands(shop, dayOf(Math.min(monday, ...runs.map((r) => r.startsAt))));
  const everybody = hands.any(Array.from({ length: hands.count }, (_, p) => p));
  const worked = (p: number, from: number, to: number) => hands.all([p]).workedBy(to) - hands.all([p]).workedBy(from);
  return Array.from({ length: AHEAD }, (_, w) => {
    const [from, to] = [monday + w * 7 * DAY, monday + (w + 1) * 7 * DAY];
    const here = runs.filter((r) => r.startsAt < to && r.endsAt > from);
    const load = here.reduce((n, r) => n + r.who.filter((p) => p < hands.count).reduce((m, p) => m + worked(p, Math.max(from, r.startsAt), Math.min(to, r.endsAt)), 0), 0); // prettier-ignore
    return { day: dayOf(from), load, hours: everybody.workedBy(to) - everybody.workedBy(from) };
  });
}
