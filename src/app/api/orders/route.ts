import { z } from "zod";
import { answer, readBody, readQuery } from "@/app/http";
import { today } from "@/app/today";
import { database } from "@/store/database";
import { StaleError } from "@/store/keeper";
import { drawUp, toOrder } from "@/workers/buying";

const query = z.strictObject({
  /** Numbers of jobs: `1,4`; all that are open without. */
  jobs: z.string().regex(/^\d{1,9}(,\d{1,9}){0,199}$/).transform((s) => s.split(",").map(Number)).optional(),
}); // prettier-ignore

/** What to order for jobs, and from whom. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const { jobs } = readQuery(request, query);
    return Response.json(await toOrder(database(), jobs, today(), request.signal));
  });

const body = z.strictObject({
  key: z.string().regex(/^[a-z0-9-]{8,60}$/),
  seller: z.number().int().min(1).nullable(),
  jobs: z.array(z.number().int().min(1)).max(2000),
  total: z.number().int().min(0),
});

/** Draws up an order as it was seen. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const id = await drawUp(database(), await readBody(request, body), today());
    if (id === undefined) throw new StaleError("what there is to order has changed meanwhile; look again");
    return Response.json({ id }, { status: 201 });
  });
