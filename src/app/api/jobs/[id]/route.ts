import { z } from "zod";
import { askerOf } from "@/app/acts";
import { answer, jobPath, readBody, readPath } from "@/app/http";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

type Context = { params: Promise<{ id: string }> };

/** The job as it is kept now. */
export const GET = (request: Request, context: Context) =>
  answer(request, async () => {
    const asker = askerOf(request);
    return Response.json(jobStore(database()).load((await readPath(context, jobPath)).id, asker));
  });

const change = z.union([z.strictObject({ archived: z.boolean() }), z.strictObject({ away: z.boolean() })]);

/** Puts a job by or takes it up again; takes it away, or brings it back. */
export const PATCH = (request: Request, context: Context) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    const to = await readBody(request, change);
    const store = jobStore(database());
    if ("archived" in to) store.archive(id, to.archived);
    else store.takeAway(id, to.away);
    return Response.json({ id });
  });

/** Takes a job away; for some weeks it can be brought back. */
export const DELETE = (request: Request, context: Context) =>
  answer(request, async () => {
    jobStore(database()).takeAway((await readPath(context, jobPath)).id, true);
    return Response.json({ removed: true });
  });
