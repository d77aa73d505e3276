import type { Kept } from "@/core/keeping/kept";
import type { Workshop } from "@/core/shop/shop";
import type { Job } from "./job";

/** A job as it is kept; a change of the shop counts its version on too. */
export interface StoredJob extends Kept {
  id: number;
  job: Job;
  /** What the shop has: where the job's workshop differs, it does so otherwise. */
  shop: Workshop;
}
