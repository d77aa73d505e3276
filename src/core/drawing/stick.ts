import { lineAt, type WorkedLine, bodyOf, frameFor, frameOf } from "@/core/line/shapes";
import { type Length, NM_PER_MM, type Units, nm } from "@/core/length/length";
import { bottomGap, topGap } from "@/core/line/hung";
import { lengthOf } from "@/core/shape/shape";

/** A mark on the story stick: how far from the top, what it is, and what it lights on the page. */
export interface Mark {
  key: string;
  at: Length;
  label: string;
}

/** A story stick: marks from one end, in order. */
export interface Stick {
  title: string;
  length: Length;
  marks: Mark[];
}

/** The heights of a line: what would otherwise be measured again and again. */
export function heightMarks(line: WorkedLine, lines: WorkedLine[]): Mark[] {
  const { shape } = line;
  if (shape.recipe.kind === "body") {
    const [body, frame] = [bodyOf(shape), frameOf(frameFor(line, lines))];
    const [top, bottom] = [topGap(frame, body), bottomGap(frame, body)];
    return [
      { key: "mark edge", at: nm(0), label: "upper edge" },
      { key: "finding top-gap", at: top, label: "top of the frames" },
      { key: "value restDepth", at: nm(body.restDepth - body.runnerRise), label: "rest" },
      ...(frame.openBelow
        ? []
        : [{ key: "finding bottom-gap", at: nm(body.depth - bottom), label: "bottom of the frames" }]),
      { key: "value depth", at: body.depth, label: "lower edge" },
    ];
  }
  if (shape.recipe.kind === "frame" && !frameOf(shape).openBelow) {
    const height = frameOf(shape).frameHeight;
    return [
      { key: "mark edge", at: nm(0), label: "top of the bar" },
      { key: "value earThickness", at: frameOf(shape).earThickness, label: "underside of the ear" },
      { key: "value topBarThickness", at: lengthOf(shape, "topBarThickness"), label: "underside of the top bar" },
      ...(shape.scope.has("shoulderLength") && lengthOf(shape, "shoulderLength") < height
        ? [{ key: "value shoulderLength", at: lengthOf(shape, "shoulderLength"), label: "end of the shoulder" }]
        : []),
      {
        key: "value bottomBarThickness",
        at: nm(height - lengthOf(shape, "bottomBarThickness")),
        label: "top of the bottom bar",
      },
      { key: "value frameHeight", at: height, label: "bottom of the frame" },
    ];
  }
  return [];
}

/** Every height, width and length of a line on one batten, so that nobody measures again. */
export function storyStick(lines: WorkedLine[], at: number): Stick {
  const line = lineAt(lines, at)!;
  const found = new Map<Length, string[]>();
  const add = (length: Length, label: string) => {
    if (length > 0) found.set(length, [...(found.get(length) ?? []).filter((l) => l !== label), label]);
  };
  for (const m of heightMarks(line, lines)) add(m.at, m.label);
  for (const p of line.shape.parts) {
    add(p.cut.l, `${p.name.toLowerCase()}, length`);
    add(p.cut.w, `${p.name.toLowerCase()}, width`);
    for (const f of p.features) {
      const [end, edge] = f.at.from;
      const said = `${p.name.toLowerCase()}, ${f.name}`;
      const marks = f.marks?.at ?? [];
      if (f.marks?.along !== "end") add(f.at.along ?? nm(0), `${said}, from the ${p.sides[end]}`);
      if (f.marks?.along !== "edge") add(f.at.across ?? nm(0), `${said}, from the ${p.sides[edge]}`);
      for (const m of marks) add(m, `${said}, from the ${p.sides[f.marks!.along === "end" ? end : edge]}`);
    }
  }
  const marks = [...found]
    .sort((a, b) => a[0] - b[0])
    .map(([length, labels]): Mark => ({ key: `mark ${length}`, at: length, label: labels.join("; ") }));
  return { title: line.shape.title, length: nm(Math.max(...marks.map((m) => m.at))), marks };
}

/** The check length printed beside the stick, to prove the printer did not scale. */
export const checkLength = (units: Units): Length => nm(units === "in" ? 4 * 25_400_000 : 100_000_000);

/** How much of the stick stands on both of two pages, to be laid over each other: 10 mm. */
export const OVERLAP = 10 * NM_PER_MM;

/** How a stick is cut into pages that have so much room for it: from where to where on each, in nm. */
export function stickPages(length: number, room: number): { from: number; to: number }[] {
  const pages = [];
  for (let from = 0; ; from += room - OVERLAP) {
    pages.push({ from, to: Math.min(length, from + room) });
    if (from + room >= length) return pages;
  }
}
