import type { GroupRequest, GroupSolved } from "@/core/layout/lay";
import type { LayoutResult, Progress } from "@/core/layout/layout";
import type { LayoutRequest } from "@/core/layout/request";
import type { Job } from "@/core/job/job";
import type { Weighed } from "@/core/order/instead";
import type { Currency } from "@/core/money/money";
import type { Listed } from "@/core/purchase/pricelist";
import type { Proposal, Seller } from "@/core/purchase/proposal";
import type { Wanted } from "@/core/purchase/wants";
import type { Put, Replanned } from "@/core/plan/replan";
import type { Gain } from "@/core/plan/whatif";
import type { Block, WholeAsk } from "@/core/plan/block";
import type { WholePlan } from "@/core/plan/whole";
import type { Standing } from "@/core/today/standing";

/** Where a job stands, as it stands in its shop; `kept` is what of each lot is kept for it. */
export interface StandingRequest {
  job: Job;
  day: string;
  kept: [number, number][];
}

/** What is wanted, and who sells it for how much. */
export interface ProposalRequest {
  wanted: Wanted[];
  sellers: Seller[];
  byHand: Listed[];
  today: string;
  currency: Currency;
}

/** The best plan so far: minutes late in all, and the clock minute it ends. */
export interface PlanProgress {
  late: number;
  finish: number;
}

/** What the pool can be asked, and what it answers. */
export interface Tasks {
  request: { ask: Job; answer: LayoutRequest; progress: never };
  standing: { ask: StandingRequest & { result: LayoutResult }; answer: Standing; progress: never };
  weighed: { ask: { job: Job; result: LayoutResult }; answer: Weighed; progress: never };
  proposal: { ask: ProposalRequest; answer: Proposal; progress: never };
  plan: { ask: { whole: WholeAsk; seed: number; was?: Block[] }; answer: WholePlan; progress: PlanProgress };
  mended: { ask: { whole: WholeAsk; was: WholePlan; puts: Put[] }; answer: Replanned; progress: never };
  gains: { ask: { whole: WholeAsk; plan: WholePlan }; answer: Gain[]; progress: Gain[] };
  group: { ask: GroupRequest; answer: GroupSolved; progress: Omit<Progress, "done" | "of"> };
}
export type TaskName = keyof Tasks;

/** What a thread is told while it works: to go on, to end with what is best so far, or to show that and go on. */
export const TOLD = { goOn: 0, end: 1, show: 2 } as const;

/** What a thread says while it works; null when it has nothing more to say. */
export type Said<N extends TaskName> = { progress: Tasks[N]["progress"] } | { soFar: Tasks[N]["answer"] } | null;
