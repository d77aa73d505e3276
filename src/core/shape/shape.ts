import { type Length, type Units, nm } from "@/core/length/length";
import { lengthWithUnit } from "@/core/length/format";
import { LengthError, parseLength } from "@/core/length/parse";
import type { PartRecipe, Recipe } from "@/core/recipes/recipe";
import type { Standard } from "@/core/standards/standard";
import { STANDARD_NAMES } from "@/core/standards/words";
import Fraction from "fraction.js";
import { featureIds, shapeFeature } from "@/core/feature/feature";
import {
  type Formula,
  FormulaError,
  type Token,
  type Value,
  amount,
  lengthValue,
  toCount,
  toFlag,
  toLength,
  toNumber,
} from "@/core/formula/formula";
import { type Definition, Scope, type Working } from "@/core/formula/scope";
import type { Part } from "./part";
import { withSides } from "./sides";

/** What a maker chose for a parameter, lengths already read. */
export type OptionValue = Length | number | string | boolean;
export type Options = Record<string, OptionValue>;

/** An item worked out. */
export interface Shape {
  recipe: Recipe;
  standard: Standard;
  size: string;
  /** All it was worked out with, what the job says for every line included. */
  options: Options;
  title: string;
  /** What is made for it. */
  parts: Part[];
  /** What is bought for it and drawn. */
  bought: Part[];
  scope: Scope;
}

