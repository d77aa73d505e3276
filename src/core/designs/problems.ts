import { holds, type Shape, ShapeError, scopeFor, shapeItem, isUnmakeable } from "@/core/shape/shape";
import type { Units } from "@/core/length/length";
import { checkMeasured } from "@/core/shape/measure";
import { RECIPES } from "@/core/recipes";
import { type Recipe, recipeSchema } from "@/core/recipes/recipe";
import type { Scope } from "@/core/formula/scope";
import {
  FUNCTION_NAMES,
  identifiersOf,
  toCount,
  toFlag,
  toLength,
  toNumber,
  UNIT_NAMES,
  type Value,
} from "@/core/formula/formula";
import { assemblyProblems, stepsOf } from "@/core/shape/steps";
import type { Standard } from "@/core/standards/standard";
import { formulasOf, type Kind, type Placed } from "./formulas";

/** One thing wrong with a design, at the field that caused it. */
export interface DesignProblem {
  path: string;
  message: string;
}

export interface DesignRead {
  recipe?: Recipe;
  /** The item with its usual choices, when it comes out. */
  shape?: Shape;
  /** The value of every formula that comes out, by path. */
  values: Map<string, Value>;
  problems: DesignProblem[];
}

/**
 * Reads a recipe that someone wrote, and works every formula of it out in a standard: what is wrong is said at the
 * formula that caused it, not at those that only use its result. Never throws, whatever it is given.
 */
export function readDesign(raw: unknown, standard: Standard, size: string, units: Units = standard.units): DesignRead {
  const values = new Map<string, Value>();
  const read = recipeSchema.safeParse(raw);
  if (!read.success)
    return {
      values,
      problems: read.error.issues
        .slice(0, 40)
        .map((i) => ({
          path: i.path.join("."),
          message: i.code === "unrecognized_keys" ? `${i.message}; a design has no such field` : i.message,
        })),
    };
  const recipe: Recipe = read.data;
  const problems = namesOf(recipe);
  if (problems.length > 0) return { recipe, values, problems };
  let scope: Scope;
  try {
    scope = scopeFor(recipe, standard, size, {});
  } catch (e) {
    return { recipe, values, problems: [{ path: "needs", message: messageOf(e) }] };
  }
  const found = workedOut(formulasOf(recipe), recipe, scope, values);
  if (found.length > 0) return { recipe, values, problems: found };
  try {
    const shape = shapeItem(recipe, standard, size, {}, units);
    checkMeasured(shape);
    stepsOf(shape, units);
    const wrong = assemblyProblems(shape).map(({ part, message }) => ({
      path: part === undefined ? "assembly" : `parts.${recipe.parts.findIndex((p) => p.id === part)}`,
      message,
    }));
    return wrong.length > 0 ? { recipe, values, problems: wrong } : { recipe, values, problems: [], shape };
  } catch (e) {
    const part = e instanceof ShapeError ? recipe.parts.findIndex((p) => p.id === e.field || p.name === e.field) : -1;
    return {
      recipe,
      values,
      problems: [
        {
          path: part >= 0 ? `parts.${part}` : e instanceof ShapeError && e.field === "kind" ? "kind" : "",
          message: messageOf(e),
        },
      ],
    };
  }
}

/** What keeps a design from being kept beside what ships and what is kept already. */
export function idProblem(recipe: Pick<Recipe, "id">): string | undefined {
  return RECIPES.some((r) => r.id === recipe.id) ? `"${recipe.id}" ships already; choose another id` : undefined;
}

function messageOf(e: unknown): string {
  if (isUnmakeable(e)) return e.message;
  throw e;
}

