"use client";
import { useState } from "react";
import { lengthWithUnit } from "@/core/length/format";
import { type Length } from "@/core/length/length";
import { judgeReading, TOLERANCE } from "@/core/judge/reading";
import { useDesk, useLaid } from "@/ui/job/useDesk";
import { LengthField } from "@/ui/parts/LengthField";
import { Measure } from "@/ui/parts/Measure";
import { Empty } from "./Empty";

interface Subject {
  id: string;
  name: string;
  target: Length;
  tolerance: Length;
  moves: "fence" | "stop" | "cutter";
}

/** First-piece checks: measure, type what the gauge reads, be told to carry on, nudge or stop. */
export function Prove() {
  const { job } = useDesk();
  const { plan, layout } = useLaid();
  if (job.lines.length === 0)
    return <Empty text="There is nothing to measure yet." next="ask" act="Say what to make" />;
  if (!job.start)
    return (
      <Empty text="The job has no start day, so no plan to check against." next="ask" act="Say when work starts" />
    );
  if (!plan)
    return (
      <p className="text-[1.13rem]">
        {layout.state === "working" ? "Waiting for the layout …" : "The checks follow the plan."}
      </p>
    );
  const subjects = plan.operations.flatMap((o) =>
    o.settings.map((s): Subject => {
      const moves = s.label === "fence" ? "fence" : s.label.startsWith("stop") ? "stop" : "cutter";
      return {
        id: `${o.id} ${s.label}`,
        name: `${o.name}, ${o.of.toLowerCase()}: ${s.label}`,
        target: s.value,
        tolerance: moves === "cutter" ? TOLERANCE.joint : TOLERANCE.gap,
        moves,
      };
    }),
  );
  return (
    <div className="max-w-[62rem]">
      <p className="mb-2 text-[1.13rem]">Measure the first piece of each set-up before cutting the rest.</p>
      <table className="cutting-list">
        <thead>
          <tr>
            <th>set-up</th>
            <th className="text-right!">should be</th>
            <th className="text-right!">either way</th>
            <th className="text-right!">the gauge reads</th>
            <th>so</th>
          </tr>
        </thead>
        <tbody>
          {subjects.map((s) => (
            <Check key={s.id} s={s} />
          ))}
        </tbody>
      </table>
      <h2 className="small-head mt-5">At the bench, in this order</h2>
      <ol className="mt-1 list-inside list-decimal">
        {[
          "dry fit before glue",
          `diagonals equal: square within ${lengthWithUnit(TOLERANCE.outside, job.units)} on a body`,
          "no rock on a flat surface",
          "a real frame hangs, slides and drops free at both ends",
          "the neighbour above and below sits flush",
        ].map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ol>
    </div>
  );
}

function Check({ s }: { s: Subject }) {
  const { measurements, measure, job } = useDesk();
  const last = measurements.find((m) => m.subject === s.id && m.target === s.target);
  const [typed, setTyped] = useState<Length | null>(null);
  const judged = last ? judgeReading(s.target, last.value, s.tolerance, job.units, s.moves) : null;
  return (
    <tr>
      <td>{s.name}</td>
      <td className="text-right text-[1.2rem]">
        <Measure value={s.target} units={job.units} />
      </td>
      <td className="text-right text-soft">
        <Measure value={s.tolerance} units={job.units} />
      </td>
      <td className="text-right whitespace-nowrap">
        <LengthField
          key={last?.at}
          value={typed ?? last?.value ?? s.target}
          usual={!last}
          units={job.units}
          label={`Reading of ${s.name}`}
          onType={setTyped}
          onSettle={(value) => {
            setTyped(null);
            void measure({ subject: s.id, target: s.target, value });
          }}
          className="w-24"
        />
      </td>
      <td className="w-72">
        {judged ? (
          <span className={judged.state === "good" ? "font-semibold text-spruce" : "font-semibold text-madder"}>
            {judged.text}
          </span>
        ) : (
          <span className="text-soft">not measured</span>
        )}
      </td>
    </tr>
  );
}
