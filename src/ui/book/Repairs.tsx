"use client";
import Link from "next/link";
import { useMemo, useState } from "react";
import type { Condition, Happening, KeptPiece } from "@/core/book/book";
import { type AsNew, type Corner, CORNERS, type Repair, repairOf, type Rot, worthIt } from "@/core/book/repair";
import { lengthText } from "@/core/length/format";
import { nm, type Units } from "@/core/length/length";
import { askServer } from "@/ui/parts/askServer";
import { LengthField } from "@/ui/parts/LengthField";
import { PrintButton } from "@/ui/parts/PrintButton";
import type { Measures } from "./Measures";

const CORNER_SAID: Record<Corner, string> = {
  "rabbet-ends": "rabbet in ends",
  "butt-ends-inside": "butt, ends inside",
  finger: "fingers",
};

/** How what is wrong with a box is mended: measured first, then parts cut to it, what is bought, minutes, and whether it is worth it. */
export function Repairs({ piece, condition, measures, asNew, units, jobs, tell }: { piece: KeptPiece; condition: Condition; measures: Measures; asNew: AsNew; units: Units; jobs: { id: number; name: string }[]; tell(what: Happening["what"]): Promise<boolean> }) {
  const { box } = measures;
  const [corner, setCorner] = useState<Corner>(CORNERS.find((c) => piece.joint?.startsWith(CORNER_SAID[c].split(",")[0]!)) ?? "rabbet-ends");
  const [rot, setRot] = useState<Rot>({ up: nm(0), along: nm(0) });
  const [repairs, problem] = useMemo((): [Repair[], string | null] => {
    try {
      return [condition.faults.map((f) => repairOf(f, box, { standard: asNew.standard, corner, ear: asNew.ear, units, rot })), null];
    } catch (e) {
      return [[], (e as Error).message];
    }
  }, [condition.faults, box, corner, rot, asNew, units]);
  const worth = worthIt(repairs, asNew.cost);
  const mended = async () => {
    if (measures.fresh.length > 0 && !(await tell({ do: "measured", sizes: measures.fresh }))) return;
    const done = repairs.filter((r) => r.minutes > 0);
    const how = done.flatMap((r) => r.parts.map((p) => `${p.name} ${[p.l, p.w, p.t].map((l) => lengthText(l, units)).join(" × ")}`));
    await tell({ do: "repaired", faults: done.map((r) => r.fault), how: (how.join(", ") || done.map((r) => r.method[0]!).join("; ")).slice(0, 500), minutes: worth.minutes });
  };
  const isCut = repairs.some((r) => r.parts.length > 0);
  const [into, setInto] = useState(0);
  const [planned, setPlanned] = useState<{ id: number; name: string } | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const plan = async () => {
    try {
      setPlanned(await askServer(`/api/book/${piece.id}/mend`, { method: "POST", body: { box, corner, rot, ...(into === 0 ? {} : { into }) } }));
      setRefused(null);
    } catch (e) {
      setRefused((e as Error).message);
    }
  };
  return (
    <section aria-label="How it is mended" className="mt-6">
      <h2 className="flex items-baseline border-b-2 border-ink text-[1.2rem] font-semibold">
        How it is mended
        <span className="ml-auto text-[.9rem] font-normal"><PrintButton /></span>
      </h2>
      <p className="mt-2 flex flex-wrap items-baseline gap-x-5">
        <label className="whitespace-nowrap">
          corner{" "}
          <select className="field" aria-label="corner" value={corner} onChange={(e) => setCorner(e.target.value as Corner)}>
            {CORNERS.map((c) => (
              <option key={c} value={c}>
                {CORNER_SAID[c]}
              </option>
            ))}
          </select>
        </label>
        {condition.faults.includes("corner rotten") && (
          <>
            {(["up", "along"] as const).map((way) => (
              <label key={way} className="whitespace-nowrap">
                the rot reaches {way} <LengthField label={`the rot reaches ${way}`} value={rot[way]} units={units} usual={rot[way] === 0} onSettle={(l) => setRot({ ...rot, [way]: l })} className="w-20" />
              </label>
            ))}
            <span className="text-[.9rem] text-soft">a patch where it is small; not measured, a new end</span>
          </>
        )}
      </p>
      {problem && <p role="alert" className="mt-2 border-l-4 border-madder pl-2 font-semibold">{problem}</p>}
      {repairs.map((r) => (
        <div key={r.fault} className="mt-4">
          <h3 className="text-[1.13rem] font-semibold">{r.fault}</h3>
          <ol className="list-decimal pl-6">
            {r.method.map((m) => (
              <li key={m}>{m}</li>
            ))}
          </ol>
          {r.parts.length > 0 && (
            <table className="cutting-list mt-1">
              <tbody>
                {r.parts.map((p) => (
                  <tr key={p.name}>
                    <td>{p.name}</td>
                    <td className="font-mono whitespace-nowrap">{[p.l, p.w, p.t].map((l) => lengthText(l, units)).join(" × ")}</td>
                    <td className="text-[.93rem]">
                      {p.cuts.map((c) => (
                        <span key={c} className="block">
                          {c}
                        </span>
                      ))}
                      <span className="text-soft">{p.working}</span>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <p className="mt-1">
            {r.buys.map((b) => `${b.quantity} ${b.unit} ${b.what}`).join(", ")}
            {r.buys.length > 0 ? "; " : ""}
            about {r.minutes} minutes, a guess
          </p>
          {r.minutes > 0 && (
            <>
              <p>Check: {r.check}.</p>
              <p className="border-l-4 border-madder pl-2 text-[.93rem]">{r.caution}</p>
            </>
          )}
        </div>
      ))}
      {repairs.length > 0 && (
        <p className={`mt-4 border-l-8 pl-4 ${worth.worth ? "border-spruce" : "border-madder"}`}>
          {worth.said}
          <button className="act no-print ml-4" disabled={worth.minutes === 0} onClick={() => void mended()}>
            It is mended
          </button>
        </p>
      )}
      {isCut && (
        <p className="no-print mt-3 flex flex-wrap items-center gap-x-3">
          Planned as work, with its boards and its hardware:
          <select className="field min-h-[44px]" aria-label="In which job" value={into} onChange={(e) => setInto(Number(e.target.value))}>
            <option value={0}>a job of its own</option>
            {jobs.map((j) => (
              <option key={j.id} value={j.id}>
                {j.name}
              </option>
            ))}
          </select>
          <button className="quiet min-h-[44px]" onClick={() => void plan()}>
            make it a line of it
          </button>
          {planned && (
            <span role="status">
              It is a line of{" "}
              <Link prefetch={false} href={`/jobs/${planned.id}/shape`}>
                {planned.name}
              </Link>
              .
            </span>
          )}
        </p>
      )}
      {refused && <p role="alert" className="mt-2 border-l-4 border-madder pl-2 font-semibold">{refused}</p>}
    </section>
  );
} // prettier-ignore
