import { editorOf, type FeatureRecipe } from "@/core/feature/feature";
import type { Recipe } from "@/core/recipes/recipe";
import type { Formula } from "@/core/formula/formula";

/** What a formula has to come out as. */
export type Kind = "length" | "count" | "number" | "flag" | "any";

/** One formula of a recipe and where it stands: `parts.2.features.0.at`. */
export interface Placed {
  path: string;
  formula: Formula;
  kind: Kind;
  /** The condition of what it belongs to: where that does not hold it need not come out. */
  when?: Formula[];
}

/** Every formula of a recipe, in the order it is read. */
export function formulasOf(recipe: Recipe): Placed[] {
  const found: Placed[] = [];
  const add = (path: string, formula: Formula | undefined, kind: Kind, when: (Formula | undefined)[] = []) => {
    if (formula !== undefined) found.push({ path, formula, kind, when: when.filter((w) => w !== undefined) });
  };
  recipe.values.forEach((v, i) => add(`values.${i}.formula`, v.formula, "any"));
  recipe.parameters.forEach((p, i) => {
    const at = `parameters.${i}`;
    add(`${at}.when`, p.when, "flag");
    if (p.kind === "length") {
      add(`${at}.default`, p.default, "length");
      add(`${at}.min`, p.min, "length");
      add(`${at}.max`, p.max, "length");
    }
    if (p.kind === "count") add(`${at}.default`, p.default, "count");
    if (p.kind === "number") add(`${at}.default`, p.default, "number");
  });
  recipe.parts.forEach((p, i) => {
    const at = `parts.${i}`;
    add(`${at}.when`, p.when, "flag");
    for (const dimension of ["length", "width", "thickness"] as const)
      add(`${at}.${dimension}`, p[dimension], "length", [p.when]);
    add(`${at}.allowance`, p.allowance, "length", [p.when]);
    p.features.forEach((f, k) => ofFeature(f, `${at}.features.${k}`, p.when, add));
    p.places.forEach((place, k) => {
      const here = `${at}.places.${k}`;
      place.at.forEach((f, axis) => add(`${here}.at.${axis}`, f, "length", [p.when]));
      place.step?.forEach((f, axis) => add(`${here}.step.${axis}`, f, "length", [p.when]));
      add(`${here}.times`, place.times, "count", [p.when]);
      add(`${here}.lean`, place.lean, "number", [p.when]);
    });
  });
  recipe.assembly.forEach((step, i) => {
    const at = `assembly.${i}`;
    add(`${at}.when`, step.when, "flag");
    (step.uses ?? []).forEach((use, k) => {
      const here = [step.when, use.when];
      add(`${at}.uses.${k}.when`, use.when, "flag", [step.when]);
      add(`${at}.uses.${k}.count`, use.count, "any", here);
      add(`${at}.uses.${k}.screw.through`, use.screw?.through, "length", here);
      add(`${at}.uses.${k}.screw.into`, use.screw?.into, "length", here);
    });
    (step.mistakes ?? []).forEach((m, k) => {
      if (typeof m !== "string") add(`${at}.mistakes.${k}.when`, m.when, "flag", [step.when]);
    });
  });
  recipe.demands.forEach((d, i) => {
    add(`demands.${i}.when`, d.when, "flag");
    add(`demands.${i}.value`, d.value, "length", [d.when]);
    add(`demands.${i}.least`, d.least, "length", [d.when]);
  });
  (recipe.figures ?? []).forEach((f, i) => {
    add(`figures.${i}.when`, f.when, "flag");
    add(`figures.${i}.formula`, f.formula, "any", [f.when]);
  });
  if (recipe.measuredAt)
    for (const axis of ["x", "y"] as const) add(`measuredAt.${axis}`, recipe.measuredAt[axis], "length");
  const s = recipe.stands;
  if (s) {
    for (const name of ["height", "under", "over", "entrance"] as const) add(`stands.${name}`, s[name], "length");
    s.outside.forEach((f, i) => add(`stands.outside.${i}`, f, "length"));
    s.skirt?.inside.forEach((f, i) => add(`stands.skirt.inside.${i}`, f, "length"));
    add("stands.skirt.deep", s.skirt?.deep, "length");
  }
  return found;
}

function ofFeature(
  feature: FeatureRecipe,
  at: string,
  partWhen: Formula | undefined,
  add: (path: string, f: Formula | undefined, kind: Kind, when?: (Formula | undefined)[]) => void,
): void {
  add(`${at}.when`, feature.when, "flag", [partWhen]);
  const when = [partWhen, feature.when];
  for (const field of editorOf(feature.kind)) {
    if (field.is === "choice") continue;
    const value = field.key
      .split(".")
      .reduce<unknown>((v, k) => (v as Record<string, unknown> | undefined)?.[k], feature);
    add(`${at}.${field.key}`, value as Formula | undefined, field.is, when);
  }
}
