import { answer, readBody } from "@/app/http";
import type { Progress } from "@/core/layout/layout";
import { layoutRequestSchema } from "@/core/layout/request";
import { askLayout } from "@/workers/pool";

/** Layouts being worked out, by the name the asker gave them. */
const running = ((globalThis as { rundikLayouts?: Map<string, AbortController> }).rundikLayouts ??= new Map());

/** Ends a layout that is being worked out: what is best so far is then its answer. */
export const DELETE = (request: Request) =>
  answer(request, async () => {
    running.get(new URL(request.url).searchParams.get("ask") ?? "")?.abort();
    return new Response(null, { status: 204 });
  });

/** Nobody waits longer than this, in ms, for something to buy and saw by. */
const SOON = 2500;

/**
 * Lays out on a worker; answers a line of JSON for each step of progress, one for what is best when it has taken long
 * (`soFar`), and one for the result. Hanging up stops it.
 */
export const POST = (request: Request) =>
  answer(request, async () => {
    const question = await readBody(request, layoutRequestSchema);
    const stop = new AbortController();
    const enough = new AbortController();
    const name = new URL(request.url).searchParams.get("ask") ?? "";
    if (name) running.set(name, enough);
    request.signal.addEventListener("abort", () => stop.abort());
    const text = new TextEncoder();
    const stream = new ReadableStream({
      async start(controller) {
        const say = (line: object) => {
          if (!stop.signal.aborted) controller.enqueue(text.encode(`${JSON.stringify(line)}\n`));
        };
        try {
          const how = { hear: (progress: Progress) => say({ progress }), signal: stop.signal };
          const soon = AbortSignal.timeout(SOON);
          const first = await askLayout(question, { ...how, enough: AbortSignal.any([soon, enough.signal]) });
          if (!soon.aborted || enough.signal.aborted || first.proven) say({ result: first });
          else {
            say({ soFar: first });
            say({ result: await askLayout(question, { ...how, enough: enough.signal }) });
          }
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
