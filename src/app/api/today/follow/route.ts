import { follow } from "@/app/follow";
import { answer } from "@/app/http";
import { database } from "@/store/database";
import { benchStore } from "@/store/bench";
import { jobStore } from "@/store/jobs";
import { planStore } from "@/store/plans";

/** Tells the first page each time it would say something else. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const db = database();
    const [jobs, plans, bench] = [jobStore(db), planStore(db), benchStore(db)];
    return follow(request, () => jobs.listVersion() * 1000 + plans.version() * 7 + bench.version());
  });
