import { z } from "zod";
import { markSchema } from "@/core/standards/standard";

/**
 * How an item is made, as data. Every dimension is a formula over named parameters, standard values and derived
 * values; `core/shape` works them out. A new item is one new file in a family folder.
 */
const name = z.string().regex(/^[a-z][a-zA-Z0-9]{0,39}$/, "a name is letters and digits, the first a small letter");
const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, "an id is small letters, digits and dashes");
const formula = z.union([z.string(), z.strictObject({ by: name, is: z.record(z.string(), z.string()) })]);

const parameterBase = {
  name,
  label: z.string(),
  group: z.string(),
  hint: z.string().optional(),
  mark: markSchema.optional(),
  when: formula.optional(),
};
export const parameterSchema = z.discriminatedUnion("kind", [
  /** A length. Without a default the standard's value of the same name is used. */
  z.strictObject({
    ...parameterBase,
    kind: z.literal("length"),
    default: formula.optional(),
    min: formula.optional(),
    max: formula.optional(),
  }),
  z.strictObject({
    ...parameterBase,
    kind: z.literal("choice"),
    default: z.string(),
    choices: z.array(z.strictObject({ id: z.string(), label: z.string(), note: z.string().optional() })).min(1),
  }),
  z.strictObject({ ...parameterBase, kind: z.literal("flag"), default: z.boolean() }),
  /** A whole number of things. */
  z.strictObject({
    ...parameterBase,
    kind: z.literal("count"),
    default: formula.optional(),
    min: z.number(),
    max: z.number(),
  }),
  /** A plain number, such as a moisture in percent. */
  z.strictObject({ ...parameterBase, kind: z.literal("number"), default: formula, min: z.number(), max: z.number() }),
]);
export type Parameter = z.infer<typeof parameterSchema>;

const valueSchema = z.strictObject({
  name,
  label: z.string(),
  formula,
  mark: markSchema.optional(),
  why: z.string().optional(),
});

/**
 * Where a part sits: its own axes on the item's. A part is seen from its reference face: `l` runs right along the
 * grain, `w` runs down from the reference edge, `t` runs into the wood. The item's x runs along the frames, y across,
 * z up. `at` is where the part's corner (0,0,0) lies.
 */
const direction = z.enum(["+x", "-x", "+y", "-y", "+z", "-z"]);
export const placeSchema = z
  .strictObject({
    at: z.tuple([formula, formula, formula]),
    l: direction,
    w: direction,
    t: direction,
    /** So many of it in a row, each moved on by `step`: slats, bearers. */
    times: formula.optional(),
    step: z.tuple([formula, formula, formula]).optional(),
    /** Degrees it leans about its own length: the foot stays, the reference edge moves towards the reference face. */
    lean: formula.optional(),
  })
  .refine((p) => new Set([p.l, p.w, p.t].map((d) => d[1])).size === 3, {
    error: "length, width and thickness run along three different axes",
  });

const edge = z.enum(["top", "bottom", "left", "right"]);
const face = z.enum(["reference", "far"]);
const span = z.tuple([formula, formula]);
const featureBase = { name: z.string(), when: formula.optional() };
export const featureSchema = z.discriminatedUnion("kind", [
  /** A step along an edge: `across` the face from the edge, `deep` into the face, all along the edge or from–to. */
  z.strictObject({
    ...featureBase,
    kind: z.literal("rabbet"),
    edge,
    face,
    across: formula,
    deep: formula,
    from: formula.optional(),
    to: formula.optional(),
  }),
  /** A slot in a face, `along` the grain or across it, its near side at `at`. */
  z.strictObject({
    ...featureBase,
    kind: z.literal("groove"),
    run: z.enum(["along", "across"]),
    face,
    at: formula,
    width: formula,
    deep: formula,
  }),
  /** Box fingers on one end: rows from the top, the first of its own height; `keep` says which rows stay. */
  z.strictObject({
    ...featureBase,
    kind: z.literal("fingers"),
    end: z.enum(["left", "right"]),
    rows: formula,
    row: formula,
    first: formula,
    long: formula,
    keep: z.enum(["odd", "even"]),
    key: formula,
    /** Dovetails: how far each row line slants over the depth of the joint; 0 for square fingers. */
    slant: formula.optional(),
  }),
  /** A rectangular bite, through the thickness unless `t` says otherwise. */
  z.strictObject({ ...featureBase, kind: z.literal("notch"), l: span, w: span, t: span.optional() }),
  z.strictObject({
    ...featureBase,
    kind: z.literal("hole"),
    l: formula,
    w: formula,
    diameter: formula,
    /** A row of them, along the grain, `step` apart. */
    count: formula.optional(),
    step: formula.optional(),
  }),
  /** An edge planed off at a slant: `across` the face, `deep` into it; a mitre when both are the thickness. */
  z.strictObject({ ...featureBase, kind: z.literal("bevel"), edge, face, across: formula, deep: formula }),
  /** A corner of the face sawn off, right through: `along` the length from the end, `across` the width from the edge. */
  z.strictObject({
    ...featureBase,
    kind: z.literal("taper"),
    end: z.enum(["left", "right"]),
    edge: z.enum(["top", "bottom"]),
    along: formula,
    across: formula,
  }),
  /** A line to fold sheet material on, right across or along it; nothing is taken away. */
  z.strictObject({ ...featureBase, kind: z.literal("fold"), run: z.enum(["along", "across"]), at: formula }),
  /** A hand grip in the reference face with a sloped roof: middle at `l`, upper edge at `w`. */
  z.strictObject({
    ...featureBase,
    kind: z.literal("handhold"),
    l: formula,
    w: formula,
    long: formula,
    high: formula,
    deep: formula,
    slope: formula,
  }),
]);
export type FeatureRecipe = z.infer<typeof featureSchema>;

