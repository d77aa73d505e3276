import { answer, readText } from "@/app/http";
import { readJobFile } from "@/core/job/file";
import { LIMITS } from "@/core/job/job";
import { admit } from "@/core/trial/trial";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

/** Keeps a job from a job file. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const job = admit(readJobFile(await readText(request, LIMITS.bytes)));
    return Response.json(jobStore(database()).create(job), { status: 201 });
  });
