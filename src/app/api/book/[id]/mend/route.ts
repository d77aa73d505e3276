import { z } from "zod";
import { answer, NotFound, readBody, readPath } from "@/app/http";
import { asNewOf } from "@/app/asNew";
import { mendingJob, mendingOf } from "@/core/book/mending";
import { CORNERS, type MeasuredBox, MEASURES, repairOf } from "@/core/book/repair";
import { lengthSchema, sizeSchema } from "@/core/length/schema";
import { JobFileError } from "@/core/problem/problem";
import { admit } from "@/core/trial/trial";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { shopStore } from "@/store/shop";

const path = z.object({ id: z.coerce.number().int().min(1) });
const body = z.strictObject({
  /** The box as it was measured. */
  box: z.strictObject(Object.fromEntries(MEASURES.map((m) => [m, sizeSchema]))),
  corner: z.enum(CORNERS),
  /** How far rot reaches from a lower corner. */
  rot: z.strictObject({ up: lengthSchema, along: lengthSchema }).optional(),
  /** A job that it becomes a line of; one of its own when not said. */
  into: z.number().int().min(1).optional(),
});

/** Makes what a piece wants mended a line of a job, cut to the box as it was measured. Answers with the job's number and name. */
export const POST = (request: Request, at: { params: Promise<Record<string, string>> }) =>
  answer(request, async () => {
    const { id } = await readPath(at, path);
    const { box: measured, corner, rot, into } = await readBody(request, body);
    const box = measured as MeasuredBox;
    const db = database();
    const found = bookStore(db).load(id);
    const asNew = found && asNewOf(found.piece, found.condition);
    if (!asNew) throw new NotFound("there is no such piece, or it is no box");
    const { units } = shopStore(db).load().shop;
    const how = { standard: asNew.standard, corner, ear: asNew.ear, units, rot };
    const repairs = found.condition.faults.map((f) => repairOf(f, box, how));
    const mending = mendingOf(found.piece, id, repairs, box, how);
    if (!mending) throw new JobFileError([{ path: "faults", message: `read ${found.condition.faults.join(", ") || "none"}; nothing is cut for that` }]); // prettier-ignore
    const jobs = jobStore(db);
    if (into === undefined) {
      const { id: made, job } = jobs.create(admit(mendingJob(mending, units)));
      return Response.json({ id: made, name: job.name });
    }
    const { job, revision } = jobs.load(into);
    const acts = [
      { do: "use standard", standard: mending.standards[0]! },
      { do: "use design", design: mending.designs[0]! },
      { do: "add line", line: mending.lines[0]! },
    ] as const;
    admit({ ...job, standards: [...job.standards.filter((s) => s.id !== mending.standards[0]!.id), ...mending.standards], designs: [...job.designs.filter((d) => d.recipe.id !== mending.designs[0]!.recipe.id), ...mending.designs], lines: [...job.lines, ...mending.lines] }); // prettier-ignore
    jobs.all(into, acts.map((act, i) => ({ revision: revision + i, act }))); // prettier-ignore
    return Response.json({ id: into, name: job.name });
  });