export const materialSchema = z.enum(["wood", "ply", "mesh", "metal", "foam", "plastic"]);
export type Material = z.infer<typeof materialSchema>;

const partSchema = z.strictObject({
  id,
  name: z.string(),
  role: z.string(),
  length: formula,
  width: formula,
  thickness: formula,
  /** What it is cut from: boards, or sheets of something. */
  material: materialSchema.optional(),
  /** Made by the block: crosscut, its joints cut across the block, then sliced to thickness. */
  block: z.boolean().optional(),
  /** Cut this much wider than it will be, for wood that still dries. */
  allowance: formula.optional(),
  why: z.strictObject({ length: z.string().optional(), width: z.string().optional() }).optional(),
  when: formula.optional(),
  outside: z.string().optional(),
  features: z.array(featureSchema).max(60),
  places: z.array(placeSchema).min(1).max(60),
});
export type PartRecipe = z.input<typeof partSchema>;

/** Bought things an item takes: fasteners, foundation, glue by joint area. */
const hardwareSchema = z.strictObject({
  id,
  name: z.string(),
  count: formula,
  unit: z.enum(["each", "m2"]),
  spare: z.number().min(0).max(1),
  for: z.string(),
  when: formula.optional(),
  mark: markSchema,
});

const operationSchema = z.strictObject({
  id,
  name: z.string(),
  station: z.string(),
  /** A part id: the piece count is the part's. Otherwise once an item. */
  of: z.string().optional(),
  /** Done across the whole block before it is sliced, where the part is made by the block. */
  onBlock: z.boolean().optional(),
  /** Minutes to set up, and for each piece, before there is evidence from the shop. */
  setup: z.number(),
  each: z.number(),
  /** Minutes that must pass before the next operation (glue, paint). */
  wait: z.number().optional(),
  /** Largest lot, when clamps or jigs limit it. */
  lot: z.number().optional(),
  settings: z.array(z.strictObject({ label: z.string(), value: formula })).optional(),
  hazard: z.string().optional(),
  check: z.string().optional(),
  when: formula.optional(),
  mark: markSchema,
});
export type OperationRecipe = z.infer<typeof operationSchema>;

/** Room in a hive: what it is there, how high it stands, and what bees find above and below it. */
const standsSchema = z.strictObject({
  as: z.enum(["stand", "floor", "rim", "sheet", "inner-cover", "cover", "jacket"]),
  /** What it adds to a stack; of a cover, from where it seats to its top. */
  height: formula,
  outside: z.tuple([formula, formula]),
  /** From its lower edge up to the sheet that stops the bees; the whole height when it is open right through. */
  under: formula,
  /** From its upper edge down to that sheet. */
  over: formula,
  /** Inside of a skirt that goes down over what stands below it, and how far it reaches. */
  skirt: z.strictObject({ inside: z.tuple([formula, formula]), deep: formula }).optional(),
  /** Bees do not come past it, so nothing over it is glued down. */
  tight: z.boolean().optional(),
  /** Middle of holes through its walls that must stay clear of a skirt, below its upper edge, to the top of the hole. */
  entrance: formula.optional(),
});

export const recipeSchema = z.strictObject({
  id,
  name: z.string(),
  family: z.string(),
  /** For a design of the maker's own: the recipe it was copied from, whose rules it keeps. */
  basedOn: id.optional(),
  /** What the fit rules know it as. */
  kind: z.enum(["body", "frame", "other"]),
  about: z.string(),
  /** Standards it is for; all that have what it needs when not said. */
  standards: z.array(id).optional(),
  /** Names a standard must give for it. */
  needs: z.array(name),
  /** What hangs in it, an item id; the standard's own when not said. */
  hangs: id.optional(),
  /** From where inside it is measured, when not from the middle. */
  measuredAt: z.strictObject({ x: formula, y: formula }).optional(),
  parameters: z.array(parameterSchema).max(200),
  values: z.array(valueSchema).max(400),
  parts: z.array(partSchema).max(200),
  hardware: z.array(hardwareSchema).max(100),
  operations: z.array(operationSchema).max(100),
  steps: z.array(z.strictObject({ text: z.string(), when: formula.optional() })).max(60),
  mistakes: z.array(z.string()).max(60),
  /** Figures to compare designs by. */
  figures: z
    .array(
      z.strictObject({
        rule: id,
        label: z.string(),
        formula,
        unit: z.enum(["l", "m²·K/W", "W/K"]),
        text: z.string(),
        when: formula.optional(),
        mark: markSchema,
      }),
    )
    .max(50)
    .optional(),
  stands: standsSchema.optional(),
  /** What must hold for the item to be worth making: a failed one is a finding. */
  demands: z.array(
    z.strictObject({
      rule: id,
      label: z.string(),
      value: formula,
      least: formula,
      when: formula.optional(),
      below: z.enum(["care", "stop"]),
      advice: z.string(),
      mark: markSchema,
    }),
  ),
});
export type Recipe = z.input<typeof recipeSchema>;
