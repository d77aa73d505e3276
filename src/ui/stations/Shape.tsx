"use client";
import { featureCuts } from "@/core/feature/say";
import { useState } from "react";
import type { Finding } from "@/core/fit/finding";
import { cutList } from "@/core/line/cutlist";
import { heightMarks } from "@/core/drawing/stick";
import { frameFor, type WorkedLine } from "@/core/line/shapes";
import { lengthWithUnit } from "@/core/length/format";
import type { Length, Units } from "@/core/length/length";
import { markName } from "@/core/designs/design";
import { BodySection } from "@/ui/drawing/BodySection";
import { CornerDetail } from "@/ui/drawing/CornerDetail";
import { Exploded } from "@/ui/drawing/Exploded";
import { Flat, foldedParts } from "@/ui/drawing/Flat";
import { ThreeViews } from "@/ui/drawing/ThreeViews";
import { FrameView } from "@/ui/drawing/FrameView";
import { type Desk, useDesk } from "@/ui/job/useDesk";
import { moveText } from "@/ui/job/moves";
import { GapGauge } from "@/ui/parts/GapGauge";
import { Dries } from "@/ui/parts/Dries";
import { Measure } from "@/ui/parts/Measure";
import { OptionList } from "@/ui/parts/OptionList";
import { CompareJoints } from "./CompareJoints";
import { Empty } from "./Empty";

/** Dimensions, joints and fit of one line: options left, drawing and cut list in the middle, what fits right. */
export function Shape() {
  const desk = useDesk();
  const { worked, line, job } = desk;
  const at = worked.lines[line];
  if (!at) return <Empty text="There is nothing to shape yet." next="ask" act="Say what to make" />;
  const findings = worked.findings.filter((f) => f.line === line);
  const isBody = at.shape.recipe.kind === "body";
  const part = (id: string) => {
    const p = at.shape.parts.find((x) => x.id === id);
    if (p) desk.light({ key: `part ${id}`, working: p.working.length });
  };
  const mark = (key: string) => {
    const [kind, name] = [key.slice(0, key.indexOf(" ")), key.slice(key.indexOf(" ") + 1)];
    const found =
      kind === "finding"
        ? findings.find((f) => f.rule === name)?.working
        : at.shape.scope.has(name)
          ? at.shape.scope.working(name)
          : frameName(at, worked.lines, name);
    if (found) desk.light({ key, working: found });
  };
  return (
    <div className="grid grid-cols-1 gap-x-[18px] print:block gap-y-5 md:grid-cols-[218px_minmax(0,1fr)] xl:grid-cols-[218px_minmax(0,1fr)_272px]">
      <section aria-label="Lines and options" className="no-print">
        <LineList desk={desk} />
        <LineOptions desk={desk} />
      </section>
      <section aria-label="Drawing and cut list" className="min-w-0">
        <h2 className="only-print text-[1.3rem] font-semibold">
          {job.name}: {at.shape.title}, {at.line.quantity} wanted
        </h2>
        <Drawing at={at} desk={desk} onPart={part} onMark={mark} />
        <CutTable desk={desk} onPart={part} />
        {isBody && at.shape.scope.has("joint") && (
          <div className="keep-together mt-2 w-[264px] border-t border-rule pt-1">
            <h2 className="small-head">Corner, from above</h2>
            <CornerDetail body={at.shape} units={job.units} litKey={desk.lit?.key} onPart={part} />
          </div>
        )}
      </section>
      <section aria-label="Will it fit" className="md:col-start-2 xl:col-start-3">
        <h2 className="small-head">Will it fit</h2>
        <FindingList findings={findings} desk={desk} />
      </section>
    </div>
  );
}

const VIEWS = { cut: "cut through", three: "three views", apart: "pulled apart", flat: "laid flat" };

