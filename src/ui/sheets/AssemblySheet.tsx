import { caution } from "@/core/feature/hazard";
import { noNailZones } from "@/core/feature/say";
import Link from "next/link";
import { partLetter } from "@/core/drawing/face";
import { cutList } from "@/core/line/cutlist";
import { lineAt } from "@/core/line/shapes";
import type { WorkedJob } from "@/core/job/worked";
import type { Part } from "@/core/shape/part";
import { type Step, stepsOf } from "@/core/shape/steps";
import { taken } from "@/core/work/assembling";
import type { Taken } from "@/core/work/operation";
import { foldedParts } from "@/core/shape/part";
import { Flat } from "@/ui/drawing/Flat";
import { Exploded } from "@/ui/drawing/Exploded";
import { PartFace } from "@/ui/drawing/PartFace";
import { Measure } from "@/ui/parts/Measure";
import { Cuts, Sizes } from "@/ui/parts/PartCells";
import { PrintButton } from "@/ui/parts/PrintButton";

/** The assembly sheet of one line on its own page. */
export const AssemblySheet = ({ worked, at, jobId }: { worked: WorkedJob; at: number; jobId: number }) => (
  <main className="mx-auto max-w-[60rem] px-5 py-4">
    <p className="no-print mb-2 flex gap-4">
      <Link prefetch={false} href={`/jobs/${jobId}/shape`} className="underline underline-offset-2">
        back to the job
      </Link>
      <PrintButton />
    </p>
    <Assembly worked={worked} at={at} />
  </main>
);

