import { follow } from "@/app/follow";
import { answer, jobPath, readPath } from "@/app/http";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

/** Tells a page each time the job, or the shop it is made in, is another than it was. */
export const GET = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    const store = jobStore(database());
    return follow(request, () => store.version(id));
  });
