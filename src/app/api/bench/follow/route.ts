import { follow } from "@/app/follow";
import { answer } from "@/app/http";
import { benchStore } from "@/store/bench";
import { database } from "@/store/database";
import { planStore } from "@/store/plans";

/** Tells a bench when something happened at another, or another plan stands. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const [bench, plans] = [benchStore(database()), planStore(database())];
    return follow(request, () => bench.version() * 1000 + plans.version());
  });
