"use client";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useState } from "react";
import type { DesignRecord, MarkRecord } from "@/core/book/record";
import { type KeptMark, markName } from "@/core/designs/design";
import { askServer } from "@/ui/parts/askServer";
import { PrintButton } from "@/ui/parts/PrintButton";
import { count, dayText } from "@/ui/parts/words";
import { ShopTop } from "@/ui/top/ShopTop";
import { Back } from "./Back";
import { LastingTable } from "./LastingTable";

const LastingCurve = dynamic(() => import("./LastingCurve"), { ssr: false });

/** A mark of the maker's own design: why it was made, what it changed, what was noticed of it. */
type Mark = Pick<KeptMark, "mark" | "why" | "madeAt" | "notes"> & { changed: string[] };

/** So many changes of a mark are named. */
const NAMED = 4;

/** How a design did: every mark with its reason and its pieces, what fails and when, and what is tried next. */
export function RecordPage({ item, name, marks: first, record }: { item: string; name: string; marks: Mark[]; record: DesignRecord }) {
  const [marks, setMarks] = useState(first);
  const [note, setNote] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const newest = marks.at(-1);
  const tell = async () => {
    if (!newest || note.trim() === "") return;
    const text = note.trim();
    try {
      await askServer("/api/designs", { method: "PATCH", body: { id: item, mark: newest.mark, note: text } });
      setMarks(marks.map((m) => (m === newest ? { ...m, notes: [...m.notes, { text, at: new Date().toISOString() }] } : m)));
      setNote("");
      setProblem(null);
    } catch (e) {
      setProblem((e as Error).message);
    }
  };
  const did = (mark: number | null) => record.marks.find((r) => r.mark === mark);
  const shipped = did(null);
  return (
    <>
      <ShopTop here="/book" />
      <main className="mx-auto max-w-[64rem] px-5 pt-3 pb-10">
        <Back>
          {marks.length > 0 && (
            <Link prefetch={false} href={`/patterns/designs/${item}`} className="quiet inline-flex min-h-[44px] items-center">
              the design
            </Link>
          )}
          <PrintButton />
        </Back>
        <h1 className="text-[1.6rem] font-bold">
          {name} <span className="text-[1.13rem] font-normal text-soft">how it did</span>
        </h1>
        {record.next && (
          <p className="mt-2 border-l-8 border-spruce pl-4 text-[1.13rem]">
            {record.next.mark === null ? "Most" : `Of mark ${markName(record.next.mark)} most`} fail of <b>{record.next.fault}</b>, {count(record.next.pieces, "piece")}. To try next: {record.next.try}.
          </p>
        )}
        <section aria-label="Marks" className="mt-4">
          {marks.toReversed().map((m) => (
            <article key={m.mark} className="border-t-2 border-ink py-2">
              <h2 className="flex flex-wrap items-baseline gap-x-3 text-[1.13rem] font-semibold">
                Mark {markName(m.mark)} <span className="text-[.9rem] font-normal text-soft">{dayText(m.madeAt.slice(0, 10))} {m.madeAt.slice(0, 4)}</span>
              </h2>
              <p>
                <span className="text-soft">why </span>
                {m.why || "no reason given"}
              </p>
              {m.changed.length > 0 && (
                <p>
                  <span className="text-soft">changed </span>
                  {m.changed.slice(0, NAMED).join("; ")}
                  {m.changed.length > NAMED ? ` and ${m.changed.length - NAMED} more` : ""}
                </p>
              )}
              <Did of={did(m.mark)} />
              {m.notes.map((n, i) => (
                <p key={i}>
                  <span className="text-soft">noticed {dayText(n.at.slice(0, 10))} </span>
                  {n.text}
                </p>
              ))}
            </article>
          ))}
          {shipped && (
            <article className="border-t-2 border-ink py-2">
              <h2 className="text-[1.13rem] font-semibold">{marks.length > 0 ? "Before it had a mark" : "As it ships"}</h2>
              <Did of={shipped} />
            </article>
          )}
          {newest && (
            <p className="no-print mt-1 flex flex-wrap gap-2">
              <input className="field min-w-0 flex-1" aria-label="Noticed, or to try next" placeholder={`noticed of mark ${markName(newest.mark)}, or to try next …`} maxLength={500} value={note} onChange={(e) => setNote(e.target.value)} />
              <button className="quiet min-h-[44px]" onClick={() => void tell()}>
                note it
              </button>
            </p>
          )}
          {problem && <p role="alert" className="border-l-4 border-madder pl-2 font-semibold">{problem}</p>}
        </section>
        {record.lasting.map(({ by, groups }) => (
          <section key={by} aria-label={`By ${by}`} className="mt-6">
            <h2 className="border-b-2 border-ink text-[1.13rem] font-semibold">How long they last, by {by}</h2>
            {groups.some((g) => g.steps.length > 0) && <LastingCurve groups={groups} />}
            <LastingTable groups={groups} />
          </section>
        ))}
        {record.ages.some((a) => a.failed > 0) && (
          <section aria-label="By age" className="mt-6">
            <h2 className="border-b-2 border-ink text-[1.13rem] font-semibold">At which age they fail</h2>
            <table className="cutting-list mt-1">
              <tbody>
                {record.ages.map((a) => (
                  <tr key={a.from}>
                    <td className="font-mono whitespace-nowrap">
                      {a.from} to {a.to} years
                    </td>
                    <td className="text-right font-mono whitespace-nowrap">{a.reached} reached it</td>
                    <td className="text-right font-mono whitespace-nowrap">{a.failed} failed in it</td>
                    <td className="text-soft">{a.why.map((w) => `${w.fault} ${w.n}`).join(", ")}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        )}
        <p className="mt-4 text-[.87rem] text-soft">Pieces of no known age count for what was found and not for how long. What was lost or burned is no failing.</p>
      </main>
    </>
  );
} // prettier-ignore

/** What became of the pieces of a mark. */
function Did({ of }: { of: MarkRecord | undefined }) {
  if (!of) return <p className="text-soft">Nothing in the Book was made by it yet.</p>;
  const faults = of.faults.map((f) => `${f.fault} in ${f.pieces}${f.age === null ? "" : `, after ${f.age} years`}`);
  return (
    <p>
      <span className="text-soft">in use </span>
      <b>{count(of.pieces, "piece")}</b>, {of.inUse} still; {count(of.repairs, "repair")}; {faults.length > 0 ? faults.join("; ") : "nothing found wrong"}
    </p>
  );
} // prettier-ignore
