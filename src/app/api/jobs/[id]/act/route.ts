import { actSchema } from "@/core/job/acts";
import { z } from "zod";
import { answer, jobPath, readBody, readPath } from "@/app/http";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

/** What its page calls it: its screen, and a number: asked again, it is answered and not done again. */
const key = z
  .string()
  .regex(/^[a-z0-9-]{1,60}\.[0-9]{1,16}$/)
  .optional();
/** The revision its page came with: what it may take back besides its own. */
const loaded = z.number().int().min(0).optional();
const body = z.union([
  z.strictObject({ key, loaded, revision: z.number().int(), act: actSchema }),
  z.strictObject({ key, loaded, undo: z.literal(true), revision: z.number().int().optional() }),
]);

/** Does one thing to a job, or takes the last one back. */
export const POST = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    const read = await readBody(request, body);
    const store = jobStore(database());
    return Response.json(
      "undo" in read
        ? store.undo(id, read.key, read.loaded)
        : store.act(id, read.revision, read.act, read.key, read.loaded),
    );
  });
