import { z } from "zod";
import { pieceNow } from "@/app/asNew";
import { answer, NotFound, readBody, readPath } from "@/app/http";
import { happeningSchema } from "@/core/book/book";
import { photoOf } from "@/exchange/photo";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";

/** A picture of the largest telephones, and a third more as it is sent. */
const MOST_BYTES = 16 * 1024 * 1024;
const path = z.object({ id: z.coerce.number().int().min(1) });
const body = z.strictObject({
  id: happeningSchema.shape.id,
  on: happeningSchema.shape.on,
  note: z.string().trim().min(1).max(500).optional(),
  /** The file in base64. */
  photo: z.string().min(1),
});

/** Keeps a picture of a piece; sent twice it is kept once. Answers with the piece as it stands. */
export const POST = (request: Request, at: { params: Promise<Record<string, string>> }) =>
  answer(request, async () => {
    const { id: piece } = await readPath(at, path);
    const { id, on, note, photo } = await readBody(request, body, MOST_BYTES);
    const store = bookStore(database());
    if (!store.load(piece)) throw new NotFound("there is no such piece");
    store.photographed(await photoOf(Buffer.from(photo, "base64")), { id, on, piece, ...(note ? { note } : {}) });
    return Response.json(pieceNow(piece));
  });
