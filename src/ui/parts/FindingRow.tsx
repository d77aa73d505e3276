"use client";
import type { ReactNode } from "react";
import type { Finding } from "@/core/fit/finding";
import type { Units } from "@/core/length/length";
import { GapGauge } from "./GapGauge";
import { Measure } from "./Measure";

/** What is not there has no number. */
const NUMBERLESS = /-(missing|order)$|^not-judged$/;

/** One finding: what is judged, its number and its gauge, and what to do when it is not in order. */
export function FindingRow({
  finding: f,
  units,
  lit,
  onLight,
  onChoose,
  moved,
}: {
  finding: Finding;
  units: Units;
  lit?: boolean;
  onLight?(): void;
  onChoose?(): void;
  /** How far it moved with the last change. */
  moved?: ReactNode;
}) {
  const quiet = f.state === "ok" && !f.bands && f.rule !== "bearing" && !lit && !onChoose;
  return (
    <li className="keep-together">
      <button
        onMouseEnter={onLight}
        onFocus={onLight}
        onClick={onChoose}
        className={`grid w-full grid-cols-[1fr_auto] items-baseline border-0 border-t border-rule px-0 py-1 text-left ${lit ? "bg-white" : "bg-transparent"}`}
      >
        <span className="font-semibold">{f.label}</span>
        <span className="pl-2 text-[1.07rem]">
          {f.figure ? (
            <span className="font-mono">{f.figure.text}</span>
          ) : (
            !NUMBERLESS.test(f.rule) && <Measure value={f.value} units={units} />
          )}
          {moved}
        </span>
        {f.bands && (
          <span className="col-span-2">
            <GapGauge value={f.value} bands={f.bands} />
          </span>
        )}
        {!quiet && (
          <span
            className={`col-span-2 text-[.84rem] ${f.state === "ok" || f.ofStandard ? "text-soft" : "font-semibold text-madder"}`}
          >
            {f.ofStandard ? `${f.text.replace(/^care: /, "")}; the standard's own` : f.text}
            {f.advice && !f.ofStandard && <span className="block font-normal text-ink">{f.advice}</span>}
          </span>
        )}
      </button>
    </li>
  );
}
