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

/** Judges a line against each of a few unlike things, and each finding says which of them it is with. */
export function few<T>(
  unlike: T[],
  at: Context,
  what: string,
  lineOf: (one: T) => number | undefined,
  judge: (one: T) => Finding[],
): Finding[] {
  const more = unlike.length - MOST_UNLIKE;
  return [
    ...unlike.slice(0, MOST_UNLIKE).flatMap((one) => heldAgainst(lineOf(one), judge(one))),
    ...(more > 0 ? [unlisted(at.line, more, what, at)] : []),
  ];
}

/** Findings of a line with another. */
export const heldAgainst = (line: number | undefined, found: Finding[]): Finding[] =>
  line === undefined ? found : found.map((f) => ({ ...f, with: line }));

/**
 * What is the same with all it is held against is said once; of what is not, `Under inner cover, with line 3`. A finding of a line is
 * known by its rule and label from then on.
 */
export function saidOnce(found: Finding[]): Finding[] {
  const says = (f: Finding) => `${f.value} ${f.text}`;
  const alike = new Map<string, Finding[]>();
  const sort = (f: Finding) => `${f.line} ${f.rule} ${f.label}`;
  for (const f of found) {
    const had = alike.get(sort(f));
    if (!had) alike.set(sort(f), [f]);
    else if (!had.some((o) => says(o) === says(f))) had.push(f);
  }
  return found.flatMap((f) => {
    const unlike = alike.get(sort(f))!;
    if (!unlike.includes(f)) return [];
    return unlike.length === 1 || f.with === undefined ? [f] : [{ ...f, label: `${f.label}, with line ${f.with + 1}` }];
  });
}