/** Names said twice, or that formulas already use for something else. */
function namesOf(recipe: Recipe): DesignProblem[] {
  const problems: DesignProblem[] = [];
  const twice = (list: string, key: "name" | "id", of: { name?: string; id?: string }[]) => {
    const seen = new Set<string>();
    of.forEach((x, i) => {
      const name = x[key]!;
      if (seen.has(name)) problems.push({ path: `${list}.${i}.${key}`, message: `"${name}" is there twice` });
      seen.add(name);
      if (key === "name" && (FUNCTION_NAMES.includes(name) || UNIT_NAMES.includes(name)))
        problems.push({ path: `${list}.${i}.name`, message: `"${name}" is a word formulas have already` });
    });
  };
  twice("parameters", "name", recipe.parameters);
  twice("values", "name", recipe.values);
  twice("parts", "id", recipe.parts);
  twice("assembly", "id", recipe.assembly);
  const parts = new Set(recipe.parts.map((p) => p.id));
  const steps = new Set(recipe.assembly.map((s) => s.id));
  recipe.assembly.forEach((step, i) => {
    for (const list of ["joins", "on"] as const)
      (step[list] ?? []).forEach((id, k) => {
        if (!parts.has(id)) problems.push({ path: `assembly.${i}.${list}.${k}`, message: `there is no part "${id}"` });
      });
  });
  recipe.parts.forEach((part, i) => {
    part.features.forEach((f, k) => {
      if (f.after !== undefined && !steps.has(f.after))
        problems.push({ path: `parts.${i}.features.${k}.after`, message: `there is no step "${f.after}"` });
    });
    const to = part.fits?.to;
    if (to !== undefined && to !== "box" && !steps.has(to.step))
      problems.push({ path: `parts.${i}.fits.to.step`, message: `there is no step "${to.step}"` });
  });
  recipe.parameters.forEach((p, i) => {
    if (p.kind === "choice" && !p.choices.some((c) => c.id === p.default))
      problems.push({ path: `parameters.${i}.default`, message: `"${p.default}" is none of its choices` });
  });
  return problems;
}

/** Works every formula out, and keeps only those whose fault is their own. */
function workedOut(placed: Placed[], recipe: Recipe, scope: Scope, values: Map<string, Value>): DesignProblem[] {
  /** Names that do not come out, whatever uses them. */
  const faulty = new Set<string>();
  const named = [...recipe.values.map((v) => v.name), ...recipe.parameters.map((p) => p.name)];
  for (const name of named) if (errorOf(() => scope.working(name))) faulty.add(name);
  const fault = (p: Placed): string | undefined => {
    const parts = typeof p.formula === "string" ? [p.formula] : [p.formula.by, ...Object.values(p.formula.is)];
    for (const text of parts) {
      const bad = errorOf(() => identifiersOf(text));
      if (bad) return bad;
    }
    if ((p.when ?? []).some((w) => errorOf(() => holds(w, scope)) !== undefined || !holds(w, scope))) return undefined;
    const error = errorOf(() => {
      const { value } = scope.evaluate(p.formula);
      as(p.kind, value);
      values.set(p.path, value);
    });
    if (!error || error.includes("leads back to itself")) return error;
    const uses = parts.flatMap((text) => identifiersOf(text));
    return uses.some((n) => faulty.has(n)) ? undefined : error;
  };
  const found = placed.flatMap((p) => {
    const message = fault(p);
    return message ? [{ path: p.path, message }] : [];
  });
  // A ring is said at each formula in it; what only leads into the ring is not at fault.
  const inRing = (message: string, path: string) => {
    const i = /^values\.(\d+)\./.exec(path);
    if (!message.includes("leads back to itself")) return true;
    const ring = message.slice(0, message.indexOf(" leads back")).split(" → ");
    return i !== null && ring.includes(recipe.values[Number(i[1])]!.name);
  };
  const own = found.filter((f) => inRing(f.message, f.path));
  return own.length > 0 ? own : found;
}

function errorOf(work: () => unknown): string | undefined {
  try {
    work();
    return undefined;
  } catch (e) {
    return messageOf(e);
  }
}

function as(kind: Kind, value: Value): void {
  if (kind === "length") toLength(value, "this");
  else if (kind === "count") toCount(value, "this");
  else if (kind === "number") toNumber(value, "this");
  else if (kind === "flag") toFlag(value, "this");
}
