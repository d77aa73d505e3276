import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { jobProblems } from "@/core/job/file";
import { findingsDocument } from "@/core/fit/document";
import { cutListDocument } from "@/core/line/cutlist";
import type { JobLine } from "@/core/line/line";
import { nm } from "@/core/length/length";
import { toLength } from "@/core/formula/formula";
import { RECIPES, recipeFor } from "@/core/recipes";
import type { Parameter, Recipe } from "@/core/recipes/recipe";
import { emptyWeight } from "@/core/hive/weigh";
import { storyStick } from "@/core/drawing/stick";
import { scopeFor, type Options } from "@/core/shape/shape";
import { assemblyProblems, stepsOf } from "@/core/shape/steps";
import { view } from "@/core/shape/assembly";
import { STANDARDS } from "@/core/standards";
import type { Standard } from "@/core/standards/standard";

/** Numbers that are the same on every machine: mulberry32. */
export function chance(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A value anywhere in a parameter's range, its ends as often as all between. */
function anyValue(p: Parameter, scope: ReturnType<typeof scopeFor>, random: () => number): Options[string] | undefined {
  const between = (a: number, b: number) => {
    const r = random();
    return r < 0.2 ? a : r < 0.4 ? b : a + random() * (b - a);
  };
  if (p.kind === "choice") return p.choices[Math.floor(random() * p.choices.length)]!.id;
  if (p.kind === "flag") return random() < 0.5;
  if (p.kind === "count") return Math.round(between(p.min, p.max));
  if (p.kind === "number") return between(p.min, p.max);
  try {
    const bound = (f: NonNullable<typeof p.min>) => toLength(scope.evaluate(f).value, p.name);
    const [min, max] = [
      p.min === undefined ? nm(1) : bound(p.min),
      p.max === undefined ? nm(2_540_000_000) : bound(p.max),
    ];
    return nm(Math.round(between(min, Math.max(min, max))));
  } catch {
    return undefined;
  }
}

/** A line of any item in any standard that has it, a few of its options anywhere in their ranges. */
export function anyLine(random: () => number, recipes: Recipe[] = RECIPES, standards: Standard[] = STANDARDS): JobLine {
  for (;;) {
    const recipe = recipes[Math.floor(random() * recipes.length)]!;
    const standard = standards[Math.floor(random() * standards.length)]!;
    const sizes = Object.keys(standard.sizes);
    const size = sizes[Math.floor(random() * sizes.length)]!;
    if (recipeFor(recipe.id, standard) !== recipe || (recipe.standards && !recipe.standards.includes(standard.id)))
      continue;
    const options: Options = {};
    const many = random() < 0.3 ? 1 : 0.25;
    for (const p of recipe.parameters) {
      if (random() > many) continue;
      try {
        const value = anyValue(p, scopeFor(recipe, standard, size, options), random);
        if (value !== undefined) options[p.name] = value;
      } catch {
        // the standard does not give what the item needs: refused below, by name
      }
    }
    return { item: recipe.id, standard: standard.id, size, quantity: 1 + Math.floor(random() * 50), options };
  }
}

/** What a job says when everything is asked of it; a refusal names the field and what would be right. @throws on any other fault */
export function everythingOf(lines: JobLine[], units: "in" | "mm"): "refused" | "answered" {
  const job: Job = { ...emptyJob("x", units), lines };
  const problems = jobProblems(job);
  if (problems.length > 0) {
    for (const p of problems)
      if (!p.message || /NaN|undefined|Infinity/.test(p.message)) throw new Error(`says ${p.message}`);
    return "refused";
  }
  const worked = workJob(job);
  const said = JSON.stringify([findingsDocument(worked.findings, units), cutListDocument(worked.lines, units)]);
  const wrong = /NaN|Infinity|"valueMm":null|undefined/.exec(said);
  if (wrong) throw new Error(`${wrong[0]} in …${said.slice(Math.max(0, wrong.index - 120), wrong.index + 40)}`);
  for (const line of worked.lines) {
    stepsOf(line.shape, units);
    const bad = assemblyProblems(line.shape);
    if (bad.length > 0) throw new Error(bad[0]!.message);
    if (!Number.isFinite(emptyWeight(line.shape))) throw new Error("its weight is no number");
    storyStick(worked.lines, line.at);
    view(line.shape, "y");
  }
  return "answered";
}

/** So many jobs of one to three lines; how many were answered, how many refused by name. @throws on any other fault, with the job */
export function huntJobs(jobs: number): { answered: number; refused: number } {
  const random = chance(20270208);
  const count = { answered: 0, refused: 0 };
  for (let n = 0; n < jobs; n++) {
    const lines = Array.from({ length: 1 + Math.floor(random() * 3) }, () => anyLine(random));
    try {
      count[everythingOf(lines, random() < 0.5 ? "in" : "mm")]++;
    } catch (e) {
      throw new Error(`${JSON.stringify(lines)}: ${(e as Error).stack}`, { cause: e });
    }
  }
  return count;
}
