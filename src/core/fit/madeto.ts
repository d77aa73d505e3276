import { lengthWithUnit } from "@/core/length/format";
import type { Units } from "@/core/length/length";
import type { WorkedLine } from "@/core/line/shapes";
import { BOARDS, lengthOf } from "@/core/shape/shape";
import type { Finding } from "./finding";

/** Says of a floor or cover that it is made to the job's own box, where that is not the standard's usual one. */
export function madeTo({ follows, shape, at }: WorkedLine, units: Units): Finding[] {
  if (follows === undefined) return [];
  const outside = shape.scope.has("bodyOutsideLength") ? "bodyOutsideLength" : "bodyOutsideWidth";
  const name = follows.outside ? outside : BOARDS;
  const say = (n: string) => lengthWithUnit(lengthOf(shape, n), units);
  const said = [
    ...(follows.outside ? [`outside ${say("bodyOutsideLength")} × ${say("bodyOutsideWidth")}`] : []),
    ...(follows.boardThickness !== undefined ? [`boards of ${say(BOARDS)}`] : []),
  ];
  return [
    {
      rule: "made-to-box",
      label: "Made to the box",
      line: at,
      state: "ok",
      value: lengthOf(shape, name),
      allowed: [null, null],
      text: `follows line ${follows.line + 1}, ${said.join(", ")}`,
      advice: "",
      working: shape.scope.working(name),
    },
  ];
}
