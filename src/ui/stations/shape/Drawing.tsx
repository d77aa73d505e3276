"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import { heightMarks } from "@/core/drawing/stick";
import { foldedParts } from "@/core/shape/part";
import { frameFor, type WorkedLine } from "@/core/line/shapes";
import type { Desk } from "@/ui/desk/useDesk";
import { BodySection } from "@/ui/drawing/BodySection";
import { FrameView } from "@/ui/drawing/FrameView";
import { ThreeViews } from "@/ui/drawing/ThreeViews";

// Not drawn at first: their scripts come when they are asked for.
const Exploded = dynamic(() => import("@/ui/drawing/Exploded").then((m) => m.Exploded));
const Flat = dynamic(() => import("@/ui/drawing/Flat").then((m) => m.Flat));

const VIEWS = { cut: "cut through", three: "three views", apart: "pulled apart", flat: "laid flat" };

/** The line drawn: cut through with its stick where that says most, from three sides, or pulled apart. */
export function Drawing({
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
        <a className="quiet" href={`/api/jobs/${desk.id}/lines/${at.at}/stick.pdf?paper=${job.workshop.paper}`}>
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
