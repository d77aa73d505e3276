import { z } from "zod";
import { answer, readBody } from "@/app/http";
import { clockNow, today } from "@/app/today";
import { database } from "@/store/database";
import { StaleError } from "@/store/keeper";
import { planStore } from "@/store/plans";
import { factsOf } from "@/workers/planning";

const body = z.strictObject({ id: z.number().int().min(1), do: z.enum(["stand", "back"]) });

/** Lets a plan stand that was put forward, as long as nothing it was made from has changed; or lets the one before stand again. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const { id, do: what } = await readBody(request, body);
    const store = planStore(database());
    if (what === "back") store.back(id);
    else {
      const put = store.one(id);
      if (put && put.stoodAt === null && put.facts !== factsOf(database(), clockNow(), today()).facts)
        throw new StaleError("jobs, people or wood have changed since this plan was made; look at a new one");
      store.stand(id);
    }
    return Response.json({ version: store.version() });
  });
