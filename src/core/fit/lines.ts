import type { Context, Judging } from "./bands";
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
import { few, saidOnce } from "./few";
import { ruler } from "./ruler";
import { surroundings, told, toldOfLine } from "./told";
import { excluderCover } from "./excluder";
import { nm } from "@/core/length/length";
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

/** Figures to compare a box by, with the frame that hangs in it. */
function figures(box: Shape, frame: Shape, ctx: Context): Finding[] {
  const named = (shape: Shape, name: string) => (shape.scope.has(name) ? lengthOf(shape, name) : nm(0));
  const touching = frame.scope.has("barWidth") && named(frame, "barWidth") === named(frame, "shoulderWidth");
  const runnerEdge = named(box, "runnerEdge");
  return [
    contactArea(
      frameOf(frame),
      bodyOf(box),
      {
        topBarWidth: named(frame, "topBarWidth"),
        ...(runnerEdge > 0 ? { runnerEdge } : {}),
        shoulder: touching ? named(frame, "shoulderLength") : nm(0),
        endBarThickness: named(frame, "endBarThickness"),
        spacer: named(frame, "spacerTouch"),
      },
      ctx,
    ),
    innerVolume(bodyOf(box), ctx),
  ];
}

/** The first line of each kind of box: a line is held against what differs, not against its like again and again. */
function different(lines: WorkedLine[]): WorkedLine[] {
  const kind = ({ line, shape }: WorkedLine) => `${line.size} ${Object.values(bodyOf(shape)).join(" ")}`;
  return [...new Map(lines.toReversed().map((l) => [kind(l), l])).values()].toReversed();
}

/** The different boxes that stack, by standard. */
function stackedBoxes(lines: WorkedLine[]): Map<string, WorkedLine[]> {
  const bodies = lines.filter((l) => l.shape.recipe.stacks);
  return new Map(
    [...new Set(bodies.map((b) => b.line.standard))].map((standard) => [
      standard,
      different(bodies.filter((b) => b.line.standard === standard)),
    ]),
  );
}

/** Every finding of a job's lines: each with itself, with what hangs in it, and with the others it meets in a hive. */
export function fitLines(lines: WorkedLine[], by: Judging): Finding[] {
  const found = judged(lines, by);
  const may = (f: Finding) => f.state !== "ok" && OF_STANDARD.has(f.rule);
  const asked = new Set(found.filter(may).map((f) => f.line));
  const usual = new Set(judged(lines.map(usualLine), by, asked).map(sameAs));
  return saidOnce(found.map((f) => (may(f) && usual.has(sameAs(f)) ? { ...f, ofStandard: true } : f)));
}

/** Gaps and plays a standard has by itself, whatever a job does. */
const OF_STANDARD = new Set(["top-gap", "bottom-gap", "between-boxes", "end-gap", "bearing", "end-play", "side-play"]);
const sameAs = (f: Finding) => `${f.line} ${f.rule} ${f.value} ${f.label}`;

