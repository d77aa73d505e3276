import type { Job } from "./job";

/** A job as it is kept. `revision` counts everything ever done to it. */
export interface StoredJob {
  id: number;
  revision: number;
  job: Job;
  /** What the next undo would take back, if anything. */
  undo: string | null;
}
