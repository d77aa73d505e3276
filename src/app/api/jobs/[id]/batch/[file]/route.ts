import { z } from "zod";
import { papersOf } from "@/app/papers";
import { answer, idParam, readPath } from "@/app/http";
import { batchPdf, labelsPdf } from "@/exchange/batchPdf";

const params = z.object({ id: idParam, file: z.enum(["batch.pdf", "labels.pdf"]) });

/** All papers of a job as one PDF, or its labels one to a page. */
export const GET = (request: Request, context: { params: Promise<{ id: string; file: string }> }) =>
  answer(request, async () => {
    const { id, file } = await readPath(context, params);
    const { batch, of } = await papersOf(id, request.signal);
    const body = await (file === "batch.pdf" ? batchPdf(batch, of, of.job.workshop.paper) : labelsPdf(batch, of));
    const name = `${of.job.name.toLowerCase().replace(/[^a-z0-9]+/g, "-")}-${file}`;
    return new Response(new Uint8Array(body), {
      headers: { "content-type": "application/pdf", "content-disposition": `inline; filename="${name}"` },
    });
  });
