import { z } from "zod";
import type { Length } from "@/core/length/length";
import { standardSchema } from "@/core/standards/standard";
import { designSchema } from "@/core/designs/design";
import { MOST_HIVES, MOST_LEVELS, SEASONS } from "@/core/hive/hive";
import { type Act, apply } from "./acts";
import { readJob, writeJob } from "./file";
import type { Job } from "./job";

const lengthSchema = z
  .number()
  .int()
  .min(0)
  .transform((n) => n as Length);
const optionSchema = z.union([lengthSchema, z.string().max(60), z.boolean()]);
const lineSchema = z.strictObject({
  item: z.string(),
  standard: z.string(),
  size: z.string(),
  quantity: z.number().int(),
  options: z.record(z.string(), optionSchema),
});
const stockBase = {
  material: z.string(),
  price: z.number(),
  available: z.number().int().nullable(),
  source: z.enum(["yard", "buy"]),
};
const stockSchema = z.discriminatedUnion("form", [
  z.strictObject({
    form: z.enum(["board", "sheet"]),
    ...stockBase,
    thickness: lengthSchema,
    width: lengthSchema,
    length: lengthSchema,
    bad: z
      .array(z.tuple([lengthSchema, lengthSchema]))
      .max(50)
      .optional(),
    struck: z.number().int().min(1).optional(),
  }),
  z.strictObject({ form: z.literal("pack"), ...stockBase, pack: z.number() }),
]);
const box = { x: lengthSchema, y: lengthSchema, length: lengthSchema, width: lengthSchema };
const seasons = z.array(z.enum(SEASONS)).max(4).optional();
const hiveSchema = z.strictObject({
  name: z.string(),
  count: z.number().int(),
  levels: z
    .array(
      z.union([
        lineSchema.omit({ quantity: true }).extend({ seasons }),
        z.strictObject({
          measured: z.strictObject({
            name: z.string(),
            outsideLength: lengthSchema,
            outsideWidth: lengthSchema,
            insideLength: lengthSchema,
            insideWidth: lengthSchema,
            depth: lengthSchema,
            over: lengthSchema,
            under: lengthSchema,
          }),
          seasons,
        }),
      ]),
    )
    .max(MOST_LEVELS),
  begins: z.record(z.enum(SEASONS), z.string()),
});
/** A pinned layout as plain data, in nm. */
export const pinnedSchema = z.strictObject({
  stock: z.number().int(),
  repeat: z.number().int().min(1),
  strips: z
    .array(
      z.strictObject({
        order: z.enum(["rip", "crosscut"]),
        ...box,
        sections: z
          .array(
            z.strictObject({
              size: lengthSchema,
              pieces: z.array(z.strictObject({ blank: z.string().max(120), ...box })).max(500),
            }),
          )
          .max(500),
      }),
    )
    .max(500),
});
const index = z.number().int().min(0);

/** An act as it comes from a page. */
export const actSchema: z.ZodType<Act> = z.discriminatedUnion("do", [
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
  z.strictObject({ do: z.literal("use standard"), standard: standardSchema }),
  z.strictObject({ do: z.literal("use design"), design: designSchema.pick({ recipe: true, mark: true, why: true }) }),
  z.strictObject({ do: z.literal("hives"), hives: z.array(hiveSchema).max(MOST_HIVES) }),
  z.strictObject({ do: z.literal("add lines"), lines: z.array(lineSchema).min(1).max(100) }),
  z.strictObject({ do: z.literal("pin"), pinned: z.array(pinnedSchema).max(500) }),
  z.strictObject({ do: z.literal("strike out"), at: index }),
  z.strictObject({
    do: z.literal("bad stretches"),
    at: index,
    bad: z.array(z.tuple([lengthSchema, lengthSchema])).max(50),
  }),
  z.strictObject({
    do: z.literal("workshop"),
    to: z
      .strictObject({
        kerf: lengthSchema,
        endTrim: lengthSchema,
        minHold: lengthSchema,
        keepOffcut: lengthSchema,
        people: z.number().int(),
        panels: z.boolean(),
        sheetStages: z.union([z.literal(2), z.literal(3)]),
        weighing: z.strictObject({ setUp: z.number().min(0), offcut: z.number().min(0).max(1) }),
      })
      .partial(),
  }),
]);

/** Carries out an act. @throws JobFileError when the result would not be a job; the given job is never changed. */
export function carryOut(job: Job, act: Act): Job {
  const next = apply(job, act);
  return same(next, readJob(writeJob(next)));
}

/** Keeps untouched parts the very same objects, so that what hangs on them need not be worked out again. */
function same(from: Job, checked: Job): Job {
  const reuse = <T>(a: T[], b: T[]): T[] => b.map((x, i) => (JSON.stringify(a[i]) === JSON.stringify(x) ? a[i]! : x));
  return { ...checked, lines: reuse(from.lines, checked.lines), stock: reuse(from.stock, checked.stock) };
}
