import type { Part } from "@/core/shape/part";
import { featureText } from "@/core/feature/say";
import { lengthText, toMm } from "@/core/length/format";
import type { Units } from "@/core/length/length";
import { workingText } from "@/core/formula/write";
import { type PartId, partKey } from "./line";
import type { WorkedLine } from "./shapes";

/** One kind of piece of one line, for the whole job. */
export interface CutPart {
  /** Its text, for files and pages. */
  id: string;
  of: PartId;
  part: Part;
  line: WorkedLine;
  quantity: number;
}

/** Every part of a job, by line; identical parts of different lines stay separate. */
export function cutList(lines: WorkedLine[]): CutPart[] {
  return lines.flatMap((line) =>
    line.shape.parts.map((part) => ({
      id: partKey({ line: line.at, part: part.id }),
      of: { line: line.at, part: part.id },
      part,
      line,
      quantity: part.places.length * line.line.quantity,
    })),
  );
}

/** What a part is called in the whole job: with its item where other lines have a part of that name. */
export function nameIn(all: WorkedLine[]): (part: CutPart) => string {
  const lines = new Map<string, Set<number>>();
  for (const l of all) for (const p of l.shape.parts) lines.set(p.name, (lines.get(p.name) ?? new Set()).add(l.at));
  const titles = new Map<string, number>();
  for (const l of all) titles.set(l.shape.title, (titles.get(l.shape.title) ?? 0) + 1);
  return ({ part, line }) => {
    const name = part.name.toLowerCase();
    if (lines.get(part.name)!.size === 1) return name;
    const title = line.shape.title.toLowerCase();
    return `${name} of ${title}${titles.get(line.shape.title)! > 1 ? ` (line ${line.at + 1})` : ""}`;
  };
}

/** The cut list as the contract's document; lengths in mm to 0.001 and as text in the job's units. */
export function cutListDocument(lines: WorkedLine[], units: Units) {
  const text = (p: Part, u: Units) => ({
    length: lengthText(p.cut[sidesOf(p).length], u),
    width: lengthText(p.cut[sidesOf(p).width], u),
    thickness: lengthText(p.cut.t, u),
  });
  return {
    parts: cutList(lines).map(({ id, part, line, quantity }) => ({
      id,
      name: part.name,
      item: line.line.item,
      line: line.at,
      material: part.material,
      quantity,
      lengthMm: toMm(part.cut[sidesOf(part).length]),
      widthMm: toMm(part.cut[sidesOf(part).width]),
      thicknessMm: toMm(part.cut.t),
      text: text(part, units),
      features: part.features.map((f) => ({
        id: f.id,
        kind: f.kind,
        name: f.name,
        text: featureText(f, units, part.sides),
        face: f.face,
        machine: f.machine,
        at: {
          alongMm: f.at.along === null ? null : toMm(f.at.along),
          acrossMm: f.at.across === null ? null : toMm(f.at.across),
          from: f.at.from,
        },
        ...(f.marks ? { marksMm: f.marks.at.map((x) => toMm(x)) } : {}),
        ...Object.fromEntries(Object.entries(f.measures).map(([k, v]) => [`${camel(k)}Mm`, toMm(v)])),
      })),
      working: {
        length: workingText(part.working[sidesOf(part).length === "l" ? "length" : "width"], units),
        width: workingText(part.working[sidesOf(part).length === "l" ? "width" : "length"], units),
        thickness: workingText(part.working.thickness, units),
      },
    })),
  };
}

/** What a cut list calls its length: along the grain of wood, the longer side of a sheet part. */
const sidesOf = (p: Part): { length: "l" | "w"; width: "l" | "w" } =>
  p.material !== "wood" && p.cut.w > p.cut.l ? { length: "w", width: "l" } : { length: "l", width: "w" };

const camel = (words: string) => words.replace(/ (\w)/g, (_, c: string) => c.toUpperCase());
