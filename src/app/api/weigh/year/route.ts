import { z } from "zod";
import { answer, readBody } from "@/app/http";
import { yearAt } from "@/app/weighed";
import { STARTERS } from "@/core/hive/starters";

const asked = z.strictObject({
  starter: z
    .number()
    .int()
    .min(0)
    .max(STARTERS.length - 1),
  fill: z.number().min(0).max(1),
});

/** A usual stack season by season: what stands, weighs and is lifted. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const { starter, fill } = await readBody(request, asked);
    return Response.json(yearAt(starter, fill));
  });
