import { type Length, nm } from "@/core/length/length";
import { lengthWithUnit } from "@/core/length/format";
import { lengthValue } from "@/core/formula/formula";
import { Scope } from "@/core/formula/scope";
import { type Shape, lengthOf } from "@/core/shape/shape";
import type { Finding, State } from "./finding";
import { worked } from "@/core/line/hung";
import { type Context } from "./bands";

/** How far one box's outside stands past its neighbour's, each side; the wider of length and width. */
export function footprintStep(
  outside: { length: Length; width: Length },
  other: { length: Length; width: Length },
  label: string,
  against: string,
  ctx: Context,
): Finding {
  const scope = new Scope();
  const put = (name: string, l: string, v: Length) =>
    scope.define(name, { label: l, source: "measured", given: lengthValue(v) });
  const along = Math.abs(outside.length - other.length) >= Math.abs(outside.width - other.width);
  put("outside", `outside ${along ? "length" : "width"}`, along ? outside.length : outside.width);
  put("neighbour", against, along ? other.length : other.width);
  scope.define("step", { label, source: "worked out", mark: "trade", formula: "(outside - neighbour) / 2" });
  const w = worked(scope, "step", label);
  const state: State = w.value === 0 ? "ok" : "care";
  const size = lengthWithUnit(nm(Math.abs(w.value)), ctx.units);
  return {
    rule: "footprint-step",
    label,
    line: ctx.line,
    state,
    value: w.value,
    allowed: [nm(0), nm(0)],
    working: w.working,
    text:
      state === "ok"
        ? `flush with ${against}`
        : `stands ${w.value > 0 ? "out" : "in"} ${size} each side against ${against}`,
    advice: state === "ok" ? "" : "make covers and floors to measure, or hold the outside; a ledge holds rain",
  };
}

/** The usual outside of a standard's box, which bought covers and floors are made for. */
export function usualOutside(shape: Shape): { length: Length; width: Length } {
  return { length: lengthOf(shape, "bodyOutsideLength"), width: lengthOf(shape, "bodyOutsideWidth") };
}
