import { answer, readText } from "@/app/http";
import { asItCame, readJobFile } from "@/core/job/file";
import { LIMITS } from "@/core/job/job";
import { admit } from "@/core/trial/trial";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { shopStore } from "@/store/shop";

/** Keeps a job from a job file; what it leaves out is the shop's. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const text = await readText(request, LIMITS.bytes);
    const job = asItCame(admit(readJobFile(text, shopStore(database()).load().shop.workshop)));
    return Response.json(jobStore(database()).create(job), { status: 201 });
  });