/** The line drawn: cut through with its stick where that says most, from three sides, or pulled apart. */
function Drawing({
  at,
  desk,
  onPart,
  onMark,
}: {
  at: WorkedLine;
  desk: Desk;
  onPart(id: string): void;
  onMark(key: string): void;
}) {
  const { worked, job, lit } = desk;
  const [asked, setChosen] = useState<keyof typeof VIEWS | null>(null);
  const marks = heightMarks(at, worked.lines);
  const body = at.shape.recipe.kind === "body";
  const canCut = marks.length > 0;
  const folded = foldedParts(at.shape.parts);
  const usual = canCut ? "cut" : "three";
  const shown = asked === "flat" && folded.length === 0 ? usual : (asked ?? usual);
  const props = { units: job.units, litKey: lit?.key, onPart };
  return (
    <>
      <div className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h2 className="small-head">
          {shown === "cut" && canCut
            ? body
              ? "Story stick, and a cut through the length with one frame hanging"
              : "Story stick, a cut beside the middle, and the end bar"
            : VIEWS[shown]}
        </h2>
        <span className="no-print ml-auto flex gap-2 text-[.84rem]">
          {(Object.keys(VIEWS) as (keyof typeof VIEWS)[])
            .filter((v) => v !== "flat" || folded.length > 0)
            .map((v) => (
              <button
                key={v}
                className={`quiet ${v === shown ? "font-semibold no-underline" : ""}`}
                aria-pressed={v === shown}
                onClick={() => setChosen(v)}
              >
                {VIEWS[v]}
              </button>
            ))}
        </span>
      </div>
      {shown === "apart" && <Exploded shape={at.shape} litKey={lit?.key} />}
      {shown === "flat" && folded.map((p) => <Flat key={p.id} part={p} units={job.units} />)}
      {shown === "three" && <ThreeViews shape={at.shape} {...props} />}
      {shown === "cut" && !canCut && <ThreeViews shape={at.shape} cut {...props} />}
      {shown === "cut" && canCut && body && (
        <BodySection body={at.shape} frame={frameFor(at, worked.lines)} marks={marks} onMark={onMark} {...props} />
      )}
      {shown === "cut" && canCut && !body && <FrameView frame={at.shape} marks={marks} onMark={onMark} {...props} />}
      <p className="no-print flex flex-wrap gap-x-4 text-[.84rem]">
        <a className="quiet" href={`/jobs/${desk.id}/sheet/${at.at}`}>
          assembly sheet
        </a>
        <a
          className="quiet"
          href={`/api/jobs/${desk.id}/lines/${at.at}/stick.pdf?paper=${job.units === "in" ? "Letter" : "A4"}`}
        >
          story stick, true size
        </a>
        <a className="quiet" href={`/api/jobs/${desk.id}/lines/${at.at}/item.svg`}>
          parts as SVG
        </a>
        <a className="quiet" href={`/api/jobs/${desk.id}/lines/${at.at}/item.dxf`}>
          parts as DXF
        </a>
      </p>
    </>
  );
}

/** A value that belongs to the frame that hangs in the body. */
function frameName(at: Desk["worked"]["lines"][number], lines: Desk["worked"]["lines"], name: string) {
  if (at.shape.recipe.kind !== "body") return undefined;
  const frame = frameFor(at, lines);
  return frame.scope.has(name) ? frame.scope.working(name) : undefined;
}

