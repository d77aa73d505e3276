import { askerOf } from "@/app/acts";
import { answer, jobPath, readPath } from "@/app/http";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

type Context = { params: Promise<{ id: string }> };

/** The job as it is kept now. */
export const GET = (request: Request, context: Context) =>
  answer(request, async () => {
    const asker = askerOf(request);
    return Response.json(jobStore(database()).load((await readPath(context, jobPath)).id, asker));
  });

/** Takes a job away for good. */
export const DELETE = (request: Request, context: Context) =>
  answer(request, async () =>
    Response.json({ removed: jobStore(database()).remove((await readPath(context, jobPath)).id) }),
  );
