import type { Job } from "./job";

/** A job as it is kept. `revision` counts everything ever done to it. */
export interface StoredJob {
  id: number;
  revision: number;
  job: Job;
  /** What the next undo would take back, if anything. */
  undo: string | null;
}

/** So many acts are done in one request: with more, others would wait for it. */
export const MOST_AT_ONCE = 20;
