import { actsBody } from "@/app/acts";
import { answer, jobPath, readBody, readPath } from "@/app/http";
import { purchaseActSchema } from "@/core/purchase/purchase";
import { database } from "@/store/database";
import { purchaseStore } from "@/store/purchases";

const body = actsBody(purchaseActSchema);

/** Does something to an order here in the shop, or takes the last back; what comes of it is booked into the yard. */
export const POST = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    const read = await readBody(request, body);
    return Response.json(purchaseStore(database()).all(id, read.acts, read.loaded));
  });
