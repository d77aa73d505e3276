import type { Length, Units } from "@/core/length/length";
import type { Pinned } from "@/core/boards/laid";
import type { Design } from "@/core/designs/design";
import type { Hive } from "@/core/hive/hive";
import type { Reading } from "@/core/judge/reading";
import type { Quote } from "@/core/quote/quote";
import type { StockEntry } from "@/core/boards/stock";
import type { JobLine } from "@/core/line/line";
import { USUAL_WORKSHOP, type Workshop } from "@/core/shop/shop";
import type { Standard } from "@/core/standards/standard";
import type { Spoiled } from "./spoiled";

/** How the outside of what is made is kept, where a line does not say otherwise. */
export const FINISHES = ["none", "oil", "paint", "wax"] as const;

/** What someone wants made. Lengths in nm whatever the units it is shown in; dates are local, `YYYY-MM-DD`. */
export interface Job {
  name: string;
  /** Nobody has named it: it is called after what is in it. */
  unnamed?: true;
  units: Units;
  start?: string;
  due?: string;
  /** Whom it is for. */
  customer?: string;
  /** The wood of its boards, where only one will do. */
  wood?: string;
  /** It is made from its own stock only, and not from the shop's yard and catalogue. */
  alone?: true;
  /** The finish of every line that can have one and does not choose its own. */
  finish?: (typeof FINISHES)[number];
  /** What the boards measure, for every line that does not choose its own; the standard's usual stock when not said. */
  thickness?: Length;
  lines: JobLine[];
  stock: StockEntry[];
  /** The shop it is made in: its values, and what this job does otherwise. */
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
  /** What was spoiled at the bench: as much more is cut. */
  spoiled?: Spoiled[];
  /** What is asked for it. */
  quote?: Quote;
}

export const LIMITS = {
  bytes: 4 * 1024 * 1024,
  lines: 1000,
  stock: 500,
  standards: 20,
  quantity: 100_000,
  name: 120,
  wood: 60,
};

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
