import { follow } from "@/app/follow";
import { answer } from "@/app/http";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { planStore } from "@/store/plans";
import { purchaseStore } from "@/store/purchases";

/** Tells the page of the plan each time it would say something else. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const db = database();
    const [jobs, purchases, plans] = [jobStore(db), purchaseStore(db), planStore(db)];
    return follow(request, () => jobs.listVersion() * 1000 + purchases.version() + plans.version() * 7);
  });
