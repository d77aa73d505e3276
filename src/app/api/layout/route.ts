import { z } from "zod";
import { answer, readBody, readQuery } from "@/app/http";
import { enough, streamed } from "@/app/stream";
import { layoutRequestSchema } from "@/core/layout/request";
import { askLayoutSoon } from "@/workers/pool";

const query = z.strictObject({ ask: z.string().regex(/^[\w-]{8,64}$/, "a name of 8 to 64 letters and digits") });

/** Ends a layout that is being worked out: what is best so far is then its answer. */
export const DELETE = (request: Request) => answer(request, async () => enough(readQuery(request, query).ask));

/**
 * Lays out on a worker; answers a line of JSON for each place in the row (`before`) and step of progress, one for what is best when
 * it has taken long (`soFar`), and one for the result. Hanging up stops it.
 */
export const POST = (request: Request) =>
  answer(request, async () => {
    const { ask } = readQuery(request, query.partial());
    const question = await readBody(request, layoutRequestSchema);
    return streamed(request, ask ?? crypto.randomUUID(), ({ say, signal, enough }) =>
      askLayoutSoon(question, {
        hear: (progress) => say({ progress }),
        waits: (before) => say({ before }),
        soFar: (soFar) => say({ soFar }),
        signal,
        enough,
      }),
    );
  });
