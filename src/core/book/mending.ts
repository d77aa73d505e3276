import { emptyJob, type Job } from "@/core/job/job";
import { type Length, NM_PER_MM, type Units } from "@/core/length/length";
import { RECIPES } from "@/core/recipes";
import { each } from "@/core/recipes/assembly";
import type { PartRecipe, Recipe, StepRecipe } from "@/core/recipes/recipe";
import type { Piece } from "./book";
import { type Corner, type MeasuredBox, measuredOptions, measuredStandard, type Repair } from "./repair";

const body: Recipe = RECIPES.find((r) => r.id === "body" && r.standards === undefined)!;
const mm = (l: Length) => `${l / NM_PER_MM}*mm`;
/** Glue is spread so thick, grams a square metre. [mem] */
const SPREAD = 200;

/**
 * Mending a piece as a line of a job: a design of its own whose parts are what is let in, cut to the box as it was measured, and whose
 * steps are the repairs. `id` is the piece's; undefined where nothing is cut.
 */
export function mendingOf(
  piece: Pick<Piece, "title" | "mark">,
  id: number,
  repairs: Repair[],
  box: MeasuredBox,
  how: { standard: string; corner: Corner },
): Pick<Job, "standards" | "designs" | "lines"> | undefined {
  if (repairs.every((r) => r.parts.length === 0)) return undefined;
  const end = body.parts.find((p) => p.id === "end")!;
  const parts = repairs.flatMap((r, i) => r.parts.map((p, k): PartRecipe => {
    const own = { id: `mend-${i + 1}-${k + 1}`, name: p.name };
    if (p.as === "end") return { ...end, ...own, places: [end.places[0]!] };
    const at: [string, string, string] = ["0*mm", "0*mm", `${mm(box.depth)} + ${(i + k + 1) * 20}*mm`];
    return { ...own, role: "strip", length: mm(p.l), width: mm(p.w), thickness: mm(p.t), features: p.as ? [{ name: "corner rabbet", kind: "rabbet", edge: "left", face: "far", across: mm(p.as.across), deep: mm(p.as.deep) }] : [], places: [{ at, l: "+y", w: "-z", t: "+x" }] };
  })); // prettier-ignore
  const assembly = repairs.map((r, i): StepRecipe => ({
    id: `mend-${i + 1}`,
    name: `Mend: ${r.fault}`,
    text: r.method.map((m) => `${m[0]!.toUpperCase()}${m.slice(1)}.`).join(" "),
    station: "bench",
    joins: r.parts.map((_, k) => `mend-${i + 1}-${k + 1}`),
    uses: r.buys.map((b) => (b.unit === "g of" ? { what: b.what, count: `${((b.quantity / SPREAD) * 1e6).toFixed(0)}*mm*mm`, unit: "m2", grams: SPREAD, spare: 0, mark: "mem" } : each(b.what, String(b.quantity), 0.05))),
    setup: 0,
    each: r.minutes,
    hazard: "glue",
    check: r.check,
    mark: "mem",
  })); // prettier-ignore
  const name = `Mending ${piece.mark ?? piece.title}`;
  const recipe: Recipe = { id: `mend-${id}`, name, family: "repairs", kind: "other", about: `What is let into ${piece.title}, cut to it as it was measured.`, needs: body.needs, parameters: body.parameters, values: body.values, parts, assembly, demands: [] }; // prettier-ignore
  const standard = measuredStandard(box, how.standard, `measured-${id}`);
  return {
    standards: [standard],
    designs: [{ recipe, mark: 1, why: repairs.map((r) => r.fault).join(", ") }],
    lines: [{ item: recipe.id, standard: standard.id, size: standard.defaultSize, quantity: 1, options: measuredOptions(box, how.corner) }], // prettier-ignore
  };
}

/** A job of its own for mending a piece. */
export const mendingJob = (mending: NonNullable<ReturnType<typeof mendingOf>>, units: Units): Job => ({ ...emptyJob(mending.designs[0]!.recipe.name, units), ...mending }); // prettier-ignore
