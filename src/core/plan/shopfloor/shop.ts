/** One operation of a job, as it stands in the instance: whole minutes; `key` −1 asks for no set-up. */
export interface Step {
  station: number;
  minutes: number;
  people: number;
  /** Clock minutes after it before the next of its job may start. */
  wait: number;
  key: number;
  setUp: number;
}

export interface ShopJob {
  release: number;
  /** Null is no due date. */
  due: number | null;
  weight: number;
  /** Each step is worked in so many equal parts, and a part goes on when its own step is done. */
  lots: number;
  steps: Step[];
}

/** A job shop with people, parallel stations, waits, set-ups by what ran last, and lots that flow. */
export interface Shop {
  jobs: ShopJob[];
  /** How many there are of each station. */
  counts: number[];
  /** How many people there are; null is as many as are wanted. */
  people: number | null;
  aim: "finish" | "lateness";
}

/** One part of an operation. */
export interface Task extends Step {
  chain: number;
  step: number;
  /** No schedule starts it earlier: its job's release and all before it; and what has to follow its end. */
  head: number;
  tail: number;
}

/** A lot of a job: its tasks run one after another. */
export interface Chain {
  job: number;
  lot: number;
  release: number;
  tasks: Task[];
}

/** The lots of a shop's jobs, each a chain of tasks with its heads and tails. */
export function chainsOf({ jobs }: Shop): Chain[] {
  const chains: Chain[] = [];
  for (const [job, { release, lots, steps }] of jobs.entries())
    for (let lot = 0; lot < lots; lot++) {
      const tasks = steps.map((s, step): Task => ({ ...s, chain: chains.length, step, minutes: s.minutes / lots, head: 0, tail: 0 })); // prettier-ignore
      let head = release;
      for (const t of tasks) {
        t.head = head;
        head += t.minutes + t.wait;
      }
      let tail = 0;
      for (const t of tasks.toReversed()) {
        t.tail = tail;
        tail += t.minutes + (t.step > 0 ? tasks[t.step - 1]!.wait : 0);
      }
      chains.push({ job, lot, release, tasks });
    }
  return chains;
}

/** When a task runs, on which of its stations, and how many minutes of set-up are at its start. */
export interface Placed {
  task: Task;
  unit: number;
  start: number;
  end: number;
  setUp: number;
}

export interface Schedule {
  placed: Placed[];
  /** The last end. */
  finish: number;
  /** Weight × minutes late, over all jobs. */
  lateness: number;
}

/** Times a shop is long: sums of fractions are compared with this room. */
export const EPS = 1e-7;
