import type { Units } from "@/core/length/length";
import type { Replanned } from "./replan";
import type { Run } from "./runs";
import type { Occasion, Week } from "./season";
import type { Work } from "./tasks";
import type { WholePlan } from "./whole";

/** What the page of the plan is told: the plan that stands, what it is made from and what is put forward in its place. */

/** A job that is planned, and what its operations are called. */
export interface PlannedJob {
  id: number;
  name: string;
  customer: string | null;
  units: Units;
  due: string | null;
  work: Work[];
  /** What in the bees' year it has to be ready for. */
  for: Occasion[];
}

/** A job that cannot be planned yet, and why. */
export interface LeftOut {
  id: number;
  name: string;
  why: string;
}

/** Something that is on its way for a job. */
export interface OnItsWay {
  purchase: number;
  from: string;
  job: number;
  what: string;
  /** The day it comes; undefined where nobody has said. */
  on?: string;
}

/** A day that somebody is in: when the first comes and the last goes, clock minutes. */
export interface OpenDay {
  day: string;
  from: number;
  to: number;
}

/** A plan by its number, in runs. */
export type RunPlan = Omit<WholePlan, "blocks"> & { id: number; runs: Run[]; days: OpenDay[] };

/** A plan that is put forward and does not stand yet; what moves, where it takes the place of one. */
export interface PutForward {
  plan: RunPlan;
  mended: Omit<Replanned, "plan"> | null;
}

/** The plan that stands, with all its page shows. */
export interface ShownPlan {
  now: number;
  today: string;
  jobs: Omit<PlannedJob, "work">[];
  left: LeftOut[];
  coming: OnItsWay[];
  /** Jobs whose work is not known as it is now: it has to be worked out. */
  old: number[];
  people: { title: string }[];
  plan: RunPlan | null;
  /** The year ahead of it, week by week. */
  year: Week[];
  /** Another stood before it, to go back to. */
  hasEarlier: boolean;
  /** Something it was made from has changed. */
  stale: boolean;
}
