import { createHash } from "node:crypto";
import { setMaxListeners } from "node:events";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { MessageChannel } from "node:worker_threads";
import { LRUCache } from "lru-cache";
import { Piscina } from "piscina";
import {
  betterOf,
  joined,
  laterOf,
  type LayoutParts,
  type LayoutResult,
  partsOf,
  type Progress,
  progressOf,
  sharedParts,
} from "@/core/layout/layout";
import { piecesOf } from "@/core/boards/laid";
import { chosen, type GroupSolved } from "@/core/layout/lay";
import type { LayoutRequest } from "@/core/layout/request";
import type { Standing } from "@/core/today/standing";
import type { Job } from "@/core/job/job";
import type { Weighed } from "@/core/order/instead";
import type { Replanned } from "@/core/plan/replan";
import type { Gain } from "@/core/plan/whatif";
import type { WholePlan } from "@/core/plan/whole";
import type { Proposal } from "@/core/purchase/proposal";
import { type ProposalRequest, type Said, type StandingRequest, type TaskName, type Tasks, TOLD } from "./tasks";
import { type Row, Turns } from "./turns";

/**
 * Answers kept by what was asked, the least recently used dropped first: those of the jobs of a first page among them. A layout counts for
 * the pieces that all its ways to cut have, some hundred bytes each.
 */
const KEPT = { max: 256, maxSize: 1_000_000 };
/** One more than the machine runs at once: it is left for who asks next, while better answers are looked for on the others. */
const THREADS = availableParallelism() + 1;
/** Layouts that may wait at once. */
const MOST_WAITING = 64;
/** A group that is not answered in so many ms is not answered at all: the search ends itself long before. */
const LONGEST = 120_000;
/** A search that was told to end and has not after so many ms is ended with its thread. */
const STUBBORN = 5000;
/** MB one thread may take. */
const MOST_MEMORY = 1024;

const held = globalThis as {
  rundikPool?: Piscina;
  rundikTurns?: Turns;
  rundikAnswers?: LRUCache<string, Tasks[TaskName]["answer"]>;
};

