import { layoutRequest } from "@/core/job/ask";
import { workJob } from "@/core/job/worked";
import { batchOf } from "@/core/papers/batch";
import { planOf } from "@/core/plan/plan";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { askLayoutBy } from "@/workers/pool";

/** All papers of a job as it stands in its shop, and what they are about. @throws NoJobError, LayoutLimit, FullError */
export async function papersOf(id: number, signal?: AbortSignal) {
  const worked = workJob(jobStore(database()).inShop(id));
  const result = await askLayoutBy(layoutRequest(worked), signal);
  const plan = worked.job.start ? planOf(worked, result) : null;
  return { worked, result, plan, batch: batchOf(worked, result, plan), of: { jobId: id, job: worked.job, lines: worked.lines, result } }; // prettier-ignore
}