function LineList({ desk }: { desk: Desk }) {
  const { worked, line } = desk;
  return (
    <>
      <h2 className="small-head mb-1.5">Lines</h2>
      <ul>
        {worked.lines.map(({ line: l, shape, at }) => {
          const stop = worked.findings.some((f) => f.line === at && f.state === "stop");
          const care = worked.findings.some((f) => f.line === at && f.state === "care" && !f.ofStandard);
          return (
            <li key={at}>
              <button
                onClick={() => desk.setLine(at)}
                aria-current={at === line}
                className={`grid w-full grid-cols-[44px_1fr_auto] items-baseline gap-2 border-0 border-b border-rule py-2 pr-2 text-left ${at === line ? "bg-white shadow-[inset_4px_0_var(--color-spruce)]" : "bg-transparent"}`}
              >
                <b className="text-right font-mono text-[1.07rem] font-medium">{l.quantity}</b>
                <span>
                  <strong className="block font-semibold">{shape.title}</strong>
                  <em className="text-[.84rem] text-soft not-italic">{summary(desk, at)}</em>
                </span>
                {(stop || care) && (
                  <i
                    className={`border-b-2 text-[.82rem] not-italic ${stop ? "border-madder text-madder" : "border-dotted border-madder"}`}
                  >
                    {stop ? "will not fit" : "look"}
                  </i>
                )}
              </button>
              <NewerMark desk={desk} item={l.item} />
            </li>
          );
        })}
      </ul>
    </>
  );
}

/** A line keeps the mark it was made with; a newer one is offered, never taken by itself. */
function NewerMark({ desk, item }: { desk: Desk; item: string }) {
  const mine = desk.job.designs.find((d) => d.recipe.id === item);
  if (!mine) return null;
  const newer = desk.newest.find((d) => d.recipe.id === item && d.mark > mine.mark);
  return (
    <p className="py-1 pl-[52px] text-[.84rem] text-soft">
      mark {markName(mine.mark)}
      {newer && (
        <button className="quiet ml-2" onClick={() => desk.act({ do: "use design", design: newer })}>
          take up mark {markName(newer.mark)}
        </button>
      )}
    </p>
  );
}

/** `Langstroth 10 · rabbet in ends`: the standard, then what was chosen. */
function summary({ worked }: Desk, at: number): string {
  const { shape } = worked.lines[at]!;
  const first = shape.recipe.parameters.filter(
    (p) => p.kind === "choice" && (p.name === "joint" || p.name === "foundation"),
  );
  const said = first.map((p) => {
    const v = shape.scope.working(p.name).value;
    return (p.kind === "choice" && p.choices.find((c) => v.kind === "word" && c.id === v.of)?.label) || "";
  });
  return [shape.standard.short, ...said].join(" · ");
}

function LineOptions({ desk }: { desk: Desk }) {
  const { worked, line, job, problem } = desk;
  const { shape } = worked.lines[line]!;
  const field = (name: string) => `${line}.${name}`;
  return (
    <OptionList
      shape={shape}
      asked={job.lines[line]!.options}
      units={job.units}
      problem={(name) => (problem?.field === field(name) ? problem.message : undefined)}
      set={(name, value) => desk.act({ do: "option", at: line, name, value }, field(name))}
      tryOut={(name, value) => desk.try({ do: "option", at: line, name, value }, field(name))}
      giveUp={desk.untry}
      beside={shape.scope.has("joint") ? { Corner: <CompareJoints /> } : undefined}
    />
  );
}

/** How far a number moved with the last change. */
function Moved({ by, units }: { by: Length | undefined; units: Units }) {
  if (by === undefined) return null;
  return <span className="no-print ml-1 font-mono text-[.78rem] text-blue">{moveText(by, units)}</span>;
}

