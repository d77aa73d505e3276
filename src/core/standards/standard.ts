import { z } from "zod";

/** How sure a number is: published and named, common practice in the trade, written from memory, or arithmetic. */
export const markSchema = z.union([z.literal("trade"), z.literal("mem"), z.literal("arithmetic"), z.strictObject({ pub: z.string(), fromMemory: z.boolean().optional() })]);
export type Mark = z.infer<typeof markSchema>;

/** The mark as a person reads it under a working. */
export function markText(mark: Mark): string {
  if (mark === "trade") return "common practice";
  if (mark === "mem") return "from memory: measure yours before you cut";
  if (mark === "arithmetic") return "arithmetic";
  return `${mark.pub}${mark.fromMemory ? ", from memory" : ""}`;
}

const valueSchema = z.strictObject({ value: z.union([z.string(), z.number()]), mark: markSchema, note: z.string().optional() });
const valuesSchema = z.record(z.string(), valueSchema);

/**
 * A frame and box standard as data. `values` are lengths (text in the standard's units) or counts (numbers), by the
 * names recipes use; a size adds to them or overrides them.
 */
export const standardSchema = z.strictObject({
  id: z.string(),
  name: z.string(),
  short: z.string(),
  units: z.enum(["in", "mm"]),
  beeSpace: z.enum(["top", "bottom"]),
  defaultSize: z.string(),
  values: valuesSchema,
  sizes: z.record(z.string(), z.strictObject({ name: z.string(), values: valuesSchema })),
});
export type Standard = z.infer<typeof standardSchema>;

/** What each name in a standard means, for workings and pages. */
export const STANDARD_NAMES: Record<string, string> = {
  boxInsideLength: "inside length of the standard",
  boxInsideWidth: "inside width of the standard",
  nominalThickness: "stock the usual outside comes from",
  bodyDepth: "body depth of the standard",
  restWidth: "rest width",
  restDepth: "rest depth",
  frames: "frames in the box",
  pitch: "pitch",
  frameLength: "frame outside length",
  frameHeight: "frame height",
  topBarLength: "top bar length",
  topBarWidth: "top bar width",
  topBarThickness: "top bar thickness",
  earThickness: "ear thickness",
  endBarThickness: "end bar thickness",
  shoulderWidth: "end bar width at the shoulder",
  shoulderLength: "shoulder length",
  endBarWidth: "end bar width below the shoulder",
  bottomBarWidth: "bottom bar width",
  bottomBarThickness: "bottom bar thickness",
  wireHoles: "wire holes in an end bar",
  foundationLength: "foundation length",
  foundationHeight: "foundation height",
  combThickness: "comb thickness",
};
