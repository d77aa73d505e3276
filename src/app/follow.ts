/** How often it is looked whether something changed, ms: by this server or by another on the same file. */
const LOOK = 700;
/** So often something is said at all, so that a line that went dead is noticed. */
const QUIET = 20_000 / LOOK;

/** Tells a page each time a thing is another than it was: its version, as an event stream. Ends when there is no such thing any more. */
export function follow(request: Request, version: () => number): Response {
  let told = version();
  let timer: ReturnType<typeof setInterval>;
  const text = new TextEncoder();
  const stream = new ReadableStream({
    start(controller) {
      let quiet = 0;
      const say = (line: string) => controller.enqueue(text.encode(`${line}\n\n`));
      const end = () => {
        clearInterval(timer);
        controller.close();
      };
      say(`data: ${told}`);
      timer = setInterval(() => {
        try {
          const now = version();
          if (now !== told) say(`data: ${(told = now)}`);
          else if (++quiet % QUIET < 1) say(": still here");
        } catch {
          end();
        }
      }, LOOK);
      timer.unref();
      request.signal.addEventListener("abort", () => clearInterval(timer));
    },
    cancel: () => clearInterval(timer),
  });
  // Not to be changed on the way: a compressor would hold back what is only a line.
  const headers = { "content-type": "text/event-stream", "cache-control": "no-store, no-transform" };
  return new Response(stream, { headers });
}
