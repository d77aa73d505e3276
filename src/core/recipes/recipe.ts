import { z } from "zod";
import { featureSchema } from "@/core/feature/feature";
import { hazardSchema } from "@/core/feature/hazard";
import { stationSchema } from "@/core/feature/machine";
import { materialSchema } from "@/core/feature/material";
import { formulaSchema, nameSchema } from "@/core/formula/formula";
import { markSchema } from "@/core/standards/standard";

/**
 * How an item is made, as data. Every dimension is a formula over named parameters, standard values and derived
 * values; `core/shape` works them out. A new item is one new file in a family folder.
 */
const name = nameSchema;
const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, "an id is small letters, digits and dashes");
const formula = formulaSchema;

const parameterBase = {
  name,
  label: z.string(),
  group: z.string(),
  hint: z.string().optional(),
  mark: markSchema.optional(),
  when: formula.optional(),
};
export const parameterSchema = z.lazy(() =>
  z.discriminatedUnion("kind", [
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
  ]),
);
export type Parameter = z.infer<typeof parameterSchema>;

const valueSchema = z.lazy(() =>
  z.strictObject({ name, label: z.string(), formula, mark: markSchema.optional(), why: z.string().optional() }),
);

/**
 * Where a part sits: its own axes on the item's. A part is seen from its reference face: `l` runs right along the
 * grain, `w` runs down from the reference edge, `t` runs into the wood. The item's x runs along the frames, y across,
 * z up. `at` is where the part's corner (0,0,0) lies.
 */
const direction = z.enum(["+x", "-x", "+y", "-y", "+z", "-z"]);
export const placeSchema = z.lazy(() =>
  z
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
    }),
);

/** What a part is in its item: what the rules and drawings know it as. */
// prettier-ignore
export const ROLES = [
  "side", "end", "rail", "partition", "partition-board", "converter-wall", "wall", "leg", "cleat",
  "top-bar", "end-bar", "bottom-bar", "wedge", "slat", "bar", "lug", "rod",
  "panel", "roof", "gable", "rim", "ledge", "strip", "skin", "cover", "deck", "bearer",
  "floor", "mesh", "tray", "foam", "cladding", "landing", "block", "gate", "guard", "plate", "stick",
  "follower", "follower-bar", "divider", "baffle", "clip", "base", "fence", "pin", "stop", "template", "part",
] as const;
export type Role = (typeof ROLES)[number];

const partSchema = z.lazy(() =>
  z.strictObject({
    id,
    name: z.string(),
    role: z.enum(ROLES),
    length: formula,
    width: formula,
    thickness: formula,
    /** What it is cut from: boards, or sheets of something. */
    material: materialSchema.optional(),
    /** Drawn where it sits, but not made here: a rod, an iron. What is bought for it is taken at a step. */
    bought: z.literal(true).optional(),
    /** Made by the block: crosscut, its joints cut across the block, then sliced to thickness. */
    block: z.boolean().optional(),
    /** Cut this much wider than it will be, for wood that still dries. */
    allowance: formula.optional(),
    why: z.strictObject({ length: z.string().optional(), width: z.string().optional() }).optional(),
    when: formula.optional(),
    outside: z.string().optional(),
    features: z.array(featureSchema).max(60),
    places: z.array(placeSchema).min(1).max(60),
    /**
     * Cut to what is already made: after a step of this item, or to the box it belongs to. The names are what is measured there; the
     * part is worked out again from them.
     */
    fits: z
      .strictObject({
        to: z.union([z.strictObject({ step: id }), z.literal("box")]),
        names: z.array(name).min(1).max(6),
      })
      .optional(),
  }),
);
export type PartRecipe = z.input<typeof partSchema>;

/**
 * Something bought that goes into the item at a step. A screw is chosen from the wood it goes `through` and `into`, so many nm
 * of it into side or end grain; its name then follows from that.
 */
