import { actsBody } from "@/app/acts";
import { answer, jobPath, readBody, readPath } from "@/app/http";
import { actSchema } from "@/core/job/acts";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

const body = actsBody(actSchema);

/** Does one thing to a job, or takes the last one back; or several, in their order, as far as they hold. */
export const POST = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    const read = await readBody(request, body);
    return Response.json(jobStore(database()).all(id, read.acts, read.loaded));
  });
