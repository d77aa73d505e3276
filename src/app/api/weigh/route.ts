import { z } from "zod";
import { answer, readBody } from "@/app/http";
import { weighed } from "@/app/weighed";

/** Weighs up things side by side: a weigh file in, its rows out. */
export const POST = (request: Request) =>
  answer(request, async () => Response.json(weighed(await readBody(request, z.unknown(), 200_000))));
