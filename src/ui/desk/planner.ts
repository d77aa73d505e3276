import type { Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import { type Plan, planOf } from "@/core/plan/plan";

/** What a page asks of its planner, and what that answers. */
export interface PlanAsked {
  ask: number;
  job: Job;
  result: LayoutResult;
}
export interface PlanAnswer {
  ask: number;
  plan: Plan;
}

/** Runs as a web worker, so that planning holds up no typing. Only what was asked last is planned. */
let newest: PlanAsked | undefined;
addEventListener("message", ({ data }: MessageEvent<PlanAsked>) => {
  newest = data;
  setTimeout(() => {
    if (newest !== data) return;
    const answer: PlanAnswer = { ask: data.ask, plan: planOf(workJob(data.job), data.result) };
    postMessage(answer);
  });
});