/** Names the option or part that cannot be made, what was read and what would be right. */
export class ShapeError extends Error {
  override name = "ShapeError";
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

/** What is thrown where something cannot be made as it is asked: a thing to say, not a slip of the program. */
export const isUnmakeable = (e: unknown): e is Error =>
  e instanceof ShapeError || e instanceof FormulaError || e instanceof LengthError || e instanceof RangeError;

/**
 * Works out an item: recipe + standard + size + options → parts with features, places and workings.
 * Pure; what was \`measured\` on a made thing stands in for the name it has; lengths in nm; each dimension an exact rational rounded once.
 * @throws ShapeError naming the option or part, FormulaError from a recipe that does not hold together.
 */
export function shapeItem(
  recipe: Recipe,
  standard: Standard,
  sizeId: string,
  options: Options,
  units: Units = standard.units,
  measured: Record<string, Length> = {},
): Shape {
  const size = standard.sizes[sizeId];
  if (recipe.standards && !recipe.standards.includes(standard.basedOn ?? standard.id))
    throw new ShapeError(
      "standard",
      `${recipe.name} is made for ${recipe.standards.join(", ")}; read "${standard.id}"`,
    );
  if (!size)
    throw new ShapeError("size", `read "${sizeId}"; ${standard.short} has ${Object.keys(standard.sizes).join(", ")}`);
  const scope = scopeFor(recipe, standard, sizeId, options);
  for (const [name, value] of Object.entries(measured))
    if (scope.has(name))
      scope.define(name, { label: scope.label(name), source: "measured", given: lengthValue(value) });
  checkRanges(recipe, options, scope, units);
  const shaped = (bought: boolean) =>
    recipe.parts
      .filter((p) => (p.bought ?? false) === bought && holds(p.when, scope))
      .map((p) => shapePart(p, scope, units))
      .filter((p) => p.places.length > 0);
  const parts = withSides(shaped(false));
  const bought = withSides(shaped(true));
  if (parts.length === 0) throw new ShapeError("parts", "it has no parts to make");
  const pieces = [...parts, ...bought].reduce((n, p) => n + p.places.length, 0);
  const cuts = parts.reduce((n, p) => n + p.features.reduce((m, f) => m + f.bites.length, 0), 0);
  if (pieces > MOST_PIECES) throw new ShapeError("parts", `${pieces} pieces in one item, at most ${MOST_PIECES}`);
  if (cuts > MOST_CUTS) throw new ShapeError("parts", `${cuts} cuts in one item, at most ${MOST_CUTS}`);
  return {
    recipe,
    standard,
    size: sizeId,
    options,
    // What is the same for every size does not name one.
    title: recipe.needs.some((n) => Object.hasOwn(size.values, n)) ? `${recipe.name}, ${size.name}` : recipe.name,
    scope,
    parts,
    bought,
  };
}

/** True when a condition is absent or holds. */
export function holds(when: Formula | undefined, scope: Scope): boolean {
  return when === undefined || toFlag(scope.evaluate(when).value, "condition");
}

/** A named value of a shape as a length. */
export const lengthOf = (shape: Shape, name: string): Length => lengthNamed(shape.scope, name);

const known = new WeakMap<Standard, Map<string, [string, Definition][]>>();

/** What a standard defines in a size, and by `…OfMedium` in its other sizes; read once. */
function standardNames(standard: Standard, sizeId: string): [string, Definition][] {
  const bySize = known.get(standard) ?? new Map<string, [string, Definition][]>();
  known.set(standard, bySize);
  const found = bySize.get(sizeId);
  if (found) return found;
  const define = (name: string, v: Standard["values"][string], label: string): [string, Definition] => {
    const given = typeof v.value === "number" ? amount(v.value) : lengthValue(parseLength(v.value, standard.units));
    return [name, { label, source: "standard", mark: v.mark, why: v.note, given }];
  };
  const others = Object.entries(standard.sizes).flatMap(([id, other]) =>
    Object.entries(other.values).map(([name, v]) =>
      define(`${name}Of${id[0]!.toUpperCase()}${id.slice(1)}`, v, `${STANDARD_NAMES[name] ?? name}, ${other.name}`),
    ),
  );
  const own = Object.entries({ ...standard.values, ...standard.sizes[sizeId]!.values });
  const given = own.map(([name, v]) => define(name, v, STANDARD_NAMES[name] ?? name));
  // What a recipe puts in the place of a standard's value can still build on it: `standardRestDepth`.
  const behindThem = given.map(([name, d]): [string, Definition] => [
    `standard${name[0]!.toUpperCase()}${name.slice(1)}`,
    d,
  ]);
  const school: [string, Definition] = [
    "standardBeeSpace",
    { label: "bee space of the standard", source: "standard", given: { kind: "word", of: standard.beeSpace } },
  ];
  const boards: [string, Definition] = [
    BOARDS,
    Object.hasOwn(standard.values, "nominalThickness")
      ? { label: BOARDS_LABEL, source: "standard", mark: "arithmetic", formula: "standardNominalThickness" }
      : { label: BOARDS_LABEL, source: "usual", mark: "trade", formula: "3/4*inch" },
  ];
  const metric: [string, Definition] = [
    "metric",
    { label: "sold in millimetres", source: "standard", given: { kind: "flag", of: standard.units === "mm" } },
  ];
  const outside = outsideOf(own.map(([name]) => name));
  const names = [...others, ...given, ...behindThem, ...outside, school, boards, metric];
  bySize.set(sizeId, names);
  return names;
}

/** The outside of a standard's usual body, which floors, covers and rims follow. */
function outsideOf(given: string[]): [string, Definition][] {
  const named = (name: string, label: string, formula: string): [string, Definition] => [
    name,
    { label, source: "standard", mark: "arithmetic", formula },
  ];
  const [length, width] = ["outside length of a body", "outside width of a body"];
  if (given.includes("outsideSquare"))
    return [named("bodyOutsideLength", length, "outsideSquare"), named("bodyOutsideWidth", width, "outsideSquare")];
  if (!["boxInsideLength", "boxInsideWidth", "nominalThickness"].every((n) => given.includes(n))) return [];
  const ends = given.includes("endThickness") ? "standardEndThickness" : "standardNominalThickness";
  return [
    named("bodyOutsideLength", length, `standardBoxInsideLength + 2 * ${ends}`),
    named("bodyOutsideWidth", width, "standardBoxInsideWidth + 2 * standardNominalThickness"),
  ];
}

/**
 * The thickness of the boards things are made from: the standard's usual stock, or what the job says it has. It is no choice of a
 * recipe; a job gives it among the options, and recipes build on it.
 */
export const BOARDS = "boardThickness";
const BOARDS_LABEL = "boards, as they measure";
/** What a thing is made of, a job gives among the options too; few recipes ask for it. */
export const WOOD = "wood";

/** Most pieces in one item, and most cuts: more is a slip of a formula. */
const MOST_PIECES = 2000;
const MOST_CUTS = 4000;

/** Names in order of strength: what is asked, the recipe's own values, the standard's, the parameter's usual choice. */
export function scopeFor(recipe: Recipe, standard: Standard, sizeId: string, options: Options): Scope {
  const scope = new Scope();
  for (const [name, definition] of standardNames(standard, sizeId)) scope.define(name, definition);
  const boards = options[BOARDS];
  if (typeof boards === "number")
    scope.define(BOARDS, { label: BOARDS_LABEL, source: "asked", given: lengthValue(boards as Length) });
  const wood = options[WOOD];
  if (typeof wood === "string" && !recipe.parameters.some((p) => p.name === WOOD))
    scope.define(WOOD, { label: WOOD, source: "asked", given: { kind: "word", of: wood } });
  for (const need of recipe.needs)
    if (!scope.has(need))
      throw new ShapeError(
        "standard",
        `${standard.short} gives no ${STANDARD_NAMES[need] ?? need}, so it has no ${recipe.name.toLowerCase()}`,
      );
  for (const v of recipe.values)
    scope.define(v.name, { label: v.label, source: "worked out", mark: v.mark, why: v.why, formula: v.formula });
  for (const p of recipe.parameters) {
    const label = p.label.toLowerCase();
    const asked = options[p.name];
    if (asked !== undefined) scope.define(p.name, { label, source: "asked", given: optionValue(p.kind, asked) });
    else if (p.kind === "choice")
      scope.define(p.name, { label, source: "usual", given: { kind: "word", of: usualChoice(p, standard) } });
    else if (p.kind === "flag")
      scope.define(p.name, { label, source: "usual", given: { kind: "flag", of: p.default } });
    else if (p.default !== undefined && !scope.has(p.name))
      scope.define(p.name, { label, source: "usual", mark: p.mark, why: p.hint, formula: p.default });
    else if (!scope.has(p.name))
      throw new FormulaError(`${recipe.id}: ${p.name} has no default and ${standard.short} does not give it`);
  }
  return scope;
}

/** What a standard's makers usually choose, where the recipe knows that choice. */
function usualChoice(p: Extract<Recipe["parameters"][number], { kind: "choice" }>, standard: Standard): string {
  const usual = p.name === "beeSpace" ? standard.beeSpace : standard.usual?.[p.name];
  return usual !== undefined && p.choices.some((c) => c.id === usual) ? usual : p.default;
}

function optionValue(kind: Recipe["parameters"][number]["kind"], asked: OptionValue): Value {
  if (typeof asked === "string") return { kind: "word", of: asked };
  if (typeof asked === "boolean") return { kind: "flag", of: asked };
  return kind === "length" ? lengthValue(asked as Length) : amount(new Fraction(String(asked)));
}

function checkRanges(recipe: Recipe, options: Options, scope: Scope, units: Units): void {
  for (const p of recipe.parameters) {
    // What follows from the job's boards was not asked here, but has to be makeable all the same.
    const asked =
      options[p.name] ??
      (options[BOARDS] !== undefined && p.kind === "length" ? lengthNamed(scope, p.name) : undefined);
    if (asked === undefined || typeof asked !== "number" || p.kind === "choice" || p.kind === "flag") continue;
    if (p.kind !== "length") {
      if (asked < p.min || asked > p.max)
        throw new ShapeError(p.name, `${p.label}: read ${asked}, wanted ${p.min} to ${p.max}`);
      continue;
    }
    const say = (l: Length) => lengthWithUnit(l, units);
    const bound = (f: Formula) => toLength(scope.evaluate(f).value, p.name);
    if (p.min !== undefined && asked < bound(p.min))
      throw new ShapeError(p.name, `${p.label}: read ${say(asked as Length)}, at least ${say(bound(p.min))}`);
    if (p.max !== undefined && asked > bound(p.max))
      throw new ShapeError(p.name, `${p.label}: read ${say(asked as Length)}, at most ${say(bound(p.max))}`);
  }
}

const lengthNamed = (scope: Scope, name: string) => toLength(scope.working(name).value, name);

function shapePart(recipe: PartRecipe, scope: Scope, units: Units): Omit<Part, "sides"> {
  const dimension = (which: "length" | "width" | "thickness", formula: Formula): Working => {
    const worked = scope.evaluate(formula);
    const base = behind(worked, scope);
    const why = (which !== "thickness" && recipe.why?.[which]) || base?.why;
    return {
      name: `${recipe.id}.${which}`,
      label: `${recipe.name}, ${which}`,
      source: base?.source ?? "worked out",
      mark: base?.mark ?? "arithmetic",
      value: worked.value,
      formula: base?.formula ?? worked.formula,
      tokens: base?.tokens ?? worked.tokens,
      why,
    };
  };
  const working = {
    length: dimension("length", recipe.length),
    width: dimension("width", recipe.width),
    thickness: dimension("thickness", recipe.thickness),
  };
  const size = {
    l: toLength(working.length.value, `${recipe.name} length`),
    w: toLength(working.width.value, `${recipe.name} width`),
    t: toLength(working.thickness.value, `${recipe.name} thickness`),
  };
  for (const [axis, word] of [
    ["l", "long"],
    ["w", "wide"],
    ["t", "thick"],
  ] as const)
    if (size[axis] <= 0)
      throw new ShapeError(
        recipe.id,
        `${recipe.name} comes out ${lengthWithUnit(size[axis], units)} ${word}; it must be more than nothing`,
      );
  const material = recipe.material ?? "wood";
  const cuts = recipe.features.filter((f) => holds(f.when, scope));
  const ids = featureIds(cuts.map((f) => f.name));
  return {
    id: recipe.id,
    name: recipe.name,
    role: recipe.role,
    outside: recipe.outside,
    material,
    block: recipe.block ?? false,
    size,
    cut: recipe.allowance
      ? { ...size, w: nm(size.w + toLength(scope.evaluate(recipe.allowance).value, "allowance")) }
      : size,
    features: cuts.map((f, i) => shapeFeature(f, ids[i]!, scope, { size, material })),
    ...(recipe.fits ? { fits: recipe.fits } : {}),
    places: recipe.places.flatMap((p) => placesOf(p, recipe.name, scope)),
    working,
  };
}

/** Most of one part in a row: more is a slip of a formula. */
const MOST_PLACES = 400;

function placesOf(p: PartRecipe["places"][number], name: string, scope: Scope): Part["places"] {
  const point = (of: [Formula, Formula, Formula]) => of.map((f) => toLength(scope.evaluate(f).value, `${name} place`));
  const [at, step] = [point(p.at), p.step ? point(p.step) : [0, 0, 0]];
  const times = p.times === undefined ? 1 : toCount(scope.evaluate(p.times).value, `${name}, how many`);
  if (times > MOST_PLACES) throw new ShapeError(name, `${name}: ${times} in a row, at most ${MOST_PLACES}`);
  const lean = p.lean === undefined ? 0 : (toNumber(scope.evaluate(p.lean).value, "lean") * Math.PI) / 180;
  const dir = { l: p.l, w: p.w, t: p.t };
  return Array.from({ length: times }, (_, i) => {
    const [x, y, z] = at.map((a, axis) => nm(a + i * step[axis]!)) as [Length, Length, Length];
    return { at: { x, y, z }, dir, ...(lean === 0 ? {} : { lean }) };
  });
}

/** The working behind a formula that is only a name: the first one down the line that has anything to work out. */
function behind({ tokens }: { tokens: Token[] }, scope: Scope): Working | undefined {
  const [only] = tokens;
  if (tokens.length !== 1 || !only || "op" in only || only.name === undefined) return undefined;
  const working = scope.working(only.name);
  return (working.tokens && behind({ tokens: working.tokens }, scope)) ?? working;
}

/** A named value as the length it is, or undefined when it is a word, a flag or a count. */
export function asLength(w: Working): Length | undefined {
  return w.value.kind === "amount" && w.value.dim === 1 ? nm(Number(w.value.of.round().valueOf())) : undefined;
}
