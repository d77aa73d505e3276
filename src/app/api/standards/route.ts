import { z } from "zod";
import { answer, readBody } from "@/app/http";
import { standardSchema } from "@/core/standards/standard";
import { database } from "@/store/database";
import { standardStore } from "@/store/standards";

/** The maker's own standards. */
export const GET = (request: Request) => answer(request, async () => Response.json(standardStore(database()).list()));

/** Keeps one of the maker's own, new or changed; answers with all. */
export const PUT = (request: Request) =>
  answer(request, async () => {
    const store = standardStore(database());
    store.put(await readBody(request, standardSchema, 256 * 1024));
    return Response.json(store.list());
  });

/** Takes one away; jobs that use it keep their own copy. */
export const DELETE = (request: Request) =>
  answer(request, async () => {
    const store = standardStore(database());
    const { id } = await readBody(request, z.strictObject({ id: z.string().max(60) }));
    store.remove(id);
    return Response.json(store.list());
  });
