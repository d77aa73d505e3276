import { answer, BadRequest, readText } from "@/app/http";
import { designSchema, MOST_BYTES, writeDesign } from "@/core/designs/design";
import { readDesignFile } from "@/core/designs/file";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { standardStore } from "@/store/standards";

/** A design as a file: `?id=…&mark=…`, the newest mark when none is named. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const asked = new URL(request.url).searchParams;
    const marks = designStore(database())
      .list()
      .filter((m) => m.recipe.id === asked.get("id"));
    const found = asked.has("mark") ? marks.find((m) => m.mark === Number(asked.get("mark"))) : marks.at(-1);
    if (!found) throw new BadRequest(`there is no design "${asked.get("id")}" at that mark`);
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
