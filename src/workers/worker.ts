import type { MessagePort } from "node:worker_threads";
import { layOut } from "@/core/layout/layout";
import { highsSolver } from "./highs";
import type { TaskName, Tasks } from "./tasks";

const lp = await highsSolver();

/** Runs in a worker thread: one task at a time, telling its progress on the port. A cancel ends the thread. */
const RUN: { [N in TaskName]: (ask: Tasks[N]["ask"], hear: (p: Tasks[N]["progress"]) => void) => Tasks[N]["answer"] } =
  {
    layout: (ask, hear) =>
      layOut(
        ask,
        () => performance.now(),
        (p) => {
          hear(p);
          return true;
        },
        lp,
      ),
  };

export default function run({
  name,
  ask,
  port,
}: {
  name: TaskName;
  ask: Tasks[TaskName]["ask"];
  port: MessagePort;
}): Tasks[TaskName]["answer"] {
  try {
    return RUN[name](ask, (p) => port.postMessage(p));
  } finally {
    port.postMessage(null);
    port.close();
  }
}
