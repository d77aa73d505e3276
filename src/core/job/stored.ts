import type { Kept } from "@/core/keeping/kept";
import type { Workshop } from "@/core/shop/shop";
import type { Around } from "./inshop";
import type { Job } from "./job";

/** A job as it is kept, and what is around it; a change of the shop, the yard or the catalogue counts its version on too. */
export interface StoredJob extends Kept {
  id: number;
  job: Job;
  /** What the shop has: where the job's workshop differs, it does so otherwise. */
  shop: Workshop;
  around: Around;
}
