import { z } from "zod";
import { answer, readBody } from "@/app/http";
import { MOST_BYTES } from "@/core/designs/design";
import { recipeSchema } from "@/core/recipes/recipe";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { standardStore } from "@/store/standards";

/** Every mark of the maker's own designs, with notes from use. */
export const GET = (request: Request) => answer(request, async () => Response.json(designStore(database()).list()));

const kept = z.strictObject({ recipe: recipeSchema, why: z.string().max(500) });

/** Keeps a recipe as the next mark of its design; answers with all. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const store = designStore(database());
    const { recipe, why } = await readBody(request, kept, MOST_BYTES);
    store.keep(recipe, why, standardStore(database()).list());
    return Response.json(store.list());
  });

const note = z.strictObject({
  id: z.string().max(60),
  mark: z.number().int(),
  note: z.string().trim().min(1).max(1000),
});

/** Notes something of a mark in use; answers with all. */
export const PATCH = (request: Request) =>
  answer(request, async () => {
    const store = designStore(database());
    const said = await readBody(request, note);
    store.note(said.id, said.mark, said.note);
    return Response.json(store.list());
  });

/** Takes a design away with all its marks; jobs that use it keep their own copy. */
export const DELETE = (request: Request) =>
  answer(request, async () => {
    const store = designStore(database());
    store.remove((await readBody(request, z.strictObject({ id: z.string().max(60) }))).id);
    return Response.json(store.list());
  });
