import type { WorkedLine } from "@/core/line/shapes";
import type { Shape } from "@/core/shape/shape";
import type { Context, Judging } from "./bands";
import type { Finding } from "./finding";

const keyOf = ({ units, bands }: Judging) => `${units} ${bands.glues} ${bands.open.join()} ${bands.bridges}`;

const numbers = new WeakMap<Shape, number>();
let last = 0;

/** A number that a shape keeps as long as it is there. */
function numberOf(shape: Shape): number {
  const known = numbers.get(shape) ?? ++last;
  numbers.set(shape, known);
  return known;
}

const kept = new WeakMap<Shape, Map<string, Finding[]>>();

const known = new Map<string, number>();
const KNOWN = 400;

/** A number for each standard's lines as they stand, one beside the other: the same for the same shapes in the same places. */
export function surroundings(lines: WorkedLine[]): Map<string, number> {
  const standing = new Map<string, string[]>();
  for (const { line, at, shape, follows } of lines) {
    const said = `${at} ${numberOf(shape)} ${follows?.line ?? ""}`;
    const like = standing.get(line.standard);
    if (like) like.push(said);
    else standing.set(line.standard, [said]);
  }
  return new Map(
    [...standing].map(([standard, said]) => {
      const text = said.join();
      const number = known.get(text) ?? ++last;
      if (known.size >= KNOWN) known.clear();
      known.set(text, number);
      return [standard, number];
    }),
  );
}

const whole = new WeakMap<Shape, Map<string, { around: number; found: Finding[] }>>();

/** What all rules say of a line, judged once as long as it and what stands around it are the same. */
export function toldOfLine(
  { at, shape }: WorkedLine,
  around: number,
  /** As it is, or as it would be with its usual choices: each is kept. */
  as: "made" | "usual",
  by: Judging,
  judge: () => Finding[],
): Finding[] {
  const ofShape = whole.get(shape) ?? new Map<string, { around: number; found: Finding[] }>();
  whole.set(shape, ofShape);
  // Of one place only the newest is worth keeping.
  const key = `${as} ${at} ${keyOf(by)}`;
  const had = ofShape.get(key);
  if (had?.around === around) return had.found;
  const found = judge();
  ofShape.set(key, { around, found });
  return found;
}

/**
 * What a rule says of a shape, alone or with those it meets: judged once for all lines and jobs that have these shapes, and
 * put to the line that asks. `judge` must look at nothing but the shapes and the context, whose line is a stand-in.
 */
export function told(
  rule: string,
  [shape, ...met]: [Shape, ...Shape[]],
  at: Context,
  judge: (ctx: Context) => Finding[],
): Finding[] {
  const ofShape = kept.get(shape) ?? new Map<string, Finding[]>();
  kept.set(shape, ofShape);
  const key = [rule, keyOf(at), ...met.map(numberOf)].join(" ");
  const known = ofShape.get(key) ?? judge({ ...at, line: 0 });
  ofShape.set(key, known);
  return known.map((f) => ({ ...f, line: at.line }));
}
