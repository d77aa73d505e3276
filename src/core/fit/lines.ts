import { DEFAULT_BANDS } from "./bands";
import { betweenBoxes } from "./between";
import { demands, ownFigures } from "./demands";
import { fitFrame } from "./frame";
import { footprintStep, usualOutside } from "./footprint";
import type { Finding } from "./finding";
import { frameCount } from "@/core/shape/measure";
import { contactArea, innerVolume } from "./figures";
import { fastenerGrip } from "./fasteners";
import { woodLeft } from "./wood";
import { madeTo } from "./madeto";
import { excluderCover } from "./excluder";
import { nm, type Units } from "@/core/length/length";
import { Scope } from "@/core/formula/scope";
import { isUnmakeable, lengthOf, type Shape } from "@/core/shape/shape";
import { meetings } from "./meet";
import {
  bodyFor,
  bodyOf,
  frameFor,
  frameOf,
  framesFor,
  mates,
  schoolOf,
  usualLine,
  type WorkedLine,
} from "@/core/line/shapes";

/** Figures to compare this box by. */
function figures(line: WorkedLine, lines: WorkedLine[], ctx: { line: number; units: Units }): Finding[] {
  const frame = frameFor(line, lines);
  const named = (shape: Shape, name: string) => (shape.scope.has(name) ? lengthOf(shape, name) : nm(0));
  const touching = frame.scope.has("barWidth") && named(frame, "barWidth") === named(frame, "shoulderWidth");
  const runnerEdge = named(line.shape, "runnerEdge");
  return [
    contactArea(
      frameOf(frame),
      bodyOf(line.shape),
      {
        topBarWidth: named(frame, "topBarWidth"),
        ...(runnerEdge > 0 ? { runnerEdge } : {}),
        shoulder: touching ? named(frame, "shoulderLength") : nm(0),
        endBarThickness: named(frame, "endBarThickness"),
        spacer: named(frame, "spacerTouch"),
      },
      ctx,
    ),
    innerVolume(bodyOf(line.shape), ctx),
  ];
}

/** The first line of each kind of box: a line is held against what differs, not against its like again and again. */
function different(lines: WorkedLine[]): WorkedLine[] {
  const kind = ({ line, shape }: WorkedLine) =>
    `${line.standard} ${line.size} ${Object.values(bodyOf(shape)).join(" ")}`;
  return [...new Map(lines.toReversed().map((l) => [kind(l), l])).values()].toReversed();
}

/** Every finding of a job's lines: each with itself, with what hangs in it, and with the others it meets in a hive. */
export function fitLines(lines: WorkedLine[], units: Units): Finding[] {
  const found = judged(lines, units);
  const usual = judged(lines.map(usualLine), units);
  return found.map((f) =>
    f.state !== "ok" && OF_STANDARD.has(f.rule) && usual.some((u) => alike(f, u)) ? { ...f, ofStandard: true } : f,
  );
}

/** Gaps and plays a standard has by itself, whatever a job does. */
const OF_STANDARD = new Set(["top-gap", "bottom-gap", "between-boxes", "end-gap", "bearing", "end-play", "side-play"]);
const alike = (a: Finding, b: Finding) =>
  a.line === b.line && a.rule === b.rule && a.label === b.label && a.value === b.value;

function judged(lines: WorkedLine[], units: Units): Finding[] {
  const neighbours = different(lines.filter((l) => l.shape.recipe.stacks));
  const at = (line: number) => ({ line, units, bands: DEFAULT_BANDS });
  const outside = (l: WorkedLine) => ({ length: bodyOf(l.shape).outsideLength, width: bodyOf(l.shape).outsideWidth });
  const footprint = (l: WorkedLine) => ({ name: `line ${l.at + 1}`, outside: outside(l) });
  const insideOf = (l: WorkedLine) => ({ length: bodyOf(l.shape).insideLength, width: bodyOf(l.shape).insideWidth });
  return lines.flatMap((line): Finding[] => guarded(line, () => judgedLine(line)));

  function judgedLine(line: WorkedLine): Finding[] {
    const ctx = at(line.at);
    const own = [
      ...demands(line.shape, ctx),
      ...fastenerGrip(line.shape, ctx),
      ...woodLeft(line.shape, ctx),
      ...madeTo(line, units),
      ...ownFigures(line.shape, ctx),
    ];
    if (line.shape.recipe.kind === "frame") {
      const box = mates(line, lines, "body").length > 0 ? undefined : bodyFor(line);
      if (!box) return own;
      return [...fitFrame(frameOf(line.shape), bodyOf(box), frameCount(box), schoolOf(box), ctx), ...own];
    }
    if (line.shape.recipe.kind !== "body") {
      // What is judged on the job's own boxes is not judged again on the usual one.
      const met = meetings(line, lines, units);
      return [...met, ...own.filter((f) => !met.some((m) => m.rule === f.rule))];
    }
    const hung = (l: WorkedLine) => ({ frame: frameOf(frameFor(l, lines)), body: bodyOf(l.shape) });
    const inside = framesFor(line, lines).flatMap((f) =>
      fitFrame(frameOf(f), bodyOf(line.shape), frameCount(line.shape), schoolOf(line.shape), ctx),
    );
    const stacks =
      schoolOf(line.shape) !== "closed" && !hung(line).frame.openBelow && line.shape.recipe.stacks === true;
    const beside = {
      line: line.at,
      units,
      lies: "beside" as const,
      advice: "make covers and floors to measure, or hold the outside; a ledge holds rain",
    };
    const others = neighbours.filter((b) => b.at !== line.at && b.line.standard === line.line.standard);
    return [
      ...inside,
      ...(stacks ? [betweenBoxes(hung(line), hung(line), "Between two of these boxes", ctx)] : []),
      ...others
        .filter((o) => stacks && o.line.size !== line.line.size)
        .map((o) => betweenBoxes(hung(line), hung(o), `Over the ${o.shape.title.toLowerCase()}`, ctx)),
      ...(line.shape.recipe.stacks
        ? [
            footprintStep(
              footprint(line),
              { name: "the usual outside", outside: usualOutside(line.shape) },
              { ...beside, label: "Outside against bought covers and floors" },
            ),
          ]
        : []),
      ...(line.shape.recipe.stacks
        ? [
            excluderCover(
              usualOutside(line.shape),
              { inside: insideOf(line), outside: outside(line) },
              {
                label: "Bought excluder on each wall",
                line: line.at,
                units,
                advice: "make the excluder's rim to the box, or narrow the box",
              },
            ),
          ]
        : []),
      ...figures(line, lines, ctx),
      ...others
        .filter((o) => o.at < line.at)
        .map((o) =>
          footprintStep(footprint(line), footprint(o), { ...beside, label: `Outside against line ${o.at + 1}` }),
        ),
      ...own,
    ];
  }
}

/** The finding of a line that could not be judged. */
export const NOT_JUDGED = "not-judged";

/** A line that the rules cannot judge says so, and the others are judged all the same. */
function guarded(line: WorkedLine, judge: () => Finding[]): Finding[] {
  try {
    return judge();
  } catch (e) {
    if (!isUnmakeable(e)) throw e;
    const label = "Not judged";
    const scope = new Scope();
    scope.define("none", { label, source: "worked out", formula: "0*inch" });
    return [
      {
        rule: NOT_JUDGED,
        label,
        line: line.at,
        state: "stop",
        value: nm(0),
        allowed: [null, null],
        text: e.message,
        advice: "",
        working: scope.working("none"),
      },
    ];
  }
}
