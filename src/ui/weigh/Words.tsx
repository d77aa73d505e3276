import type { Units } from "@/core/length/length";
import { FIGURES, WORDS } from "@/core/weigh/compare";
import type { Row } from "@/core/weigh/rows";
import { Mark } from "./Mark";

/** Whether things differ in something that is said of them. */
export const differ = (said: (string | null)[]): boolean => new Set(said).size > 1;

/** What no number says, where things differ in it: a line for each. */
export function Words({ rows, many }: { rows: Row[]; many: number }) {
  return WORDS.map((w) => ({ ...w, said: rows.map((r) => w.of(r, many)) }))
    .filter(({ said }) => differ(said))
    .map(({ id, label, said }) => (
      <div key={id} className="grid grid-cols-[minmax(0,10.5rem)_minmax(0,1fr)] gap-x-3 border-t border-rule py-1.5" role="group" aria-label={label}>
        <span>{label}</span>
        <span>
          {said.map((t, k) =>
            t === null ? null : (
              <span key={k} className="flex gap-2 text-[.93rem]">
                <span className="mt-1"><Mark k={k} /></span> {t}
              </span>
            ),
          )}
        </span>
      </div>
    )); // prettier-ignore
}

/** A heading as it stands within a sentence; `R` stays what it is. */
const withinSentence = (label: string) => label.replace(/^[A-Z](?=[a-z])/, (c) => c.toLowerCase());

/** What is the same in all of them, in a line. */
export function Same({ rows, units, many }: { rows: Row[]; units: Units; many: number }) {
  const figures = FIGURES.flatMap((f) => {
    const all = rows.map((r) => f.of(r, many));
    return all[0] === null || all.some((n) => n === null || f.text(n, units) !== f.text(all[0]!, units)) ? [] : [`${withinSentence(f.label)} ${f.text(all[0]!, units)} ${f.unit(units, rows)}`.trim()]; // prettier-ignore
  });
  const words = WORDS.flatMap((w) => {
    const all = rows.map((r) => w.of(r, many));
    return all[0] === null || differ(all) ? [] : [`${withinSentence(w.label)} ${all[0]!}`];
  });
  const same = [...figures, ...words];
  return same.length > 0 && rows.length > 1 ? <p className="border-t border-rule py-2 text-soft">The same in all: {same.join("; ")}.</p> : null; // prettier-ignore
}
