import { body } from "./bodies/body";
import { frame } from "./frames/frame";
import { type Recipe, recipeSchema } from "./recipe";

/** Every recipe that ships, checked once at load. A new item is one more file and one more line here. */
export const RECIPES: Recipe[] = [body, frame].map((r) => recipeSchema.parse(r));

export function findRecipe(id: string): Recipe | undefined {
  return RECIPES.find((r) => r.id === id);
}
