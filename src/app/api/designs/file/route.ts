import { z } from "zod";
import { answer, NotFound, placeParam, readQuery, readText } from "@/app/http";
import { designSchema, MOST_BYTES, writeDesign } from "@/core/designs/design";
import { readDesignFile } from "@/core/designs/file";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { standardStore } from "@/store/standards";

const query = z.strictObject({ id: z.string().max(60), mark: placeParam.optional() });

/** A design as a file: `?id=…&mark=…`, the newest mark when none is named. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const { id, mark } = readQuery(request, query);
    const marks = designStore(database())
      .list()
      .filter((m) => m.recipe.id === id);
    const found = mark === undefined ? marks.at(-1) : marks.find((m) => m.mark === mark);
    if (!found) throw new NotFound(`there is no design "${id}"${mark === undefined ? "" : ` at mark ${mark}`}`);
    return new Response(`${JSON.stringify(designSchema.parse(writeDesign(found)), null, 2)}\n`, {
      headers: {
        "content-type": "application/json",
        "content-disposition": `attachment; filename="${found.recipe.id}-mark-${found.mark}.json"`,
      },
    });
  });

/** Takes a design file in as the next mark of its design; answers with all. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const store = designStore(database());
    const { recipe, why } = readDesignFile(await readText(request, MOST_BYTES));
    store.keep(recipe, why, standardStore(database()).list());
    return Response.json(store.list());
  });
