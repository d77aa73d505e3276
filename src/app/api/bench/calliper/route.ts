import { answer } from "@/app/http";
import { readings } from "@/exchange/calliper";

/** Where the calliper's line comes in: the made-up one of the demo, unless RUNDIK_CALLIPER says where a real one is. */
const address = () => process.env.RUNDIK_CALLIPER ?? "http://127.0.0.1:4172/readings";

/** Tells a bench what the calliper reads, and whether its line is open: an event stream. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const stop = new AbortController();
    request.signal.addEventListener("abort", () => stop.abort());
    const text = new TextEncoder();
    const stream = new ReadableStream({
      async start(controller) {
        controller.enqueue(text.encode(": listening\n\n"));
        for await (const heard of readings(address(), stop.signal)) {
          if (stop.signal.aborted) return;
          controller.enqueue(text.encode(`data: ${JSON.stringify(heard)}\n\n`));
        }
      },
      cancel: () => stop.abort(),
    });
    return new Response(stream, { headers: { "content-type": "text/event-stream", "cache-control": "no-store, no-transform" } }); // prettier-ignore
  });
