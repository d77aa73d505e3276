import { type Finding } from "@/core/fit/finding";
import { fitLines } from "@/core/fit/lines";
import { followBoxes } from "@/core/line/follow";
import { shapeOfLine, type WorkedLine } from "@/core/line/shapes";
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

/** Works a whole job out: every line's shape, and every finding of line against line; a job object once. */
export function workJob(job: Job): WorkedJob {
  const known = jobs.get(job);
  if (known) return known;
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
  const worked = { job, lines, faults, findings: fitLines(lines, job.units) };
  jobs.set(job, worked);
  return worked;
}
