import { z } from "zod";
import { answer, idParam, NotFound, readPath } from "@/app/http";
import { database } from "@/store/database";
import { yardStore } from "@/store/yard";

/** Everything that came and went of one lot, the newest first. */
export const GET = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, z.object({ id: idParam }));
    const yard = yardStore(database());
    const lot = yard.lotOf(id);
    if (!lot) throw new NotFound(`there is no lot ${id} in the yard`);
    return Response.json({ ...lot, ledger: yard.ledger(id) });
  });
