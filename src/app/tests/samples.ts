import { writeJob } from "@/core/job/file";
import { emptyJob, type Job } from "@/core/job/job";
import { designFrom } from "@/core/designs/start";
import { inch, mm } from "@/core/length/length";
import { board } from "@/core/layout/tests/samples";
import { RECIPES } from "@/core/recipes";
import { findStandard } from "@/core/standards";

export const ownRecipe = designFrom(
  RECIPES.find((r) => r.id === "feed-rim")!,
  "Moor rim",
  [],
);
export const ownStandard = { ...findStandard("national")!, id: "heath", name: "Heath", basedOn: "national" };

const line = (item: string, standard: string, size: string, options = {}) => ({ item, standard, size, quantity: 4, options }); // prettier-ignore
const begins = { spring: "03-01", summer: "06-01", autumn: "09-01", winter: "12-01" };
const box = { name: "old box", outsideLength: mm(460), outsideWidth: mm(460), insideLength: mm(420), insideWidth: mm(420), depth: mm(225), over: mm(0), under: mm(6) }; // prettier-ignore

/** A job with something of everything a job can have. */
const metric: Job = {
  ...emptyJob("Moorland", "mm"),
  start: "2027-01-04",
  due: "2027-03-01",
  finish: "wax",
  lines: [
    line("body", "heath", "brood", { thickness: mm(20) }),
    line("frame", "heath", "brood"),
    line(ownRecipe.id, "langstroth-10", "deep"),
  ],
  stock: [
    board(),
    { form: "pack", material: "exterior screw, no. 8 × 2", pack: 100, price: 9.5, available: null, source: "buy" },
  ],
  standards: [ownStandard],
  designs: [{ recipe: ownRecipe, mark: 1, why: "" }],
  readings: [{ subject: "made 0 depth", target: mm(225), value: mm(224.5), at: "2027-01-05T08:00:00.000Z" }],
  hives: [{ name: "stand", count: 2, begins, levels: [{ item: "body", standard: "heath", size: "brood", options: {} }, { measured: box, seasons: ["winter"] }] }], // prettier-ignore
};
const inches: Job = {
  ...emptyJob("Heath", "in"),
  lines: [line("body", "langstroth-10", "deep", { thickness: inch(0, 7, 8), joint: "finger" }), line("cover-telescoping", "langstroth-10", "deep")], // prettier-ignore
  stock: [board({ rough: true, thickness: inch(1) })],
};

export const JOB_FILES = [metric, inches].map((job) => writeJob(job));
