"use client";
import { findingsOf } from "@/core/job/worked";
import { frameFor, lineAt } from "@/core/line/shapes";
import { type Desk, useDesk } from "@/ui/desk/useDesk";
import { CornerDetail } from "@/ui/drawing/CornerDetail";
import { Empty } from "../Empty";
import { CutTable } from "./CutTable";
import { Drawing } from "./Drawing";
import { Findings } from "./Findings";
import { Faulty, LineList, LineOptions } from "./Lines";

/** Dimensions, joints and fit of one line: options left, drawing and cut list in the middle, what fits right. */
export function Shape() {
  const desk = useDesk();
  const { worked, line, job } = desk;
  const at = lineAt(worked.lines, line);
  if (job.lines.length === 0) return <Empty text="There is nothing to shape yet." next="ask" act="Say what to make" />;
  if (!at) return <Faulty desk={desk} />;
  const findings = findingsOf(worked, line);
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
        <Findings findings={findings} desk={desk} />
      </section>
    </div>
  );
}

/** A value that belongs to the frame that hangs in the body. */
function frameName(at: Desk["worked"]["lines"][number], lines: Desk["worked"]["lines"], name: string) {
  if (at.shape.recipe.kind !== "body") return undefined;
  const frame = frameFor(at, lines);
  return frame.scope.has(name) ? frame.scope.working(name) : undefined;
}
