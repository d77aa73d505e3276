import { z } from "zod";
import { answer, jobPath, readBody, readPath } from "@/app/http";
import type { Length } from "@/core/length/length";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { measurementStore } from "@/store/measurements";

const length = z
  .number()
  .int()
  .min(0)
  .max(1e11)
  .transform((n) => n as Length);
const body = z.strictObject({ subject: z.string().min(1).max(120), target: length, value: length });

/** Keeps a reading and answers with all of the job's, newest first. */
export const POST = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    jobStore(database()).load(id);
    const store = measurementStore(database());
    store.add(id, await readBody(request, body));
    return Response.json(store.list(id));
  });
