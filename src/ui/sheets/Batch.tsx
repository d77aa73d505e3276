import Link from "next/link";
import QRCode from "qrcode";
import { partLetter } from "@/core/drawing/face";
import type { WorkedJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import { type CutPart, cutList } from "@/core/line/cutlist";
import { rowsOf } from "@/core/plan/fold";
import type { Plan } from "@/core/plan/plan";
import { Measure } from "@/ui/parts/Measure";
import { Cuts, Sizes } from "@/ui/parts/PartCells";
import { PrintButton } from "@/ui/parts/PrintButton";
import { clockDay, clockTime, count, duration } from "@/ui/parts/words";
import { Assembly } from "./AssemblySheet";
import { Boards } from "./BoardSheets";

/** So many labels stand on a sheet of them: three across, eight down. */
const A_SHEET = 24;

/** What the label of a stack of parts says to a scanner: the job, the line and the part; in capitals, which make the smallest code. */
export const codeOf = (jobId: number, { part, line }: CutPart): string =>
  `rundik ${jobId}/${line.at}/${part.id}`.toUpperCase();

/** All papers of a job in the order they are wanted: set-ups, cut list, run sheet, a sheet a pattern, assembly sheets, labels. */
export function Batch({ worked, jobId, result, plan }: { worked: WorkedJob; jobId: number; result: LayoutResult; plan: Plan | null }) {
  const { job } = worked;
  const parts = cutList(worked.lines);
  const papers = [
    ...(plan ? ["set-up list", "run sheet"] : []),
    "cut list",
    count(result.groups.flatMap((g) => g.result.layouts).length, "sheet of a pattern", "sheets, one a pattern"),
    count(worked.lines.length, "assembly sheet"),
    count(parts.length, "label"),
  ];
  return (
    <main className="mx-auto max-w-[64rem] px-5 py-4">
      <p className="no-print mb-2 flex items-center gap-4">
        <Link prefetch={false} href={`/jobs/${jobId}/run`} className="underline underline-offset-2">
          back to the job
        </Link>
        <PrintButton />
        <span className="text-soft">
          {papers.join(" · ")} · <a href={`/api/jobs/${jobId}/lines/0/stick.pdf?paper=${job.workshop.paper}`}>the story stick at true size</a>
        </span>
      </p>
      {!plan && <p className="no-print mb-3">The job has no start day: set-up list and run sheet are left out.</p>}
      {plan && <SetUps plan={plan} worked={worked} />}
      <section className="mb-10 break-after-page" aria-label="Cut list">
        <Head what="Cut list" of={job.name} />
        <table className="cutting-list">
          <tbody>
            {parts.map(({ id, part, quantity, line }) => (
              <tr key={id}>
                <td className="w-14 text-right font-mono text-[1.2rem] font-semibold">{quantity}</td>
                <td>
                  <b className="font-semibold">{part.name}</b>
                  <span className="block text-[.87rem]">{line.shape.title}</span>
                </td>
                <td className="whitespace-nowrap">
                  <Sizes part={part} units={job.units} />
                </td>
                <td className="text-[.87rem]">
                  <Cuts part={part} units={job.units} />
                  {part.outside && <b className="block">{part.outside}</b>}
                </td>
                <td className="w-8">
                  <span aria-hidden="true" className="inline-block h-5 w-5 border border-ink" />
                  <span className="sr-only">to tick</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {plan && <RunSheet plan={plan} worked={worked} />}
      <Boards job={job} result={result} />
      {worked.lines.map((l) => (
        <section key={l.at} className="mb-10 break-after-page" aria-label={`Assembly sheet: ${l.shape.title}`}>
          <Assembly worked={worked} at={l.at} />
        </section>
      ))}
      <Labels parts={parts} job={job} jobId={jobId} />
    </main>
  );
} // prettier-ignore

const Head = ({ what, of }: { what: string; of: string }) => (
  <h1 className="mb-2 border-b-2 border-ink text-[1.5rem] font-bold">
    {what} <span className="font-normal">· {of}</span>
  </h1>
);

/** Every setting of the job once, in the order it is set: what to read across the shop. */
function SetUps({ plan, worked }: { plan: Plan; worked: WorkedJob }) {
  const { units, name } = worked.job;
  const set = [...new Map(plan.operations.filter((o) => o.settings.length > 0).map((o) => [o.whole, o])).values()];
  const all = (whole: string) => plan.operations.filter((o) => o.whole === whole).reduce((n, o) => n + o.pieces, 0);
  return (
    <section className="mb-10 break-after-page" aria-label="Set-up list">
      <Head what="Set-up list" of={name} />
      <table className="cutting-list">
        <tbody>
          {set.map((o, i) => (
            <tr key={o.whole} className="keep-together">
              <td className="w-8 text-right font-mono">{i + 1}</td>
              <td className="whitespace-nowrap">
                {o.settings.map((s) => (
                  <span key={s.kind} className="mr-4 inline-block">
                    <span className="block text-[.8rem]">{s.kind}</span>
                    {s.kind === "angle" ? `${s.degrees}°` : <Measure value={s.value} units={units} className="text-[1.5rem]" />}
                  </span>
                ))}
              </td>
              <td>
                <b className="font-semibold">{o.name}</b>, <span className="font-mono">{all(o.whole)}</span> {o.of}
                {o.check && <span className="block text-[.87rem]">First piece: {o.check}.</span>}
                {o.caution && <span className="block border-l-4 border-madder pl-2 text-[.8rem]">{o.caution}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
} // prettier-ignore

/** Day by day what is done, with boxes to tick. */
function RunSheet({ plan, worked }: { plan: Plan; worked: WorkedJob }) {
  const rows = rowsOf(plan.operations);
  const days = [...new Set(rows.map((r) => clockDay(r.startsAt)))];
  return (
    <section className="mb-10 break-after-page" aria-label="Run sheet">
      <Head what="Run sheet" of={worked.job.name} />
      {days.map((day) => (
        <div key={day} className="mb-3">
          <h2 className="border-b border-ink font-semibold">{day}</h2>
          {rows
            .filter((r) => clockDay(r.startsAt) === day)
            .map((r) => (
              <p key={`${r.op.id} ${r.startsAt}`} className="keep-together grid grid-cols-[6rem_minmax(0,1fr)_1.5rem] gap-x-3 border-b border-rule py-1">
                <span className="font-mono">
                  {clockTime(r.startsAt)}–{clockTime(r.endsAt)}
                </span>
                <span>
                  {r.op.settings.map((s) => (
                    <span key={s.kind} className="mr-2">
                      {s.kind} {s.kind === "angle" ? `${s.degrees}°` : <Measure value={s.value} units={worked.job.units} className="font-semibold" />}
                    </span>
                  ))}
                  <b className="font-semibold">{r.op.name}</b>, <span className="font-mono">{r.pieces}</span> {r.op.of} · {duration(r.minutes)}
                  {r.op.wait > 0 && ` · then leave it ${duration(r.op.wait)}`}
                  {r.op.caution && <span className="block border-l-4 border-madder pl-2 text-[.8rem]">{r.op.caution}</span>}
                </span>
                <span className="h-5 w-5 border border-ink" />
              </p>
            ))}
        </div>
      ))}
    </section>
  );
} // prettier-ignore

/** A label for each stack of parts: what it is, how many, for what, which side is out, and a code to scan. */
function Labels({ parts, job, jobId }: { parts: CutPart[]; job: WorkedJob["job"]; jobId: number }) {
  const sheets = Array.from({ length: Math.ceil(parts.length / A_SHEET) }, (_, i) => parts.slice(i * A_SHEET, (i + 1) * A_SHEET)); // prettier-ignore
  return sheets.map((sheet, i) => (
    <section key={i} aria-label="Labels" className="mb-10 grid break-inside-avoid grid-cols-3 gap-2">
      {sheet.map((p, k) => (
        <div
          key={p.id}
          className="flex h-[33mm] gap-2 overflow-hidden border border-dashed border-rule p-1.5 text-[.8rem] leading-tight"
        >
          <Code text={codeOf(jobId, p)} />
          <span className="min-w-0">
            <b className="block text-[1rem]">
              {partLetter(i * A_SHEET + k)} {p.part.name} × {p.quantity}
            </b>
            <span className="block">{p.line.shape.title}</span>
            <Sizes part={p.part} units={job.units} />
            {p.part.outside && <b className="block">{p.part.outside}</b>}
            <span className="block">{job.name}</span>
          </span>
        </div>
      ))}
    </section>
  ));
}

/** A QR code (ISO/IEC 18004) as black squares. */
export function Code({ text }: { text: string }) {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
  const { size } = modules;
  const dark = Array.from({ length: size * size }, (_, i) => i).filter((i) => modules.get(Math.floor(i / size), i % size));
  return (
    <svg viewBox={`-2 -2 ${size + 4} ${size + 4}`} className="h-[26mm] w-[26mm] flex-none" role="img" aria-label={text} shapeRendering="crispEdges">
      <path d={dark.map((i) => `M${i % size} ${Math.floor(i / size)}h1v1h-1z`).join("")} />
    </svg>
  );
} // prettier-ignore
