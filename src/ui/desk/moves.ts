import { lineAt } from "@/core/line/shapes";
import { lengthText } from "@/core/length/format";
import { type Length, nm, type Units } from "@/core/length/length";
import type { Act } from "@/core/job/acts";
import type { LayoutResult } from "@/core/layout/layout";
import { findingsOf, type WorkedJob } from "@/core/job/worked";
import { count } from "@/ui/parts/words";

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

const signed = (by: number, text: (size: number) => string) => `${by > 0 ? "+" : "−"}${text(Math.abs(by))}`;

/** `+1/8` or `−3.2`. */
export const moveText = (by: Length, units: Units): string => signed(by, (size) => lengthText(nm(size), units));

/** What is told at the head of the page, or at Lay out: boards and how they are cut, money, and the clock minute all is ready. */
export interface Stood {
  result: LayoutResult;
  total: number;
  finish?: number;
}

/** How far one of those moved: `+2`, `−$28.40` by its own `text`, `1 day later`; undefined where it did not. */
export const stoodText = {
  boards: (was: Stood | undefined, now: number) => moved(was?.result.count, now, String),
  total: (was: Stood | undefined, now: number, money: (amount: number) => string) => moved(was?.total, now, money),
  finish: (was: Stood | undefined, now: number) => {
    const days = was?.finish === undefined ? 0 : dayOf(now) - dayOf(was.finish);
    return days === 0 ? undefined : `${count(Math.abs(days), "day")} ${days > 0 ? "later" : "sooner"}`;
  },
};
const dayOf = (minute: number) => Math.floor(minute / 1440);
const moved = (was: number | undefined, now: number, text: (n: number) => string) => {
  const by = was === undefined ? 0 : Math.round((now - was) * 1e6) / 1e6;
  return by === 0 ? undefined : signed(by, text);
};