function CutTable({ desk, onPart }: { desk: Desk; onPart(id: string): void }) {
  const { worked, line, job, lit } = desk;
  const parts = cutList(worked.lines).filter((c) => c.line.at === line);
  const dims = [
    ["length", "l"],
    ["width", "w"],
    ["thickness", "t"],
  ] as const;
  return (
    <table className="cutting-list mt-1">
      <caption className="sr-only">Cut list</caption>
      <thead className="sr-only">
        <tr>
          <th>Quantity</th>
          <th>Part</th>
          <th>Length</th>
          <th>Width</th>
          <th>Thickness</th>
          <th>Cuts</th>
        </tr>
      </thead>
      <tbody>
        {parts.map(({ part, quantity }) => (
          <tr key={part.id} data-lit={lit?.key === `part ${part.id}`} onMouseEnter={() => onPart(part.id)}>
            <td className="w-14 text-right font-mono text-[1.13rem] font-semibold">{quantity}</td>
            <td className="whitespace-nowrap">{part.name}</td>
            {dims.map(([word, axis], i) => (
              <td key={word} className="text-right whitespace-nowrap">
                {i > 0 && <span className="mr-2 text-[#8a8f88]">×</span>}
                <button
                  className="border-0 bg-transparent p-0"
                  aria-label={`${part.name}, ${word}: ${lengthWithUnit(part.cut[axis], job.units)}`}
                  onMouseEnter={() => desk.light({ key: `part ${part.id}`, working: part.working[word] })}
                  onFocus={() => desk.light({ key: `part ${part.id}`, working: part.working[word] })}
                >
                  <Measure value={part.cut[axis]} units={job.units} className="text-[1.05rem]" />
                </button>
                <Moved by={desk.moves.get(`part ${part.id}.${word}`)} units={job.units} />
                {axis === "w" && <Dries {...part} units={job.units} />}
              </td>
            ))}
            <td className="pl-4 text-[.87rem] text-soft">
              {featureCuts(part.features, job.units, part.sides).map(({ what, how }) => (
                <span key={what} className="block">
                  <span className="text-ink">{what}</span>, {how}
                </span>
              ))}
              {part.outside && <span className="only-print">{part.outside}</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function FindingList({ findings, desk }: { findings: Finding[]; desk: Desk }) {
  const { job, lit } = desk;
  const gaps = findings.filter((f) => f.bands).sort((a, b) => Number(a.ofStandard ?? 0) - Number(b.ofStandard ?? 0));
  const others = findings.filter((f) => !f.bands);
  const row = (f: Finding) => (
    <li key={`${f.rule} ${f.label}`} className="keep-together">
      <button
        onMouseEnter={() => desk.light({ key: `finding ${f.rule}`, working: f.working })}
        onFocus={() => desk.light({ key: `finding ${f.rule}`, working: f.working })}
        className={`grid w-full grid-cols-[1fr_auto] items-baseline border-0 border-t border-rule py-1 text-left ${lit?.key === `finding ${f.rule}` ? "bg-white" : "bg-transparent"}`}
      >
        <span className="font-semibold">{f.label}</span>
        <span className="pl-2 text-[1.07rem]">
          {f.figure ? (
            <span className="font-mono">{f.figure.text}</span>
          ) : (
            <Measure value={f.value} units={job.units} />
          )}
          <Moved by={desk.moves.get(`finding ${f.rule} ${f.label}`)} units={job.units} />
        </span>
        {f.bands && (
          <span className="col-span-2">
            <GapGauge value={f.value} bands={f.bands} />
          </span>
        )}
        {(f.state !== "ok" || f.bands || f.rule === "bearing" || lit?.key === `finding ${f.rule}`) && (
          <span
            className={`col-span-2 text-[.84rem] ${f.state === "ok" || f.ofStandard ? "text-soft" : "font-semibold text-madder"}`}
          >
            {f.ofStandard ? `${f.text.replace(/^care: /, "")}; the standard's own` : f.text}
            {f.advice && !f.ofStandard && <span className="block font-normal text-ink">{f.advice}</span>}
          </span>
        )}
      </button>
    </li>
  );
  return (
    <ul className="print:columns-2 print:gap-8">
      {gaps.length > 0 && (
        <li aria-hidden="true" className="flex justify-between text-[.78rem] text-soft">
          <span>glues</span>
          <span>open</span>
          <span>bridges</span>
        </li>
      )}
      {gaps.map(row)}
      {others.sort((a, b) => RANK[b.state] - RANK[a.state]).map(row)}
    </ul>
  );
}
const RANK = { ok: 0, care: 1, stop: 2 };
