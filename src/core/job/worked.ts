import { recipeOf } from "@/core/designs/design";
import type { JobLine } from "@/core/line/line";
import { standardOf } from "@/core/standards/own";
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
  const shaped = job.lines.map((line, at) => ({ line, at, shape: shapeOfLine(withFinish(line, job), job.units, job) }));
  const lines = followBoxes(shaped, job);
  const worked = { job, lines, findings: fitLines(lines, job.units) };
  jobs.set(job, worked);
  return worked;
}

/** A line with the job's finish, where it can have one and chooses none. */
function withFinish(line: JobLine, job: Job): JobLine {
  if (job.finish === undefined || line.options.finish !== undefined) return line;
  const recipe = recipeOf(line.item, standardOf(line.standard, job.standards), job);
  if (!recipe?.parameters.some((p) => p.name === "finish")) return line;
  return { ...line, options: { ...line.options, finish: job.finish } };
}
