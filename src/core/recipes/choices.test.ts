import { inch, nm, type Length } from "@/core/length/length";
import { emptyJob } from "@/core/job/job";
import { emptyWeight } from "@/core/hive/weigh";
import { workJob } from "@/core/job/worked";
import { findStandard } from "@/core/standards";
import { holds, type Options, type OptionValue, shapeItem } from "@/core/shape/shape";
import { stepsOf } from "@/core/shape/steps";
import { RECIPES } from "./index";
import type { Parameter, Recipe } from "./recipe";

const standardOf = (r: Recipe) => findStandard(r.standards?.[0] ?? "langstroth-10")!;
const make = (r: Recipe, options: Options) => shapeItem(r, standardOf(r), standardOf(r).defaultSize, options);

/** All that an option could change: cut sizes, cuts, places, steps and what they take, weight, findings. */
function outcome(r: Recipe, options: Options): string {
  const shape = make(r, options);
  const standard = standardOf(r);
  const line = { item: r.id, standard: standard.id, size: standard.defaultSize, quantity: 1, options };
  const { findings } = workJob({ ...emptyJob("x", standard.units), lines: [line] });
  return JSON.stringify([
    shape.parts.map((p) => [p.id, p.cut, p.features, p.places]),
    stepsOf(shape, standard.units).map((s) => [s.id, s.uses, s.mistakes]),
    emptyWeight(shape),
    findings.map((f) => [f.rule, f.state, f.value, f.figure?.text]),
  ]);
}

/** Other values of a parameter than the one it has. */
function others(p: Parameter, r: Recipe, options: Options): OptionValue[] {
  const now = make(r, options).scope.working(p.name).value;
  if (p.kind === "choice") return p.choices.map((c) => c.id).filter((id) => now.kind === "word" && id !== now.of);
  if (p.kind === "flag") return [!(now.kind === "flag" && now.of)];
  const n = now.kind === "amount" ? now.of.valueOf() : 0;
  if (p.kind === "length")
    return [nm(Math.round(n) + inch(0, 1, 32)), nm(Math.round(n) - inch(0, 1, 32))].filter((l): l is Length => l >= 0);
  return [n + 1, n - 1, p.max];
}

/** Options under which a parameter is offered at all: none, or one or two of the others changed. */
function offered(p: Parameter, r: Recipe, from: Options): Options | undefined {
  if (holds(p.when, make(r, from).scope)) return from;
  for (const q of r.parameters) {
    if (q === p) continue;
    for (const value of others(q, r, from)) {
      const tried = { ...from, [q.name]: value };
      try {
        if (holds(p.when, make(r, tried).scope)) return tried;
      } catch {
        // out of its range
      }
    }
  }
  return undefined;
}

describe("every choice there is to make makes a difference", () => {
  test.each(RECIPES.map((r): [string, Recipe] => [`${r.id} in ${standardOf(r).id}`, r]))("%s", (_name, r) => {
    for (const p of r.parameters) {
      // Thicker stock than usual, so that holding inside or outside shows.
      const thick: Options =
        r.parameters.some((q) => q.name === "thickness") && p.name === "hold" ? { thickness: inch(0, 7, 8) } : {};
      const base = offered(p, r, thick);
      expect([p.name, base]).toEqual([p.name, expect.anything()]);
      const before = outcome(r, base!);
      const differs = others(p, r, base!).some((value) => {
        try {
          return outcome(r, { ...base, [p.name]: value }) !== before;
        } catch {
          return false; // out of its range: the other direction is tried
        }
      });
      expect([p.name, differs]).toEqual([p.name, true]);
    }
  });
});
