"use client";
import { useEffect, useState } from "react";
import type { Movement } from "@/core/yard/lot";
import { askServer } from "@/ui/parts/askServer";
import { dayText } from "@/ui/parts/words";

/** Everything that came and went of a lot, the newest first: how what is there came about. */
export function Ledger({ lot, there }: { lot: number; there: number }) {
  const [read, setRead] = useState<{ ledger: Movement[] } | { why: string } | null>(null);
  useEffect(() => {
    let gone = false;
    // When what is there has changed, there is a new line.
    const later = setTimeout(() => {
      askServer<{ ledger: Movement[] }>(`/api/yard/lots/${lot}`).then(
        (kept) => !gone && setRead(kept),
        (e: Error) => !gone && setRead({ why: e.message }),
      );
    }, 150);
    return () => {
      gone = true;
      clearTimeout(later);
    };
  }, [lot, there]);
  if (!read) return <p className="text-[.87rem] text-soft">Reading the ledger …</p>;
  if ("why" in read) return <p role="alert" className="text-[.87rem] text-madder">The ledger cannot be read: {read.why}.</p>; // prettier-ignore
  return (
    <table className="mb-3 text-[.93rem]" aria-label={`Ledger of no. ${lot}`}>
      <tbody>
        {read.ledger.map((m) => (
          <tr key={m.id}>
            <td className="pr-5 whitespace-nowrap text-soft">
              {dayText(m.at.slice(0, 10))} {m.at.slice(0, 4)}
            </td>
            <td className="pr-5">
              {m.why}
              {m.job !== null && `, job ${m.job}`}
            </td>
            <td className="text-right font-mono">
              {m.change > 0 ? "+" : m.change < 0 ? "−" : "±"}
              {Math.abs(m.change)}
            </td>
          </tr>
        ))}
        <tr className="font-semibold">
          <td colSpan={2} className="border-t border-ink pr-5 text-right">
            there are
          </td>
          <td className="border-t border-ink text-right font-mono">{there}</td>
        </tr>
      </tbody>
    </table>
  );
}
