import { BadRequest } from "./http";

/** Long work that can be cut short, by the name its asker gave it: only who knows it can. */
const running = ((globalThis as { rundikRunning?: Map<string, AbortController> }).rundikRunning ??= new Map());

/** Ends work that is being done: what is best so far is then its answer. */
export function enough(name: string): Response {
  running.get(name)?.abort();
  return new Response(null, { status: 204 });
}

/** What long work is told while it is done. */
export interface Told {
  say(line: object): void;
  /** Aborted when whoever asked has hung up. */
  signal: AbortSignal;
  /** Aborted when what is best so far will do. */
  enough: AbortSignal;
}

/** Long work as lines of JSON while it is done, the last of them its result or why there is none. Hanging up stops it. */
export function streamed(request: Request, name: string, work: (told: Told) => Promise<unknown>): Response {
  if (running.has(name)) throw new BadRequest(`ask: "${name}" is being worked out already; wanted a new name`);
  const stop = new AbortController();
  const end = new AbortController();
  running.set(name, end);
  request.signal.addEventListener("abort", () => stop.abort());
  const text = new TextEncoder();
  const stream = new ReadableStream({
    async start(controller) {
      const say = (line: object) => {
        if (!stop.signal.aborted) controller.enqueue(text.encode(`${JSON.stringify(line)}\n`));
      };
      try {
        say({ result: await work({ say, signal: stop.signal, enough: end.signal }) });
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
}
