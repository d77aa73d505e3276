import { z } from "zod";

/** How sure a number is: published and named, common practice in the trade, written from memory, or arithmetic. */
export const markSchema = z.union([z.literal("trade"), z.literal("mem"), z.literal("arithmetic"), z.strictObject({ pub: z.string(), fromMemory: z.boolean().optional() })]);
export type Mark = z.infer<typeof markSchema>;

const valueSchema = z.strictObject({ value: z.union([z.string(), z.number()]), mark: markSchema, note: z.string().optional() });
const valuesSchema = z.record(z.string(), valueSchema);

/**
 * A frame and box standard as data. `values` are lengths (text in the standard's units) or counts (numbers), by the
 * names recipes use; a size adds to them or overrides them.
 */
export const standardSchema = z.lazy(() =>
  z.strictObject({
    id: z.string(),
    name: z.string(),
    /** For one of the maker's own: the shipped standard whose recipes it follows. */
    basedOn: z.string().optional(),
    short: z.string(),
    units: z.enum(["in", "mm"]),
    /** Where the bee space of a stack is kept; closed: the bars touch and nothing stands above them. */
    beeSpace: z.enum(["top", "bottom", "closed"]),
    defaultSize: z.string(),
    /** What a choice is by default with this standard: `{ bottomBar: "split" }`. */
    usual: z.record(z.string(), z.string()).optional(),
    /** The item that hangs in its boxes; `frame` when not said. */
    hangs: z.string().optional(),
    values: valuesSchema,
    sizes: z.record(z.string(), z.strictObject({ name: z.string(), values: valuesSchema })),
  }),
);
export type Standard = z.infer<typeof standardSchema>;
