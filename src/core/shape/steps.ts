import type { Part } from "./part";
import type { Hazard } from "@/core/feature/hazard";
import type { Station } from "@/core/feature/machine";
import { FormulaError, toLength } from "@/core/formula/formula";
import type { Units } from "@/core/length/length";
import type { StepRecipe } from "@/core/recipes/recipe";
import { chooseScrew, type Screw } from "./screws";
import { holds, type Shape } from "./shape";

/** So much of one bought thing, for one item: pieces, m² of something sold by area, m of something sold by length. */
export interface Use {
  what: string;
  quantity: number;
  unit: "each" | "m2" | "m";
  /** Grams of it a square metre takes. */
  grams?: number;
  spare: number;
  /** Where it goes, where the step takes others like it. */
  where?: string;
  screw?: Screw;
}

/** A step of putting one item together, worked out: only what applies to what was chosen. */
export interface Step {
  id: string;
  name: string;
  text: string;
  station: Station;
  joins: Part[];
  on: Part[];
  /** Nothing is cut into those before. */
  uncut: boolean;
  uses: Use[];
  people: number;
  setup: number;
  each: number;
  wait: number;
  lot?: number;
  hazard?: Hazard;
  check?: string;
  mistakes: string[];
}

const known = new WeakMap<Shape, Map<Units, Step[]>>();

/** The steps of an item in the order they are done; screws are called as they are sold in these units. @throws FormulaError */
export function stepsOf(shape: Shape, units: Units): Step[] {
  const byUnits = known.get(shape) ?? new Map<Units, Step[]>();
  known.set(shape, byUnits);
  const found =
    byUnits.get(units) ??
    shape.recipe.assembly.filter((s) => holds(s.when, shape.scope)).map((s) => stepOf(s, shape, units));
  byUnits.set(units, found);
  return found;
}

function stepOf(recipe: StepRecipe, shape: Shape, units: Units): Step {
  const parts = (ids: string[] = []) => shape.parts.filter((p) => ids.includes(p.id));
  return {
    id: recipe.id,
    name: recipe.name,
    text: recipe.text,
    station: recipe.station,
    joins: parts(recipe.joins),
    on: parts(recipe.on),
    uncut: recipe.uncut ?? false,
    uses: (recipe.uses ?? []).filter((u) => holds(u.when, shape.scope)).map((u) => useOf(u, shape, units)),
    people: recipe.people ?? 1,
    setup: recipe.setup,
    each: recipe.each,
    wait: recipe.wait ?? 0,
    ...(recipe.lot === undefined ? {} : { lot: recipe.lot }),
    ...(recipe.hazard ? { hazard: recipe.hazard } : {}),
    ...(recipe.check ? { check: recipe.check } : {}),
    mistakes: (recipe.mistakes ?? []).flatMap((m) =>
      typeof m === "string" ? [m] : holds(m.when, shape.scope) ? [m.text] : [],
    ),
  };
}

/** Up to the next of so many parts: what a person adds up from the figures shown comes to what is shown. */
const upTo = (x: number, parts: number) => Math.ceil(x * parts - 1e-6) / parts;

/** An area in nm² as m², up to a whole square centimetre. */
export const wholeCm2 = (nm2: number): number => upTo(nm2 / 1e18, 1e4);

function useOf(use: NonNullable<StepRecipe["uses"]>[number], shape: Shape, units: Units): Use {
  const { value } = shape.scope.evaluate(use.count);
  const [dim, called] = ({ each: [0, "number"], m: [1, "length"], m2: [2, "area"] } as const)[use.unit];
  if (value.kind !== "amount" || (value.dim !== dim && !value.of.equals(0)))
    throw new FormulaError(`${use.what}: how much of it is no ${called}`);
  const of = value.of.valueOf();
  const quantity = Math.max(0, use.unit === "m2" ? wholeCm2(of) : upTo(use.unit === "m" ? of / 1e9 : of, 1e3));
  const length = (f: Parameters<typeof shape.scope.evaluate>[0]) => toLength(shape.scope.evaluate(f).value, use.what);
  const screw =
    use.screw &&
    chooseScrew(length(use.screw.through), length(use.screw.into), use.screw.grain, units, use.screw.light);
  return {
    what: [use.what, screw?.size ?? use.sold?.[units]].filter(Boolean).join(", "),
    quantity,
    unit: use.unit,
    spare: use.spare,
    ...(use.grams === undefined ? {} : { grams: use.grams }),
    ...(use.where ? { where: use.where } : {}),
    ...(screw ? { screw } : {}),
  };
}

/**
 * What is wrong with the assembly of an item of several parts: every part is joined at one step, after it was worked on and
 * cut; every step a cut waits for is there and comes before the part is joined.
 */
export function assemblyProblems(shape: Shape): { part?: string; message: string }[] {
  const steps = shape.recipe.assembly.filter((s) => holds(s.when, shape.scope));
  const at = (id: string) => steps.findIndex((s) => s.id === id);
  const problems: { part?: string; message: string }[] = [];
  for (const part of shape.parts) {
    const joins = steps.flatMap((s, i) => (s.joins?.includes(part.id) ? [i] : []));
    if (shape.parts.length > 1 && joins.length !== 1)
      problems.push({
        part: part.id,
        message: joins.length === 0 ? `no step joins ${part.name}` : `${part.name} is joined at ${joins.length} steps`,
      });
    const joined = joins[0] ?? steps.length;
    const before = [
      ...part.features.flatMap((f) => f.after ?? []),
      ...(part.fits && part.fits.to !== "box" ? [part.fits.to.step] : []),
    ];
    for (const id of before)
      if (at(id) < 0 || at(id) >= joined)
        problems.push({
          part: part.id,
          message: `${part.name} waits for "${id}", which is no step before it is joined`,
        });
    if (steps.some((s, i) => i > joined && s.on?.includes(part.id)))
      problems.push({ part: part.id, message: `${part.name} is worked on after it is joined` });
  }
  return problems;
}