/** What a person needs to put an item together: the parts by letter, what holds them, the steps, and what goes wrong. */
export function Assembly({ worked, at }: { worked: WorkedJob; at: number }) {
  const { shape, line } = lineAt(worked.lines, at)!;
  const { units, name } = worked.job;
  const parts = cutList(worked.lines).filter((c) => c.line.at === at);
  const letters = new Map(parts.map(({ part }, i) => [part.id, partLetter(i)]));
  const steps = stepsOf(shape, units);
  const hazards = [
    ...new Set([
      ...shape.parts.flatMap((p) => p.features.flatMap((f) => f.hazard ?? [])),
      ...steps.flatMap((s) => s.hazard ?? []),
    ]),
  ];
  return (
    <>
      <h1 className="text-[1.7rem] font-bold">
        {shape.title} <span className="font-normal">· {shape.standard.short}</span>
      </h1>
      <p className="text-soft">
        {name} · {line.quantity} to make
      </p>
      <Exploded shape={shape} />
      {foldedParts(shape.parts).map((p) => (
        <div key={p.id} className="keep-together">
          <Flat part={p} units={units} />
        </div>
      ))}
      <div className="grid grid-cols-1 gap-x-8 gap-y-4 md:grid-cols-2 print:grid-cols-2">
        <section className="keep-together md:col-span-2 print:col-span-2">
          <h2 className="small-head">Parts of one, and of all {line.quantity}</h2>
          <table className="cutting-list">
            <tbody>
              {parts.map(({ part, quantity }, i) => (
                <tr key={part.id}>
                  <td className="w-10 text-[1.2rem] font-bold">{partLetter(i)}</td>
                  <td className="w-10 text-right font-mono font-semibold">{part.places.length}</td>
                  <td className="w-14 text-right font-mono text-soft">{quantity}</td>
                  <td className="font-semibold">{part.name}</td>
                  <td className="whitespace-nowrap">
                    <Sizes part={part} units={units} />
                  </td>
                  <td className="text-[.87rem]">
                    <Cuts part={part} units={units} />
                    {part.outside && <b className="block">{part.outside}</b>}
                    {noNailZones(part.features).map(([from, to]) => (
                      <b key={from} className="block text-madder">
                        no nail from <Measure value={from} units={units} /> to <Measure value={to} units={units} />
                      </b>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        {parts.some(({ part }) => isSetOut(part)) && (
          <section className="md:col-span-2 print:col-span-2">
            <h2 className="small-head">Where the cuts lie</h2>
            <div className="grid grid-cols-1 gap-x-6 gap-y-4 md:grid-cols-2 print:grid-cols-2">
              {parts
                .filter(({ part }) => isSetOut(part))
                .map(({ part }) => (
                  <PartFace key={part.id} part={part} letter={letters.get(part.id)!} units={units} />
                ))}
            </div>
          </section>
        )}
        <section className="md:col-span-2 print:col-span-2">
          <h2 className="small-head">Steps</h2>
          <ol>
            {steps.map((step, i) => (
              <StepRow key={step.id} n={i + 1} step={step} letters={letters} glue={worked.job.workshop.glue} />
            ))}
          </ol>
        </section>
        <section className="keep-together md:col-span-2 print:col-span-2">
          <h2 className="small-head">What holds it, one · all {line.quantity}</h2>
          <ul className="gap-x-8 md:columns-2 print:columns-2">
            {takenFor(steps, worked.job.workshop.glue).map((t) => (
              <li key={t.what} className="flex justify-between border-b border-rule py-0.5">
                <span>{t.what}</span>
                <span className="font-mono">
                  {amount(t, 1)} · {amount(t, line.quantity)}
                </span>
              </li>
            ))}
          </ul>
        </section>
        <section className="keep-together md:col-span-2 print:col-span-2">
          {hazards.map((h) => (
            <p key={h} className="mb-1 border-l-4 border-madder pl-2 text-[.87rem]">
              {caution(h)}
            </p>
          ))}
        </section>
      </div>
    </>
  );
}

/** It has cuts to be set out, and is no sheet that is folded, which is drawn flat. */
const isSetOut = (part: Part): boolean => part.features.length > 0 && !part.features.some((f) => f.fold);

/** One step: what is joined by its letters, what it takes, what is tried, what goes wrong. */
function StepRow({ n, step, letters, glue }: { n: number; step: Step; letters: Map<string, string>; glue: number }) {
  const named = (parts: Step["joins"]) => parts.map((p) => letters.get(p.id)!).join(" + ");
  return (
    <li className="keep-together grid grid-cols-[2rem_4.5rem_minmax(0,1fr)] gap-x-3 border-t border-rule py-1.5">
      <span className="text-right font-mono text-[1.2rem] font-semibold">{n}</span>
      <span className="text-[1.2rem] font-bold">{named(step.joins.length > 0 ? step.joins : step.on)}</span>
      <div>
        <p>
          <b>{step.name}.</b> {step.text}
        </p>
        {step.uses.some((u) => u.quantity > 0) && (
          <p className="text-[.87rem] text-soft">
            {step.uses
              .filter((u) => u.quantity > 0)
              .map((u) => `${amount(taken(u, 1, glue), 1)} ${u.what}${u.where ? `, ${u.where}` : ""}`)
              .join("; ")}
            {step.wait > 0 && `; then leave it ${step.wait} min`}
          </p>
        )}
        {step.people > 1 && <p className="text-[.87rem] font-semibold">Wants {step.people} people.</p>}
        {step.check && <p className="text-[.87rem]">Check: {step.check}.</p>}
        {step.mistakes.map((m) => (
          <p key={m} className="text-[.87rem] text-madder">
            Goes wrong: {m}.
          </p>
        ))}
      </div>
    </li>
  );
}

/** What one item takes, of one name together. */
function takenFor(steps: Step[], glue: number): Taken[] {
  const found = new Map<string, Taken>();
  for (const u of steps.flatMap((s) => s.uses)) {
    const one = taken(u, 1, glue);
    if (one.quantity > 0)
      found.set(one.what, { ...one, quantity: one.quantity + (found.get(one.what)?.quantity ?? 0) });
  }
  return [...found.values()];
}

const amount = ({ quantity, unit }: Taken, n: number): string =>
  unit === "each"
    ? String(n === 1 ? Math.round(quantity * 100) / 100 : Math.ceil(quantity * n - 1e-9))
    : unit === "g"
      ? `${n === 1 ? (Math.round(quantity * 10) / 10).toString() : Math.ceil(quantity * n - 1e-9)} g`
      : `${(quantity * n).toFixed(2)} m²`;
