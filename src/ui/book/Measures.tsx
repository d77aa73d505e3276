"use client";
import { useMemo, useState } from "react";
import type { Condition, KeptPiece } from "@/core/book/book";
import { MEASURES, type MeasuredBox } from "@/core/book/repair";
import type { Length, Units } from "@/core/length/length";
import { LengthField } from "@/ui/parts/LengthField";

export const SAID: Record<(typeof MEASURES)[number], string> = { outsideLength: "outside length", outsideWidth: "outside width", insideLength: "inside length", insideWidth: "inside width", depth: "depth", restToRest: "rest to rest", restDepth: "rest depth" }; // prettier-ignore

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

/** All that is measured of a box, a field each. */
export const MeasureFields = ({ of: { box, isUsual, set }, units }: { of: ReturnType<typeof useMeasures>; units: Units }) =>
  MEASURES.map((m) => (
    <label key={m} className="whitespace-nowrap">
      {SAID[m]} <LengthField label={SAID[m]} value={box[m]} units={units} usual={isUsual(m)} onSettle={(l) => set(m, l)} className="w-24" />
    </label>
  )); // prettier-ignore
