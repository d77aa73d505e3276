import { freeId } from "@/core/standards/naming";
import { RECIPES } from "@/core/recipes";
import type { Recipe } from "@/core/recipes/recipe";

/** An id for a design: never one that ships or is taken. */
export const designId = (name: string, taken: string[]): string =>
  freeId(name, "own-design", [...taken, ...RECIPES.map((r) => r.id)]);

/** A design with nothing but one board, to build on. */
export const designFromNothing = (name: string, taken: string[]): Recipe => ({
  id: designId(name, taken),
  name,
  family: "own",
  kind: "other",
  about: "",
  needs: [],
  parameters: [],
  values: [],
  parts: [
    {
      id: "board",
      name: "Board",
      role: "part",
      length: "10*inch",
      width: "4*inch",
      thickness: "3/4*inch",
      features: [],
      places: [{ at: ["0*inch", "0*inch", "3/4*inch"], l: "+x", w: "+y", t: "-z" }],
    },
  ],
  assembly: [],
  demands: [],
});

/** A copy of a recipe under a name of its own; the fit rules know it as what it was copied from. */
export const designFrom = (recipe: Recipe, name: string, taken: string[]): Recipe => ({
  ...structuredClone(recipe),
  id: designId(name, taken),
  name,
  called: undefined,
  basedOn: recipe.basedOn ?? recipe.id,
});
