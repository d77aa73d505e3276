import { type Finding } from "@/core/fit/finding";
import { fitLines } from "@/core/fit/lines";
import { followBoxes } from "@/core/line/follow";
import { shapeOfLine, type WorkedLine } from "@/core/line/shapes";
import type { Job } from "./job";

export interface WorkedJob {
  job: Job;
  lines: WorkedLine[];
  findings: Finding[];
}

const jobs = new WeakMap<Job, WorkedJob>();

/** Works a whole job out: every line's shape, and every finding of line against line; a job object once. */
export function workJob(job: Job): WorkedJob {
  const known = jobs.get(job);
  if (known) return known;
  const shaped = job.lines.map((line, at) => ({ line, at, shape: shapeOfLine(line, job) }));
  const lines = followBoxes(shaped, job);
  const worked = { job, lines, findings: fitLines(lines, job.units) };
  jobs.set(job, worked);
  return worked;
}
