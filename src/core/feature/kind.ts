import { z } from "zod";
import { type Formula, formulaSchema } from "@/core/formula/formula";
import type { Length } from "@/core/length/length";
import type { Material } from "@/core/feature/material";
import type { Range } from "@/core/solid/plane";
import type { Axis, Bite } from "@/core/solid/solid";
import type { Hazard } from "./hazard";
import type { Machine, Setting } from "./machine";

/** Faces, ends and edges of a part, as it is seen from its reference face with the reference edge up. */
export type Face = "reference" | "far" | "left end" | "right end" | "reference edge" | "other edge" | "through";
export type End = "left end" | "right end";
export type Edge = "reference edge" | "other edge";

/**
 * Where a person measures a cut: along the grain from an end, across it from an edge, to the near side of the cut or the
 * centre of a hole. Null where the cut runs all along.
 */
export interface At {
  along: Length | null;
  across: Length | null;
  from: [End, Edge];
}

/** What a kind of cut is told of the part it goes into. */
export interface Blank {
  size: Record<Axis, Length>;
  material: Material;
  length(f: Formula): Length;
  /** A whole number. @throws FormulaError beyond what any part has */
  count(f: Formula, what: string): number;
  number(f: Formula, what: string): number;
}

/** A cut worked out: the wood it takes away, how it is set, where it lies and how it is said. */
export interface Cut {
  bites: Bite[];
  face: Face;
  machine: Machine;
  settings: Setting[];
  /** The sizes that say it, in order: `wide`, `deep` … */
  measures: Record<string, Length>;
  at: At;
  /** Where several cuts lie, from the same end or edge as `at`. */
  marks?: { along: "end" | "edge"; at: Length[] };
  /** Minutes to set up, and for one piece: starting guesses [mem]. */
  setup: number;
  each: number;
  hazard?: Hazard;
  /** What the first piece is tried by. */
  check: string;
  /** More that has to be said: `13 rows, keeps the odd ones`. */
  note?: string;
  /** The way a fold line runs. */
  fold?: "along" | "across";
}

/** A field of a kind of cut, as the editor of designs shows it. */
export type Field =
  | { key: string; label: string; is: "length" | "count" | "number"; optional?: boolean }
  | { key: string; label: string; is: "choice"; choices: readonly string[] };

/** Everything about one kind of cut: a new kind is one file like this, and its place in the list of `feature.ts`. */
export interface FeatureKind<S extends z.ZodRawShape> {
  fields: S;
  work(recipe: z.output<z.ZodObject<S>> & { name: string }, blank: Blank): Cut;
  /** As the editor shows it, and what a new one begins as. */
  editor: Field[];
  begins: z.input<z.ZodObject<S>>;
  /** Cut right across a block before it is sliced, where the part is made by the block. */
  onBlock?(cut: Cut): boolean;
}

/** Lets the types of a kind follow from its fields. */
export const kindOf = <S extends z.ZodRawShape>(kind: FeatureKind<S>): FeatureKind<S> => kind;

export const formula = formulaSchema;
export const edge = z.enum(["top", "bottom", "left", "right"]);
export const face = z.enum(["reference", "far"]);
export const end = z.enum(["left", "right"]);

export const EDGES = edge.options;
export const FACES = face.options;
export const ENDS = end.options;
export const RUNS = ["along", "across"] as const;

/** Into a face, so deep. */
export const intoFace = (which: "reference" | "far", deep: Length, size: Record<Axis, Length>): Range =>
  which === "reference" ? [0, deep] : [size.t - deep, size.t];

/** A nanometre past a face, so that nothing of zero thickness is left. */
export const PAST = 1;

/** Narrower than this a part is held by push blocks: 1 1/2". */
export const NARROW = 38_100_000;

/** Where a box lies on a part, measured from the nearer end and the nearer edge. */
export function atOf({ l, w }: { l: Range; w: Range }, size: Record<Axis, Length>): At {
  const [along, end] = near(l, size.l);
  const [across, edge] = near(w, size.w);
  return { along, across, from: [end ? "right end" : "left end", edge ? "other edge" : "reference edge"] };
}

/** Distance from the nearer side, and whether that is the far one; null where it runs all the way. */
function near([from, to]: Range, most: number): [Length | null, boolean] {
  const [before, after] = [Math.max(0, from), Math.max(0, most - to)];
  if (before === 0 && after === 0) return [null, false];
  return before <= after ? [before as Length, false] : [after as Length, true];
}

/** `from end` and `from edge` settings of a place, where it is not on the end or edge itself. */
export const distances = ({ along, across }: At): Setting[] => [
  ...(along ? [{ kind: "from end" as const, value: along }] : []),
  ...(across ? [{ kind: "from edge" as const, value: across }] : []),
];
