import type { GroupLayout, GroupRequest } from "@/core/layout/lay";
import type { Progress } from "@/core/layout/layout";

/** What the pool can be asked, and what it answers. */
export interface Tasks {
  group: { ask: GroupRequest; answer: GroupLayout; progress: Omit<Progress, "done" | "of"> };
}
export type TaskName = keyof Tasks;
