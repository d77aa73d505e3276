import { follow } from "@/app/follow";
import { answer, jobPath, readPath } from "@/app/http";
import { database } from "@/store/database";
import { purchaseStore } from "@/store/purchases";

/** Tells a page each time the order is another than it was. */
export const GET = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    const store = purchaseStore(database());
    return follow(request, () => store.revision(id));
  });
