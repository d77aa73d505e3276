import { z } from "zod";
import type { Kept } from "@/core/keeping/kept";
import type { Saw } from "@/core/boards/saw";
import { type Weighing, weighingSchema } from "@/core/layout/request";
import { DEFAULT_BANDS } from "@/core/fit/bands";
import type { Bands } from "@/core/fit/finding";
import { type Station, stationSchema, STATIONS } from "@/core/feature/machine";
import { type Length, type Units, inch, mm } from "@/core/length/length";
import { lengthSchema } from "@/core/length/schema";
import { type Money, moneySchema, USUAL_MONEY } from "@/core/money/money";

/**
 * The shop: one place with its people, its saw and its hours. Every job is made in it, and says only what it does otherwise.
 */
export interface Shop {
  /** What its tapes say: jobs begin in them. */
  units: Units;
  workshop: Workshop;
}

/** Somebody who works in the shop; a title is enough. Days and hours not said are the shop's. */
export interface Person {
  title: string;
  days?: number[] | undefined;
  hours?: [number, number][] | undefined;
  /** Days off, `YYYY-MM-DD`. */
  off?: string[] | undefined;
  /** Stations they can work; all of them where it is not said. */
  works?: Station[] | undefined;
}

/** Minutes of a kind of operation: to set up, and for each piece. */
export interface Minutes {
  setup: number;
  each: number;
}

/** How the shop works: what the saw takes, who is there when, what glue it takes. Minutes of a day from midnight. */
export interface Workshop extends Saw {
  weighing: Weighing;
  /** Parts wider than every board are glued up from staves; each joint loses so much to the jointer. */
  panels: boolean;
  panelLoss: Length;
  /** How many work at the same time, where they are not told apart. */
  people: number;
  /** Who they are, where they differ; then they are as many as stand here. */
  staff: Person[];
  /** Days nobody works, `YYYY-MM-DD`. */
  closed: string[];
  /** How many there are of a station; one each of what is not said, benches for everybody. */
  stations: Partial<Record<Station, number>>;
  /** How many go through a station at once: clamp sets, jigs, the tank, the floor to stand them on. */
  lots: Partial<Record<Station, number>>;
  /** What kinds of operation take here, by their names, where somebody has said it; the others are guesses. */
  minutes: Record<string, Minutes>;
  paper: "A4" | "Letter";
  /** What gaps are held against: where bees glue, where they leave open, where they bridge. */
  bands: Bands;
  /** Days worked, 1 Monday to 7 Sunday. */
  days: number[];
  hours: [number, number][];
  /** Grams of glue for a square metre of joint; 150–200 is usual (from memory). */
  glue: number;
  money: Money;
}

export const USUAL_WORKSHOP: Workshop = {
  kerf: inch(0, 1, 8),
  endTrim: inch(0, 1, 4),
  edgeTrim: inch(0),
  sheetTrim: inch(0),
  minHold: inch(9),
  keepOffcut: inch(12),
  sheetStages: 2,
  weighing: { setUp: 0, offcut: 0 },
  panels: false,
  panelLoss: inch(0, 1, 8),
  people: 1,
  staff: [],
  closed: [],
  stations: {},
  lots: {},
  minutes: {},
  paper: "Letter",
  bands: DEFAULT_BANDS,
  days: [1, 2, 3, 4, 5],
  hours: [
    [8 * 60, 12 * 60],
    [12 * 60 + 30, 16 * 60 + 30],
  ],
  glue: 175,
  money: USUAL_MONEY,
};

/** The lengths of a usual shop of millimetres; a sixteenth of an inch is nothing on its tapes. */
const METRIC: Partial<Workshop> = {
  kerf: mm(3),
  endTrim: mm(6),
  minHold: mm(230),
  keepOffcut: mm(300),
  panelLoss: mm(3),
  paper: "A4",
};

