import { actSchema } from "@/core/job/acts";
import { MOST_AT_ONCE } from "@/core/job/stored";
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
const act = { key, revision: z.number().int(), act: actSchema };
const undo = { key, undo: z.literal(true), revision: z.number().int().optional() };
const body = z.union([
  z.strictObject({ loaded, ...act }),
  z.strictObject({ loaded, ...undo }),
  z.strictObject({
    loaded,
    acts: z
      .array(z.union([z.strictObject(act), z.strictObject(undo)]))
      .min(1)
      .max(MOST_AT_ONCE),
  }),
]);

/** Does one thing to a job, or takes the last one back; or several, in their order, as far as they hold. */
export const POST = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    const read = await readBody(request, body);
    return Response.json(jobStore(database()).all(id, "acts" in read ? read.acts : [read], read.loaded));
  });
