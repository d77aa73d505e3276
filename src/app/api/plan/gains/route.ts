import { z } from "zod";
import { answer, readQuery } from "@/app/http";
import { enough, streamed } from "@/app/stream";
import { clockNow, today } from "@/app/today";
import { database } from "@/store/database";
import { gains } from "@/workers/planning";

const query = z.strictObject({ ask: z.string().regex(/^[\w-]{8,64}$/, "a name of 8 to 64 letters and digits") });

/** Ends the weighing: what is known by then is the answer. */
export const DELETE = (request: Request) => answer(request, async () => enough(readQuery(request, query).ask));

/** What more people, days and stations would gain over the plan that stands, the best first; a line of JSON for each that is weighed. */
export const POST = (request: Request) =>
  answer(request, async () =>
    streamed(request, readQuery(request, query).ask, ({ say, ...how }) =>
      gains(database(), clockNow(), today(), { ...how, hear: (progress) => say({ progress }) }),
    ),
  );