const useSchema = z.lazy(() =>
  z.strictObject({
    what: z.string(),
    /** The size it is sold by, in a shop of inches and in one of millimetres: it is part of the name. */
    sold: z.strictObject({ in: z.string(), mm: z.string() }).optional(),
    screw: z
      .strictObject({
        through: formula,
        into: formula,
        grain: z.enum(["side", "end"]),
        /** Glued as well, or carries next to nothing: it only has to draw the pieces together. */
        light: z.boolean().optional(),
      })
      .optional(),
    count: formula,
    /** What the count comes to: so many, an area, or a length. */
    unit: z.enum(["each", "m2", "m"]),
    /** Of something spread on an area and bought by weight: grams a square metre. */
    grams: z.number().positive().max(5000).optional(),
    /** Bought over what is used, as a part of it. */
    spare: z.number().min(0).max(1),
    /** Where it goes, `through the sides into the ends`, where a step takes others like it. */
    where: z.string().max(120).optional(),
    when: formula.optional(),
    mark: markSchema,
  }),
);
export type UseRecipe = z.input<typeof useSchema>;

const said = z.lazy(() => z.union([z.string(), z.strictObject({ text: z.string(), when: formula })]));

/**
 * A step of putting the item together, in the order they are done: what is said, which parts it joins, what it takes, where
 * it is done and how long it takes. The assembly sheet, the order, the plan and the run sheet read these and nothing else.
 */
const stepSchema = z.lazy(() =>
  z.strictObject({
    id,
    /** In a few words, as the run sheet heads it. */
    name: z.string(),
    text: z.string(),
    station: stationSchema,
    /** Parts that become one with the item here, all there are of them. */
    joins: z.array(id).max(60).optional(),
    /** Parts worked on together here, to be joined later. */
    on: z.array(id).max(60).optional(),
    /** Done to blanks: nothing is cut into what it is done on before. */
    uncut: z.boolean().optional(),
    uses: z.array(useSchema).max(40).optional(),
    /** People it takes; one when not said. */
    people: z.number().int().min(1).max(6).optional(),
    /** Minutes to set up, and for each item, before there is evidence from the shop. */
    setup: z.number().min(0).max(10_000),
    each: z.number().min(0).max(10_000),
    /** Minutes that must pass before the next step (glue, paint). */
    wait: z.number().min(0).max(100_000).optional(),
    /** Most items at once, where clamps, jigs or floor are few. */
    lot: z.number().int().min(1).max(10_000).optional(),
    hazard: hazardSchema.optional(),
    check: z.string().optional(),
    /** What usually goes wrong here. */
    mistakes: z.array(said).max(20).optional(),
    when: formula.optional(),
    mark: markSchema,
  }),
);
export type StepRecipe = z.input<typeof stepSchema>;

/** Room in a hive: what it is there, how high it stands, and what bees find above and below it. */
const standsSchema = z.lazy(() =>
  z.strictObject({
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
    /** It keeps the queen back. */
    excludes: z.boolean().optional(),
    /** Middle of holes through its walls that must stay clear of a skirt, below its upper edge, to the top of the hole. */
    entrance: formula.optional(),
  }),
);

export const recipeSchema = z.lazy(() =>
  z.strictObject({
    id,
    name: z.string(),
    /** What else the trade calls it. */
    called: z.array(z.string().max(60)).max(20).optional(),
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
    /** Boxes of it stand on one another, and bought covers, floors and excluders are meant to fit them. */
    stacks: z.boolean().optional(),
    /** A box that stays where it stands: what is lifted of it is a frame. */
    stays: z.boolean().optional(),
    /** What hangs in it, an item id; the standard's own when not said. */
    hangs: z.union([id, z.strictObject({ by: name, is: z.record(z.string(), id) })]).optional(),
    /** From where inside it is measured, when not from the middle. */
    measuredAt: z.strictObject({ x: formula, y: formula }).optional(),
    parameters: z.array(parameterSchema).max(200),
    values: z.array(valueSchema).max(400),
    parts: z.array(partSchema).max(200),
    assembly: z.array(stepSchema).max(60),
    /** Figures to compare designs by. */
    figures: z
      .array(
        z.strictObject({
          rule: id,
          label: z.string(),
          formula,
          unit: z.enum(["l", "m²·K/W", "W/K", "cm²", "length"]),
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
  }),
);
export type Recipe = z.input<typeof recipeSchema>;
