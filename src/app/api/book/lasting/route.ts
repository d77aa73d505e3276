import { z } from "zod";
import { answer, BadRequest } from "@/app/http";
import { today } from "@/app/today";
import { LASTING_BY } from "@/core/book/lasting";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";

const by = z.enum(LASTING_BY);

/** How long what was made lasts, by what it has in common. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const read = by.safeParse(new URL(request.url).searchParams.get("by"));
    if (!read.success) throw new BadRequest(`by: ${read.error.issues[0]!.message}`);
    return Response.json({ groups: bookStore(database()).lasted(read.data, today()) });
  });
