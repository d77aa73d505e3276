import { z } from "zod";
import { elsewhere } from "@/app/elsewhere";
import { answer, BadRequest } from "@/app/http";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";

const query = z.object({ q: z.string().max(200, "wanted at most 200 letters") });

/** Pieces of the Book by what can be read of a mark, or by words; and jobs, designs, notes and orders that are called so. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const read = query.safeParse({ q: new URL(request.url).searchParams.get("q") ?? "" });
    if (!read.success) throw new BadRequest(`q: ${read.error.issues[0]!.message}`);
    return Response.json({ found: bookStore(database()).find(read.data.q), elsewhere: elsewhere(read.data.q) });
  });
