import { z } from "zod";
import { answer, readBody } from "@/app/http";
import { pieceSchema } from "@/core/book/book";
import { madeIn } from "@/core/book/made";
import { codeSchema } from "@/core/book/mark";
import { workJob } from "@/core/job/worked";
import { JobFileError } from "@/core/problem/problem";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

const key = z.string().regex(/^[\w-]{8,64}$/, "wanted 8 to 64 letters, figures and dashes");
const body = z.union([
  z.strictObject({ key, give: z.strictObject({ job: z.number().int().min(1), line: z.number().int().min(0).max(999), count: z.number().int().min(1).max(2000), code: codeSchema, madeOn: pieceSchema.shape.madeOn }) }), // prettier-ignore
  z.strictObject({ key, keep: pieceSchema }),
]);

/** Gives what was made in a job the shop's next marks, or keeps a piece that came in; with the same key it is done once. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const asked = await readBody(request, body);
    const store = bookStore(database());
    if ("keep" in asked) return Response.json({ pieces: [store.keep(asked.keep, asked.key)] });
    const { job, line, count, code, madeOn } = asked.give;
    const piece = madeIn(workJob(jobStore(database()).inShop(job)), job, line, madeOn);
    if (!piece) throw new JobFileError([{ path: "give.line", message: `read ${line}; the job has no such line` }]);
    return Response.json({ pieces: store.give(piece, count, code, asked.key) });
  });
