import { platform, setPriority } from "node:os";
import type { MessagePort } from "node:worker_threads";
import { layGroup } from "@/core/layout/lay";
import { layoutRequest } from "@/core/job/ask";
import { workJob } from "@/core/job/worked";
import { weighedUp } from "@/core/order/instead";
import { propose } from "@/core/purchase/proposal";
import { standingOf } from "@/core/today/standing";
import { highsSolver } from "./highs";
import type { LpSolver } from "@/core/layout/lp";
import type { TaskName, Tasks } from "./tasks";

// A search gives way to whoever types: on Linux this is of the thread alone.
if (platform() === "linux") setPriority(10);

/** Loaded once a thread, with its first task. */
let solver: ReturnType<typeof highsSolver> | undefined;

type Run<N extends TaskName> = (
  ask: Tasks[N]["ask"],
  watch: { hear(p: Tasks[N]["progress"]): void; goOn(): boolean },
  lp: LpSolver,
) => Tasks[N]["answer"];

/** Runs in a worker thread: one task at a time, telling its progress on the port. A cancel tells it to end. */
const RUN: { [N in TaskName]: Run<N> } = {
  group: (ask, watch, lp) => layGroup(ask, watch, lp),
  request: (job) => layoutRequest(workJob(job)),
  standing: ({ job, day, kept, result }) => standingOf(job, day, new Map(kept), () => result),
  weighed: ({ job, result }) => weighedUp(workJob(job), result),
  proposal: ({ wanted, sellers, byHand, ...on }, _watch, lp) => propose(wanted, sellers, byHand, on, lp),
};

export default async function run({
  name,
  ask,
  port,
  enough,
}: {
  name: TaskName;
  ask: Tasks[TaskName]["ask"];
  port: MessagePort;
  /** Set to 1 when what is best so far will do. */
  enough: Int32Array;
}): Promise<Tasks[TaskName]["answer"]> {
  try {
    const lp = await (solver ??= highsSolver());
    return (RUN[name] as Run<TaskName>)(
      ask as never,
      { hear: (p) => port.postMessage(p), goOn: () => Atomics.load(enough, 0) === 0 },
      lp,
    );
  } finally {
    port.postMessage(null);
    port.close();
  }
}
