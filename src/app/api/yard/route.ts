import { askerOf } from "@/app/acts";
import { answer } from "@/app/http";
import { database } from "@/store/database";
import { yardStore } from "@/store/yard";

/** The yard as it is kept now; for a page that knows it as it was, what has changed since. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const asker = askerOf(request);
    return Response.json(yardStore(database()).load(asker, asker?.since));
  });
