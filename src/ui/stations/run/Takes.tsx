"use client";
import { useState } from "react";
import type { Operation } from "@/core/work/operation";
import { useDesk } from "@/ui/desk/useDesk";
import { NumberField } from "@/ui/parts/NumberField";
import { Said } from "../Said";

/** Where an operation's minutes come from, and what they are here: said once, they are the shop's for every job. */
export function Takes({ op }: { op: Operation }) {
  const { shopMinutes, job } = useDesk();
  const [open, setOpen] = useState(false);
  const known = Object.hasOwn(job.workshop.minutes, op.kind) ? job.workshop.minutes[op.kind] : undefined;
  const { setup, each } = known ?? op;
  return (
    <span className="no-print text-soft">
      {" "}
      <button
        className="quiet px-0! text-[.87rem]"
        aria-expanded={open}
        aria-label={`Minutes of ${op.kind}`}
        onClick={() => setOpen(!open)}
      >
        {op.guess ? "a guess · change" : "as said · change"}
      </button>
      {open && (
        <span className="block pt-1">
          set-up{" "}
          <NumberField
            label={`Set-up of ${op.kind}`}
            value={setup}
            onSettle={(n) => shopMinutes(op.kind, { setup: n, each })}
            className="w-16"
          />{" "}
          min, {/* prettier-ignore */}
          <NumberField label={`Each of ${op.kind}`} value={Math.round(each * 100) / 100} onSettle={(n) => shopMinutes(op.kind, { setup, each: n })} className="w-16" />{" "}
          min each, in every job {/* prettier-ignore */}
          {known && (
            <button className="quiet" onClick={() => shopMinutes(op.kind, null)}>
              the guess again
            </button>
          )}
          <Said field="minutes" />
        </span>
      )}
    </span>
  );
}
