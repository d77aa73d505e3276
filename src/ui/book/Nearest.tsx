"use client";
import { useMemo } from "react";
import type { Condition, Happening, KeptPiece } from "@/core/book/book";
import { nearest, SAME } from "@/core/book/nearest";
import type { AsNew } from "@/core/book/repair";
import { lengthWithUnit } from "@/core/length/format";
import { nm, type Units } from "@/core/length/length";
import { MeasureFields, SAID, useMeasures } from "./Measures";

/** So many of the nearest are shown. */
const SHOWN = 3;

/** A box of no known standard, measured in: which standard it is nearest, how that one's frames hang in it, what to change. */
export function Nearest({ piece, condition, asNew, units, tell }: { piece: KeptPiece; condition: Condition; asNew: AsNew; units: Units; tell(what: Happening["what"]): Promise<boolean> }) {
  const measures = useMeasures(piece, condition, asNew.box);
  const near = useMemo(() => nearest(measures.box).slice(0, SHOWN), [measures.box]);
  const first = near[0]!;
  const off = (n: (typeof near)[0]) => n.off.filter((o) => o.by !== 0).map((o) => `${SAID[o.of]} ${o.by > 0 ? "+" : "−"}${lengthWithUnit(nm(Math.abs(o.by)), units)}`).join(", ") || "the same";
  return (
    <section aria-label="What it is" className="mt-6">
      <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">What it is</h2>
      <p className="mt-2 text-soft">Measure it: what is lighter is a ten-frame deep&apos;s until it is measured.</p>
      <p className="mt-1 flex flex-wrap gap-x-5 gap-y-1">
        <MeasureFields of={measures} units={units} />
        {measures.fresh.length > 0 && (
          <button className="act no-print" onClick={() => void tell({ do: "measured", sizes: measures.fresh })}>
            Keep the measures
          </button>
        )}
      </p>
      <p className={`mt-3 border-l-8 pl-4 text-[1.2rem] ${first.worst <= SAME ? "border-spruce" : "border-madder"}`}>
        {first.worst <= SAME ? (
          <>
            It is a <b>{first.name}</b>
          </>
        ) : (
          <>
            It is like none; the nearest is <b>{first.name}</b>
          </>
        )}
        <span className="block text-[.93rem] text-soft">{off(first)}</span>
        {first.worst <= SAME && (
          <button className="act no-print mt-1" onClick={() => void tell({ do: "known", item: "body", standard: first.standard, size: first.size })}>
            Keep it as one
          </button>
        )}
      </p>
      <table className="cutting-list mt-2">
        <caption className="small-head text-left">How a frame of {first.name} hangs in it</caption>
        <tbody>
          {first.gaps.map((g) => (
            <tr key={g.name}>
              <td>{g.name}</td>
              <td className="font-mono whitespace-nowrap">{lengthWithUnit(g.value, units)}</td>
              <td className="text-soft whitespace-nowrap">
                {lengthWithUnit(g.least, units)} to {lengthWithUnit(g.most, units)}
              </td>
              <td className={g.change ? "font-semibold text-madder" : ""}>{g.change ?? "right"}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-[.93rem] text-soft">
        Then: {near.slice(1).map((n) => `${n.name} (${off(n)})`).join("; ")}
      </p>
    </section>
  );
} // prettier-ignore
