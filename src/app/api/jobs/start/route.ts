import { z } from "zod";
import { answer, BadRequest, idParam, readBody } from "@/app/http";
import { today } from "@/app/today";
import { framed } from "@/core/hive/lines";
import { carryOut } from "@/core/job/acts";
import { emptyJob, type Job, LIMITS } from "@/core/job/job";
import { namedByContent } from "@/core/job/name";
import { TEMPLATES } from "@/core/job/templates";
import { jobLineSchema } from "@/core/line/line";
import { admit } from "@/core/trial/trial";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { shopStore } from "@/store/shop";

const date = z.iso.date();
const body = z.union([
  /** A new one of such lines, or an empty one. */
  z.strictObject({
    lines: z.array(jobLineSchema.extend({ frames: z.literal(true).optional() })).max(100),
    due: date.optional(),
    customer: z.string().trim().min(1).max(LIMITS.name).optional(),
    wood: z.string().trim().min(1).max(LIMITS.wood).optional(),
  }),
  z.strictObject({ template: z.string().max(60) }),
  /** Like another job. */
  z.strictObject({ like: z.number().int().min(1).pipe(z.transform(String)).pipe(idParam) }),
]);

/** Starts a job in the shop, today: from what was said, from a template, or like another. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const asked = await readBody(request, body);
    const store = jobStore(database());
    if ("like" in asked) return Response.json({ id: store.copy(asked.like) }, { status: 201 });
    const { units, workshop } = shopStore(database()).load().shop;
    const template = "template" in asked ? TEMPLATES.find((t) => t.id === asked.template) : undefined;
    if ("template" in asked && !template) throw new BadRequest(`template: there is none called "${asked.template}"`);
    const said = "lines" in asked ? asked : { lines: template!.lines };
    const start = today();
    const empty: Job = {
      ...emptyJob("", units),
      workshop,
      start,
      ...("due" in said && said.due && said.due >= start ? { due: said.due } : {}),
      ...("customer" in said && said.customer ? { customer: said.customer } : {}),
      ...("wood" in said && said.wood ? { wood: said.wood } : {}),
      unnamed: true,
      name: namedByContent(emptyJob("", units)),
    };
    const job = said.lines.length > 0 ? carryOut(empty, { do: "add lines", lines: framed(said.lines, empty) }) : empty;
    return Response.json({ id: store.create(admit(job)).id }, { status: 201 });
  });
