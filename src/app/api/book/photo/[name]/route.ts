import { z } from "zod";
import { answer, NotFound, readPath } from "@/app/http";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";

const path = z.object({ name: z.string().regex(/^[0-9a-f]{64}$/) });

/** A picture of a piece; one of that name never changes. */
export const GET = (request: Request, at: { params: Promise<Record<string, string>> }) =>
  answer(request, async () => {
    const { name } = await readPath(at, path);
    const data = bookStore(database()).photo(name);
    if (!data) throw new NotFound("that picture is not here: it did not come with the Book's file");
    return new Response(new Uint8Array(data), { headers: { "content-type": "image/jpeg", "cache-control": "private, max-age=31536000, immutable" } }); // prettier-ignore
  });
