import { platform, setPriority } from "node:os";
import type { MessagePort } from "node:worker_threads";
import { solveGroup } from "@/core/layout/lay";
import { layoutRequest } from "@/core/job/ask";
import { workJob } from "@/core/job/worked";
import { weighedUp } from "@/core/order/instead";
import { propose } from "@/core/purchase/proposal";
import { replan } from "@/core/plan/replan";
import { whatIf } from "@/core/plan/whatif";
import { planWhole } from "@/core/plan/whole";
import { standingOf } from "@/core/today/standing";
import { highsSolver } from "./highs";
import type { LpSolver } from "@/core/layout/lp";
import { type Said, type TaskName, type Tasks, TOLD } from "./tasks";

// A search gives way to whoever types: on Linux this is of the thread alone.
if (platform() === "linux") setPriority(10);

/** What is asked with a solver of linear programs. */
const WITH_SOLVER: TaskName[] = ["group", "proposal"];
/** Loaded once a thread, as it begins: whoever asks first need not wait for it. */
const solver = highsSolver();
// Where it cannot be loaded, that is said to whoever wants it: the thread does all else without.
solver.catch(() => undefined);

const none: LpSolver = () => {
  throw new Error("this task has no solver");
};

type Run<N extends TaskName> = (
  ask: Tasks[N]["ask"],
  watch: {
    hear(p: Tasks[N]["progress"]): void;
    goOn(): boolean;
    isWanted(): boolean;
    show(soFar: Tasks[N]["answer"]): void;
  },
  lp: LpSolver,
) => Tasks[N]["answer"];

/** Runs in a worker thread: one task at a time, telling its progress on the port. A cancel tells it to end. */
const RUN: { [N in TaskName]: Run<N> } = {
  group: (ask, watch, lp) => solveGroup(ask, watch, lp),
  request: (job) => layoutRequest(workJob(job)),
  standing: ({ job, day, kept, result }) => standingOf(job, day, new Map(kept), () => result),
  weighed: ({ job, result }) => weighedUp(workJob(job), result),
  plan: ({ whole, seed, was }, watch) =>
    planWhole(whole, seed, watch.goOn, ({ late, finish }) => watch.hear({ late, finish }), was),
  mended: ({ whole, was, puts }) => replan(whole, was, puts),
  gains: ({ whole, plan }, watch) => whatIf(whole, plan, watch.goOn, watch.hear),
  proposal: ({ wanted, sellers, byHand, ...on }, _watch, lp) => propose(wanted, sellers, byHand, on, lp),
};

export default async function run({
  name,
  ask,
  port,
  told,
}: {
  name: TaskName;
  ask: Tasks[TaskName]["ask"];
  port: MessagePort;
  /** One of `TOLD`. */
  told: Int32Array;
}): Promise<Tasks[TaskName]["answer"]> {
  try {
    const lp = WITH_SOLVER.includes(name) ? await solver : none;
    return (RUN[name] as Run<TaskName>)(
      ask as never,
      {
        hear: (progress) => port.postMessage({ progress } satisfies Said<TaskName>),
        goOn: () => Atomics.load(told, 0) !== TOLD.end,
        isWanted: () => Atomics.compareExchange(told, 0, TOLD.show, TOLD.goOn) === TOLD.show,
        show: (soFar) => port.postMessage({ soFar } satisfies Said<TaskName>),
      },
      lp,
    );
  } finally {
    port.postMessage(null);
    port.close();
  }
}
