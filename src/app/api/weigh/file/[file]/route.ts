import { z } from "zod";
import { answer, readPath } from "@/app/http";
import { tableFile } from "@/app/table";
import { weighed } from "@/app/weighed";
import { weighTable } from "@/core/weigh/table";
import { JobFileError } from "@/core/problem/problem";
import { tablePdf } from "@/exchange/tablePdf";

const path = z.object({ file: z.enum(["weighed-up.xlsx", "weighed-up.csv", "weighed-up.pdf"]) });
const query = z.object({
  of: z.string().max(20_000),
  many: z.coerce.number().int().min(1).max(100_000),
  units: z.enum(["in", "mm"]),
  paper: z.enum(["A4", "Letter"]).default("A4"),
});

/** Things side by side as a table to carry off: `of` is their weigh file. */
export const GET = (request: Request, at: { params: Promise<Record<string, string>> }) =>
  answer(request, async () => {
    const { file } = await readPath(at, path);
    const read = query.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!read.success) throw new JobFileError(read.error.issues.map((i) => ({ path: i.path.join("."), message: i.message }))); // prettier-ignore
    const { of, many, units, paper } = read.data;
    const { rows } = weighed(parsed(of));
    const table = weighTable(rows, many, units);
    if (file !== "weighed-up.pdf") return tableFile(file, table);
    const pdf = await tablePdf({ title: "Weighed up", about: [many === 1 ? "Figures of one." : `Minutes, money and wood of ${many}.`], table, foot: "Lifts by the revised NIOSH equation for one person; they judge no lift of yours. Follow local guidance on lifting." }, paper); // prettier-ignore
    return new Response(new Uint8Array(pdf), { headers: { "content-type": "application/pdf", "content-disposition": `inline; filename="${file}"` } }); // prettier-ignore
  });

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new JobFileError([{ path: "of", message: "not JSON; wanted a weigh file" }]);
  }
}
