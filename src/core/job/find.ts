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
  /** What else the trade calls the item. */
  called: string[];
  family: string;
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
          return [
            {
              item: r.id,
              standard: s.id,
              size,
              name: what,
              standardName: s.short,
              called: r.called ?? [],
              family: r.family,
            },
          ];
        }),
    ),
  );
}

/** Number words a maker writes. */
const NUMBERS: Record<string, number> = {
  one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10, eleven: 11, twelve: 12,
  twenty: 20, thirty: 30, forty: 40, fifty: 50, hundred: 100,
}; // prettier-ignore
/** Words that say nothing of what it is. */
const SMALL = ["a", "an", "the", "of", "for", "with", "some", "pcs", "x", "and"];
/** A box of the brood is the deeper, a super the shallower of a standard, whatever it calls its sizes. */
const SIZES: Record<string, string[]> = { deep: ["brood"], medium: ["super"], shallow: ["super"] };
/** And the other way round, said less often: a National super is shallow. */
const ALSO: Record<string, string[]> = { brood: ["deep"], super: ["shallow"] };

/** Number words as figures. */
const numbered = (words: string[]) => words.map((w) => (Object.hasOwn(NUMBERS, w) ? String(NUMBERS[w]) : w));

/** One thing as other than many: boxes, bodies, covers. */
export const single = (word: string): string =>
  word.length < 4 || /(ss|us)$/.test(word)
    ? word
    : word
        .replace(/ies$/, "y")
        .replace(/(x|ch|sh)es$/, "$1")
        .replace(/s$/, "");

/**
 * Finds what a maker types, in any order: `nat br 14` is the National 14×12 brood body, `40 lang deep fr` and `deep frames lang 40`
 * forty Langstroth deep frames, `queen excluder` the framed excluder. Every word must begin a word of the item, of what else the
 * trade calls it, of its standard or its size; a number that does not is how many. Of things that suit as well, one of a
 * standard in `used` comes first.
 */
export function findMakeable(
  typed: string,
  all: Makeable[],
  used: string[] = [],
): { quantity?: number; found: Makeable[] } {
  const words = numbered(split(typed)).filter((w) => !SMALL.includes(w));
  const readings = readingsOf(words);
  for (const { quantity, said } of readings) {
    const found = ranked(said, all, used);
    if (found.length > 0 || words.length === 0) return { ...(quantity === undefined ? {} : { quantity }), found };
  }
  return { found: [] };
}

/**
 * Why nothing is called so, where it is for the standard: of `12 national nuc boxes` that a nuc is not made to National, but to others.
 */
export function madeElsewhere(typed: string, all: Makeable[]): string | undefined {
  const words = numbered(split(typed)).filter((w) => !SMALL.includes(w));
  const of = (w: string) => all.filter((m) => w.length > 2 && split(m.standardName).some((h) => h.startsWith(w)));
  const [said, rest] = [words.filter((w) => of(w).length > 0), words.filter((w) => of(w).length === 0)];
  const found = said.length > 0 && rest.some((w) => Number.isNaN(Number(w))) ? findMakeable(rest.join(" "), all).found : []; // prettier-ignore
  if (!found[0]) return undefined;
  const { item, name } = found[0];
  const standards = [...new Set(found.filter((m) => m.item === item).map((m) => m.standardName))];
  const [asked, others] = [of(said[0]!)[0]!.standardName, standards.length - 3];
  const to = standards.slice(0, 3).join(", ");
  return `no ${name.split(",")[0]!.toLowerCase()} is made to ${asked}, but to ${to}${others > 0 ? ` and ${others} more` : ""}`;
}

