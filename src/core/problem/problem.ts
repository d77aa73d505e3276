import type { z } from "zod";

/** One thing wrong with a file: which field, what was read and what would be right. */
export interface Problem {
  path: string;
  message: string;
}

/** A file that is not a job, with every problem found (the first few are in the message). */
export class JobFileError extends Error {
  override name = "JobFileError";
  constructor(readonly problems: Problem[]) {
    const shown = problems.slice(0, 6).map((p) => (p.path ? `${p.path}: ${p.message}` : p.message));
    super(shown.join("\n") + (problems.length > 6 ? `\nand ${problems.length - 6} more` : ""));
  }
}

/** Of two shapes a thing can have, what is wrong with the one that was meant: the one whose fields it has. */
export function meant(issue: z.core.$ZodIssue): z.core.$ZodIssue[] {
  if (issue.code !== "invalid_union" || issue.errors.length === 0) return [issue];
  const strange = (branch: z.core.$ZodIssue[]) => branch.filter((i) => i.code === "unrecognized_keys").length;
  const [nearest] = [...issue.errors].sort((a, b) => strange(a) - strange(b) || a.length - b.length);
  return nearest!.map((i) => ({ ...i, path: [...issue.path, ...i.path] })).flatMap(meant);
}
