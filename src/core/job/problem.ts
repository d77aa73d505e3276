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
