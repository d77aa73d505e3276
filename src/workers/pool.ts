import { createHash } from "node:crypto";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { MessageChannel } from "node:worker_threads";
import { Piscina } from "piscina";
import {
  betterOf,
  joined,
  type LayoutParts,
  type LayoutResult,
  partsOf,
  type Progress,
  progressOf,
  sharedParts,
} from "@/core/layout/layout";
import type { LayoutRequest } from "@/core/layout/request";
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

interface How<P> {
  hear?: (p: P) => void;
  /** Aborted, it stops the thread at once. */
  signal?: AbortSignal;
  /** Aborted, what is best so far is the answer. */
  enough?: AbortSignal;
}

/**
 * Asks the pool, off the request path. The same question is answered from memory, unless its answer was cut short.
 * `hear` is told of progress. @throws AbortError when stopped
 */
export async function ask<N extends TaskName>(
  name: N,
  question: Tasks[N]["ask"],
  { hear, signal, enough }: How<Tasks[N]["progress"]> = {},
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
  const flag = new Int32Array(new SharedArrayBuffer(4));
  const cut = () => Atomics.store(flag, 0, 1);
  enough?.addEventListener("abort", cut);
  if (enough?.aborted) cut();
  try {
    const answer = (await pool().run(
      { name, ask: question, port: port2, enough: flag },
      { transferList: [port2] as never, signal },
    )) as Tasks[N]["answer"];
    await ended;
    if (!enough?.aborted) answers.set(key, answer);
    if (answers.size > KEPT) answers.delete(answers.keys().next().value!);
    return answer;
  } finally {
    enough?.removeEventListener("abort", cut);
    port1.close();
  }
}

/** Lays a job out, every thickness on a thread of its own; those that did not change are answered from memory. */
export async function askLayout(request: LayoutRequest, how: How<Progress> = {}): Promise<LayoutResult> {
  const began = performance.now();
  const apart = partsOf(request);
  const answers = await askParts(apart, how);
  const shared = sharedParts(request, apart, answers);
  const first = joined(request, apart, answers, (performance.now() - began) / 1000);
  if (!shared) return first;
  return betterOf(first, joined(request, shared, await askParts(shared, how), (performance.now() - began) / 1000));
}

function askParts({ asks }: LayoutParts, how: How<Progress>): Promise<Tasks["group"]["answer"][]> {
  const best: (Tasks["group"]["progress"] | undefined)[] = asks.map(() => undefined);
  let done = 0;
  return Promise.all(
    asks.map(async (group, i) => {
      const hear = (p: Tasks["group"]["progress"]) => {
        best[i] = p;
        how.hear?.(progressOf(best, done));
      };
      const answer = await ask("group", group, { hear, signal: how.signal, enough: how.enough });
      done++;
      hear({ cost: answer.cost, count: answer.count, bound: answer.boundCost });
      return answer;
    }),
  );
}

/** Ends the pool's threads. */
export async function closePool(): Promise<void> {
  await held.rundikPool?.destroy();
  held.rundikPool = undefined;
}
