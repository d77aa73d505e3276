import type { z } from "zod";
import { meant, type Problem } from "./problem";

/** What is wrong with what was read, in words, at the fields a file names it by; read with `reportInput`. */
export const problemsOf = (error: z.ZodError): Problem[] =>
  error.issues.flatMap(meant).map((i) => ({ path: pathText(i.path), message: explain(i) }));

/** `lines[0].options.thickness` */
function pathText(path: PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) => (typeof key === "number" ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key)),
    "",
  );
}

function explain(issue: z.core.$ZodIssue): string {
  const read = `read ${show(issue.input)}`;
  switch (issue.code) {
    case "invalid_type":
      return issue.input === undefined
        ? `missing; wanted ${KINDS[issue.expected] ?? issue.expected}`
        : `${read}, wanted ${KINDS[issue.expected] ?? issue.expected}`;
    case "too_small":
      return `${issue.origin === "array" || issue.origin === "string" ? "too short" : read}: at least ${issue.minimum}`;
    case "too_big":
      return issue.origin === "array"
        ? `${(issue.input as unknown[]).length} entries, at most ${issue.maximum}`
        : issue.origin === "string"
          ? `${(issue.input as string).length} letters, at most ${issue.maximum}`
          : `${read}: at most ${issue.maximum}`;
    case "invalid_value":
      return `${read}, wanted ${issue.values.map((v) => JSON.stringify(v)).join(" or ")}`;
    case "invalid_union":
      return "note" in issue && issue.note === "No matching discriminator"
        ? `${read}, wanted "board", "sheet", "roll", "coil" or "pack"`
        : issue.message;
    default:
      return issue.message;
  }
}
const KINDS: Record<string, string> = {
  array: "a list",
  object: "an object",
  string: "text",
  number: "a number",
  int: "a whole number",
  record: "an object",
  boolean: "true or false",
};

export function show(value: unknown): string {
  if (value === undefined) return "nothing";
  const text = JSON.stringify(value);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
