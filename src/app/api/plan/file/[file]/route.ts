import { z } from "zod";
import { answer, NotFound, readPath, readQuery } from "@/app/http";
import { clockNow, today } from "@/app/today";
import { calendarFile } from "@/exchange/calendarFile";
import { database } from "@/store/database";
import { shownPlan } from "@/workers/planning";

const path = z.object({ file: z.literal("plan.ics") });
/** Only what one of those who work here does: their place in the shop, from 0. */
const query = z.strictObject({ who: z.string().regex(/^\d{1,2}$/).transform(Number).optional() }); // prettier-ignore

/** The plan that stands as an iCalendar file. */
export const GET = (request: Request, context: { params: Promise<{ file: string }> }) =>
  answer(request, async () => {
    await readPath(context, path);
    const { who } = readQuery(request, query);
    const shown = shownPlan(database(), clockNow(), today());
    if (!shown.plan) throw new NotFound("no plan stands yet");
    const named = shown.plan.runs
      .filter((r) => who === undefined || r.who.includes(who))
      .map((r) => {
        const job = shown.jobs.find((j) => j.id === r.job);
        return { ...r, jobName: job?.name ?? "", units: job?.units ?? "in", people: r.who.map((p) => shown.people[p]!.title) } as const; // prettier-ignore
      });
    const text = calendarFile(named, who === undefined ? "The shop" : (shown.people[who]?.title ?? "The shop"));
    return new Response(text, { headers: { "content-type": "text/calendar; charset=utf-8", "content-disposition": 'attachment; filename="plan.ics"', "cache-control": "no-store" } }); // prettier-ignore
  });
