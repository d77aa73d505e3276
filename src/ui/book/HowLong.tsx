"use client";
import dynamic from "next/dynamic";
import { useEffect, useState } from "react";
import { type Group, LASTING_BY, type LastingBy } from "@/core/book/lasting";
import { askServer } from "@/ui/parts/askServer";
import { LastingTable } from "./LastingTable";

const LastingCurve = dynamic(() => import("./LastingCurve"), { ssr: false });
const SAID: Record<LastingBy, string> = { title: "what it is", wood: "wood", joint: "corner", finish: "finish", design: "mark of the design" }; // prettier-ignore

/** How long what was made lasts, and what it fails of, by what it has in common. */
export function HowLong({ pieces }: { pieces: number }) {
  const [by, setBy] = useState<LastingBy>("wood");
  const [groups, setGroups] = useState<Group[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let wanted = pieces > 0;
    if (wanted)
      askServer<{ groups: Group[] }>(`/api/book/lasting?by=${by}`)
        .then((r) => wanted && (setGroups(r.groups), setProblem(null)))
        .catch((e: Error) => wanted && setProblem(e.message));
    return () => void (wanted = false);
  }, [by, pieces]);
  if (pieces === 0) return null;
  return (
    <section aria-label="How long things last" className="mt-8">
      <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">How long things last</h2>
      <p className="mt-1 flex flex-wrap gap-x-4">
        {LASTING_BY.map((b) => (
          <button key={b} aria-pressed={b === by} onClick={() => setBy(b)} className={`min-h-[44px] border-0 border-b-2 bg-transparent px-0 ${b === by ? "border-spruce font-semibold" : "border-transparent"}`}>
            by {SAID[b]}
          </button>
        ))}
      </p>
      {problem && <p role="alert" className="border-l-4 border-madder pl-2 font-semibold">{problem}</p>}
      {groups.some((g) => g.steps.length > 0) && <LastingCurve groups={groups} />}
      <LastingTable groups={groups} />
      <p className="text-[.87rem] text-soft">The part still in use at each age, those not yet failed counted for as long as they are known (Kaplan and Meier); what was lost or burned is no failing.</p>
    </section>
  );
} // prettier-ignore
