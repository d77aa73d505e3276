import { z } from "zod";
import { HONEY } from "@/core/hive/weigh";
import { SEASONS } from "@/core/hive/hive";
import type { Design, MakersOwn } from "@/core/designs/design";
import { readJob } from "@/core/job/file";
import type { Job } from "@/core/job/job";
import type { Units } from "@/core/length/length";
import { remembered } from "./remembered";
import { JobFileError, meant } from "@/core/problem/problem";

const item = {
  item: z.string().min(1).max(60),
  standard: z.string().min(1).max(60),
  size: z.string().min(1).max(60),
  options: z.record(z.string().max(60), z.union([z.string().max(60), z.number(), z.boolean()])).default({}),
  /** Of a design of the maker's own: at which mark; the newest when not said. */
  mark: z.number().int().min(1).max(9999).optional(),
};
const name = z.string().trim().min(1).max(120);
/** An item with so many frames, or a whole hive from the ground up. */
const thingSchema = z.union([
  z.strictObject({ name, ...item, frames: z.number().int().min(1).max(100_000).optional() }),
  z.strictObject({ name, hive: z.array(z.strictObject(item)).min(1).max(30) }),
]);

/** Things to be set side by side, and what is taken for granted (contract, weigh files). */
export const weighFileSchema = z.strictObject({
  format: z.literal("rundik-weigh"),
  version: z.literal(1),
  units: z.enum(["in", "mm"]),
  things: z.array(thingSchema).min(1).max(20),
  assume: z
    .strictObject({
      /** So much of the combs is honey. */
      honeyFill: z.number().min(0).max(1).default(1),
      season: z.enum(SEASONS).default("summer"),
      honeyKgPerL: z.number().min(1).max(2).default(HONEY),
    })
    .prefault({}),
});
export type WeighFile = z.input<typeof weighFileSchema>;
export type Assume = z.output<typeof weighFileSchema>["assume"];

/** One thing of a weigh file, its items read as the lines of a job. */
export interface Thing {
  name: string;
  job: Job;
  /** Its lines stand on one another from the ground up. */
  hive: boolean;
  frames?: number;
}

/** So many jobs are remembered as they were read: all but what was changed is asked again. */
const known = remembered<Job>(100);
const readOnce = (text: string): Job => known(text, () => readJob(JSON.parse(text)));

/** The maker's own standards and designs that some items are made by, as a job file has them; each design at the mark that is asked for. */
function ownOf(levels: { item: string; standard: string; mark?: number | undefined }[], { standards, designs }: MakersOwn) {
  const marks = new Map<string, Design>();
  for (const d of designs) {
    const asked = levels.find((l) => l.item === d.recipe.id && l.mark !== undefined)?.mark;
    const has = marks.get(d.recipe.id);
    if (asked === undefined ? !has || has.mark < d.mark : asked === d.mark) marks.set(d.recipe.id, d);
  }
  const isOwn = levels.some((l) => marks.has(l.item) || standards.some((s) => s.id === l.standard));
  return isOwn ? { standards, designs: [...marks.values()].map(({ recipe, mark, why }) => ({ recipe, mark, why })) } : {};
} // prettier-ignore

/** Reads the text of a weigh file. @throws JobFileError naming the field */
export function readWeighFile(text: string): ReturnType<typeof readWeigh> {
  try {
    return readWeigh(JSON.parse(text));
  } catch (e) {
    if (!(e instanceof SyntaxError)) throw e;
    throw new JobFileError([{ path: "", message: `not JSON: ${e.message}` }]);
  }
}

/** Reads a weigh file. @throws JobFileError naming the field */
export function readWeigh(
  raw: unknown,
  own: MakersOwn = { standards: [], designs: [] },
): { things: Thing[]; assume: Assume; units: Units } {
  const file = weighFileSchema.safeParse(raw);
  if (!file.success) throw new JobFileError(file.error.issues.flatMap(meant).map((i) => ({ path: i.path.join("."), message: i.message }))); // prettier-ignore
  const { things, units, assume } = file.data;
  return {
    assume,
    units,
    things: things.map((t, k): Thing => {
      const levels = "hive" in t ? t.hive : [t];
      const lines = levels.map(({ item, standard, size, options }) => ({ item, standard, size, options, quantity: 1 }));
      try {
        const job = readOnce(JSON.stringify({ format: "rundik-job", version: 1, name: t.name, units, ...ownOf(levels, own), lines })); // prettier-ignore
        return { name: t.name, job, hive: "hive" in t, ...("frames" in t && t.frames ? { frames: t.frames } : {}) };
      } catch (e) {
        if (!(e instanceof JobFileError)) throw e;
        const at = (path: string) => path.replace(/^lines\[(\d+)\]/, (_, n: string) => ("hive" in t ? `hive[${n}]` : "")).replace(/^\./, ""); // prettier-ignore
        throw new JobFileError(e.problems.map((p) => ({ ...p, path: `things[${k}].${at(p.path)}` })));
      }
    }),
  };
}
