import { z } from "zod";
import { pieceNow } from "@/app/asNew";
import { answer, readBody } from "@/app/http";
import { happeningSchema } from "@/core/book/book";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";

const body = z.strictObject({ events: z.array(happeningSchema).min(1).max(500) });

/** Keeps what happened to pieces; each once, however often it is sent. Answers with the first piece as it stands. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const { events } = await readBody(request, body);
    bookStore(database()).happened(events);
    return Response.json(pieceNow(events[0]!.piece));
  });
