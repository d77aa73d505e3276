import { z } from "zod";
import { answer, readQuery } from "@/app/http";
import { enough, streamed } from "@/app/stream";
import { clockNow, today } from "@/app/today";
import { database } from "@/store/database";
import { planAnew } from "@/workers/planning";

const query = z.strictObject({ ask: z.string().regex(/^[\w-]{8,64}$/, "a name of 8 to 64 letters and digits") });

/** Ends a plan that is being looked for: the best so far is then put forward. */
export const DELETE = (request: Request) => answer(request, async () => enough(readQuery(request, query).ask));

/** Looks for the best plan of all that is open; a line of JSON for each that is better, and one for what is put forward. */
export const POST = (request: Request) =>
  answer(request, async () =>
    streamed(request, readQuery(request, query).ask, ({ say, ...how }) =>
      planAnew(database(), clockNow(), today(), { ...how, hear: (progress) => say({ progress }) }),
    ),
  );