/** How the numbers in it can be meant, the likeliest first: `ten frame deep` is a box of ten frames, a number in front how many. */
function readingsOf(words: string[]): { quantity?: number; said: string[] }[] {
  const number = (w: string | undefined) => (w !== undefined && /^\d{1,6}$/.test(w) ? Number(w) : undefined);
  const without = (i: number) => words.filter((_, k) => k !== i);
  const out: { quantity?: number; said: string[] }[] = [];
  const box = words.findIndex((w, i) => number(w) !== undefined && number(w)! <= 12 && words[i + 1] === "frame" && words.length > 2); // prettier-ignore
  if (box >= 0) {
    const said = words.filter((_, k) => k !== box + 1);
    out.push(...readingsOf(said).filter((r) => r.said.includes(words[box]!)));
  }
  const quantity = (i: number) => out.push({ quantity: number(words[i])!, said: without(i) });
  // Four-way is a kind of floor; a number after what is said of many, or said again, is how many.
  const many = (i: number) => words[i - 1] !== single(words[i - 1]!) || words.indexOf(words[i]!) < i;
  if (number(words[0]) !== undefined && words.length > 1 && words[1] !== "way") quantity(0);
  words.forEach((w, i) => {
    if (i > 0 && number(w) !== undefined && many(i)) quantity(i);
  });
  out.push({ said: words });
  words.forEach((w, i) => {
    if (i > 0 && number(w) !== undefined && !many(i)) quantity(i);
  });
  return out;
}

function ranked(words: string[], all: Makeable[], used: string[]): Makeable[] {
  const phrase = words.map(single).join(" ");
  return all
    .flatMap((m) => {
      const { own, heads, other, called, names } = wordsOf(m);
      let unsaid = own;
      // Bodies are what is made most.
      let score =
        (m.item === "body" ? 0.06 : 0) +
        (words.map(single).includes(single(m.family)) ? 0.2 : 0) +
        (used.includes(m.standard) ? 0.08 : 0);
      if (called.some((c) => ` ${phrase} `.includes(` ${c} `))) score += 1.5;
      for (const w of words) {
        const find = (list: string[]) => list.find((h) => h === w) ?? list.find((h) => h === single(w)) ?? list.find((h) => h.startsWith(w)); // prettier-ignore
        const named = find(heads) ?? find(heads.flatMap((h) => SIZES[h] ?? []));
        const hit = named ?? find(other) ?? find(heads.flatMap((h) => ALSO[h] ?? []));
        if (!hit) return [];
        const whole = hit === w || hit === single(w);
        // What it is called elsewhere counts for less than its own name.
        score += named ? (whole ? 2 : 1) : whole ? 1.2 : 0.6;
        if (own.includes(hit)) score += 0.05;
        unsaid = unsaid.filter((x) => x !== hit);
      }
      return [{ m, score: score - unsaid.length / 10 - names / 1000 }];
    })
    .sort((a, b) => b.score - a.score)
    .map((r) => r.m);
}

const known = new WeakMap<Makeable, ReturnType<typeof splitUp>>();

/** The words a thing is found by; they are the same at every letter typed. */
function wordsOf(m: Makeable): ReturnType<typeof splitUp> {
  const found = known.get(m) ?? splitUp(m);
  known.set(m, found);
  return found;
}

const splitUp = (m: Makeable) => ({
  own: numbered(split(m.name.split(",")[0]!)).map(single),
  heads: headsOf(m),
  other: [...new Set(numbered(m.called.flatMap(split)).map(single))],
  names: split(m.name).length,
  called: m.called.map((c) => split(c).map(single).join(" ")),
});

function headsOf(m: Makeable): string[] {
  // Every nuc is a box: only of bodies does a size called so say which.
  const words = split(`${m.name} ${m.standardName} ${m.standard} ${m.item}`).filter((w) => w !== "box" || m.item === "body" || m.item.includes(w)); // prettier-ignore
  // A four-way floor is found by `4` and by `fou`.
  return [...numbered(words), ...words.filter((w) => Object.hasOwn(NUMBERS, w))].map(single);
}

function split(text: string): string[] {
  return text
    .toLowerCase()
    .replaceAll("×", "x")
    .replace(/['’"]/g, "")
    .split(/[\s,\-/.]+/)
    .filter(Boolean);
}
