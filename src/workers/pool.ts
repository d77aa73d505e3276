import { createHash } from "node:crypto";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { MessageChannel } from "node:worker_threads";
import { Piscina } from "piscina";
import type { TaskName, Tasks } from "./tasks";

/** Answers kept by what was asked, the least recently used dropped first. */
const KEPT = 64;
const held = globalThis as { rundikPool?: Piscina; rundikAnswers?: Map<string, unknown> };

function pool(): Piscina {
  held.rundikPool ??= new Piscina({
    filename: join(process.cwd(), "dist/worker.mjs"),
    maxThreads: Math.max(1, availableParallelism() - 1),
    idleTimeout: 30_000,
  });
  return held.rundikPool;
}

/**
 * Asks the pool, off the request path. The same question is answered from memory. `hear` is told of progress; an
 * aborted `signal` stops the thread at once. @throws AbortError when stopped.
 */
export async function ask<N extends TaskName>(
  name: N,
  question: Tasks[N]["ask"],
  { hear, signal }: { hear?: (p: Tasks[N]["progress"]) => void; signal?: AbortSignal } = {},
): Promise<Tasks[N]["answer"]> {
  const answers = (held.rundikAnswers ??= new Map());
  const key = createHash("sha256")
    .update(`${name} ${JSON.stringify(question)}`)
    .digest("base64url");
  const known = answers.get(key) as Tasks[N]["answer"] | undefined;
  if (known) {
    answers.delete(key);
    answers.set(key, known);
    return known;
  }
  const { port1, port2 } = new MessageChannel();
  // The worker says null when it has nothing more to tell: every word of progress comes before the answer.
  const ended = new Promise<void>((resolve) =>
    port1.on("message", (p: Tasks[N]["progress"] | null) => (p === null ? resolve() : hear?.(p))),
  );
  try {
    const answer = (await pool().run(
      { name, ask: question, port: port2 },
      { transferList: [port2] as never, signal },
    )) as Tasks[N]["answer"];
    await ended;
    answers.set(key, answer);
    if (answers.size > KEPT) answers.delete(answers.keys().next().value!);
    return answer;
  } finally {
    port1.close();
  }
}

/** Ends the pool's threads. */
export async function closePool(): Promise<void> {
  await held.rundikPool?.destroy();
  held.rundikPool = undefined;
}
