import { bottomGap, topGap } from "./hung";
import { frameCount } from "@/core/shape/measure";
import { bodyOf, frameFor, frameOf, schoolOf, type WorkedLine } from "./shapes";
import { type Length, nm } from "@/core/length/length";
import { toCount, toLength } from "@/core/formula/formula";
import type { Shape } from "@/core/shape/shape";

interface Size {
  length: Length;
  width: Length;
}

/** One level as the rules of a stack see it. Lengths in nm; `foot` is its height above the ground. */
export interface Standing {
  /** Its place in the hive's levels, from the ground. */
  at: number;
  title: string;
  as: "stand" | "floor" | "body" | "rim" | "sheet" | "inner-cover" | "cover" | "jacket";
  foot: number;
  /** What it adds to the stack; a jacket adds nothing. */
  height: Length;
  outside: Size;
  inside?: Size;
  /** From its lower edge up to its frames or its sheet, and from its upper edge down to them. */
  under: Length;
  over: Length;
  skirt?: { inside: Size; deep: Length };
  entrance?: Length;
  /** Bees do not come past it. */
  tight?: boolean;
  /** Keeps the queen back: what it covers of the walls beside it is judged. */
  excludes?: boolean;
  shape?: Shape;
  frame?: Shape;
  frames: number;
  /** It is never lifted: a frame of it is. */
  stays?: boolean;
  /** Gaps that bees must keep: not in boxes whose bars close them, nor under combs that hang free. */
  judged: { over: boolean; under: boolean };
}

/** A line as a hive's rules see it, its foot on the ground; nothing for what does not stand in one. */
export function standingOf(worked: WorkedLine, at: number, lines: WorkedLine[]): Standing | undefined {
  const { shape } = worked;
  const base = { at, title: shape.title, foot: 0, shape, frames: 0, judged: { over: true, under: true } };
  if (shape.recipe.kind === "body") {
    const body = bodyOf(shape);
    const hung = frameFor(worked, lines);
    const frame = frameOf(hung);
    const closed = schoolOf(shape) === "closed";
    return {
      ...base,
      as: "body",
      height: body.depth,
      outside: { length: body.outsideLength, width: body.outsideWidth },
      inside: { length: body.insideLength, width: body.insideWidth },
      over: topGap(frame, body),
      under: bottomGap(frame, body),
      frame: hung,
      ...(shape.recipe.stays ? { stays: true } : {}),
      frames:
        frameCount(shape) *
        (shape.scope.has("chambers") ? toCount(shape.scope.working("chambers").value, "chambers") : 1),
      judged: { over: !closed, under: !closed && !frame.openBelow },
    };
  }
  const { stands } = shape.recipe;
  if (!stands) return undefined;
  const length = (f: typeof stands.height) => toLength(shape.scope.evaluate(f).value, shape.title);
  const size = ([l, w]: typeof stands.outside): Size => ({ length: length(l), width: length(w) });
  return {
    ...base,
    as: stands.as,
    height: length(stands.height),
    outside: size(stands.outside),
    under: length(stands.under),
    over: length(stands.over),
    ...(stands.skirt ? { skirt: { inside: size(stands.skirt.inside), deep: length(stands.skirt.deep) } } : {}),
    ...(stands.tight ? { tight: true } : {}),
    ...(stands.excludes ? { excludes: true } : {}),
    ...(stands.entrance !== undefined ? { entrance: length(stands.entrance) } : {}),
  };
}

/** What it is called within a sentence. */
export const low = (s: Standing): string => s.title.toLowerCase();

/** How high the whole stack is. */
export const heightOf = (standing: Standing[]): Length =>
  nm(Math.max(0, ...standing.filter((s) => s.as !== "jacket").map((s) => s.foot + s.height)));

/** What stands directly on and under another: jackets are not in the way. */
export const chainOf = (standing: Standing[]): Standing[] => standing.filter((s) => s.as !== "jacket");
