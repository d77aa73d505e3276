import { z } from "zod";
import { answer, readBody } from "@/app/http";
import { readWeigh } from "@/core/weigh/file";
import { weighRows } from "@/core/weigh/rows";

/** Weighs up things side by side: a weigh file in, its rows out. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const { things, assume } = readWeigh(await readBody(request, z.unknown(), 200_000));
    return Response.json({ rows: weighRows(things, assume) });
  });
