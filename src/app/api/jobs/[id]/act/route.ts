import { actSchema } from "@/core/job/acts";
import { z } from "zod";
import { answer, idParam, readBody } from "@/app/http";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

const body = z.union([
  z.strictObject({ revision: z.number().int(), act: actSchema }),
  z.strictObject({ undo: z.literal(true), revision: z.number().int().optional() }),
]);

/** Does one thing to a job, or takes the last one back. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const id = idParam.parse((await params).id);
    const read = await readBody(request, body);
    const store = jobStore(database());
    return Response.json("undo" in read ? store.undo(id, read.revision) : store.act(id, read.revision, read.act));
  });
