import { type Length, type Units, inch, mm } from "@/core/length/length";
import type { Pinned } from "@/core/boards/laid";
import type { Design } from "@/core/designs/design";
import type { Hive } from "@/core/hive/hive";
import type { Weighing } from "@/core/layout/request";
import type { Saw } from "@/core/boards/saw";
import type { Reading } from "@/core/judge/reading";
import type { StockEntry } from "@/core/boards/stock";
import type { JobLine } from "@/core/line/line";
import type { Standard } from "@/core/standards/standard";

/** How the outside of what is made is kept, where a line does not say otherwise. */
export const FINISHES = ["none", "oil", "paint", "wax"] as const;

/** What someone wants made. Lengths in nm whatever the units it is shown in; dates are local, `YYYY-MM-DD`. */
export interface Job {
  name: string;
  units: Units;
  start?: string;
  due?: string;
  /** The finish of every line that can have one and does not choose its own. */
  finish?: (typeof FINISHES)[number];
  /** What the boards measure, for every line that does not choose its own; the standard's usual stock when not said. */
  thickness?: Length;
  lines: JobLine[];
  stock: StockEntry[];
  workshop: Workshop;
  /** Layouts that stay as they are; `stock` is the place in this job's stock. */
  pinned: Pinned[];
  /** Standards of the maker's own that lines use, as they were when they were taken up. */
  standards: Standard[];
  /** Designs of the maker's own that lines use, at the mark they were taken up. */
  designs: Design[];
  /** Whole hives, from the ground up: what lines are made from. */
  hives: Hive[];
  /** What gauges and tapes read, the newest first. */
  readings: Reading[];
}

/** How the shop works: what the saw takes, who is there when, what glue it takes. Minutes of a day from midnight. */
export interface Workshop extends Saw {
  weighing: Weighing;
  /** Parts wider than every board are glued up from staves; each joint loses so much to the jointer. */
  panels: boolean;
  panelLoss: Length;
  people: number;
  /** Days worked, 1 Monday to 7 Sunday. */
  days: number[];
  hours: [number, number][];
  /** Grams of glue for a square metre of joint; 150–200 is usual (from memory). */
  glue: number;
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
  days: [1, 2, 3, 4, 5],
  hours: [
    [8 * 60, 12 * 60],
    [12 * 60 + 30, 16 * 60 + 30],
  ],
  glue: 175,
};

/** The lengths of a usual shop of millimetres; a sixteenth of an inch is nothing on its tapes. */
const METRIC: Partial<Workshop> = {
  kerf: mm(3),
  endTrim: mm(6),
  minHold: mm(230),
  keepOffcut: mm(300),
  panelLoss: mm(3),
};

/** The shop of a job that begins in other units: what is usual in the one is what is usual in the other; what was chosen stays. */
export function inUnits(workshop: Workshop, units: Units): Workshop {
  const metric: Workshop = { ...USUAL_WORKSHOP, ...METRIC };
  const [from, to] = units === "mm" ? [USUAL_WORKSHOP, metric] : [metric, USUAL_WORKSHOP];
  const usual = (Object.keys(METRIC) as (keyof Workshop)[]).filter((k) => workshop[k] === from[k]);
  return { ...workshop, ...Object.fromEntries(usual.map((k) => [k, to[k]])) };
}

export const LIMITS = { bytes: 4 * 1024 * 1024, lines: 1000, stock: 500, standards: 20, quantity: 100_000, name: 120 };

/** A job with nothing asked yet. */
export const emptyJob = (name: string, units: Units): Job => ({
  name,
  units,
  lines: [],
  stock: [],
  standards: [],
  pinned: [],
  designs: [],
  hives: [],
  readings: [],
  workshop: USUAL_WORKSHOP,
});
