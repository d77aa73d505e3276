import { z } from "zod";
import { answer, idParam, NotFound, readPath } from "@/app/http";
import { tableFile } from "@/app/table";
import { quotePdf, quoteTable } from "@/exchange/quote";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

const params = z.object({ id: idParam, file: z.string().regex(/^quote-\d{1,3}\.(pdf|csv|xlsx)$/) });

/** A quote that was given, as a page to hand over or as a table; numbered from 1. */
export const GET = (request: Request, context: { params: Promise<{ id: string; file: string }> }) =>
  answer(request, async () => {
    const { id, file } = await readPath(context, params);
    const { job } = jobStore(database()).load(id);
    const [, no, kind] = /(\d+)\.(\w+)$/.exec(file)!;
    const given = job.quote?.given[Number(no) - 1];
    if (!given) throw new NotFound(`there is no quote ${no!} of this job`);
    if (kind !== "pdf") return tableFile(`quote-${no!}.${kind as "csv" | "xlsx"}`, quoteTable(given));
    const pdf = await quotePdf(given, Number(no), { job: job.name, customer: job.customer }, job.workshop.paper);
    return new Response(new Uint8Array(pdf), {
      headers: { "content-type": "application/pdf", "content-disposition": `inline; filename="${file}"` },
    });
  });
