import type { GroupLayout, GroupRequest } from "@/core/layout/lay";
import type { LayoutResult, Progress } from "@/core/layout/layout";
import type { LayoutRequest } from "@/core/layout/request";
import type { Job } from "@/core/job/job";
import type { Standing } from "@/core/today/standing";

/** Where a job stands, as it stands in its shop; `kept` is what of each lot is kept for it. */
export interface StandingRequest {
  job: Job;
  day: string;
  kept: [number, number][];
}

/** What the pool can be asked, and what it answers. */
export interface Tasks {
  request: { ask: Job; answer: LayoutRequest; progress: never };
  standing: { ask: StandingRequest & { result: LayoutResult }; answer: Standing; progress: never };
  group: { ask: GroupRequest; answer: GroupLayout; progress: Omit<Progress, "done" | "of"> };
}
export type TaskName = keyof Tasks;
