import { kinOf, RECIPES } from "@/core/recipes";
import type { Design } from "@/core/designs/design";
import type { Recipe } from "@/core/recipes/recipe";
import { STANDARDS } from "@/core/standards";
import type { Standard } from "@/core/standards/standard";

/** Something that can be made: an item of a standard in a size. */
export interface Makeable {
  item: string;
  standard: string;
  size: string;
  /** "Body, 14×12 brood" */
  name: string;
  standardName: string;
}

/** True when a standard gives what a recipe needs. */
export function suits(recipe: Recipe, standard: Standard, size: string): boolean {
  const kin = kinOf(standard);
  if (recipe.standards) return recipe.standards.includes(kin);
  if (RECIPES.some((r) => r.id === recipe.id && r.standards?.includes(kin))) return false;
  return recipe.needs.every((n) => standard.values[n] !== undefined || standard.sizes[size]?.values[n] !== undefined);
}

/** Everything that can be made, in the order a maker thinks of it: bodies before frames, common standards first. */
export function makeables(standards: Standard[] = STANDARDS, designs: Design[] = []): Makeable[] {
  const recipes = [...RECIPES, ...designs.map((d) => d.recipe)];
  return standards.flatMap((s) =>
    Object.entries(s.sizes).flatMap(([size, { name }]) =>
      recipes
        .filter((r) => suits(r, s, size))
        .flatMap((r) => {
          // What is the same for every size is listed once.
          const sized = r.needs.some((n) => s.sizes[size]!.values[n] !== undefined);
          if (!sized && size !== s.defaultSize) return [];
          const what = sized ? `${r.name}, ${name}` : r.name;
          return [{ item: r.id, standard: s.id, size, name: what, standardName: s.short }];
        }),
    ),
  );
}

/**
 * Finds what a maker types in short: `nat br 14` is the National 14×12 brood body, `40 lang deep fr` forty Langstroth
 * deep frames. Every word must begin a word of the item, its standard or its size; a first word that is a number is
 * how many. Of two that suit as well, one of a standard in `used` comes first.
 */
export function findMakeable(
  typed: string,
  all: Makeable[],
  used: string[] = [],
): { quantity?: number; found: Makeable[] } {
  const words = typed.toLowerCase().replaceAll("×", "x").split(/\s+/).filter(Boolean);
  const many = words.length > 1 && /^\d{1,6}$/.test(words[0]!) ? Number(words.shift()) : undefined;
  const ranked = all.flatMap((m) => {
    const heads = wordsOf(m);
    // Words of the item's own name: better said than left unsaid.
    const own = split(m.name.split(",")[0]!);
    let unsaid = own;
    // Bodies are what is made most.
    let score = (m.item === "body" ? 0.06 : 0) + (used.includes(m.standard) ? 0.02 : 0);
    for (const w of words) {
      const hit = heads.find((h) => h === w) ?? heads.find((h) => h.startsWith(w));
      if (!hit) return [];
      score += hit === w ? 2 : 1;
      if (own.includes(hit)) score += 0.05;
      unsaid = unsaid.filter((x) => x !== hit);
    }
    return [{ m, score: score - unsaid.length / 10 - heads.length / 1000 }];
  });
  ranked.sort((a, b) => b.score - a.score);
  return { ...(many !== undefined ? { quantity: many } : {}), found: ranked.map((r) => r.m) };
}

const wordsOf = (m: Makeable) => split(`${m.name} ${m.standardName} ${m.standard} ${m.item}`);

function split(text: string): string[] {
  return text
    .toLowerCase()
    .replaceAll("×", "x")
    .split(/[\s,-]+/)
    .filter(Boolean);
}