/** What is usual in a shop of inches or of millimetres. */
export const usualWorkshop = (units: Units): Workshop =>
  units === "mm" ? { ...USUAL_WORKSHOP, ...METRIC } : USUAL_WORKSHOP;

/** No blade a workshop has cuts wider. */
const MOST_KERF = inch(0, 1, 2);

/** How values are spelled where a workshop is read: as a file writes them, or as the program holds them. */
export interface WorkshopSpelling {
  units: Units;
  length: z.ZodType<Length, string | number>;
  /** Minutes of a day from midnight. */
  minute: z.ZodType<number, string | number>;
}

export const held = (units: Units): WorkshopSpelling => ({
  units,
  length: lengthSchema as unknown as z.ZodType<Length, string | number>,
  minute: z
    .number()
    .int()
    .min(0)
    .max(24 * 60) as unknown as z.ZodType<number, string | number>,
});

const days = z.array(z.number().int().min(1).max(7)).min(1).max(7);
const dates = z.array(z.iso.date({ error: 'wanted a day like "2027-12-24"' })).max(400);
/** A week of work on one piece is not one operation. */
const someMinutes = z.number().min(0).max(10_000);
const hoursOf = (minute: WorkshopSpelling["minute"]) =>
  z
    .array(z.tuple([minute, minute]))
    .min(1)
    .max(6)
    .superRefine((hours, ctx) =>
      hours.forEach(([a, b], i) => {
        if (a >= b || (i > 0 && hours[i - 1]![1] > a))
          ctx.addIssue({ code: "custom", path: [i], message: "hours run forward and do not overlap", input: hours });
      }),
    );

/** What a workshop may be, each value on its own. */
export const workshopFields = ({ units, length, minute }: WorkshopSpelling) => ({
  kerf: length.refine((k) => k <= MOST_KERF, {
    error: `more than a saw takes: at most ${units === "in" ? '1/2"' : "12.7 mm"}; is the unit right?`,
  }),
  endTrim: length,
  edgeTrim: length,
  sheetTrim: length,
  minHold: length,
  keepOffcut: length,
  panels: z.boolean(),
  panelLoss: length,
  sheetStages: z.union([z.literal(2), z.literal(3)]),
  weighing: weighingSchema,
  people: z.number().int().min(1).max(50),
  staff: z
    .array(
      z.strictObject({
        title: z.string().trim().min(1).max(60),
        days: days.optional(),
        hours: hoursOf(minute).optional(),
        off: dates.optional(),
        works: z.array(stationSchema).max(STATIONS.length).optional(),
      }),
    ) // prettier-ignore
    .max(50),
  closed: dates,
  stations: z.partialRecord(stationSchema, z.number().int().min(1).max(100)),
  lots: z.partialRecord(stationSchema, z.number().int().min(1).max(100_000)),
  minutes: z.record(z.string().min(1).max(120), z.strictObject({ setup: someMinutes, each: someMinutes })).refine((m) => Object.keys(m).length <= 300, "at most 300 kinds of operation"), // prettier-ignore
  paper: z.enum(["A4", "Letter"]),
  bands: z
    .strictObject({ glues: length, open: z.tuple([length, length]), bridges: length })
    .refine((b) => b.glues <= b.open[0] && b.open[0] < b.open[1] && b.open[1] <= b.bridges, {
      error: "bees glue below, leave open between and bridge above: each no less than the one before",
    }),
  days,
  hours: hoursOf(minute),
  glue: z.number().min(0).max(2000),
  money: moneySchema,
});

/** The shop as it is kept. */
export interface StoredShop extends Kept {
  shop: Shop;
}

export const workshopChangeSchema = z.lazy(() => z.strictObject(workshopFields(held("in"))).partial());

/** Everything a person can do to the shop; lengths in nm. */
export const shopActSchema = z.lazy(() =>
  z.discriminatedUnion("do", [
    z.strictObject({ do: z.literal("units"), units: z.enum(["in", "mm"]) }),
    z.strictObject({ do: z.literal("workshop"), to: workshopChangeSchema }),
  ]),
);
export type ShopAct = z.output<typeof shopActSchema>;

