import { z } from "zod";
import { answer, jobPath, readBody, readPath } from "@/app/http";
import { database } from "@/store/database";
import { cancelPurchase, hearPurchase, sendPurchase } from "@/workers/supplying";

const DO = { send: sendPurchase, ask: hearPurchase, cancel: cancelPurchase };
const body = z.strictObject({ do: z.enum(["send", "ask", "cancel"]) });

/** Sends an order to its supplier, asks how it stands there, or cancels it there. */
export const POST = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(request, async () => {
    const { id } = await readPath(context, jobPath);
    const { do: what } = await readBody(request, body);
    return Response.json(await DO[what](database(), id));
  });
