import { answer, jobPath, readPath } from "@/app/http";
import { database } from "@/store/database";
import { insteadOf } from "@/workers/instead";

/** What the job would come to with other wood, or with boards of another thickness. */
export const GET = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    return Response.json(await insteadOf(database(), id, request.signal));
  });
