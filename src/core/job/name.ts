import type { JobLine } from "@/core/line/line";
import { findRecipe, kinOf } from "@/core/recipes";
import { findStandard } from "@/core/standards";
import type { Job } from "./job";

/** So many things are named; the rest is only counted. */
const NAMED = 3;

/** One thing as many: `body` is `bodies`, `feed rim with inner board` is `feed rims with inner board`. */
export function plural(name: string): string {
  const [, head, rest] = /^(.*?)((?:\s+(?:with|without|for|of)\s+.*|,.*)?)$/s.exec(name)!;
  const many = head!.endsWith("s")
    ? head!
    : /(x|ch|sh)$/.test(head!)
      ? `${head}es`
      : /[^aeiou]y$/.test(head!)
        ? `${head!.slice(0, -1)}ies`
        : `${head}s`;
  return `${many}${rest}`;
}

/** A job's things as one says them: `40 deep bodies, 400 deep frames`; its standards where it has several. */
export function contentOf({ lines, standards, designs }: Pick<Job, "lines" | "standards" | "designs">): string {
  const several = new Set(lines.map((l) => l.standard)).size > 1;
  const said = new Map<string, number>();
  const add = (what: string, n: number) => said.set(what, (said.get(what) ?? 0) + n);
  for (const l of lines) add(nameOf(l, several), l.quantity);
  const all = [...said].map(([what, n]) => `${n} ${n === 1 ? what : plural(what)}`);
  const more = all.length - NAMED;
  return `${all.slice(0, NAMED).join(", ")}${more > 0 ? ` and ${more} more` : ""}`;

  function nameOf(l: JobLine, withStandard: boolean): string {
    const standard = standards.find((s) => s.id === l.standard) ?? findStandard(l.standard);
    const recipe = designs.find((d) => d.recipe.id === l.item)?.recipe ?? findRecipe(l.item, standard && kinOf(standard)); // prettier-ignore
    if (!recipe) return l.item;
    const sized = recipe.needs.some((n) => standard?.sizes[l.size]?.values[n] !== undefined);
    const size = sized && Object.keys(standard?.sizes ?? {}).length > 1 ? standard!.sizes[l.size]!.name : "";
    const [first = "", ...others] = recipe.name.split(" ");
    const name = [first.toLowerCase(), ...others].join(" ");
    return [withStandard ? standard?.short : "", size, name].filter(Boolean).join(" ");
  }
}

/** What a job is called until somebody names it: after what is in it. */
export const namedByContent = (job: Pick<Job, "lines" | "standards" | "designs">): string => {
  const name = contentOf(job) || "New job";
  return name.charAt(0).toUpperCase() + name.slice(1, 120);
};
