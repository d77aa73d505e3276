"use client";
import { useState } from "react";
import type { Finding } from "@/core/fit/finding";
import type { Units } from "@/core/length/length";
import type { Shape } from "@/core/shape/shape";
import { Exploded } from "@/ui/drawing/Exploded";
import { ThreeViews } from "@/ui/drawing/ThreeViews";
import { FindingRow } from "@/ui/parts/FindingRow";
import { Sizes } from "@/ui/parts/PartCells";

/** What the formulas come to: drawn, as a cut list, and judged; the last that came out where they do not now. */
export function Outcome({
  shape,
  stale,
  findings,
  units,
  litKey,
  changed,
  onPart,
}: {
  shape: Shape | undefined;
  stale: boolean;
  findings: Finding[];
  units: Units;
  litKey: string | null;
  /** Parts that differ from the mark it is held against. */
  changed: Set<string>;
  onPart(id: string): void;
}) {
  const [apart, setApart] = useState(false);
  if (!shape)
    return <p className="text-soft">Nothing comes out yet; put right what is said above and it is drawn here.</p>;
  return (
    <>
      <div className={stale ? "grayscale" : ""}>
        <p className="flex gap-3 text-[.84rem]">
          <span className="small-head">{stale ? "As it last came out" : "As it comes out"}</span>
          <span className="ml-auto flex gap-2">
            <button className="quiet" aria-pressed={!apart} onClick={() => setApart(false)}>
              three views
            </button>
            <button className="quiet" aria-pressed={apart} onClick={() => setApart(true)}>
              pulled apart
            </button>
          </span>
        </p>
        {apart ? (
          <Exploded shape={shape} litKey={litKey} changed={changed} />
        ) : (
          <ThreeViews shape={shape} units={units} litKey={litKey} changed={changed} onPart={onPart} />
        )}
        <CutList shape={shape} units={units} />
      </div>
      {findings.length > 0 && (
        <ul aria-label="Findings" className="mt-2 text-[.9rem]">
          {findings.map((f) => (
            <FindingRow key={`${f.rule} ${f.label}`} finding={f} units={units} />
          ))}
        </ul>
      )}
    </>
  );
}

function CutList({ shape, units }: { shape: Shape; units: Units }) {
  return (
    <table className="cutting-list mt-2 text-[.93rem]">
      <caption className="sr-only">Cut list</caption>
      <tbody>
        {shape.parts.map((p) => (
          <tr key={p.id}>
            <td className="w-10 text-right font-mono font-semibold">{p.places.length}</td>
            <td>{p.name}</td>
            <td className="text-right whitespace-nowrap">
              <Sizes part={p} units={units} />
            </td>
            <td className="text-[.84rem] text-soft">{p.features.map((f) => f.name).join(", ")}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
