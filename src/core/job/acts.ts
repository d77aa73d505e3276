import { z } from "zod";
import { findRecipe } from "@/core/recipes";
import { type Job } from "./job";
import { shapeOfLine } from "./worked";
import { JobFileError, readJob, writeJob } from "./file";

/**
 * Everything a person can do to a job. The same function runs in the browser, so that the page answers at once, and
 * on the server, inside one transaction. Lengths in nm.
 */
const lengthSchema = z.number().int().min(0);
const optionSchema = z.union([lengthSchema, z.string().max(60), z.boolean()]);
const lineSchema = z.strictObject({ item: z.string(), standard: z.string(), size: z.string(), quantity: z.number().int(), options: z.record(z.string(), optionSchema) });
const stockBase = { material: z.string(), price: z.number(), available: z.number().int().nullable(), source: z.enum(["yard", "buy"]) };
const stockSchema = z.discriminatedUnion("form", [
  z.strictObject({ form: z.literal("board"), ...stockBase, thickness: lengthSchema, width: lengthSchema, length: lengthSchema }),
  z.strictObject({ form: z.literal("pack"), ...stockBase, pack: z.number() }),
]);
const index = z.number().int().min(0);

export const actSchema = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("name"), name: z.string() }),
  z.strictObject({ do: z.literal("dates"), start: z.string().optional(), due: z.string().optional() }),
  z.strictObject({ do: z.literal("units"), units: z.enum(["in", "mm"]) }),
  z.strictObject({ do: z.literal("add line"), line: lineSchema }),
  z.strictObject({ do: z.literal("remove line"), at: index }),
  z.strictObject({ do: z.literal("change line"), at: index, to: lineSchema.partial() }),
  z.strictObject({ do: z.literal("option"), at: index, name: z.string(), value: optionSchema.nullable() }),
  z.strictObject({ do: z.literal("add stock"), stock: stockSchema }),
  z.strictObject({ do: z.literal("change stock"), at: index, stock: stockSchema }),
  z.strictObject({ do: z.literal("remove stock"), at: index }),
  z.strictObject({ do: z.literal("workshop"), to: z.strictObject({ kerf: lengthSchema, endTrim: lengthSchema, minHold: lengthSchema, keepOffcut: lengthSchema, people: z.number().int(), rate: z.number() }).partial() }),
]);
export type Act = z.infer<typeof actSchema>;

/** Carries out an act. @throws JobFileError when the result would not be a job; the given job is never changed. */
export function carryOut(job: Job, act: Act): Job {
  const next = apply(job, act);
  return same(next, readJob(writeJob(next)));
}

/**
 * Carries out an act without checking the whole file again: what the page shows while a person types. Only the line
 * that changed is worked out. @throws JobFileError or ShapeError when it does not hold.
 */
export function preview(job: Job, act: Act): Job {
  const next = apply(job, act);
  if ("at" in act && next.lines[act.at] && next.lines[act.at] !== job.lines[act.at]) shapeOfLine(next.lines[act.at]!, next.units);
  return next;
}

/** Keeps untouched parts the very same objects, so that what hangs on them need not be worked out again. */
function same(from: Job, checked: Job): Job {
  const reuse = <T>(a: T[], b: T[]): T[] => b.map((x, i) => (JSON.stringify(a[i]) === JSON.stringify(x) ? a[i]! : x));
  return { ...checked, lines: reuse(from.lines, checked.lines), stock: reuse(from.stock, checked.stock) };
}

function apply(job: Job, act: Act): Job {
  const line = (at: number) => {
    const found = job.lines[at];
    if (!found) throw new JobFileError([{ path: `lines[${at}]`, message: "there is no such line" }]);
    return found;
  };
  const put = <T>(list: T[], at: number, value: T) => list.map((x, i) => (i === at ? value : x));
  switch (act.do) {
    case "name":
      return { ...job, name: act.name };
    case "dates":
      return { ...job, start: act.start, due: act.due };
    case "units":
      return { ...job, units: act.units };
    case "add line":
      return { ...job, lines: [...job.lines, act.line as Job["lines"][number]] };
    case "remove line":
      line(act.at);
      return { ...job, lines: job.lines.filter((_, i) => i !== act.at) };
    case "change line": {
      const old = line(act.at);
      const to = { ...old, ...act.to } as Job["lines"][number];
      return { ...job, lines: put(job.lines, act.at, to.item === old.item ? to : { ...to, options: keepKnown(to.item, to.options) }) };
    }
    case "option": {
      const old = line(act.at);
      const { [act.name]: _gone, ...others } = old.options;
      return { ...job, lines: put(job.lines, act.at, { ...old, options: act.value === null ? others : ({ ...others, [act.name]: act.value } as typeof old.options) }) };
    }
    case "add stock":
      return { ...job, stock: [...job.stock, act.stock as Job["stock"][number]] };
    case "change stock":
      return { ...job, stock: put(job.stock, act.at, act.stock as Job["stock"][number]) };
    case "remove stock":
      return { ...job, stock: job.stock.filter((_, i) => i !== act.at) };
    case "workshop":
      return { ...job, workshop: { ...job.workshop, ...(act.to as Partial<Job["workshop"]>) } };
  }
}

function keepKnown(item: string, options: Job["lines"][number]["options"]): Job["lines"][number]["options"] {
  const names = new Set(findRecipe(item)?.parameters.map((p) => p.name));
  return Object.fromEntries(Object.entries(options).filter(([k]) => names.has(k)));
}

/** What an act is called in the list of things that can be undone. */
export function actText(act: Act, job: Job): string {
  const lineName = (at: number) => findRecipe(job.lines[at]?.item ?? "")?.name.toLowerCase() ?? "line";
  switch (act.do) {
    case "option":
      return `${lineName(act.at)}: ${findRecipe(job.lines[act.at]?.item ?? "")?.parameters.find((p) => p.name === act.name)?.label.toLowerCase() ?? act.name}`;
    case "change line":
      return `${lineName(act.at)}: ${Object.keys(act.to).join(", ")}`;
    case "remove line":
      return `take out ${lineName(act.at)}`;
    case "add line":
      return `add ${findRecipe(act.line.item)?.name.toLowerCase() ?? "line"}`;
    default:
      return act.do;
  }
}
