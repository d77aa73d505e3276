import { BOARDS, isUnmakeable } from "@/core/shape/shape";
import type { Length } from "@/core/length/length";
import { type Own, bodyOf, shapeOfLine, type WorkedLine } from "./shapes";

/** The names a recipe gives the box it is made to. */
const BOX = ["bodyOutsideLength", "bodyOutsideWidth"] as const;

interface Outside {
  bodyOutsideLength: Length;
  bodyOutsideWidth: Length;
}

/**
 * Floors, covers and sheets of a job are made to the job's own boxes of their standard where nobody said otherwise: what has a
 * skirt to the largest, other things to the deepest. Where those are the standard's usual ones, nothing changes.
 */
export function followBoxes(lines: WorkedLine[], own: Own): WorkedLine[] {
  const boxes = boxesToFollow(lines);
  return lines.map((line) => {
    const asks = BOX.filter((name) => line.shape.recipe.parameters.some((p) => p.name === name));
    if (asks.length === 0 || asks.some((name) => line.line.options[name] !== undefined)) return line;
    const of = boxes.get(line.line.standard);
    if (!of) return line;
    const box = line.shape.recipe.stands?.skirt ? of.largest : of.deepest;
    const { outsideLength, outsideWidth } = bodyOf(box.shape);
    const to: Outside = { bodyOutsideLength: outsideLength, bodyOutsideWidth: outsideWidth };
    const outside = BOX.every((name) => !line.shape.scope.has(name) || lengthNamed(line, name) === to[name])
      ? {}
      : Object.fromEntries(asks.map((name) => [name, to[name]]));
    const boards = own.thickness === undefined ? boardsOf(box, line) : {};
    const asked = { ...outside, ...boards };
    if (Object.keys(asked).length === 0) return line;
    try {
      const shape = shapeOfLine({ ...line.line, options: { ...line.line.options, ...asked } }, own);
      return { ...line, shape, follows: { line: box.at, outside: BOX[0] in outside || BOX[1] in outside, ...boards } };
    } catch (e) {
      // Beyond what the item can be made to: it stays as it was, and the fit rules say what does not meet.
      if (isUnmakeable(e)) return line;
      throw e;
    }
  });
}

/** What the boards of a box measure, where its line says so and a thing made to it has not that already. */
function boardsOf(box: WorkedLine, line: WorkedLine): { boardThickness?: Length } {
  const thick = box.line.options.thickness;
  return typeof thick === "number" && lengthNamed(line, BOARDS) !== thick ? { [BOARDS]: thick as Length } : {};
}

/** The first of the largest boxes that stack, and of the deepest, by standard. */
function boxesToFollow(lines: WorkedLine[]) {
  const found = new Map<string, { largest: WorkedLine; deepest: WorkedLine }>();
  for (const box of lines.filter((l) => l.shape.recipe.stacks)) {
    const was = found.get(box.line.standard) ?? { largest: box, deepest: box };
    found.set(box.line.standard, {
      largest: area(box) > area(was.largest) ? box : was.largest,
      deepest: bodyOf(box.shape).depth > bodyOf(was.deepest.shape).depth ? box : was.deepest,
    });
  }
  return found;
}
const area = (l: WorkedLine) => bodyOf(l.shape).outsideLength * bodyOf(l.shape).outsideWidth;

/** What a name comes to in a line's item, nm; NaN where it is no length. */
export function lengthNamed(line: Pick<WorkedLine, "shape">, name: string): number {
  const { value } = line.shape.scope.working(name);
  return value.kind === "amount" ? Number(value.of.round().valueOf()) : NaN;
}
