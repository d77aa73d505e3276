import { z } from "zod";
import { answer, idParam, readPath } from "@/app/http";
import { workJob } from "@/core/job/worked";
import { layoutRequest } from "@/core/job/ask";
import { layoutCsv, layoutDxf, layoutSvg } from "@/exchange/layout";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { askLayoutBy } from "@/workers/pool";

const params = z.object({ id: idParam, file: z.enum(["boards.svg", "boards.dxf", "boards.csv"]) });
const TYPE = {
  "boards.svg": "image/svg+xml",
  "boards.dxf": "application/dxf",
  "boards.csv": "text/csv; charset=utf-8",
};

/** The job's layouts at true size (SVG, DXF), or as a table of cuts and pieces (CSV). */
export const GET = (request: Request, context: { params: Promise<{ id: string; file: string }> }) =>
  answer(request, async () => {
    const { id, file } = await readPath(context, params);
    const job = jobStore(database()).inShop(id);
    const result = await askLayoutBy(layoutRequest(workJob(job)), request.signal);
    const body = { "boards.svg": () => layoutSvg(result, job.name), "boards.dxf": () => layoutDxf(result), "boards.csv": () => layoutCsv(result) }[file](); // prettier-ignore
    const name = `${job.name.toLowerCase().replace(/[^a-z0-9]+/g, "-")}-${file}`;
    return new Response(body, {
      headers: { "content-type": TYPE[file], "content-disposition": `inline; filename="${name}"` },
    });
  });
