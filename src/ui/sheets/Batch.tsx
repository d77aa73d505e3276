import { settingWord } from "@/core/feature/machine";
import Link from "next/link";
import QRCode from "qrcode";
import { partLetter } from "@/core/drawing/face";
import type { WorkedJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import type { CutPart } from "@/core/line/cutlist";
import { type Batch as Paper, batchOf, codeOf } from "@/core/papers/batch";
import { checkLength, type Stick, stickPages } from "@/core/drawing/stick";
import { lengthText, lengthWithUnit } from "@/core/length/format";
import { mm, nm, NM_PER_MM } from "@/core/length/length";
import { spread } from "@/core/drawing/spread";
import type { Plan } from "@/core/plan/plan";
import { Measure } from "@/ui/parts/Measure";
import { Cuts, Sizes } from "@/ui/parts/PartCells";
import { PrintButton } from "@/ui/parts/PrintButton";
import { Short } from "@/ui/parts/Short";
import { clockDay, clockTime, count, duration } from "@/ui/parts/words";
import { Assembly } from "./AssemblySheet";
import { Boards } from "./BoardSheets";
import { PrintLabels } from "./PrintLabels";

/** So many labels stand on a sheet of them: three across, eight down. */
const A_SHEET = 24;

/** All papers of a job in the order they are wanted: set-ups, cut list, run sheet, a sheet a pattern, assembly sheets, labels. */
export function Batch({ worked, jobId, result, plan }: { worked: WorkedJob; jobId: number; result: LayoutResult; plan: Plan | null }) {
  const { job } = worked;
  const batch = batchOf(worked, result, plan);
  const { parts } = batch;
  const papers = [
    ...(plan ? ["set-up list", "run sheet"] : []),
    "cut list",
    count(result.groups.flatMap((g) => g.result.layouts).length, "sheet of a pattern", "sheets, one a pattern"),
    count(worked.lines.length, "assembly sheet"),
    count(parts.length, "cut ticket"),
    count(batch.sticks.length, "story stick"),
    count(parts.length, "label"),
  ];
  return (
    <main className="mx-auto max-w-[64rem] px-5 py-4">
      <p className="no-print mb-1 flex flex-wrap items-center gap-x-4">
        <Link prefetch={false} href={`/jobs/${jobId}/run`} className="underline underline-offset-2">
          back to the job
        </Link>
        <PrintButton />
        <a className="quiet inline-flex min-h-[44px] items-center" href={`/api/jobs/${jobId}/batch/batch.pdf`}>
          all as PDF
        </a>
        <PrintLabels jobId={jobId} />
      </p>
      <p className="no-print mb-3 text-soft">{papers.join(" · ")}</p>
      {!plan && <p className="no-print mb-3">The job has no start day: set-up list and run sheet are left out.</p>}
      <Short result={result} />
      {plan && <SetUps batch={batch} worked={worked} />}
      <section className="keep-together mb-10" aria-label="Cut list">
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
      {plan && <RunSheet batch={batch} worked={worked} />}
      <Boards job={job} result={result} />
      {worked.lines.map((l) => (
        <section key={l.at} className="mb-10 break-before-page" aria-label={`Assembly sheet: ${l.shape.title}`}>
          <Assembly worked={worked} at={l.at} />
        </section>
      ))}
      <Tickets batch={batch} job={job} jobId={jobId} />
      {batch.sticks.map((stick, i) => (
        <StickPages key={i} stick={stick} job={job} />
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
function SetUps({ batch, worked }: { batch: Paper; worked: WorkedJob }) {
  const { units, name } = worked.job;
  return (
    <section className="mb-10" aria-label="Set-up list">
      <Head what="Set-up list" of={name} />
      <table className="cutting-list">
        <tbody>
          {batch.setUps.map(({ op: o, pieces }, i) => (
            <tr key={o.whole} className="keep-together">
              <td className="w-8 text-right font-mono">{i + 1}</td>
              <td className="whitespace-nowrap">
                {o.settings.map((s) => (
                  <span key={s.kind} className="mr-4 inline-block">
                    <span className="block text-[.8rem]">{settingWord(s.kind)}</span>
                    {s.kind === "angle" ? `${s.degrees}°` : <Measure value={s.value} units={units} className="text-[1.5rem]" />}
                  </span>
                ))}
              </td>
              <td>
                <b className="font-semibold">{o.name}</b>, <span className="font-mono">{pieces}</span> {o.of}
                {o.how.map((h) => <span key={h} className="block text-[.87rem]">{h}</span>)}
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
function RunSheet({ batch, worked }: { batch: Paper; worked: WorkedJob }) {
  return (
    <section className="mb-10 break-after-page" aria-label="Run sheet">
      <Head what="Run sheet" of={worked.job.name} />
      {batch.days.map(({ at, rows }) => (
        <div key={at} className="mb-3">
          <h2 className="keep-with-next border-b border-ink font-semibold">{clockDay(at)}</h2>
          {rows.map((r) => (
              <p key={`${r.op.id} ${r.startsAt}`} className="keep-together grid grid-cols-[8rem_minmax(0,1fr)_1.5rem] gap-x-3 border-b border-rule py-1">
                <span className="font-mono">
                  {clockTime(r.startsAt)}–{clockTime(r.endsAt)}
                </span>
                <span>
                  {r.op.settings.map((s) => (
                    <span key={s.kind} className="mr-2">
                      {settingWord(s.kind)} {s.kind === "angle" ? `${s.degrees}°` : <Measure value={s.value} units={worked.job.units} className="font-semibold" />}
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

/** A ticket for each stack of parts: it goes with it through the shop, and is ticked at each stop. */
function Tickets({ batch, job, jobId }: { batch: Paper; job: WorkedJob["job"]; jobId: number }) {
  return (
    <section aria-label="Cut tickets" className="mb-10 break-before-page">
      <Head what="Cut tickets" of={job.name} />
      <div className="grid grid-cols-1 gap-4 md:grid-cols-2 print:grid-cols-2">
        {batch.tickets.map(({ part, letter, patterns, passes }) => (
          <div key={part.id} className="keep-together border border-dashed border-ink p-2">
            <div className="flex gap-2">
              <Code text={codeOf(jobId, part)} />
              <span>
                <b className="block text-[1.3rem] leading-tight">
                  {letter} {part.part.name} × {part.quantity}
                </b>
                <span className="block text-[1.13rem]">
                  <Sizes part={part.part} units={job.units} />
                </span>
                <span className="block text-[.87rem]">
                  {part.line.shape.title}
                  {patterns.length > 0 && `, from pattern ${patterns.join(", ")}`}
                </span>
                {part.part.outside && <b className="block text-[.87rem]">{part.part.outside}</b>}
              </span>
            </div>
            <ul className="mt-1">
              {passes.map((o) => (
                <li key={o.id} className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)_1.4rem] items-center gap-x-2 border-t border-rule py-0.5 text-[.87rem]">
                  <span>{o.name}</span>
                  <b className="text-right font-semibold">
                    {o.settings.map((s) => (
                      <span key={s.kind} className="ml-2 whitespace-nowrap">
                        {settingWord(s.kind)} {s.kind === "angle" ? `${s.degrees}°` : <Measure value={s.value} units={job.units} />}
                      </span>
                    ))}
                  </b>
                  <span className="h-4 w-4 border border-ink" />
                </li>
              ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
} // prettier-ignore

/** So much of a printed page is for the stick, on either paper, mm; and so wide it is. */
const [STICK_HIGH, STICK_WIDE] = [215, 18];
/** Labels of marks stand so far from one another, mm. */
const LABEL = 4;

/** A story stick at true size, a page after another, with a bar on each that shows whether the printer scaled. */
function StickPages({ stick, job }: { stick: Stick; job: WorkedJob["job"] }) {
  const pages = stickPages(stick.length, mm(STICK_HIGH));
  const inMm = (n: number) => n / NM_PER_MM;
  const bar = inMm(checkLength(job.units));
  return pages.map(({ from, to }, i) => {
    const marks = stick.marks.filter((m) => m.at >= from && m.at <= to);
    const at = marks.map((m) => 14 + inMm(m.at - from));
    const labels = spread(at, LABEL, 12);
    const high = 14 + inMm(to - from) + 6;
    return (
      <section key={i} aria-label={`Story stick: ${stick.title}, page ${i + 1}`} className="mb-10 break-before-page">
        <h1 className="text-[1.13rem] font-semibold">
          Story stick: {stick.title} <span className="font-normal">· {job.name}, page {i + 1} of {pages.length}</span>
        </h1>
        <svg style={{ width: "180mm", height: `${high}mm` }} viewBox={`0 0 180 ${high}`} role="img" aria-label={`from ${lengthText(nm(from), job.units)} to ${lengthText(nm(to), job.units)}`}>
          <path d={`M0 2v4M0 4h${bar}M${bar} 2v4`} stroke="#000" strokeWidth=".3" />
          <text x={bar + 3} y="5.2" fontSize="3.2">this bar measures {lengthWithUnit(checkLength(job.units), job.units)}; if not, print at 100 %</text>
          <rect x="0" y="14" width={STICK_WIDE} height={inMm(to - from)} fill="none" stroke="#000" strokeWidth=".3" />
          {i > 0 && <text x={STICK_WIDE + 2} y="12" fontSize="3">lay over the page before where this one begins</text>}
          {marks.map((m, k) => (
            <g key={`${m.at} ${k}`}>
              <path d={`M0 ${at[k]}h${STICK_WIDE}l4 ${labels[k]! - at[k]!}h2`} fill="none" stroke="#000" strokeWidth=".25" />
              <text x={STICK_WIDE + 7} y={labels[k]! + 1.1} fontSize="3.2">
                <tspan fontWeight="700">{lengthText(m.at, job.units)}</tspan> {m.label}
              </text>
            </g>
          ))}
        </svg>
      </section>
    );
  });
} // prettier-ignore

/** A label for each stack of parts: what it is, how many, for what, which side is out, and a code to scan. */
function Labels({ parts, job, jobId }: { parts: CutPart[]; job: WorkedJob["job"]; jobId: number }) {
  const sheets = Array.from({ length: Math.ceil(parts.length / A_SHEET) }, (_, i) => parts.slice(i * A_SHEET, (i + 1) * A_SHEET)); // prettier-ignore
  return sheets.map((sheet, i) => (
    <section key={i} aria-label="Labels" className="mb-10 grid break-before-page break-inside-avoid grid-cols-3 gap-2">
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