/** The shop after an act. In other units what is usual in the one becomes what is usual in the other; what was chosen stays. */
export function changeShop(shop: Shop, act: ShopAct): Shop {
  if (act.do === "workshop") return { ...shop, workshop: { ...shop.workshop, ...act.to } as Workshop };
  const [from, to] = [usualWorkshop(shop.units), usualWorkshop(act.units)];
  const usual = (Object.keys(METRIC) as (keyof Workshop)[]).filter((k) => shop.workshop[k] === from[k]);
  return { units: act.units, workshop: { ...shop.workshop, ...Object.fromEntries(usual.map((k) => [k, to[k]])) } };
}

/** What an act touches, so that two done on different screens can both stand. */
export const touchesShop = (act: ShopAct): string[] =>
  act.do === "units" ? ["units", "workshop"] : Object.keys(act.to).map((k) => `workshop ${k}`);

const CALLED: Record<keyof Workshop, string> = {
  kerf: "what the saw removes",
  endTrim: "what is lost at board ends",
  edgeTrim: "what is lost at board edges",
  sheetTrim: "what is lost at sheet edges",
  minHold: "the shortest piece held",
  keepOffcut: "offcuts kept",
  panels: "panels glued up",
  panelLoss: "what a panel's joint loses",
  sheetStages: "the stages of a sheet",
  weighing: "what is weighed beside the wood",
  people: "people",
  staff: "who works",
  closed: "days closed",
  stations: "stations",
  lots: "how many go through at once",
  minutes: "minutes of an operation",
  paper: "paper",
  bands: "bee space",
  days: "days worked",
  hours: "hours",
  glue: "glue",
  money: "money",
};

/** What settings are called. */
export const settingsText = (of: object): string =>
  Object.keys(of)
    .map((k) => CALLED[k as keyof Workshop])
    .join(", ");

export const shopActText = (act: ShopAct): string => (act.do === "units" ? "units" : settingsText(act.to));

/** What a job's workshop does otherwise than the shop. */
export const otherwise = (workshop: Workshop, shop: Workshop): Partial<Workshop> =>
  Object.fromEntries(
    Object.entries(workshop).filter(([k, v]) => JSON.stringify(v) !== JSON.stringify(shop[k as keyof Workshop])),
  );

export const canWork = ({ works }: Person, station: Station): boolean => works === undefined || works.includes(station);

/** How many work here when all are in. */
export const handsOf = ({ people, staff }: Pick<Workshop, "people" | "staff">): number => staff.length || people;

const weekdayOf = (date: string) => new Date(`${date}T00:00:00Z`).getUTCDay() || 7;
type Open = Pick<Workshop, "days" | "hours" | "closed" | "staff">;

/** When each of those who are told apart is in on a day, `YYYY-MM-DD`; nothing where they are off. */
export function presence({ days, hours, closed, staff }: Open, date: string): [number, number][][] {
  const weekday = weekdayOf(date);
  return staff.map((p) =>
    closed.includes(date) || p.off?.includes(date) || !(p.days ?? days).includes(weekday) ? [] : (p.hours ?? hours),
  );
}

/** When somebody is in on a day: the shop's hours, or those of all who work there together. */
export function hoursOn(shop: Open, date: string): [number, number][] {
  if (shop.closed.includes(date)) return [];
  if (shop.staff.length === 0) return shop.days.includes(weekdayOf(date)) ? shop.hours : [];
  const all = presence(shop, date).flat().toSorted(([a], [b]) => a - b); // prettier-ignore
  const out: [number, number][] = [];
  for (const [a, b] of all) {
    const last = out.at(-1);
    if (last && a <= last[1]) last[1] = Math.max(last[1], b);
    else out.push([a, b]);
  }
  return out;
}
