"use client";
import { settingWord } from "@/core/feature/machine";
import { judgingOf } from "@/core/job/worked";
import { useState } from "react";
import { lengthWithUnit } from "@/core/length/format";
import { type Length } from "@/core/length/length";
import { fitMade, type Made, MADE_BODY, MADE_FRAME, MADE_LABELS, type MadeName } from "@/core/fit/made";
import type { WorkedLine } from "@/core/line/shapes";
import type { Plan } from "@/core/plan/plan";
import { judgeReading, madeSubject, TOLERANCE } from "@/core/judge/reading";
import { useDesk, useLaid } from "@/ui/desk/useDesk";
import { LengthField } from "@/ui/parts/LengthField";
import { Dries } from "@/ui/parts/Dries";
import { Measure } from "@/ui/parts/Measure";
import { AfterLayout } from "../AfterLayout";
import { Empty } from "../Empty";

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
  if (job.lines.length === 0)
    return <Empty text="There is nothing to measure yet." next="ask" act="Say what to make" />;
  return (
    <div className="max-w-[62rem]">
      <FirstPieces />
      <MadePieces />
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

/** What the saw is set to, checked on the first piece; as soon as there is a plan that says it. */
function FirstPieces() {
  const { job } = useDesk();
  const { plan } = useLaid();
  if (!job.start)
    return (
      <Empty
        text="The job has no start day, so no plan whose set-ups could be checked."
        next="ask"
        act="Say when work starts"
      />
    );
  if (!plan) return <AfterLayout what="What to set and check stands" />;
  return (
    <>
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
          {subjectsOf(plan).map((s) => (
            <Check key={s.id} s={s} />
          ))}
        </tbody>
      </table>
    </>
  );
}

/** What a gauge is held to, set-up by set-up. */
const subjectsOf = (plan: Plan): Subject[] =>
  plan.operations.flatMap((o) =>
    o.settings.flatMap((s): Subject[] => {
      if (s.kind === "angle" || s.kind === "take off") return [];
      const moves = s.kind === "fence" ? "fence" : s.kind === "stop" ? "stop" : "cutter";
      return [
        {
          id: `${o.id} ${s.kind}`,
          name: `${o.name}, ${o.of.toLowerCase()}: ${settingWord(s.kind)}`,
          target: s.value,
          tolerance: moves === "cutter" ? TOLERANCE.joint : TOLERANCE.gap,
          moves,
        },
      ];
    }),
  );

/** Made boxes, measured in: every fit worked out again with what the tape says. */
function MadePieces() {
  const { worked } = useDesk();
  const bodies = worked.lines.filter((l) => l.shape.recipe.kind === "body");
  if (bodies.length === 0) return null;
  return (
    <section aria-label="Made boxes" className="mt-6">
      <h2 className="text-[1.13rem]">
        A made box is what the tape says. Measure one, and everything that hangs on it is worked out again.
      </h2>
      {bodies.map((l) => (
        <MadeBox key={l.at} line={l} />
      ))}
    </section>
  );
}

function MadeBox({ line }: { line: WorkedLine }) {
  const { worked, job, measure } = useDesk();
  const subject = (name: MadeName) => madeSubject(line.at, name);
  const reading = (name: MadeName) => job.readings.find((m) => m.subject === subject(name))?.value;
  const made = Object.fromEntries(
    [...MADE_BODY, ...MADE_FRAME].flatMap((n) => (reading(n) === undefined ? [] : [[n, reading(n)]])),
  ) as Made;
  const { designed, now, changed } = fitMade(worked.lines, line, made, judgingOf(worked.job));
  return (
    <div className="keep-together mt-2 grid grid-cols-1 gap-x-8 border-t border-rule py-2 md:grid-cols-2">
      <table className="cutting-list">
        <caption className="text-left font-semibold">
          {line.shape.title}, {line.shape.standard.short}
        </caption>
        <tbody>
          {[...MADE_BODY, ...MADE_FRAME].flatMap((name) => {
            const target = now[name];
            if (target === undefined) return [];
            return (
              <tr key={name}>
                <td>{MADE_LABELS[name]}</td>
                <td className="text-right">
                  <Measure value={target} units={job.units} />
                  <Dries cut={{ w: target }} size={{ w: designed[name]! }} units={job.units} across="" />
                </td>
                <td className="text-right">
                  <LengthField
                    value={reading(name) ?? target}
                    usual={reading(name) === undefined}
                    units={job.units}
                    label={`Measured ${MADE_LABELS[name]} of ${line.shape.title}`}
                    onSettle={(value) => measure({ subject: subject(name), target, value })}
                    className="w-24"
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div>
        {changed.length === 0 ? (
          <p className="text-soft">Every gap is as designed.</p>
        ) : (
          <ul>
            {changed.map(({ rule, label, was, is }) => (
              <li key={rule} className="border-b border-rule py-1">
                <strong className="font-semibold">{label}</strong>: <Measure value={was.value} units={job.units} /> by
                design, <Measure value={is.value} units={job.units} className="font-semibold" /> as made
                <span
                  className={`block text-[.87rem] ${is.state === "ok" ? "text-soft" : "font-semibold text-madder"}`}
                >
                  {is.text}
                  {is.advice && `; ${is.advice}`}
                </span>
              </li>
            ))}
          </ul>
        )}
      </div>
    </div>
  );
}

function Check({ s }: { s: Subject }) {
  const { measure, job } = useDesk();
  const last = job.readings.find((m) => m.subject === s.id && m.target === s.target);
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
          value={typed ?? last?.value ?? null}
          empty="reading"
          units={job.units}
          label={`Reading of ${s.name}`}
          onType={setTyped}
          onGiveUp={() => setTyped(null)}
          onSettle={(value) => {
            setTyped(null);
            measure({ subject: s.id, target: s.target, value });
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
