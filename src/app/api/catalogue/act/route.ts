import { actsBody } from "@/app/acts";
import { answer, readBody } from "@/app/http";
import { catalogueActSchema } from "@/core/catalogue/catalogue";
import { catalogueStore } from "@/store/catalogue";
import { database } from "@/store/database";

const body = actsBody(catalogueActSchema);

/** Changes the catalogue, or takes the last change back; or several, in their order. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const read = await readBody(request, body);
    return Response.json(catalogueStore(database()).all(read.acts, read.loaded));
  });
