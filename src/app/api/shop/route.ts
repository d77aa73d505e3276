import { askerOf } from "@/app/acts";
import { answer } from "@/app/http";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";

/** The shop as it is kept now. */
export const GET = (request: Request) =>
  answer(request, async () => Response.json(shopStore(database()).load(askerOf(request))));
