import { type Length, inch, nm, type Units } from "@/core/length/length";
import { lengthWithUnit } from "@/core/length/format";
import { lengthValue } from "@/core/formula/formula";
import { Scope } from "@/core/formula/scope";
import { type Shape, lengthOf } from "@/core/shape/shape";
import type { Finding } from "./finding";
import { worked } from "@/core/line/hung";

/** A thing by what it is called and its outside. */
interface Footprint {
  name: string;
  outside: { length: Length; width: Length };
}

/** A ledge wider than this holds so much rain that it rots [mem]. */
const ROTS = inch(0, 1, 8);

/**
 * How far one outside stands past another, each side: `(outside − neighbour) / 2`, of length or width the one that differs more.
 * The neighbour lies beside it (a bought cover, another line), or it stands on it, and then what stands out below is a ledge.
 */
export function footprintStep(
  one: Footprint,
  neighbour: Footprint,
  said: { label: string; line: number; units: Units; lies: "beside" | "under"; advice: string },
): Finding {
  const { label, line, units, lies } = said;
  const scope = new Scope();
  const along =
    Math.abs(one.outside.length - neighbour.outside.length) >= Math.abs(one.outside.width - neighbour.outside.width);
  for (const [name, of] of [
    ["outside", one],
    ["neighbour", neighbour],
  ] as const)
    scope.define(name, {
      label: `${of.name}, outside ${along ? "length" : "width"}`,
      source: "measured",
      given: lengthValue(along ? of.outside.length : of.outside.width),
    });
  scope.define("step", { label, source: "worked out", mark: "trade", formula: "(outside - neighbour) / 2" });
  const w = worked(scope, "step", label);
  const size = lengthWithUnit(nm(Math.abs(w.value)), units);
  const text =
    w.value === 0
      ? `flush with ${neighbour.name}`
      : lies === "beside"
        ? `stands ${w.value > 0 ? "out" : "in"} ${size} each side against ${neighbour.name}`
        : w.value > 0
          ? `the lower one stands out ${size} each side: a ledge that holds rain${w.value > ROTS ? " and rots" : ""}`
          : `the upper one stands out ${size} each side`;
  return {
    rule: "footprint-step",
    label,
    line,
    state: w.value === 0 ? "ok" : "care",
    value: w.value,
    allowed: [nm(0), nm(0)],
    working: w.working,
    text,
    advice: w.value === 0 ? "" : said.advice,
  };
}

/** The usual outside of a standard's box, which bought covers and floors are made for. */
export function usualOutside(shape: Shape): { length: Length; width: Length } {
  return { length: lengthOf(shape, "bodyOutsideLength"), width: lengthOf(shape, "bodyOutsideWidth") };
}
