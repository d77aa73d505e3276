import type { Units } from "@/core/length/length";
import type { Shape } from "@/core/shape/shape";
import type { Context } from "./bands";
import { DEFAULT_BANDS } from "./bands";
import type { Finding } from "./finding";

const numbers = new WeakMap<Shape, number>();
let last = 0;

/** A number that a shape keeps as long as it is there. */
function numberOf(shape: Shape): number {
  const known = numbers.get(shape) ?? ++last;
  numbers.set(shape, known);
  return known;
}

const kept = new WeakMap<Shape, Map<string, Finding[]>>();

/**
 * What a rule says of a shape, alone or with those it meets: judged once for all lines and jobs that have these shapes, and
 * put to the line that asks. `judge` must look at nothing but the shapes and the context, whose line is a stand-in.
 */
export function told(
  rule: string,
  [shape, ...met]: [Shape, ...Shape[]],
  at: { line: number; units: Units },
  judge: (ctx: Context) => Finding[],
): Finding[] {
  const ofShape = kept.get(shape) ?? new Map<string, Finding[]>();
  kept.set(shape, ofShape);
  const key = [rule, at.units, ...met.map(numberOf)].join(" ");
  const known = ofShape.get(key) ?? judge({ line: 0, units: at.units, bands: DEFAULT_BANDS });
  ofShape.set(key, known);
  return known.map((f) => ({ ...f, line: at.line }));
}
