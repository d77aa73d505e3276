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
import { Turns } from "./turns";

/** Answers kept by what was asked, the least recently used dropped first. */
const KEPT = 64;
/** At least two: one is always left for who asks next. */
const THREADS = Math.max(2, availableParallelism());
/** Layouts that may wait at once. */
const MOST_WAITING = 64;
/** A group that is not answered in so many ms is not answered at all: the search ends itself long before. */
const LONGEST = 120_000;
/** MB one thread may take. */
const MOST_MEMORY = 1024;

const held = globalThis as { rundikPool?: Piscina; rundikTurns?: Turns; rundikAnswers?: Map<string, unknown> };

function pool(): Piscina {
  held.rundikPool ??= new Piscina({
    filename: join(process.cwd(), "dist/worker.mjs"),
    maxThreads: THREADS,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY },
  });
  return held.rundikPool;
}
const turns = () => (held.rundikTurns ??= new Turns(THREADS, MOST_WAITING));

/** A layout that was given up: it took too long, or more memory than a thread may. */
export class LayoutLimit extends Error {
  override name = "LayoutLimit";
}

interface How<P> {
  hear?: (p: P) => void;
  /** Aborted, it stops the thread at once. */
  signal?: AbortSignal;
  /** Aborted, what is best so far is the answer. */
  enough?: AbortSignal;
}
/** Starts work when a thread is free for it. */
type Start = <T>(work: () => Promise<T>) => Promise<T>;

/**
 * Asks the pool, off the request path. The same question is answered from memory, unless its answer was cut short.
 * `hear` is told of progress. @throws AbortError when stopped, LayoutLimit when the thread had to be ended
 */
async function ask<N extends TaskName>(
  name: N,
  question: Tasks[N]["ask"],
  how: How<Tasks[N]["progress"]>,
  start: Start,
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
  const answer = await start(() => runOnThread(name, question, how));
  if (!how.enough?.aborted) answers.set(key, answer);
  if (answers.size > KEPT) answers.delete(answers.keys().next().value!);
  return answer;
}

async function runOnThread<N extends TaskName>(
  name: N,
  question: Tasks[N]["ask"],
  { hear, signal, enough }: How<Tasks[N]["progress"]>,
): Promise<Tasks[N]["answer"]> {
  const { port1, port2 } = new MessageChannel();
  // The worker says null when it has nothing more to tell: every word of progress comes before the answer.
  const ended = new Promise<void>((resolve) =>
    port1.on("message", (p: Tasks[N]["progress"] | null) => (p === null ? resolve() : hear?.(p))),
  );
  const flag = new Int32Array(new SharedArrayBuffer(4));
  const cut = () => Atomics.store(flag, 0, 1);
  enough?.addEventListener("abort", cut);
  if (enough?.aborted) cut();
  const late = AbortSignal.timeout(LONGEST);
  try {
    const answer = (await pool().run(
      { name, ask: question, port: port2, enough: flag },
      { transferList: [port2] as never, signal: signal ? AbortSignal.any([signal, late]) : late },
    )) as Tasks[N]["answer"];
    await ended;
    return answer;
  } catch (e) {
    if (late.aborted)
      throw new LayoutLimit(`no layout came in ${LONGEST / 1000} s; ask for fewer kinds of piece at once`);
    if ((e as NodeJS.ErrnoException).code === "ERR_WORKER_OUT_OF_MEMORY")
      throw new LayoutLimit(`a layout took more than ${MOST_MEMORY} MB; ask for fewer kinds of piece at once`);
    throw e;
  } finally {
    enough?.removeEventListener("abort", cut);
    port1.close();
  }
}

interface Asking extends How<Progress> {
  /** How many layouts are before this one, each time that changes. */
  waits?: (before: number) => void;
  /** It has a first answer and is after a better one. */
  better?: boolean;
}

/**
 * Lays a job out, every thickness on a thread of its own when its turn comes; those that did not change are answered from memory.
 * Every layout there is goes through here. @throws AbortError, LayoutLimit, FullError
 */
export async function askLayout(request: LayoutRequest, { waits, better, ...how }: Asking = {}): Promise<LayoutResult> {
  const began = performance.now();
  const place = turns().enter((before) => waits?.(before), better ?? false);
  try {
    const apart = partsOf(request);
    const answers = await askParts(apart, how, place.run);
    const shared = sharedParts(request, apart, answers);
    const first = joined(request, apart, answers, (performance.now() - began) / 1000);
    if (!shared) return first;
    const together = await askParts(shared, how, place.run);
    return betterOf(first, joined(request, shared, together, (performance.now() - began) / 1000));
  } finally {
    place.leave();
  }
}

function askParts(
  { asks }: LayoutParts,
  how: How<Progress>,
  run: ReturnType<Turns["enter"]>["run"],
): Promise<Tasks["group"]["answer"][]> {
  const best: (Tasks["group"]["progress"] | undefined)[] = asks.map(() => undefined);
  let done = 0;
  return Promise.all(
    asks.map(async (group, i) => {
      const hear = (p: Tasks["group"]["progress"]) => {
        best[i] = p;
        how.hear?.(progressOf(best, done));
      };
      const answer = await ask("group", group, { hear, signal: how.signal, enough: how.enough }, (work) =>
        run(i, how.signal, work),
      );
      done++;
      hear({ cost: answer.cost, count: answer.count, bound: answer.boundCost });
      return answer;
    }),
  );
}

/** Nobody waits longer than this, in ms, for something to buy and saw by. */
const SOON = 2500;

/** As `askLayout`, but what is best after a while is told (`soFar`) before a better one is looked for. */
export async function askLayoutSoon(
  request: LayoutRequest,
  { soFar, enough, ...how }: Asking & { soFar: (best: LayoutResult) => void },
): Promise<LayoutResult> {
  const soon = AbortSignal.timeout(SOON);
  const first = await askLayout(request, { ...how, enough: enough ? AbortSignal.any([soon, enough]) : soon });
  if (!soon.aborted || enough?.aborted || first.proven) return first;
  soFar(first);
  return askLayout(request, { ...how, enough, better: true });
}

/** Nobody waits longer than this, in ms, for a file or a page to print; most have been laid out on screen already. */
const PATIENCE = 20_000;

/** The layout for a file or a page: what is best when patience ends. */
export const askLayoutBy = (request: LayoutRequest, signal?: AbortSignal): Promise<LayoutResult> =>
  askLayout(request, { signal, enough: AbortSignal.timeout(PATIENCE) });

/** Ends the pool's threads. */
export async function closePool(): Promise<void> {
  await held.rundikPool?.destroy();
  held.rundikPool = held.rundikTurns = undefined;
}
