import { z } from "zod";
import { type Formula, FormulaError, formulaSchema, toCount, toLength, toNumber } from "@/core/formula/formula";
import type { Scope } from "@/core/formula/scope";
import type { Length } from "@/core/length/length";
import type { Axis } from "@/core/solid/solid";
import type { Cut, Field } from "./kind";
import { bevel } from "./kinds/bevel";
import { fingers } from "./kinds/fingers";
import { fold } from "./kinds/fold";
import { groove } from "./kinds/groove";
import { handhold } from "./kinds/handhold";
import { hole } from "./kinds/hole";
import { notch } from "./kinds/notch";
import { rabbet } from "./kinds/rabbet";
import { taper } from "./kinds/taper";
import type { Material } from "./material";

/** Every kind of cut into a part. A new kind is one more file and one more name here. */
export const KINDS = { rabbet, groove, notch, hole, bevel, taper, fingers, handhold, fold } as const;
export type Kind = keyof typeof KINDS;

const base = {
  name: z.string().min(1),
  when: formulaSchema.optional(),
  /** What the first piece is tried by, where it is not what the kind says. */
  check: z.string().optional(),
  /** The id of the assembly step it is cut after, where it is not cut before all of them. */
  after: z.string().optional(),
};
const schemaOf = <K extends Kind>(kind: K) =>
  z.strictObject({ ...base, kind: z.literal(kind), ...(KINDS[kind].fields as (typeof KINDS)[K]["fields"]) });

export const featureSchema = z.lazy(() =>
  z.discriminatedUnion("kind", [
    schemaOf("rabbet"),
    schemaOf("groove"),
    schemaOf("notch"),
    schemaOf("hole"),
    schemaOf("bevel"),
    schemaOf("taper"),
    schemaOf("fingers"),
    schemaOf("handhold"),
    schemaOf("fold"),
  ]),
);
export type FeatureRecipe = z.infer<typeof featureSchema>;

/** A cut into a part, worked out; its id is unique in its part. */
export interface Feature extends Cut {
  id: string;
  kind: Kind;
  name: string;
  /** Cut right across a block of parts before it is sliced. */
  onBlock: boolean;
  after?: string;
}

/** Most rows, or holes, of one cut: more is a slip of a formula. */
const MOST = 400;

/** What a feature is cut into. */
export interface Into {
  size: Record<Axis, Length>;
  material: Material;
}

/** Works out a recipe's cut on a part. @throws FormulaError */
export function shapeFeature(recipe: FeatureRecipe, id: string, scope: Scope, into: Into): Feature {
  const value = (f: Formula) => scope.evaluate(f).value;
  const blank = {
    ...into,
    length: (f: Formula) => toLength(value(f), recipe.name),
    number: (f: Formula, what: string) => toNumber(value(f), what),
    count: (f: Formula, what: string) => {
      const n = toCount(value(f), what);
      if (n > MOST) throw new FormulaError(`${n} ${what}, at most ${MOST}`);
      return n;
    },
  };
  // The kind that made the schema reads what the schema let through.
  const kind = KINDS[recipe.kind] as { work(r: FeatureRecipe, b: typeof blank): Cut; onBlock?(cut: Cut): boolean };
  const cut = kind.work(recipe, blank);
  return {
    ...cut,
    ...(recipe.check ? { check: recipe.check } : {}),
    id,
    kind: recipe.kind,
    name: recipe.name,
    onBlock: kind.onBlock?.(cut) ?? false,
    ...(recipe.after ? { after: recipe.after } : {}),
  };
}

/** An id for each of a part's features, from its name: `wire-holes`, `dado`, `dado-2`. */
export function featureIds(names: string[]): string[] {
  const seen = new Map<string, number>();
  return names.map((name) => {
    const plain = name.toLowerCase().replace(/[^a-z0-9]+/g, "-").replace(/^-|-$/g, "") || "cut"; // prettier-ignore
    const n = (seen.get(plain) ?? 0) + 1;
    seen.set(plain, n);
    return n === 1 ? plain : `${plain}-${n}`;
  });
}

/** The fields of a kind as the editor of designs shows them, and what a new one begins as. */
export const editorOf = (kind: Kind): Field[] => KINDS[kind].editor;
export const newFeature = (kind: Kind): FeatureRecipe =>
  ({ name: kind, kind, ...structuredClone(KINDS[kind].begins) }) as FeatureRecipe;
