import { actsBody } from "@/app/acts";
import { answer, readBody } from "@/app/http";
import { shopActSchema } from "@/core/shop/shop";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";

const body = actsBody(shopActSchema);

/** Changes the shop, or takes the last change back; or several, in their order. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const read = await readBody(request, body);
    return Response.json(shopStore(database()).all(read.acts, read.loaded));
  });
