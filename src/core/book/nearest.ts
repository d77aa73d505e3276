import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { inch, type Length, nm } from "@/core/length/length";
import { bodyOf, frameFor, frameOf } from "@/core/line/shapes";
import { RECIPES, recipeFor } from "@/core/recipes";
import { suits } from "@/core/job/find";
import { STANDARDS } from "@/core/standards";
import { MEASURES, type MeasuredBox } from "./repair";

/** A box of a standard as its recipe makes it of usual stock, and its frame. */
interface Known {
  standard: string;
  name: string;
  size: string;
  box: MeasuredBox;
  frame: { length: Length; height: Length; ear: Length; bar: Length };
}

/** One gap where a standard's frame hangs in a measured box, and what is right there. */
export interface Gap {
  name: string;
  value: Length;
  least: Length;
  most: Length;
  /** What to do where it is not right. */
  change?: string;
}

/** How near a measured box is to a standard's. */
export interface Near {
  standard: string;
  name: string;
  size: string;
  /** Measured less the standard's, of what tells boxes apart. */
  off: { of: (typeof MEASURES)[number]; by: Length }[];
  /** The largest of them. */
  worst: Length;
  /** How its frame hangs. */
  gaps: Gap[];
}

/** What tells boxes apart: walls differ with the stock, so outsides do not. */
const TELLING = ["insideLength", "insideWidth", "depth", "restToRest"] as const;
/** Nearer than this to all of them it is one of that standard: makers differ so much. [trade] */
export const SAME = inch(0, 1, 4);

let known: Known[] | undefined;
/** Every standard's boxes, worked out once. */
function boxes(): Known[] {
  known ??= STANDARDS.flatMap((standard) =>
    Object.entries(standard.sizes).flatMap(([size, { name }]): Known[] => {
      const recipe = recipeFor("body", standard);
      if (!recipe || !RECIPES.some((r) => r.id === recipe.id) || !suits(recipe, standard, size)) return [];
      const worked = workJob({ ...emptyJob("", "mm"), lines: [{ item: "body", standard: standard.id, size, quantity: 1, options: {} }] }); // prettier-ignore
      const line = worked.lines[0];
      if (worked.faults.length > 0 || !line) return [];
      const body = bodyOf(line.shape);
      const frame = frameOf(frameFor(line, worked.lines));
      const box = Object.fromEntries(MEASURES.map((m) => [m, body[m]])) as MeasuredBox;
      return [{ standard: standard.id, name: `${standard.short}, ${name}`, size, box, frame: { length: frame.frameLength ?? frame.topBarLength, height: frame.frameHeight, ear: frame.earThickness, bar: frame.topBarLength } }]; // prettier-ignore
    }),
  );
  return known;
}

/** Bees leave between a quarter and three eighths open. [trade: handbook 03] */
const [LEAST, MOST] = [inch(0, 1, 4), inch(0, 3, 8)];
/** Above or below frames either school leaves from nothing to this: together they are a bee space. */
const BOTH = inch(0, 1, 2);

function gapsOf(box: MeasuredBox, { frame }: Known): Gap[] {
  const ends = nm(Math.round((box.insideLength - frame.length) / 2));
  const bearing = nm(Math.round((frame.bar - box.insideLength) / 2));
  const above = nm(box.restDepth - frame.ear);
  const together = nm(box.depth - frame.height);
  const judged = (name: string, value: Length, least: Length, most: Length, low: string, high: string): Gap => ({ name, value, least, most, ...(value < least ? { change: low } : value > most ? { change: high } : {}) }); // prettier-ignore
  return [
    judged("at each end of the frame", ends, LEAST, MOST, "too long a frame for it: shorter frames only", "bees build there: a strip on the end walls"), // prettier-ignore
    judged("ear on its rest", bearing, inch(0, 1, 4), nm(Math.max(inch(0, 1, 4), Math.round((box.restToRest - box.insideLength) / 2))), "the bar falls in: a wider rest or longer bars", "the bar does not go in: shorter bars or deeper rests"), // prettier-ignore
    judged("above and below the frame together", together, LEAST, BOTH, "the frame stands out: a deeper box or shallower frames", "bees build there: a strip under the box"), // prettier-ignore
    judged("above the frame", above, nm(0), nm(Math.max(0, together)), "the frame stands out above: cut the rest deeper", "the rest is cut too deep: a glued strip in it"), // prettier-ignore
  ];
}

/** A measured box against every standard, the nearest first. */
export function nearest(box: MeasuredBox): Near[] {
  return boxes()
    .map((k): Near => {
      const off = TELLING.map((of) => ({ of, by: nm(box[of] - k.box[of]) }));
      return { standard: k.standard, name: k.name, size: k.size, off, worst: nm(Math.max(...off.map((o) => Math.abs(o.by)))), gaps: gapsOf(box, k) }; // prettier-ignore
    })
    .toSorted((a, b) => a.worst - b.worst);
}
