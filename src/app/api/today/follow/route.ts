import { follow } from "@/app/follow";
import { answer } from "@/app/http";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

/** Tells the first page each time it would say something else. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const store = jobStore(database());
    return follow(request, () => store.listVersion());
  });
