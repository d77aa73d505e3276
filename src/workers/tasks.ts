import type { LayoutRequest } from "@/core/layout/request";
import type { LayoutResult, Progress } from "@/core/layout/layout";

/** What the pool can be asked, and what it answers. */
export interface Tasks {
  layout: { ask: LayoutRequest; answer: LayoutResult; progress: Progress };
}
export type TaskName = keyof Tasks;
