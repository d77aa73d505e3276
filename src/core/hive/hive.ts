import { z } from "zod";
import { lengthSchema, sizeSchema } from "@/core/length/schema";
import { jobLineSchema } from "@/core/line/line";

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
const measuredBoxSchema = z.lazy(() =>
  z.strictObject({
    name: z.string().trim().min(1).max(120),
    outsideLength: sizeSchema,
    outsideWidth: sizeSchema,
    insideLength: sizeSchema,
    insideWidth: sizeSchema,
    depth: sizeSchema,
    over: lengthSchema,
    under: lengthSchema,
  }),
);

const seasons = z.array(z.enum(SEASONS)).max(4).optional();
/** One thing in a hive: an item to be made, or a box measured in. In all seasons when none are named. */
const levelSchema = z.lazy(() =>
  z.union([
    jobLineSchema.omit({ quantity: true }).extend({ seasons }),
    z.strictObject({ measured: measuredBoxSchema, seasons }),
  ]),
);
export type Level = z.output<typeof levelSchema>;

const dayOfYear = z.string().regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'wanted month and day like "03-01"');

export const MOST_LEVELS = 30;
export const MOST_HIVES = 20;

/** A hive as it stands, from the ground up, and how many of them are wanted. */
export const hiveSchema = z.lazy(() =>
  z.strictObject({
    name: z.string().trim().min(1).max(120),
    count: z.number().int().min(1).max(100_000),
    levels: z.array(levelSchema).max(MOST_LEVELS),
    begins: z.strictObject({ spring: dayOfYear, summer: dayOfYear, autumn: dayOfYear, winter: dayOfYear }),
  }),
);
export type Hive = z.output<typeof hiveSchema>;

/** What stands there in a season; everything when none is asked. */
export const standsIn = (level: Level, season?: Season): boolean =>
  season === undefined || level.seasons === undefined || level.seasons.includes(season);
