import { lineAt } from "@/core/line/shapes";
import { z } from "zod";
import { answer, idParam } from "@/app/http";
import { workJob } from "@/core/job/worked";
import { storyStick } from "@/core/drawing/stick";
import { itemDxf } from "@/exchange/dxf";
import { stickPdf } from "@/exchange/stickPdf";
import { itemSvg } from "@/exchange/svg";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

const params = z.object({
  id: idParam,
  line: z.coerce.number().int().min(0),
  file: z.enum(["item.dxf", "item.svg", "stick.pdf"]),
});
const TYPE = { "item.dxf": "application/dxf", "item.svg": "image/svg+xml", "stick.pdf": "application/pdf" };

/** A line's parts at true size (DXF, SVG), or its story stick (PDF; `?paper=Letter` for that paper). */
export const GET = (request: Request, context: { params: Promise<{ id: string; line: string; file: string }> }) =>
  answer(request, async () => {
    const read = params.safeParse(await context.params);
    if (!read.success) return Response.json({ error: "there is no such file" }, { status: 404 });
    const { id, line, file } = read.data;
    const worked = workJob(jobStore(database()).load(id).job);
    const at = lineAt(worked.lines, line);
    if (!at) return Response.json({ error: `the job has ${worked.lines.length} lines` }, { status: 404 });
    const paper = new URL(request.url).searchParams.get("paper") === "Letter" ? "Letter" : "A4";
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
