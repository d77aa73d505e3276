import { z } from "zod";
import { answer, jobPath, NotFound, readBody, readPath } from "@/app/http";
import { database } from "@/store/database";
import { supplierStore } from "@/store/suppliers";
import { freshPrices } from "@/workers/supplying";

const body = z.strictObject({ do: z.enum(["ask", "leave out"]) });

/** Asks a supplier for its prices, or leaves it out; its orders and what things cost there stay. */
export const POST = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    const { do: what } = await readBody(request, body);
    const store = supplierStore(database());
    if (!store.one(id)) throw new NotFound(`there is no supplier ${id}`);
    if (what === "ask") await freshPrices(database(), id);
    else store.leaveOut(id);
    return Response.json({ id });
  });
