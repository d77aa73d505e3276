import { z } from "zod";
import { recipeFor } from "@/core/recipes";
import { type Recipe, recipeSchema } from "@/core/recipes/recipe";
import type { Standard } from "@/core/standards/standard";

/** A recipe of the maker's own at one of its marks, with why that mark was made. */
export interface Design {
  recipe: Recipe;
  mark: number;
  why: string;
}

/** One mark as it is kept, and what was noticed of it in use. */
export interface KeptMark extends Design {
  madeAt: string;
  notes: { text: string; at: string }[];
}

export const MOST_DESIGNS = 50;
/** A design file is at most so long, in bytes. */
export const MOST_BYTES = 256 * 1024;

export const designSchema = z.strictObject({
  format: z.literal("rundik-design"),
  version: z.literal(1),
  mark: z.number().int().min(1).max(9999),
  why: z.string().max(500),
  recipe: recipeSchema,
});

/** A design as the file that reads back the same. */
export const writeDesign = ({ recipe, mark, why }: Design): z.input<typeof designSchema> => ({
  format: "rundik-design",
  version: 1,
  mark,
  why,
  recipe,
});

/** What of the maker's own a job carries. */
export interface MakersOwn {
  standards: Standard[];
  designs: Design[];
}

/** How an item is made: by a design of the maker's own of that id, otherwise by the recipe that ships. */
export const recipeOf = (
  id: string,
  standard: Standard | undefined,
  own: Pick<MakersOwn, "designs">,
): Recipe | undefined => own.designs.find((d) => d.recipe.id === id)?.recipe ?? recipeFor(id, standard);

/** What a mark is called: I, II, III, IV … */
export function markName(mark: number): string {
  const numerals: [number, string][] = [
    [1000, "M"],
    [900, "CM"],
    [500, "D"],
    [400, "CD"],
    [100, "C"],
    [90, "XC"],
    [50, "L"],
    [40, "XL"],
    [10, "X"],
    [9, "IX"],
    [5, "V"],
    [4, "IV"],
    [1, "I"],
  ];
  let left = mark;
  return numerals.reduce((text, [value, letters]) => {
    const times = Math.floor(left / value);
    left -= times * value;
    return text + letters.repeat(times);
  }, "");
}
