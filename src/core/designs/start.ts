import { RECIPES } from "@/core/recipes";
import type { Recipe } from "@/core/recipes/recipe";

/** An id from a name: small letters, digits, dashes; never one that ships or is taken. */
export function designId(name: string, taken: string[]): string {
  const plain =
    name
      .toLowerCase()
      .normalize("NFKD")
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 30) || "own-design";
  const all = new Set([...taken, ...RECIPES.map((r) => r.id)]);
  for (let n = 1; ; n++) {
    const id = n === 1 ? plain : `${plain}-${n}`;
    if (!all.has(id)) return id;
  }
}

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
      role: "board",
      length: "10*inch",
      width: "4*inch",
      thickness: "3/4*inch",
      features: [],
      places: [{ at: ["0*inch", "0*inch", "3/4*inch"], l: "+x", w: "+y", t: "-z" }],
    },
  ],
  hardware: [],
  operations: [],
  steps: [],
  mistakes: [],
  demands: [],
});

/** A copy of a recipe under a name of its own; the fit rules know it as what it was copied from. */
export const designFrom = (recipe: Recipe, name: string, taken: string[]): Recipe => ({
  ...structuredClone(recipe),
  id: designId(name, taken),
  name,
  basedOn: recipe.basedOn ?? recipe.id,
});
