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
  return lines.map((line) => {
    const asks = BOX.filter((name) => line.shape.recipe.parameters.some((p) => p.name === name));
    if (asks.length === 0 || asks.some((name) => line.line.options[name] !== undefined)) return line;
    const boxes = lines.filter((l) => l.shape.recipe.stacks && l.line.standard === line.line.standard);
    if (boxes.length === 0) return line;
    const box = line.shape.recipe.stands?.skirt ? largest(boxes) : deepest(boxes);
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

const area = (l: WorkedLine) => bodyOf(l.shape).outsideLength * bodyOf(l.shape).outsideWidth;
const largest = (boxes: WorkedLine[]) => boxes.reduce((a, b) => (area(b) > area(a) ? b : a));
const deepest = (boxes: WorkedLine[]) =>
  boxes.reduce((a, b) => (bodyOf(b.shape).depth > bodyOf(a.shape).depth ? b : a));

function lengthNamed(line: WorkedLine, name: string): number {
  const { value } = line.shape.scope.working(name);
  return value.kind === "amount" ? Number(value.of.round().valueOf()) : NaN;
}
