import { refusal } from "./gate";
import { z } from "zod";
import { JobFileError, meant } from "@/core/problem/problem";
import { storageFault } from "@/store/fault";
import { NoJobError, StaleError } from "@/store/jobs";

/** A request's body is not what the route takes; says what would be. */
export class BadRequest extends Error {
  override name = "BadRequest";
}

/** Reads a JSON body as text, stopping as soon as it is larger than `max` bytes. */
export async function readText(request: Request, max: number): Promise<string> {
  if (!request.headers.get("content-type")?.startsWith("application/json"))
    throw new BadRequest("content-type: wanted application/json");
  const declared = Number(request.headers.get("content-length") ?? 0);
  const tooLarge = () =>
    new BadRequest(
      `${(Math.max(declared, max) / 1024 / 1024).toFixed(0)} MB or more; at most ${max / 1024 / 1024} MB are read`,
    );
  if (declared > max) throw tooLarge();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    size += chunk.length;
    if (size > max) throw tooLarge();
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString("utf8");
}

/** Reads and checks a JSON body. @throws BadRequest naming the field. */
export async function readBody<T extends z.ZodType>(
  request: Request,
  schema: T,
  max = 4 * 1024 * 1024,
): Promise<z.output<T>> {
  const text = await readText(request, max);
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (e) {
    throw new BadRequest(`not JSON: ${(e as Error).message}`);
  }
  const read = schema.safeParse(raw);
  if (!read.success)
    throw new BadRequest(
      read.error.issues
        .flatMap(meant)
        .map((i) => `${i.path.join(".")}: ${i.message}`)
        .slice(0, 5)
        .join("\n"),
    );
  return read.data;
}

/** Runs a route for who may ask; turns what a person can put right into a message with its status, and nothing else. */
export async function answer(request: Request, run: () => Promise<Response>): Promise<Response> {
  const why = refusal(request);
  if (why) return Response.json({ error: why }, { status: 403 });
  try {
    return await run();
  } catch (e) {
    const status =
      e instanceof BadRequest || e instanceof JobFileError
        ? 400
        : e instanceof NoJobError
          ? 404
          : e instanceof StaleError
            ? 409
            : 0;
    const fault = storageFault(e);
    if (fault) return Response.json({ error: fault.said }, { status: fault.status });
    if (status === 0 && (e as NodeJS.ErrnoException).code === "ECONNRESET") return new Response(null, { status: 499 }); // the caller hung up
    if (status === 0) throw e;
    return Response.json({ error: (e as Error).message }, { status });
  }
}

export const idParam = z.coerce.number().int().positive();
