"use client";
import { type Finding, RANK } from "@/core/fit/finding";
import type { Desk } from "@/ui/desk/useDesk";
import { FindingRow } from "@/ui/parts/FindingRow";
import { Moved } from "./Moved";

/** What fits and what does not, gaps first, each with its gauge. */
export function Findings({ findings, desk }: { findings: Finding[]; desk: Desk }) {
  const { job, lit } = desk;
  const gaps = findings.filter((f) => f.bands).sort((a, b) => Number(a.ofStandard ?? 0) - Number(b.ofStandard ?? 0));
  const others = findings.filter((f) => !f.bands).sort((a, b) => RANK[b.state] - RANK[a.state]);
  return (
    <ul className="print:columns-2 print:gap-8">
      {gaps.length > 0 && (
        <li aria-hidden="true" className="flex justify-between text-[.78rem] text-soft">
          <span>glues</span>
          <span>open</span>
          <span>bridges</span>
        </li>
      )}
      {[...gaps, ...others].map((f) => (
        <FindingRow
          key={`${f.rule} ${f.label}`}
          finding={f}
          units={job.units}
          lit={lit?.key === `finding ${f.rule}`}
          onLight={() => desk.light({ key: `finding ${f.rule}`, working: f.working })}
          moved={<Moved by={desk.moves.get(`finding ${f.rule} ${f.label}`)} units={job.units} />}
        />
      ))}
    </ul>
  );
}
