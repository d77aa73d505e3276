import { z } from "zod";
import { answer, jobPath, placeParam, readPath, readQuery } from "@/app/http";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

type Context = { params: Promise<{ id: string }> };

/** Who asks, where it matters what could be taken back. */
const query = z.strictObject({ screen: z.string().max(60).optional(), loaded: placeParam.optional() });

/** The job as it is kept now. */
export const GET = (request: Request, context: Context) =>
  answer(request, async () => {
    const { screen, loaded } = readQuery(request, query);
    const asker = screen !== undefined && loaded !== undefined ? { name: screen, loaded } : undefined;
    return Response.json(jobStore(database()).load((await readPath(context, jobPath)).id, asker));
  });

/** Takes a job away for good. */
export const DELETE = (request: Request, context: Context) =>
  answer(request, async () =>
    Response.json({ removed: jobStore(database()).remove((await readPath(context, jobPath)).id) }),
  );
