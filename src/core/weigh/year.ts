import { type Hive, type Level, type Season, SEASONS } from "@/core/hive/hive";
import { stand } from "@/core/hive/stand";
import { weigh } from "@/core/hive/weigh";
import { suits } from "@/core/job/find";
import { emptyJob } from "@/core/job/job";
import type { Length } from "@/core/length/length";
import { findRecipe } from "@/core/recipes";
import { findStandard } from "@/core/standards";
import { limitForTwo } from "./lifting";
import { type Lifted, liftedOff } from "./lifts";

type ItemLevel = Extract<Level, { item: string }>;

/** One level of a stack in a season; lengths in nm. */
export interface YearLevel {
  at: number;
  title: string;
  height: Length;
  /** It adds to the stack: a jacket goes round it. */
  stands: boolean;
  body: boolean;
  fullKg: number;
  /** Lifting it, or of a box that stays a frame of it; undefined where nothing of it is. */
  lift?: Lifted & { indexForTwo: number; instead: string | null };
  /** It was not there in the season before; or stood elsewhere in the stack. */
  comes: boolean;
  moves: boolean;
}

/** A stack in one season. */
export interface YearSeason {
  season: Season;
  /** Month and day. */
  begins: string;
  /** From the ground up. */
  levels: YearLevel[];
  /** What was there in the season before and is not now. */
  goes: string[];
  height: Length;
  fullKg: number;
  /** What stands before its entrance, as it is made, and what is done then. [trade: handbook 10] */
  before: { title: string; level: ItemLevel }[];
  acts: string[];
}

const ACTS: Record<Season, string[]> = {
  spring: ["syrup 1:1 or patties while it is cold", "open the entrance as the colony grows"],
  summer: ["add a box when seven or eight of ten frames are covered", "excluder under the honey boxes, vents open"],
  autumn: ["honey off, excluder off with it", "syrup 2:1 in a closed feeder", "small entrance: fed hives are robbed"],
  winter: ["no excluder: the cluster climbs and would leave its queen", "reduced entrance", "dry above: inner cover or quilt"],
}; // prettier-ignore

/** Before the entrance: fed hives are robbed, and mice come in when it is cold. */
const BEFORE: Partial<Record<Season, Pick<ItemLevel, "item" | "options"> & { title: string }>> = {
  autumn: { title: "Robbing screen", item: "robbing-screen", options: {} },
  winter: { title: "Entrance block with mouse guard", item: "entrance-block", options: { guard: true } },
};

/** What stands before a hive's entrance in a season, made to its floor; nothing where bees come in from below. */
function beforeOf(hive: Hive, season: Season): YearSeason["before"] {
  const items = hive.levels.filter((l): l is ItemLevel => "item" in l);
  const floor = items.find((l) => l.item.startsWith("floor-")) ?? items[0];
  const asked = BEFORE[season];
  if (!asked || !floor || floor.item === "floor-underfloor") return [];
  const { title, item, options } = asked;
  const standard = findStandard(floor.standard);
  if (!standard || !suits(findRecipe(item)!, standard, floor.size)) return [];
  const { bodyOutsideWidth } = floor.options;
  return [{ title, level: { ...floor, item, options: { ...options, ...(bodyOutsideWidth === undefined ? {} : { bodyOutsideWidth }) } } }]; // prettier-ignore
}

/** What to do where a lift is more than most should do. */
function insteadOf({ kg, judged }: Lifted, indexForTwo: number): string | null {
  if (judged.index <= 1) return null;
  const frames = "a frame at a time into an empty box";
  if (indexForTwo <= 1) return `two people, or ${frames}`;
  return kg > 30 ? `${frames}; mediums or eight frames instead` : `${frames}, or fewer frames in it`;
}

/** A stack season by season, its combs full to `fill`: what stands, weighs and is lifted, what comes and what goes. @throws ShapeError */
export function yearOf(hive: Hive, fill: number): YearSeason[] {
  const job = emptyJob("", "in");
  const stacks = SEASONS.map((season) => ({ season, standing: stand(hive, job, [], season) }));
  return stacks.map(({ season, standing }, i): YearSeason => {
    const weights = weigh(standing, fill);
    const before = stacks[(i + SEASONS.length - 1) % SEASONS.length]!.standing;
    const went = before.filter((b) => !standing.some((s) => s.at === b.at)).map((b) => b.title);
    const came = standing.filter((s) => !before.some((b) => b.at === s.at));
    // One that goes and one like it that comes is one that moves.
    const moved = came.filter((s) => went.includes(s.title));
    return {
      season,
      begins: hive.begins[season],
      levels: standing.map((s): YearLevel => {
        const w = weights.levels.find((l) => l.at === s.at)!;
        const lift = s.as === "body" ? liftedOff(s, weights) : undefined;
        const indexForTwo = lift ? lift.kg / limitForTwo(lift.judged.limit) : 0;
        return {
          at: s.at,
          title: s.title,
          height: s.height,
          stands: s.as !== "jacket",
          body: s.as === "body",
          fullKg: w.fullKg,
          ...(lift ? { lift: { ...lift, indexForTwo, instead: insteadOf(lift, indexForTwo) } } : {}),
          comes: came.includes(s) && !moved.includes(s),
          moves: moved.includes(s),
        };
      }),
      goes: went.filter((t) => !moved.some((s) => s.title === t)),
      height: weights.height as Length,
      fullKg: weights.fullKg,
      before: beforeOf(hive, season),
      acts: ACTS[season],
    };
  });
}

/**
 * What has to be made by when, from a day on, by its titles: what a season has more of than there is by then. One that moves is made
 * once.
 */
export function madeBy(hive: Hive, year: YearSeason[], from: string): { season: Season; date: string; titles: string[] }[] {
  const made = new Map<string, number>();
  const next = (day: string) => (`${from.slice(0, 4)}-${day}` >= from ? from.slice(0, 4) : String(Number(from.slice(0, 4)) + 1)) + `-${day}`;
  const inOrder = year.map((y) => ({ ...y, date: next(hive.begins[y.season]) })).toSorted((x, y) => x.date.localeCompare(y.date));
  return inOrder.flatMap(({ season, date, levels, before }) => {
    const there = new Map<string, number>();
    const titles = [...levels, ...before].map((l) => l.title).flatMap((title) => {
      there.set(title, (there.get(title) ?? 0) + 1);
      if (there.get(title)! <= (made.get(title) ?? 0)) return [];
      made.set(title, there.get(title)!);
      return [title];
    });
    return titles.length > 0 ? [{ season, date, titles }] : [];
  });
} // prettier-ignore