/** Judges every line, or those asked for, among all of them. */
function judged(lines: WorkedLine[], by: Judging, asked?: Set<number>): Finding[] {
  const boxes = stackedBoxes(lines);
  const around = surroundings(lines);
  return lines
    .filter((l) => asked?.has(l.at) ?? true)
    .flatMap((line): Finding[] =>
      toldOfLine(line, around.get(line.line.standard)!, asked ? "usual" : "made", by, () =>
        guarded(line, by, () => judgedLine(line)),
      ),
    );

  function judgedLine(line: WorkedLine): Finding[] {
    const { shape } = line;
    const at: Context = { ...by, line: line.at };
    const own = [
      ...told("its own", [shape], at, (ctx) => [
        ...demands(shape, ctx),
        ...fastenerGrip(shape, ctx),
        ...woodLeft(shape, ctx),
        ...ownFigures(shape, ctx),
      ]),
      ...madeTo(line, by.units),
    ];
    if (shape.recipe.kind === "frame") {
      const box = mates(line, lines, "body").length > 0 ? undefined : bodyFor(line);
      return [...(box ? hangsIn(shape, box, at) : []), ...own];
    }
    if (shape.recipe.kind !== "body") {
      // What is judged on the job's own boxes is not judged again on the usual one.
      const met = meetings(line, lines, by);
      return [...met, ...own.filter((f) => !met.some((m) => m.rule === f.rule))];
    }
    const hung = (f: Shape) => mates(line, lines, "frame").find((l) => l.shape === f)?.at;
    return [
      ...few(framesFor(line, lines), at, "kinds of frame that hang in it", hung, (f) => hangsIn(f, shape, at)),
      ...(shape.recipe.stacks ? stacked(line, at) : []),
      ...told("figures", [shape, frameFor(line, lines)], at, (ctx) => figures(shape, frameFor(line, lines), ctx)),
      ...(shape.recipe.stacks ? besideOthers(line, at) : []),
      ...own,
    ];
  }

  /** A box between its like, under and over the job's other sizes, and against what is bought for its standard. */
  function stacked(line: WorkedLine, at: Context): Finding[] {
    const { shape } = line;
    const frame = frameFor(line, lines);
    const hung = (s: Shape, f: Shape) => ({ frame: frameOf(f), body: bodyOf(s) });
    const gaps = schoolOf(shape) !== "closed" && !frameOf(frame).openBelow;
    const between = (other: WorkedLine, label: string) => {
      const its = frameFor(other, lines);
      return told(label, [shape, frame, other.shape, its], at, (ctx) => [
        betweenBoxes(hung(shape, frame), hung(other.shape, its), label, ctx),
      ]);
    };
    const sizes = otherBoxes(line).filter((o) => o.line.size !== line.line.size);
    return [
      ...(gaps ? between(line, "Between two of these boxes") : []),
      ...(gaps
        ? few(sizes, at, "boxes of other sizes", lineNumber, (o) =>
            between(o, `Over the ${o.shape.title.toLowerCase()}`),
          )
        : []),
      ...told(`bought for line ${line.at + 1}`, [shape], at, (ctx) => againstBought(line, ctx)),
    ];
  }

  /** A box beside those of earlier lines. */
  function besideOthers(line: WorkedLine, at: Context): Finding[] {
    const earlier = otherBoxes(line).filter((o) => o.at < line.at);
    return few(earlier, at, "unlike boxes before it", lineNumber, (o) =>
      told(`${line.at} beside ${o.at}`, [line.shape, o.shape], at, (ctx) => [
        footprintStep(footprint(line), footprint(o), { ...ctx, ...BESIDE, label: `Outside against line ${o.at + 1}` }),
      ]),
    );
  }

  function otherBoxes(line: WorkedLine): WorkedLine[] {
    return (boxes.get(line.line.standard) ?? []).filter((o) => o.at !== line.at);
  }
}

const hangsIn = (frame: Shape, box: Shape, at: Context): Finding[] =>
  told("hangs in it", [box, frame], at, (ctx) =>
    fitFrame(frameOf(frame), bodyOf(box), frameCount(box), schoolOf(box), ctx),
  );

const BESIDE = {
  lies: "beside",
  advice: "make covers and floors to measure, or hold the outside; a ledge holds rain",
} as const;

const lineNumber = (l: WorkedLine) => l.at;
const outsideOf = ({ shape }: WorkedLine) => ({
  length: bodyOf(shape).outsideLength,
  width: bodyOf(shape).outsideWidth,
});
const footprint = (line: WorkedLine) => ({ name: `line ${line.at + 1}`, outside: outsideOf(line) });

/** Covers, floors and excluders that are bought are made for the standard's usual box. */
function againstBought(line: WorkedLine, ctx: Context): Finding[] {
  const { insideLength, insideWidth } = bodyOf(line.shape);
  const usual = usualOutside(line.shape);
  return [
    footprintStep(
      footprint(line),
      { name: "the usual outside", outside: usual },
      { ...ctx, ...BESIDE, label: "Outside against bought covers and floors" },
    ),
    excluderCover(
      usual,
      { inside: { length: insideLength, width: insideWidth }, outside: outsideOf(line) },
      {
        ...ctx,
        label: "Bought excluder on each wall",
        advice: "make the excluder's rim to the box, or narrow the box",
      },
    ),
  ];
}

/** The finding of a line that could not be judged. */
export const NOT_JUDGED = "not-judged";

/** A line that the rules cannot judge says so, and the others are judged all the same. */
function guarded({ at }: WorkedLine, by: Judging, judge: () => Finding[]): Finding[] {
  try {
    return judge();
  } catch (e) {
    if (!isUnmakeable(e)) throw e;
    return [ruler(by).missing(NOT_JUDGED, "Not judged", at, e.message, "")];
  }
}
