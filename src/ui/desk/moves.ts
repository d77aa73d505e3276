import { lineAt } from "@/core/line/shapes";
import { lengthText } from "@/core/length/format";
import { type Length, nm, type Units } from "@/core/length/length";
import type { Act } from "@/core/job/acts";
import { findingsOf, type WorkedJob } from "@/core/job/worked";

/** What a change moved: by part or rule, how far. Keys are `part side.length`, `finding end-gap`. */
export type Moves = Map<string, Length>;

const keyed = (worked: WorkedJob, line: number): Map<string, Length> => {
  const at = lineAt(worked.lines, line);
  const out = new Map<string, Length>();
  if (!at) return out;
  for (const p of at.shape.parts) {
    out.set(`part ${p.id}.length`, p.size.l);
    out.set(`part ${p.id}.width`, p.size.w);
    out.set(`part ${p.id}.thickness`, p.size.t);
  }
  for (const f of findingsOf(worked, line)) out.set(`finding ${f.rule} ${f.label}`, f.value);
  return out;
};

/** Whether an act can move what a line measures: how many there are of it does not. */
export const mayMove = (act: Act): act is Extract<Act, { do: "option" | "change line" }> =>
  act.do === "option" || (act.do === "change line" && Object.keys(act.to).some((k) => k !== "quantity"));

/** Compares a line before and after. */
export function movesBetween(before: WorkedJob, after: WorkedJob, line: number): Moves {
  const [a, b] = [keyed(before, line), keyed(after, line)];
  return new Map([...b].flatMap(([k, v]) => (a.has(k) && a.get(k) !== v ? [[k, nm(v - a.get(k)!)] as const] : [])));
}

/** `+1/8` or `−3.2`. */
export function moveText(by: Length, units: Units): string {
  return `${by > 0 ? "+" : "−"}${lengthText(nm(Math.abs(by)), units)}`;
}
