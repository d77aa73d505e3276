import { type Length, nm } from "@/core/length/length";
import { lengthWithUnit } from "@/core/length/format";
import { toLength } from "@/core/formula/formula";
import { type Working } from "@/core/formula/scope";
import { type Shape, holds } from "@/core/shape/shape";
import type { Finding } from "./finding";
import { type Context } from "./bands";
import { BRITISH_R } from "./rvalue";

/** What the recipe itself demands, as findings. */
export function demands(shape: Shape, ctx: Context): Finding[] {
  return shape.recipe.demands
    .filter((d) => holds(d.when, shape.scope))
    .map((d) => {
      const evaluated = shape.scope.evaluate(d.value);
      const working: Working = {
        name: d.rule,
        label: d.label,
        source: "worked out",
        mark: d.mark,
        value: evaluated.value,
        formula: evaluated.formula,
        tokens: evaluated.tokens,
      };
      const value = toLength(evaluated.value, d.label);
      const least = toLength(shape.scope.evaluate(d.least).value, d.label);
      const ok = value >= least;
      const say = (l: Length) => lengthWithUnit(l, ctx.units);
      return {
        rule: d.rule,
        label: d.label,
        line: ctx.line,
        state: ok ? "ok" : d.below,
        value,
        allowed: [least, null],
        text: ok ? `${say(value)}, wants ${say(least)} or more` : `${say(value)} of the ${say(least)} it wants`,
        advice: ok ? "" : d.advice,
        working,
      };
    });
}

/** As files have it: mm³, mm² or mm, and thousandths of what is no size. */
const figureMm = (unit: "l" | "cm²" | "length" | "m²·K/W" | "W/K", n: number) =>
  Math.round({ l: n / 1e18, "cm²": n / 1e12, length: n / 1e6, "m²·K/W": n * 1000, "W/K": n * 1000 }[unit]);

/** The recipe's own figures to compare by: litres from a volume, R and heat loss as plain numbers. */
export function ownFigures(shape: Shape, ctx: Context): Finding[] {
  return (shape.recipe.figures ?? [])
    .filter((f) => holds(f.when, shape.scope))
    .map((f) => {
      const evaluated = shape.scope.evaluate(f.formula);
      const behind =
        evaluated.tokens.length === 1 && shape.scope.has(evaluated.formula)
          ? shape.scope.working(evaluated.formula)
          : undefined;
      const working: Working = {
        name: f.rule,
        label: f.label,
        source: "worked out",
        mark: f.mark,
        ...evaluated,
        ...(behind?.formula ? { formula: behind.formula, tokens: behind.tokens } : {}),
      };
      const n = working.value.kind === "amount" ? working.value.of.valueOf() : NaN;
      const length = f.unit === "length" ? toLength(working.value, f.label) : undefined;
      const shown = f.unit === "l" ? n / 1e24 : f.unit === "cm²" ? n / 1e14 : n;
      const text =
        length !== undefined
          ? lengthWithUnit(length, ctx.units)
          : `${shown.toFixed(2)} ${f.unit}${f.unit === "m²·K/W" ? ` (R ${(shown * BRITISH_R).toFixed(1)})` : ""}`;
      return {
        rule: f.rule,
        label: f.label,
        line: ctx.line,
        state: "ok",
        value: length ?? nm(0),
        figure: { text, mm: figureMm(f.unit, n) },
        allowed: [null, null],
        text: f.text,
        advice: "",
        working,
      };
    });
}
