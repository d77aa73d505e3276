import { answer, idParam } from "@/app/http";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

type Context = { params: Promise<{ id: string }> };

/** The job as it is kept now. */
export const GET = (request: Request, { params }: Context) =>
  answer(request, async () => Response.json(jobStore(database()).load(idParam.parse((await params).id))));

/** Takes a job away for good. */
export const DELETE = (request: Request, { params }: Context) =>
  answer(request, async () =>
    Response.json({ removed: jobStore(database()).remove(idParam.parse((await params).id)) }),
  );
