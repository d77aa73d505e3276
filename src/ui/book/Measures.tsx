"use client";
import { useMemo, useState } from "react";
import { type Condition, type KeptPiece, measureText } from "@/core/book/book";
import { MEASURES, type MeasuredBox } from "@/core/book/repair";
import type { Length, Units } from "@/core/length/length";
import { LengthField } from "@/ui/parts/LengthField";

export const SAID = Object.fromEntries(MEASURES.map((m) => [m, measureText(m)])) as Record<(typeof MEASURES)[number], string>; // prettier-ignore

/** A box as it was measured: what is typed now, what was measured before, and as usual where nobody has. */
export function useMeasures(piece: KeptPiece, condition: Condition, usual: MeasuredBox) {
  const [typed, setTyped] = useState<Partial<MeasuredBox>>({});
  const known = useMemo(() => Object.fromEntries([...piece.measured.map((m) => [m.what, m.value] as const), ...Object.entries(condition.measured)]) as Record<string, Length>, [piece, condition]); // prettier-ignore
  const box = useMemo(() => Object.fromEntries(MEASURES.map((m) => [m, typed[m] ?? known[m] ?? usual[m]])) as MeasuredBox, [typed, known, usual]); // prettier-ignore
  return {
    box,
    isUsual: (m: (typeof MEASURES)[number]) => typed[m] === undefined && known[m] === undefined,
    set: (m: (typeof MEASURES)[number], l: Length) => setTyped({ ...typed, [m]: l }),
    /** What was typed and is not kept yet, as it is kept. */
    fresh: MEASURES.flatMap((m) => (typed[m] === undefined || typed[m] === known[m] ? [] : [{ what: m, value: typed[m] }])), // prettier-ignore
  };
}

export type Measures = ReturnType<typeof useMeasures>;

/** All that is measured of a box, a field each: what it is and how it is mended goes by these. */
export const MeasuredIn = ({ of: { box, isUsual, set, fresh }, units, keep }: { of: Measures; units: Units; keep(): void }) => (
  <section aria-label="What it measures" className="mt-6">
    <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">What it measures</h2>
    <p className="mt-2 text-soft">Measure the box: what is cut fits it as it is, not as it was planned. What is lighter is as a new one has it, until it is measured.</p>
    <p className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-1">
      {MEASURES.map((m) => (
        <label key={m} className="whitespace-nowrap">
          {SAID[m]} <LengthField label={SAID[m]} value={box[m]} units={units} usual={isUsual(m)} onSettle={(l) => set(m, l)} className="w-24" />
        </label>
      ))}
      {fresh.length > 0 && (
        <button className="act no-print" onClick={keep}>
          Keep the measures
        </button>
      )}
    </p>
  </section>
); // prettier-ignore
