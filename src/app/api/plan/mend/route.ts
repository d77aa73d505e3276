import { z } from "zod";
import { answer, readBody } from "@/app/http";
import { clockNow, today } from "@/app/today";
import { database } from "@/store/database";
import { mend } from "@/workers/planning";

const body = z.strictObject({
  /** Operations somebody put somewhere: the job, what the operation is known by, and the clock minute. */
  puts: z
    .array(
      z.strictObject({
        job: z.number().int().min(1),
        name: z.string().min(1).max(400),
        lot: z.number().int().min(0).max(1e6),
        lots: z.number().int().min(1).max(1e6),
        at: z.number().int().min(0).max(1e8),
      }),
    ) // prettier-ignore
    .max(50),
});

/** Mends the plan that stands with as little movement as can be, and puts that forward: it does not stand yet. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const { puts } = await readBody(request, body);
    return Response.json(await mend(database(), clockNow(), today(), puts, request.signal));
  });
