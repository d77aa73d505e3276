import type { Length } from "@/core/length/length";
import type { Options } from "@/core/shape/shape";

/** The year as a beekeeper cuts it up; what stands on a hive changes with it. */
export const SEASONS = ["spring", "summer", "autumn", "winter"] as const;
export type Season = (typeof SEASONS)[number];

/** When each begins, month and day, before anyone has said otherwise. [mem], a temperate northern year. */
export const USUAL_BEGINNINGS: Record<Season, string> = {
  spring: "03-01",
  summer: "05-15",
  autumn: "08-15",
  winter: "10-15",
};

/** A box that was bought or already stands there, as the tape reads it; `over` and `under` are the gaps at its frames. */
export interface MeasuredBox {
  name: string;
  outsideLength: Length;
  outsideWidth: Length;
  insideLength: Length;
  insideWidth: Length;
  depth: Length;
  over: Length;
  under: Length;
}

/** One thing in a hive: an item to be made, or a box measured in. In all seasons when none are named. */
export type Level =
  | { item: string; standard: string; size: string; options: Options; seasons?: Season[] }
  | { measured: MeasuredBox; seasons?: Season[] };

/** A hive as it stands, from the ground up, and how many of them are wanted. */
export interface Hive {
  name: string;
  count: number;
  levels: Level[];
  begins: Record<Season, string>;
}

export const MOST_LEVELS = 30;
export const MOST_HIVES = 20;

/** What stands there in a season; everything when none is asked. */
export const standsIn = (level: Level, season?: Season): boolean =>
  season === undefined || level.seasons === undefined || level.seasons.includes(season);
