import type { Context, Judging } from "./bands";
import type { Finding } from "./finding";
import { ruler } from "./ruler";

/** So many unlike things one line is held against; of more only how many they are is said. */
export const MOST_UNLIKE = 8;

/** Says how many more there are than are listed. */
export const unlisted = (line: number, more: number, what: string, by: Judging): Finding =>
  ruler(by).missing(
    "more-unlike",
    "More in this job",
    line,
    `${more} more ${what} are not held against it, only ${MOST_UNLIKE}`,
    "put what does not belong together in a job of its own",
    "care",
  );

/** Judges a line against each of a few unlike things. */
export function few<T>(unlike: T[], at: Context, what: string, judge: (one: T) => Finding[]): Finding[] {
  const more = unlike.length - MOST_UNLIKE;
  return [...unlike.slice(0, MOST_UNLIKE).flatMap(judge), ...(more > 0 ? [unlisted(at.line, more, what, at)] : [])];
}
