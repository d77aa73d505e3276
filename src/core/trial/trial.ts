import { usually } from "@/core/fit/bands";
import { recipeFor } from "@/core/recipes";
import type { Recipe } from "@/core/recipes/recipe";
import { exploded } from "@/core/drawing/exploded";
import { faceOf } from "@/core/drawing/face";
import { storyStick } from "@/core/drawing/stick";
import { NOT_JUDGED } from "@/core/fit/lines";
import { judgeStack } from "@/core/fit/stack";
import { warmth } from "@/core/hive/warmth";
import { weigh } from "@/core/hive/weigh";
import { layoutRequest } from "@/core/job/ask";
import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { anyStock } from "@/core/layout/anystock";
import { layOut } from "@/core/layout/layout";
import { cutListDocument } from "@/core/line/cutlist";
import type { JobLine } from "@/core/line/line";
import type { WorkedLine } from "@/core/line/shapes";
import { standingOf } from "@/core/line/standing";
import { costOf } from "@/core/order/cost";
import { orderDocument } from "@/core/order/document";
import { orderOf } from "@/core/order/order";
import { planDocument, planOf } from "@/core/plan/plan";
import { JobFileError } from "@/core/problem/problem";
import { isUnmakeable } from "@/core/shape/shape";
import { section, view } from "@/core/shape/assembly";
import type { Standard } from "@/core/standards/standard";

/**
 * What keeps an item from being worked with, in a sentence: its shape, fit, weight, drawings, layout, order and plan are all tried.
 * Nothing when all of it comes out. What is stored has passed this, so that no page of it fails to open.
 */
export function trial(line: JobLine, { standards, designs }: Pick<Job, "standards" | "designs">): string | undefined {
  const job: Job = {
    ...emptyJob("trial", "in"),
    start: "2027-01-04",
    lines: [{ ...line, quantity: 1 }],
    standards,
    designs,
  };
  try {
    const { lines, faults, findings } = workJob(job);
    if (faults[0]) return faults[0].message;
    const judged = findings.find((f) => f.rule === NOT_JUDGED);
    if (judged) return judged.text;
    drawn(lines);
    stood(lines);
    const worked = workJob({ ...job, stock: anyStock(lines) });
    cutListDocument(worked.lines, "in");
    const layout = layOut(layoutRequest(worked), () => 0);
    if (layout.missing[0]) return `${layout.missing[0].blank.name} comes from no board or sheet there could be`;
    const order = orderOf(worked, layout);
    orderDocument(order, costOf(worked, layout, order));
    planDocument(planOf(worked, layout));
    return undefined;
  } catch (e) {
    // Whatever it is that some page would fall over: here it is only tried, and said.
    const what = isUnmakeable(e) ? "" : "it cannot be worked with: ";
    return `${what}${(e as Error).message}`;
  }
}

function drawn(lines: WorkedLine[]): void {
  for (const { shape, at } of lines) {
    shape.parts.forEach(faceOf);
    exploded(shape);
    storyStick(lines, at);
    for (const axis of ["x", "y", "z"] as const) {
      view(shape, axis);
      section(shape, axis, 1);
    }
  }
}

function stood(lines: WorkedLine[]): void {
  const standing = lines.flatMap((l) => standingOf(l, l.at, lines) ?? []);
  judgeStack(standing, usually("in"));
  weigh(standing);
  warmth(standing);
}

/** A design as it comes out in a standard with its usual choices, tried. */
export const trialOfDesign = (recipe: Recipe, standard: Standard, own: Standard[]): string | undefined =>
  trial(
    { item: recipe.id, standard: standard.id, size: standard.defaultSize, quantity: 1, options: {} },
    { standards: own, designs: [{ recipe, mark: 1, why: "" }] },
  );

/** A standard of the maker's own: the body and the frame of each of its sizes, tried. */
export function trialOfStandard(standard: Standard): string | undefined {
  if (standard.hangs !== undefined && recipeFor(standard.hangs, standard)?.kind !== "frame")
    return `read "${standard.hangs}" for what hangs in its boxes, which is no frame there is`;
  for (const [size, { name }] of Object.entries(standard.sizes))
    for (const item of ["body", standard.hangs ?? "frame"]) {
      if (!recipeFor(item, standard)) continue;
      const said = trial(
        { item, standard: standard.id, size, quantity: 1, options: {} },
        { standards: [standard], designs: [] },
      );
      if (said) return `${recipeFor(item, standard)!.name}, ${name}: ${said}`;
    }
  return undefined;
}

const known = new WeakMap<JobLine, { of: Job["designs"]; standards: Job["standards"]; said: string | undefined }>();

/**
 * Lets a job in only when every line of it that uses a design or a standard of the maker's own can be worked with; what ships has been
 * tried in every standard. @throws JobFileError naming the line
 */
export function admit(job: Job): Job {
  const own = (line: JobLine) =>
    job.designs.some((d) => d.recipe.id === line.item) || job.standards.some((s) => s.id === line.standard);
  const problems = job.lines.flatMap((line, at) => {
    if (!own(line)) return [];
    const before = known.get(line);
    const said =
      before && before.of === job.designs && before.standards === job.standards ? before.said : trial(line, job);
    known.set(line, { of: job.designs, standards: job.standards, said });
    return said === undefined ? [] : [{ path: `lines[${at}]`, message: said }];
  });
  if (problems.length > 0) throw new JobFileError(problems);
  return job;
}
