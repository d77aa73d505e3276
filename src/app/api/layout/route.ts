import { z } from "zod";
import { answer, BadRequest, readBody, readQuery } from "@/app/http";
import { layoutRequestSchema } from "@/core/layout/request";
import { askLayoutSoon } from "@/workers/pool";

/** Layouts being worked out, by the name the asker gave them: only who knows it can cut one short. */
const running = ((globalThis as { rundikLayouts?: Map<string, AbortController> }).rundikLayouts ??= new Map());
const query = z.strictObject({ ask: z.string().regex(/^[\w-]{8,64}$/, "a name of 8 to 64 letters and digits") });

/** Ends a layout that is being worked out: what is best so far is then its answer. */
export const DELETE = (request: Request) =>
  answer(request, async () => {
    running.get(readQuery(request, query).ask)?.abort();
    return new Response(null, { status: 204 });
  });

/**
 * Lays out on a worker; answers a line of JSON for each place in the row (`before`) and step of progress, one for what is best when
 * it has taken long (`soFar`), and one for the result. Hanging up stops it.
 */
export const POST = (request: Request) =>
  answer(request, async () => {
    const { ask } = readQuery(request, query.partial());
    const question = await readBody(request, layoutRequestSchema);
    const name = ask ?? crypto.randomUUID();
    if (running.has(name)) throw new BadRequest(`ask: "${name}" is being worked out already; wanted a new name`);
    const stop = new AbortController();
    const enough = new AbortController();
    running.set(name, enough);
    request.signal.addEventListener("abort", () => stop.abort());
    const text = new TextEncoder();
    const stream = new ReadableStream({
      async start(controller) {
        const say = (line: object) => {
          if (!stop.signal.aborted) controller.enqueue(text.encode(`${JSON.stringify(line)}\n`));
        };
        try {
          const result = await askLayoutSoon(question, {
            hear: (progress) => say({ progress }),
            waits: (before) => say({ before }),
            soFar: (soFar) => say({ soFar }),
            signal: stop.signal,
            enough: enough.signal,
          });
          say({ result });
        } catch (e) {
          if (!stop.signal.aborted) say({ error: (e as Error).message });
        } finally {
          running.delete(name);
        }
        if (!stop.signal.aborted) controller.close();
      },
      cancel: () => stop.abort(),
    });
    return new Response(stream, { headers: { "content-type": "application/x-ndjson", "cache-control": "no-store" } });
  });
