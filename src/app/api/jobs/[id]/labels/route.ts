import { z } from "zod";
import { answer, idParam, readPath } from "@/app/http";
import { papersOf } from "@/app/papers";
import { labelsPdf } from "@/exchange/batchPdf";
import { sendToPrinter } from "@/exchange/labelPrinter";

const params = z.object({ id: idParam });
/** Where the label printer is: the made-up one of the demo, unless RUNDIK_LABEL_PRINTER says where a real one is. */
const address = () => process.env.RUNDIK_LABEL_PRINTER ?? "127.0.0.1:4173";

/** Sends a job's labels to the label printer; answers with how many. */
export const POST = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, params);
    const { batch, of } = await papersOf(id, request.signal);
    await sendToPrinter(address(), await labelsPdf(batch, of));
    return Response.json({ sent: batch.tickets.length });
  });