function pool(): Piscina {
  held.rundikPool ??= new Piscina({
    filename: join(process.cwd(), "dist/worker.cjs"),
    // None is let go of while nobody asks: one that begins anew takes half a second to load, and somebody waits for it.
    minThreads: THREADS,
    maxThreads: THREADS,
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
  /** Aborted, the search is told to end, and its thread is ended where it does not. */
  signal?: AbortSignal;
  /** Aborted, what is best so far is the answer. */
  enough?: AbortSignal;
  /** After so many ms on its thread what is best so far is the answer. */
  within?: number;
  /** As soon as somebody else waits for a first answer, or for a better one, what there is then is the answer. */
  yields?: "first" | "better";
}
/** Why an answer is not the last word: its time was up, others waited, or it is shown on the way. */
type Cut = "time" | "others" | "shown";
interface Told<N extends TaskName> {
  answer: Tasks[N]["answer"];
  cut?: Cut;
}
/** Starts work when a thread is free for it. */
type Start = <T>(work: () => Promise<T>) => Promise<T>;

const sizeOf = (answer: Tasks[TaskName]["answer"]): number =>
  "ways" in answer ? 1 + answer.ways.reduce((n, way) => n + piecesOf(way).length, 0) : 1;

const keyOf = <N extends TaskName>(name: N, question: Tasks[N]["ask"]): string =>
  createHash("sha256")
    .update(`${name} ${JSON.stringify(question)}`)
    .digest("base64url");

/**
 * Asks the pool, off the request path. The same question is answered from memory, unless its answer was cut short.
 * `hear` is told of progress. @throws AbortError when stopped, LayoutLimit when the thread had to be ended
 */
async function ask<N extends TaskName>(
  name: N,
  question: Tasks[N]["ask"],
  how: How<Tasks[N]["progress"]> & { goesOn?: GoesOn<N> },
  start: Start,
  key = keyOf(name, question),
): Promise<Told<N>> {
  const answers = (held.rundikAnswers ??= new LRUCache({ ...KEPT, sizeCalculation: sizeOf }));
  const known = answers.get(key) as Tasks[N]["answer"] | undefined;
  if (known) return { answer: known };
  const told = await start(() => runOnThread(name, question, how));
  if (!told.cut) answers.set(key, told.answer);
  return told;
}

/** A search shows what it has where that is worth it, no sooner than so many ms after the last; its time up, it goes on if nobody waits for its thread. */
interface GoesOn<N extends TaskName> {
  isWorthShowing(now: Tasks[N]["progress"], shown: Tasks[N]["progress"] | undefined): boolean;
  calm: number;
  overtime: number;
  show(soFar: Tasks[N]["answer"]): void;
}

async function runOnThread<N extends TaskName>(
  name: N,
  question: Tasks[N]["ask"],
  { hear, signal, enough, within, yields, goesOn }: How<Tasks[N]["progress"]> & { goesOn?: GoesOn<N> },
): Promise<Told<N>> {
  const { port1, port2 } = new MessageChannel();
  const told = new Int32Array(new SharedArrayBuffer(4));
  let heard: Tasks[N]["progress"] | undefined;
  let shown: Tasks[N]["progress"] | undefined;
  let calm: ReturnType<typeof setTimeout> | undefined;
  const showIfWorth = () => {
    if (!goesOn || calm || heard === undefined || !goesOn.isWorthShowing(heard, shown)) return;
    shown = heard;
    Atomics.compareExchange(told, 0, TOLD.goOn, TOLD.show);
    calm = setTimeout(() => ((calm = undefined), showIfWorth()), goesOn.calm);
  };
  // The worker says null when it has nothing more to tell: every word of progress comes before the answer.
  const ended = new Promise<void>((resolve) =>
    port1.on("message", (said: Said<N>) => {
      if (said === null) resolve();
      else if ("progress" in said) {
        heard = said.progress;
        hear?.(heard);
        showIfWorth();
      } else goesOn?.show(said.soFar);
    }),
  );
  let cut: Cut | undefined;
  let inOvertime = false;
  const end = (why: Cut) => {
    cut ??= why;
    Atomics.store(told, 0, TOLD.end);
  };
  const asked = () => end("time");
  enough?.addEventListener("abort", asked);
  if (enough?.aborted) asked();
  const look = () => {
    if (yields === "first" && turns().crowded) end("others");
    // In overtime it is in nobody's way.
    if ((yields === "better" || inOvertime) && turns().awaited) end("others");
  };
  look();
  const looks = setInterval(look, 100);
  let clock: ReturnType<typeof setTimeout> | undefined;
  const timeIsUp = () => {
    if (!goesOn || inOvertime) return asked();
    if (turns().awaited) return end("others");
    inOvertime = true;
    clock = setTimeout(timeIsUp, goesOn.overtime);
  };
  if (within !== undefined) clock = setTimeout(timeIsUp, within);
  const late = AbortSignal.timeout(LONGEST);
  // Told to end, a search ends itself in a moment: a thread that is ended takes what it had loaded with it, and one that is ended
  // while it loads has taken the whole program along.
  const stop = new AbortController();
  let patience: ReturnType<typeof setTimeout> | undefined;
  const hungUp = () => {
    asked();
    patience = setTimeout(() => stop.abort(), STUBBORN);
  };
  signal?.addEventListener("abort", hungUp);
  if (signal?.aborted) hungUp();
  try {
    const answer = (await pool().run(
      { name, ask: question, port: port2, told },
      { transferList: [port2] as never, signal: AbortSignal.any([stop.signal, late]) },
    )) as Tasks[N]["answer"];
    await ended;
    signal?.throwIfAborted();
    return { answer, ...(cut ? { cut } : {}) };
  } catch (e) {
    if (late.aborted)
      throw new LayoutLimit(`no layout came in ${LONGEST / 1000} s; ask for fewer kinds of piece at once`);
    if ((e as NodeJS.ErrnoException).code === "ERR_WORKER_OUT_OF_MEMORY")
      throw new LayoutLimit(`a layout took more than ${MOST_MEMORY} MB; ask for fewer kinds of piece at once`);
    throw e;
  } finally {
    clearInterval(looks);
    for (const timer of [clock, calm, patience]) clearTimeout(timer);
    signal?.removeEventListener("abort", hungUp);
    enough?.removeEventListener("abort", asked);
    port1.close();
  }
}

interface Asking extends How<Progress> {
  /** How many layouts are before this one, each time that changes. */
  waits?: (before: number) => void;
  /** The row it waits in: that for first answers where nothing is said. */
  row?: Row;
  /** Told of the layout with every thickness on its own, where some may yet do better together. */
  apart?: (result: LayoutResult) => void;
  /** What a search has on the way is its answer for now. */
  goesOn?: Pick<GoesOn<"group">, "calm" | "overtime">;
}

type Heard = Tasks["group"]["progress"];
/** The cheapest is what is heard of on the way. */
const heardOf = ({ choices, boundCost: bound }: GroupSolved): Heard => ({ cost: choices[0]!.cost, count: choices[0]!.count, bound }); // prettier-ignore
const isLeast = (p: Heard) => p.cost <= p.bound + 1e-9;
/** It costs less, or now nothing is known to. */
const isWorthShowing = (now: Heard, shown: Heard | undefined) =>
  !shown || now.cost < shown.cost - 1e-9 || (isLeast(now) && !isLeast(shown));

/** A group's search, of which it is known how far it is. */
class Search {
  readonly end: Promise<Told<"group">>;
  isOver = false;
  private shown: Told<"group"> | undefined;

  constructor(
    begin: (show: GoesOn<"group">["show"]) => Promise<Told<"group">>,
    /** It shows what it has on the way, and its end is as far as it gets. */
    readonly goesOn: boolean,
    /** Told whenever there is more to see of it. */
    news: () => void,
  ) {
    const show = (answer: GroupSolved) => {
      this.shown = { answer, cut: "shown" };
      news();
    };
    this.end = begin(show).finally(() => {
      this.isOver = true;
      news();
    });
    // Who asks for it is told why it failed.
    this.end.catch(() => undefined);
  }

  /** How far it is: its end, or what it showed last; undefined where it has shown nothing. */
  get now(): Promise<Told<"group">> | Told<"group"> | undefined {
    return this.isOver ? this.end : this.shown;
  }
}

/** What is heard of a layout's groups, by their questions, as often as they are asked, and their searches. */
class Hearing {
  readonly searches = new Map<string, Search>();
  /** What was answered last. */
  readonly told = new Map<string, Told<"group">>();
  private hasNews = false;
  private wake: (() => void) | undefined;
  private readonly best = new Map<string, Heard>();
  private readonly done = new Set<string>();
  private asked: string[] = [];

  constructor(private readonly say: How<Progress>["hear"]) {}

  /** What is said is of these from now on. */
  ask(keys: string[]): void {
    this.asked = keys;
  }
  readonly news = (): void => {
    this.hasNews = true;
    this.wake?.();
  };
  /** Waits until there is more to see of a search than there was. */
  async more(): Promise<void> {
    if (!this.hasNews) await new Promise<void>((wake) => (this.wake = wake));
    this.hasNews = false;
  }
  /** Asked again, a search says again what it said before: only what is better is new. */
  hear(key: string, now: Heard, isDone = false): void {
    const was = this.best.get(key);
    const bound = Math.max(now.bound, was?.bound ?? 0);
    this.best.set(key, { ...(was && was.cost < now.cost - 1e-9 ? was : now), bound });
    if (isDone) this.done.add(key);
    if (!this.asked.includes(key)) return;
    const best = this.asked.map((k) => this.best.get(k));
    this.say?.(progressOf(best, this.asked.filter((k) => this.done.has(k)).length));
  }
}

/**
 * Lays a job out, every thickness on a thread of its own when its turn comes; those that did not change are answered from memory.
 * Every layout there is goes through here. @throws AbortError, LayoutLimit, FullError
 */
async function lay(
  request: LayoutRequest,
  { waits, row = "first", apart: toldApart, goesOn, ...how }: Asking,
  hearing = new Hearing(how.hear),
): Promise<{ result: LayoutResult; cut?: Cut }> {
  const began = performance.now();
  const place = turns().enter((before) => waits?.(before), row);
  const cuts = new Set<Cut>();
  // Every group listens for its end.
  for (const signal of [how.signal, how.enough]) if (signal) setMaxListeners(0, signal);
  const isGoing = (key: string) => hearing.searches.get(key)?.isOver === false;
  const askGroup = async (group: Tasks["group"]["ask"], rank: number, key: string): Promise<Told<"group">> => {
    const begun = hearing.searches.get(key);
    const known = hearing.told.get(key);
    if (known && !known.cut) return known;
    // What was answered stands until there is more.
    const soFar: Told<"group"> | undefined = known && { ...known, cut: "shown" };
    if (begun?.goesOn) {
      const told = await (goesOn ? (begun.now ?? soFar ?? begun.end) : begun.end);
      // What was ended for others' sake is begun again when they have theirs; at the last that is waited for.
      if (goesOn || told.cut !== "others") return told;
    }
    const hear = (p: Heard) => hearing.hear(key, p);
    const start: Start = (work) => place.run(rank, how.signal, work);
    // What lacks pieces costs little: anything is better.
    const than = known && known.answer.short.length === 0 ? heardOf(known.answer) : undefined;
    const shows = (show: GoesOn<"group">["show"]) =>
      goesOn && { ...goesOn, show, isWorthShowing: (now: Heard, shown = than) => isWorthShowing(now, shown) };
    const search = new Search(
      (show) => ask("group", group, { ...how, hear, goesOn: shows(show) }, start, key),
      goesOn !== undefined,
      hearing.news,
    );
    hearing.searches.set(key, search);
    return (goesOn && soFar) || search.end;
  };
  const askParts = async ({ asks }: LayoutParts) => {
    const keys = asks.map((group) => keyOf("group", group));
    hearing.ask(keys);
    if (keys.every(isGoing)) place.leave();
    const answered = async (group: Tasks["group"]["ask"], rank: number) => {
      const key = keys[asks.indexOf(group)]!;
      const told = await askGroup(group, rank, key);
      hearing.told.set(key, told);
      if (told.cut) cuts.add(told.cut);
      hearing.hear(key, heardOf(told.answer), !told.cut);
      return [group, told.answer] as const;
    };
    // What is soon done is done first: else it would wait for the others' threads.
    const order = [...asks].sort((a, b) => a.lying.length - b.lying.length);
    const answers = new Map(await Promise.all(order.map(answered)));
    return asks.map((group) => chosen(answers.get(group)!, request.weighing));
  };
  try {
    const apart = partsOf(request);
    const answers = await askParts(apart);
    const shared = sharedParts(request, apart, answers);
    const took = () => (performance.now() - began) / 1000;
    const first = joined(request, apart, answers, took());
    // What is proven of each on its own is not of them together, and what one misses another may give.
    // What is known already comes as soon as it could be told.
    const isKnown = shared?.asks.every((group) => held.rundikAnswers?.has(keyOf("group", group)));
    if (shared && !isKnown && first.missing.length === 0)
      toldApart?.({ ...first, proven: false, boundCost: 0, boundCount: 0 });
    const result = shared ? betterOf(first, joined(request, shared, await askParts(shared), took())) : first;
    const cut = (["others", "shown", "time"] as const).find((c) => cuts.has(c));
    return { result, ...(cut ? { cut } : {}) };
  } finally {
    place.leave();
  }
}

export const askLayout = async (request: LayoutRequest, how: Asking = {}): Promise<LayoutResult> =>
  (await lay(request, how)).result;

/** After so long on a thread there is something to buy and saw by; then others have their turn; and the last, before a group is given up; ms. */
const [QUICK, SOON, LAST] = [100, 6000, 90_000];
/** A search shows what is better no more often than so many ms. */
const CALM = 150;

/**
 * As `askLayout`, but what is best at once, and then whatever is better, is told (`soFar`) while a better one is looked for. In a
 * crowd everybody gets what comes at once, then everybody what comes soon, and then the rest.
 */
export async function askLayoutSoon(
  request: LayoutRequest,
  { soFar, ...how }: Asking & { soFar: (best: LayoutResult) => void },
): Promise<LayoutResult> {
  const over = new AbortController();
  const signal = how.signal ? AbortSignal.any([how.signal, over.signal]) : over.signal;
  const first: Asking = { within: QUICK, yields: "first", apart: soFar };
  const soon: Asking = { within: SOON, row: "better", goesOn: { calm: CALM, overtime: LAST } };
  const last: Asking = { within: LAST, row: "better" };
  const hearing = new Hearing(how.hear);
  const began = performance.now();
  let best: LayoutResult | undefined;
  try {
    for (let turn = first; ;) {
      const { result, cut } = await lay(request, { ...how, signal, ...turn }, hearing);
      const before = best;
      // What was cut short may be no better than what there was; else it stands, and took as long as its turns together.
      best = { ...(before && cut ? laterOf(before, result) : result), seconds: (performance.now() - began) / 1000 };
      // Where nothing can cost less, fewer set-ups are still looked for: the last answer is the same however long the ways to it take.
      if (!cut || how.enough?.aborted || turn === last || (turn === soon && cut === "time")) break;
      const isNews = !before || best.cost !== before.cost || best.missing.length !== before.missing.length || best.proven !== before.proven; // prettier-ignore
      if (isNews) soFar(best);
      if (turn === soon && cut !== "others") await hearing.more();
      turn = turn === soon && cut === "others" ? last : soon;
    }
    return best!;
  } finally {
    // A search in overtime that nobody waits for any more is over.
    over.abort();
  }
}

/** The first page says what the job's own pages say: the same layouts, looked for as long; ms. */
const UNSEEN = 30_000;

/** Asks something small in its turn, off the request path. */
async function inTurn<N extends TaskName>(
  name: N,
  question: Tasks[N]["ask"],
  row: Row,
  how: AbortSignal | How<Tasks[N]["progress"]> = {},
): Promise<Tasks[N]["answer"]> {
  const told = how instanceof AbortSignal ? { signal: how } : how;
  const place = turns().enter(() => undefined, row);
  try {
    return await place.run(0, told.signal, async () => (await runOnThread(name, question, told)).answer);
  } finally {
    place.leave();
  }
}

/** A plan of the whole shop is looked for so long, ms. */
const PLANNED_IN = 4000;
/** What would help is looked for so long, ms. */
const WEIGHED_IN = 20_000;
/** The layout of what is weighed up is looked for so long, ms. */
const MOMENT = 4000;

type Watch<N extends TaskName> = Pick<How<Tasks[N]["progress"]>, "hear" | "signal" | "enough">;

/** The plan of the whole shop. @throws AbortError, LayoutLimit, FullError */
export const askPlan = (request: Tasks["plan"]["ask"], how: Watch<"plan"> = {}): Promise<WholePlan> =>
  inTurn("plan", request, "first", { ...how, within: PLANNED_IN });

/** The plan mended after something slipped. @throws LayoutLimit, FullError */
export const askMended = (request: Tasks["mended"]["ask"], signal?: AbortSignal): Promise<Replanned> => inTurn("mended", request, "first", signal ?? {}); // prettier-ignore

/** What more the shop could have would gain. @throws AbortError, LayoutLimit, FullError */
export const askGains = (request: Tasks["gains"]["ask"], how: Watch<"gains"> = {}): Promise<Gain[]> =>
  inTurn("gains", request, "first", { ...how, within: WEIGHED_IN, yields: "first" });

/** Where a job stands, worked out behind everything somebody waits for; `within` is how long its layout is looked for, ms. @throws LayoutLimit */
export async function askStanding(request: StandingRequest, within = UNSEEN): Promise<Standing> {
  const asked = await inTurn("request", request.job, "behind");
  const laid = await lay(asked, { row: "behind", yields: "better", within });
  // In somebody's way it was ended. Begun again it is not, or whoever goes from page to page would have it begun without end.
  const { result } = laid.cut === "others" ? await lay(asked, { row: "behind", within }) : laid;
  return inTurn("standing", { ...request, result }, "behind");
}

/** What to order from whom. @throws AbortError, LayoutLimit, FullError */
export async function askProposal(request: ProposalRequest, signal?: AbortSignal): Promise<Proposal> {
  const place = turns().enter(() => undefined, "first");
  try {
    // Every page that shows it asks again whenever anything changes: mostly it is the same question.
    return (await ask("proposal", request, { signal }, (work) => place.run(0, signal, work))).answer;
  } finally {
    place.leave();
  }
}

/** What a job comes to, laid out as far as it is in a moment. @throws AbortError, LayoutLimit, FullError */
export async function askWeighed(job: Job, signal?: AbortSignal): Promise<Weighed> {
  const request = await inTurn("request", job, "first", signal);
  const { result } = await lay(request, { signal, within: MOMENT });
  return inTurn("weighed", { job, result }, "first", signal);
}

/** Nobody waits longer than this, in ms, for a file or a page to print; most have been laid out on screen already. */
const PATIENCE = 20_000;

/** The layout for a file or a page: what is best when patience ends. */
export const askLayoutBy = (request: LayoutRequest, signal?: AbortSignal): Promise<LayoutResult> =>
  askLayout(request, { signal, enough: AbortSignal.timeout(PATIENCE) });

/** Begins the pool's threads, so that whoever asks first need not wait for them. */
export const openPool = (): void => void pool();

/** Ends the pool's threads. */
export async function closePool(): Promise<void> {
  await held.rundikPool?.destroy();
  held.rundikPool = held.rundikTurns = undefined;
}
