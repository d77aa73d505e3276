"use client";
import { lineAt } from "@/core/line/shapes";
import { useState } from "react";
import type { WorkedJob } from "@/core/job/worked";
import type { Length, Units } from "@/core/length/length";
import { refit } from "@/core/line/refit";
import { lengthOf } from "@/core/shape/shape";
import type { ToMeasure } from "@/core/work/operation";
import { LengthField } from "@/ui/parts/LengthField";
import { Measure } from "@/ui/parts/Measure";

/** Asks for what has to be measured on the made thing, and says what the part comes to with it. */
export function ToFit({ of, worked, units }: { of: ToMeasure; worked: WorkedJob; units: Units }) {
  const [measured, setMeasured] = useState<Record<string, Length>>({});
  const line = lineAt(worked.lines, of.part.line)!;
  const part = refit(line.shape, of.part.part, measured, units);
  const label = (name: string) => line.shape.scope.label(name);
  return (
    <div className="my-1 border-l-4 border-blue pl-2 text-[.93rem]">
      <p className="font-semibold">Measure the made thing first, and cut to that:</p>
      <p className="flex flex-wrap items-baseline gap-x-5">
        {of.names.map((name) => (
          <span key={name} className="whitespace-nowrap">
            <span className="text-soft">{label(name)} </span>
            <span className="no-print">
              <LengthField
                label={label(name)}
                value={measured[name] ?? lengthOf(line.shape, name)}
                units={units}
                usual={measured[name] === undefined}
                onSettle={(v) => setMeasured({ ...measured, [name]: v })}
              />
            </span>
            <span className="only-print">________</span>
          </span>
        ))}
        {part && (
          <span className="whitespace-nowrap">
            <span className="text-soft">so {part.name.toLowerCase()} is </span>
            <Measure value={part.cut.l} units={units} className="text-[1.2rem]" /> ×{" "}
            <Measure value={part.cut.w} units={units} className="text-[1.2rem]" />
          </span>
        )}
        {!part && <span className="text-madder">no such part can be made; measure again</span>}
      </p>
    </div>
  );
}
