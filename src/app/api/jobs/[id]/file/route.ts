import { answer, jobPath, readPath } from "@/app/http";
import { writeJob } from "@/core/job/file";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

/** The job as a file. */
export const GET = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const job = jobStore(database()).inShop((await readPath(context, jobPath)).id);
    const name =
      job.name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, "-")
        .replace(/^-|-$/g, "") || "job";
    return new Response(JSON.stringify(writeJob(job), null, 2), {
      headers: { "content-type": "application/json", "content-disposition": `attachment; filename="${name}.json"` },
    });
  });
