import type { Act } from "@/core/job/acts";
import { inShop } from "@/core/job/inshop";
import type { Length } from "@/core/length/length";
import { type Alternative, alternativesOf, jobWith, type Weighed } from "@/core/order/instead";
import type { Db } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { askWeighed } from "./pool";

/** An alternative and what the job comes to with it. */
export interface Instead extends Weighed {
  wood?: string;
  thickness?: Length;
  sheet?: { material: string; instead: Length };
  acts: Act[];
}

/** What a job would come to with other wood or other boards, the first as it is; each laid out as far as it comes in a moment. */
export async function insteadOf(db: Db, id: number, signal?: AbortSignal): Promise<Instead[]> {
  const { job, around } = jobStore(db).load(id);
  const { wood: _wood, ...any } = job;
  const found: Instead[] = [];
  for (const other of alternativesOf(job, inShop(any, id, around))) {
    const changed = jobWith(job, other);
    if (changed) found.push(await one(other, changed));
  }
  return found;

  async function one(other: Alternative, changed: typeof job): Promise<Instead> {
    return { ...other, ...(await askWeighed(inShop(changed, id, around), signal)) };
  }
}
