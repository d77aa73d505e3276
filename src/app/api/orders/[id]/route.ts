import { askerOf } from "@/app/acts";
import { answer, jobPath, readPath } from "@/app/http";
import { database } from "@/store/database";
import { purchaseStore } from "@/store/purchases";

/** An order as it is kept now. */
export const GET = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    return Response.json(purchaseStore(database()).load(id, askerOf(request)));
  });
