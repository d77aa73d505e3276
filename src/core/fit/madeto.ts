import { lengthWithUnit } from "@/core/length/format";
import type { Units } from "@/core/length/length";
import type { WorkedLine } from "@/core/line/shapes";
import { lengthOf } from "@/core/shape/shape";
import type { Finding } from "./finding";

/** Says of a floor or cover that it is made to the job's own box, which is not the standard's usual one. */
export function madeTo({ follows, shape, at }: WorkedLine, units: Units): Finding[] {
  if (follows === undefined) return [];
  const name = shape.scope.has("bodyOutsideLength") ? "bodyOutsideLength" : "bodyOutsideWidth";
  const say = (n: string) => lengthWithUnit(lengthOf(shape, n), units);
  return [
    {
      rule: "made-to-box",
      label: "Made to the box",
      line: at,
      state: "ok",
      value: lengthOf(shape, name),
      allowed: [null, null],
      text: `follows line ${follows + 1}, outside ${say("bodyOutsideLength")} × ${say("bodyOutsideWidth")}`,
      advice: "",
      working: shape.scope.working(name),
    },
  ];
}
