import type { Station } from "@/core/feature/machine";
import type { PlanShop, ToPlan } from "./tasks";

/** A lot of an operation in the shop's plan: clock minutes. */
export interface Block {
  job: number;
  /** The operation of the job it is a lot of, and what that is known by when its number has changed. */
  op: string;
  name: string;
  /** Its place among the lots of that, from 0. */
  lot: number;
  /** Which pieces of the operation. */
  pieces: [from: number, to: number];
  station: Station;
  /** Which of several stations of a kind. */
  unit: number;
  /** Who does it, by their places in the shop. */
  who: number[];
  startsAt: number;
  endsAt: number;
  /** Minutes of work in it, those of a set-up that was not there yet among them. */
  minutes: number;
  setUp: number;
  wait: number;
}

/** What the shop has to plan. */
export interface WholeAsk {
  jobs: ToPlan[];
  shop: PlanShop;
  now: number;
  /** What was made at the bench so far, by job and by what the operation is known by. */
  made?: Record<number, Record<string, Made>>;
}

/** So many pieces, and when a bench was last heard of at it; clock minutes. */
export interface Made {
  pieces: number;
  at: number;
}
