import Link from "next/link";
import { partLetter } from "@/core/drawing/face";
import { cutList } from "@/core/line/cutlist";
import type { WorkedJob } from "@/core/job/worked";
import { caution } from "@/core/work/cautions";
import { featureCuts, noNailZones } from "@/core/feature/features";
import { toNumber } from "@/core/formula/formula";
import { holds, type Shape } from "@/core/shape/shape";
import { Flat, foldedParts } from "@/ui/drawing/Flat";
import { Exploded } from "@/ui/drawing/Exploded";
import { Measure } from "@/ui/parts/Measure";
import { PrintButton } from "@/ui/parts/PrintButton";

/** What a person needs to put an item together: the parts by letter, what holds them, the steps, and what goes wrong. */
export function AssemblySheet({ worked, at, jobId }: { worked: WorkedJob; at: number; jobId: number }) {
  const { shape, line } = worked.lines[at]!;
  const { units, name } = worked.job;
  const parts = cutList(worked.lines).filter((c) => c.line.at === at);
  const checks = shape.recipe.operations.filter((o) => o.check && holds(o.when, shape.scope));
  const hazards = [
    ...new Set(shape.recipe.operations.filter((o) => holds(o.when, shape.scope)).flatMap((o) => o.hazard ?? [])),
  ];
  return (
    <main className="mx-auto max-w-[60rem] px-5 py-4">
      <p className="no-print mb-2 flex gap-4">
        <Link prefetch={false} href={`/jobs/${jobId}/shape`} className="underline underline-offset-2">
          back to the job
        </Link>
        <PrintButton />
      </p>
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
                    <Measure value={part.cut.l} units={units} /> × <Measure value={part.cut.w} units={units} /> ×{" "}
                    <Measure value={part.cut.t} units={units} />
                  </td>
                  <td className="text-[.87rem]">
                    {featureCuts(part.features, units).map(({ what, how }) => (
                      <span key={what} className="block">
                        {what} <span className="text-soft">{how}</span>
                      </span>
                    ))}
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
        <section className="keep-together">
          <h2 className="small-head">Steps</h2>
          <ol className="list-inside list-decimal space-y-1">
            {shape.recipe.steps
              .filter((s) => holds(s.when, shape.scope))
              .map((s) => (
                <li key={s.text}>{s.text}</li>
              ))}
          </ol>
        </section>
        <div className="space-y-4">
          <section className="keep-together">
            <h2 className="small-head">What holds it, one · all</h2>
            <ul>
              {hardwareOf(shape).map((h) => (
                <li key={h.name} className="flex justify-between border-b border-rule py-0.5">
                  <span>{h.name}</span>
                  <span className="font-mono">
                    {h.say(1)} · {h.say(line.quantity)}
                  </span>
                </li>
              ))}
            </ul>
          </section>
          <section className="keep-together">
            <h2 className="small-head">Check</h2>
            <ul className="list-inside list-disc">
              {checks.map((o) => (
                <li key={o.id}>{o.check}</li>
              ))}
            </ul>
          </section>
          <section className="keep-together">
            <h2 className="small-head">What goes wrong</h2>
            <ul className="list-inside list-disc">
              {shape.recipe.mistakes.map((m) => (
                <li key={m}>{m}</li>
              ))}
            </ul>
          </section>
        </div>
        <section className="keep-together md:col-span-2 print:col-span-2">
          {hazards.map((h) => (
            <p key={h} className="mb-1 border-l-4 border-madder pl-2 text-[.87rem]">
              {caution(h)}
            </p>
          ))}
        </section>
      </div>
    </main>
  );
}

/** Fasteners and glue of one item, those of one name together. */
function hardwareOf(shape: Shape): { name: string; say(n: number): string }[] {
  const found = new Map<string, { one: number; area: boolean }>();
  for (const h of shape.recipe.hardware.filter((x) => holds(x.when, shape.scope))) {
    const v = shape.scope.evaluate(h.count).value;
    const one = h.unit === "m2" ? (v.kind === "amount" ? v.of.valueOf() / 1e14 : 0) : toNumber(v, h.name);
    found.set(h.name, { one: (found.get(h.name)?.one ?? 0) + one, area: h.unit === "m2" });
  }
  return [...found].map(([name, { one, area }]) => ({
    name,
    say: (n) => (area ? `${Math.round(one * n)} cm²` : String(Math.ceil(one * n - 1e-9))),
  }));
}
