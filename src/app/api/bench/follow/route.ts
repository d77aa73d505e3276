import { follow } from "@/app/follow";
import { answer } from "@/app/http";
import { benchStore } from "@/store/bench";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { planStore } from "@/store/plans";

/** Tells a bench when something happened at another, another plan stands, or a job is another. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const [bench, plans, jobs] = [benchStore(database()), planStore(database()), jobStore(database())];
    return follow(request, () => bench.version() * 1000 + plans.version() + jobs.listVersion());
  });
