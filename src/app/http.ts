import { isAdmitted } from "./admitted";
import { refusal } from "./gate";
import { z } from "zod";
import { JobFileError, meant } from "@/core/problem/problem";
import { PrinterError } from "@/exchange/labelPrinter";
import { NotLetIn } from "@/store/door";
import { storageFault } from "@/store/fault";
import { LayoutLimit } from "@/workers/pool";
import { FullError } from "@/workers/turns";
import { NoJobError } from "@/store/jobs";
import { StaleError } from "@/store/keeper";
import { NoPurchaseError } from "@/store/purchases";

/** A request's body is not what the route takes; says what would be. */
export class BadRequest extends Error {
  override name = "BadRequest";
}

/** There is nothing at such an address. */
export class NotFound extends Error {
  override name = "NotFound";
}

/** Reads what stands in a route's path. @throws NotFound where no such thing can be there */
export async function readPath<T extends z.ZodType>(
  { params }: { params: Promise<Record<string, string>> },
  schema: T,
): Promise<z.output<T>> {
  const read = schema.safeParse(await params);
  if (!read.success) throw new NotFound("there is nothing at this address");
  return read.data;
}

/** So many bytes in the unit that says it best. */
const bytesText = (n: number) =>
  n < 1024 * 1024 ? `${Math.ceil(n / 1024)} kB` : `${Number((n / 1024 / 1024).toFixed(1))} MB`;

/** Reads a JSON body as text, stopping as soon as it is larger than `max` bytes. */
export async function readText(request: Request, max: number): Promise<string> {
  if (!request.headers.get("content-type")?.startsWith("application/json"))
    throw new BadRequest("content-type: wanted application/json");
  const declared = Number(request.headers.get("content-length") ?? 0);
  const tooLarge = () =>
    new BadRequest(
      declared > max
        ? `read ${bytesText(declared)}; at most ${bytesText(max)} are taken`
        : `more than ${bytesText(max)}; at most that is taken`,
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
  return checked(schema, raw);
}

/** Reads and checks what stands behind the `?`; each name once. @throws BadRequest naming the field. */
export function readQuery<T extends z.ZodType>({ url }: Request, schema: T): z.output<T> {
  const { searchParams } = new URL(url);
  const twice = [...new Set(searchParams.keys())].find((k) => searchParams.getAll(k).length > 1);
  if (twice !== undefined) throw new BadRequest(`${twice.slice(0, 60)}: given more than once; wanted once`);
  return checked(schema, Object.fromEntries(searchParams));
}

/** @throws BadRequest naming each field that is not as it should be */
function checked<T extends z.ZodType>(schema: T, raw: unknown): z.output<T> {
  const read = schema.safeParse(raw);
  if (read.success) return read.data;
  throw new BadRequest(
    read.error.issues
      .flatMap(meant)
      .map((i) => `${i.path.join(".")}: ${i.message}`)
      .slice(0, 5)
      .join("\n"),
  );
}

/** Runs a route for who may ask; turns what a person can put right into a message with its status, and nothing else. */
export async function answer(request: Request, run: () => Promise<Response>): Promise<Response> {
  const why = refusal(request);
  if (why) return Response.json({ error: why }, { status: 403 });
  try {
    if (!isAdmitted(request)) return Response.json({ error: "the passphrase is wanted: open /door" }, { status: 401 });
    return await run();
  } catch (e) {
    const status =
      e instanceof BadRequest || e instanceof JobFileError
        ? 400
        : e instanceof NoJobError || e instanceof NoPurchaseError || e instanceof NotFound
          ? 404
          : e instanceof FullError || e instanceof LayoutLimit || e instanceof PrinterError
            ? 503
            : e instanceof StaleError
              ? 409
              : e instanceof NotLetIn
                ? 403
                : 0;
    const fault = storageFault(e);
    if (fault) return Response.json({ error: fault.said }, { status: fault.status });
    if (status === 0 && (request.signal.aborted || (e as NodeJS.ErrnoException).code === "ECONNRESET"))
      return new Response(null, { status: 499 }); // the caller hung up
    if (status === 0) throw e;
    return Response.json({ error: (e as Error).message }, { status });
  }
}

/** A number in a path, as it is written: no signs, no spaces, no leading noughts. */
const number = z.string().regex(/^(0|[1-9]\d{0,14})$/).transform(Number); // prettier-ignore

export const idParam = number.refine((n) => n > 0);
export const placeParam = number;
export const jobPath = z.object({ id: idParam });
