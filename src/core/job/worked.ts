import { type Finding } from "@/core/fit/finding";
import type { Judging } from "@/core/fit/bands";
import { fitLines } from "@/core/fit/lines";
import { followBoxes } from "@/core/line/follow";
import { SAID, shapeOfLine, type WorkedLine } from "@/core/line/shapes";
import { isUnmakeable } from "@/core/shape/shape";
import type { Job } from "./job";

export interface WorkedJob {
  job: Job;
  /** Those of its lines that can be made. */
  lines: WorkedLine[];
  /** Those that cannot, by their place in the job, and why: an older design that no longer holds takes no other line with it. */
  faults: { at: number; message: string }[];
  findings: Finding[];
}

const jobs = new WeakMap<Job, WorkedJob>();
const lists = new WeakMap<Job["lines"], WorkedJob>();

/** What of a job its lines are worked out from, beside themselves: its stock, days and shop are nothing to them. */
const FROM = ["units", "standards", "designs", ...SAID] as const;

/** Works a whole job out: every line's shape, and every finding of line against line; lines once as long as they are the same. */
export function workJob(job: Job): WorkedJob {
  const known = jobs.get(job);
  if (known) return known;
  const alike = lists.get(job.lines);
  const worked =
    alike && FROM.every((of) => alike.job[of] === job[of]) && sameBands(alike.job, job)
      ? withFindings(job, alike.lines, alike.faults, () => alike.findings)
      : workedOut(job);
  jobs.set(job, worked);
  lists.set(job.lines, worked);
  return worked;
}

/** How a job is judged: in its units, by the bands of its shop. */
export const judgingOf = ({ units, workshop }: Pick<Job, "units" | "workshop">): Judging => ({ units, bands: workshop.bands }); // prettier-ignore
const sameBands = (a: Job, b: Job) => JSON.stringify(a.workshop.bands) === JSON.stringify(b.workshop.bands);

function workedOut(job: Job): WorkedJob {
  const faults: WorkedJob["faults"] = [];
  const shaped = job.lines.flatMap((line, at): WorkedLine[] => {
    try {
      return [{ line, at, shape: shapeOfLine(line, job) }];
    } catch (e) {
      if (!isUnmakeable(e)) throw e;
      faults.push({ at, message: e.message });
      return [];
    }
  });
  const lines = followBoxes(shaped, job);
  return withFindings(job, lines, faults, () => fitLines(lines, judgingOf(job)));
}

/** Lines are judged when somebody asks what was found: of a long job it takes longer than all the rest. */
function withFindings(job: Job, lines: WorkedLine[], faults: WorkedJob["faults"], judge: () => Finding[]): WorkedJob {
  let found: Finding[] | undefined;
  return {
    job,
    lines,
    faults,
    get findings() {
      return (found ??= judge());
    },
  };
}

const sorted = new WeakMap<Finding[], Map<number, Finding[]>>();

/** What was found of one line. */
export function findingsOf({ findings }: WorkedJob, line: number): Finding[] {
  let byLine = sorted.get(findings);
  if (!byLine) {
    byLine = new Map();
    for (const f of findings) {
      const same = byLine.get(f.line);
      if (same) same.push(f);
      else byLine.set(f.line, [f]);
    }
    sorted.set(findings, byLine);
  }
  return byLine.get(line) ?? [];
}
