import { type Finding } from "@/core/fit/finding";
import { type BodyMeasures, type FrameMeasures, frameCount, measureBody, measureFrame } from "@/core/fit/measure";
import { DEFAULT_BANDS, betweenBoxes, demands, fitFrame, footprintStep, usualOutside } from "@/core/fit/rules";
import { findRecipe } from "@/core/recipes";
import { findStandard } from "@/core/standards";
import { type Shape, shapeItem } from "@/core/shape/shape";
import type { Job, JobLine } from "./job";

/** A line with its shape worked out. */
export interface WorkedLine {
  line: JobLine;
  at: number;
  shape: Shape;
}

export interface WorkedJob {
  job: Job;
  lines: WorkedLine[];
  findings: Finding[];
}

const shapes = new WeakMap<JobLine, Shape>();

/** The shape of a line; a line object is worked out once. @throws ShapeError */
export function shapeOfLine(line: JobLine, units: Job["units"]): Shape {
  const known = shapes.get(line);
  if (known) return known;
  const shape = shapeItem(findRecipe(line.item)!, findStandard(line.standard)!, line.size, line.options, units);
  shapes.set(line, shape);
  return shape;
}

/** Works a whole job out: every line's shape, and every finding of line against line. */
export function workJob(job: Job): WorkedJob {
  const lines = job.lines.map((line, at) => ({ line, at, shape: shapeOfLine(line, job.units) }));
  return { job, lines, findings: fitJob(job, lines) };
}

const measured = { body: new WeakMap<Shape, BodyMeasures>(), frame: new WeakMap<Shape, FrameMeasures>() };
function once<T>(known: WeakMap<Shape, T>, shape: Shape, work: (s: Shape) => T): T {
  const found = known.get(shape) ?? work(shape);
  known.set(shape, found);
  return found;
}
export const bodyOf = (shape: Shape): BodyMeasures => once(measured.body, shape, measureBody);
export const frameOf = (shape: Shape): FrameMeasures => once(measured.frame, shape, measureFrame);

/** The standard's own frame or body, for a line whose counterpart is not in the job. */
const usual = new Map<string, Shape>();
export function usualShape(item: "frame" | "body", line: JobLine): Shape {
  const key = `${item} ${line.standard} ${line.size}`;
  const found = usual.get(key) ?? shapeItem(findRecipe(item)!, findStandard(line.standard)!, line.size, {});
  usual.set(key, found);
  return found;
}

/** The frame that hangs in a body: the job's own of that standard and size, otherwise the standard's. */
export function frameFor(body: WorkedLine, lines: WorkedLine[]): Shape {
  return mates(body, lines, "frame")[0]?.shape ?? usualShape("frame", body.line);
}

function mates(of: WorkedLine, lines: WorkedLine[], kind: "body" | "frame"): WorkedLine[] {
  return lines.filter(
    (l) => l.shape.recipe.kind === kind && l.line.standard === of.line.standard && l.line.size === of.line.size,
  );
}

function fitJob(job: Job, lines: WorkedLine[]): Finding[] {
  const { units } = job;
  const bodies = lines.filter((l) => l.shape.recipe.kind === "body");
  const at = (line: number) => ({ line, units, bands: DEFAULT_BANDS });
  const outside = (l: WorkedLine) => ({ length: bodyOf(l.shape).outsideLength, width: bodyOf(l.shape).outsideWidth });
  return lines.flatMap((line): Finding[] => {
    const ctx = at(line.at);
    const own = demands(line.shape, ctx);
    if (line.shape.recipe.kind === "frame") {
      if (mates(line, lines, "body").length > 0) return own;
      const box = usualShape("body", line.line);
      return [
        ...fitFrame(frameOf(line.shape), bodyOf(box), frameCount(box), line.shape.standard.beeSpace, ctx),
        ...own,
      ];
    }
    if (line.shape.recipe.kind !== "body") return own;
    const frames = mates(line, lines, "frame");
    const hung = (l: WorkedLine) => ({ frame: frameOf(frameFor(l, lines)), body: bodyOf(l.shape) });
    const inside = (frames.length > 0 ? frames.map((f) => f.shape) : [usualShape("frame", line.line)]).flatMap((f) =>
      fitFrame(frameOf(f), bodyOf(line.shape), frameCount(line.shape), line.shape.standard.beeSpace, ctx),
    );
    const others = bodies.filter((b) => b.at !== line.at && b.line.standard === line.line.standard);
    return [
      ...inside,
      betweenBoxes(hung(line), hung(line), "Between two of these boxes", ctx),
      ...others
        .filter((o) => o.line.size !== line.line.size)
        .map((o) => betweenBoxes(hung(line), hung(o), `Over the ${o.shape.title.toLowerCase()}`, ctx)),
      footprintStep(
        outside(line),
        usualOutside(line.shape),
        "Outside against bought covers and floors",
        "the usual outside",
        ctx,
      ),
      ...others
        .filter((o) => o.at < line.at)
        .map((o) =>
          footprintStep(outside(line), outside(o), `Outside against line ${o.at + 1}`, `line ${o.at + 1}`, ctx),
        ),
      ...own,
    ];
  });
}
