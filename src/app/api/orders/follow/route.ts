import { follow } from "@/app/follow";
import { answer } from "@/app/http";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { purchaseStore } from "@/store/purchases";

/** Tells the page of orders each time it would say something else: what jobs want, what became of orders, what suppliers told. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const [jobs, purchases] = [jobStore(database()), purchaseStore(database())];
    return follow(request, () => jobs.listVersion() * 1000 + purchases.version());
  });
