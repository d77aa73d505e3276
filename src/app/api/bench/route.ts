import { z } from "zod";
import { answer, readBody } from "@/app/http";
import { today } from "@/app/today";
import { benchEventSchema } from "@/core/bench/events";
import { benchStore } from "@/store/bench";
import { database } from "@/store/database";
import { book } from "@/workers/booking";

const body = z.strictObject({ events: z.array(benchEventSchema).min(1).max(500) });

/** Keeps what happened at a bench; each event once, however often it is sent. Answers with what became of those operations. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const { events } = await readBody(request, body);
    const store = benchStore(database());
    const tallies = store.add(events, Date.now());
    book(database(), events, tallies, today());
    return Response.json({ tallies, version: store.version() });
  });
