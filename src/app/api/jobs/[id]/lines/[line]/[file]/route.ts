import { lineAt } from "@/core/line/shapes";
import { z } from "zod";
import { answer, idParam, NotFound, placeParam, readPath, readQuery } from "@/app/http";
import { workJob } from "@/core/job/worked";
import { storyStick } from "@/core/drawing/stick";
import { itemDxf } from "@/exchange/dxf";
import { stickPdf } from "@/exchange/stickPdf";
import { itemSvg } from "@/exchange/svg";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

const params = z.object({ id: idParam, line: placeParam, file: z.enum(["item.dxf", "item.svg", "stick.pdf"]) });
const query = z.strictObject({ paper: z.enum(["A4", "Letter"]).default("A4") });
const TYPE = { "item.dxf": "application/dxf", "item.svg": "image/svg+xml", "stick.pdf": "application/pdf" };

/** A line's parts at true size (DXF, SVG), or its story stick (PDF; `?paper=Letter` for that paper). */
export const GET = (request: Request, context: { params: Promise<{ id: string; line: string; file: string }> }) =>
  answer(request, async () => {
    const { id, line, file } = await readPath(context, params);
    const { paper } = readQuery(request, query);
    const worked = workJob(jobStore(database()).load(id).job);
    const at = lineAt(worked.lines, line);
    if (!at) throw new NotFound(`the job has ${worked.lines.length} lines`);
    const body =
      file === "item.dxf"
        ? itemDxf(at.shape)
        : file === "item.svg"
          ? itemSvg(at.shape)
          : new Uint8Array(await stickPdf(storyStick(worked.lines, line), worked.job.units, paper, worked.job.name));
    const name = `${at.shape.title.toLowerCase().replace(/[^a-z0-9]+/g, "-")}-${file}`;
    return new Response(body, {
      headers: { "content-type": TYPE[file], "content-disposition": `inline; filename="${name}"` },
    });
  });
