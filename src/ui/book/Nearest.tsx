"use client";
import { useMemo } from "react";
import type { Happening } from "@/core/book/book";
import { nearest, SAME } from "@/core/book/nearest";
import { lengthWithUnit } from "@/core/length/format";
import { nm, NM_PER_INCH, NM_PER_MM, type Units } from "@/core/length/length";
import { type Measures, SAID } from "./Measures";

/** So many of the nearest are shown. */
const SHOWN = 3;

/** A difference as it is read off a rule: to a 64th, or half a millimetre. */
const toRule = (l: number, units: Units) => {
  const mark = units === "in" ? NM_PER_INCH / 64 : NM_PER_MM / 2;
  return nm(Math.round(l / mark) * mark);
};

/** A box of no known standard, measured in: which standard it is nearest, how that one's frames hang in it, what to change. */
export function Nearest({ measures, units, tell }: { measures: Measures; units: Units; tell(what: Happening["what"]): Promise<boolean> }) {
  const near = useMemo(() => nearest(measures.box).slice(0, SHOWN), [measures.box]);
  const first = near[0]!;
  const off = (n: (typeof near)[0]) => n.off.filter((o) => o.by !== 0).map((o) => `${SAID[o.of]} ${o.by > 0 ? "+" : "−"}${lengthWithUnit(toRule(Math.abs(o.by), units), units)}`).join(", ") || "the same";
  /** What was typed goes with it: it is by that that it is one. */
  const keep = async () => {
    if (measures.fresh.length > 0 && !(await tell({ do: "measured", sizes: measures.fresh }))) return;
    await tell({ do: "known", item: "body", standard: first.standard, size: first.size });
  };
  return (
    <section aria-label="What it is" className="mt-6">
      <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">What it is</h2>
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
          <button className="act no-print mt-1" onClick={() => void keep()}>
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
