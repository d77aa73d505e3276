import { askerOf } from "@/app/acts";
import { answer } from "@/app/http";
import { catalogueStore } from "@/store/catalogue";
import { database } from "@/store/database";

/** The catalogue as it is kept now. */
export const GET = (request: Request) =>
  answer(request, async () => Response.json(catalogueStore(database()).load(askerOf(request))));
