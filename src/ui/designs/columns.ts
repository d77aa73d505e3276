import { editorOf, type Kind } from "@/core/feature/feature";
import { hazardSchema } from "@/core/feature/hazard";
import { STATIONS } from "@/core/feature/machine";
import type { Recipe } from "@/core/recipes/recipe";

/** How the fields of a recipe's rows are laid out in the editor: which they are, what they are called, what a new row holds. */
export interface Column {
  key: string;
  label: string;
  kind: "text" | "formula" | "number" | "flag" | "choice";
  choices?: readonly string[];
  /** May be left empty, and is then not there. */
  optional?: boolean;
  /** Width in ch. */
  wide?: number;
}
type Row = Record<string, unknown>;

const text = (key: string, label: string, wide = 14, optional = false): Column => ({
  key,
  label,
  kind: "text",
  wide,
  optional,
});
const formula = (key: string, label: string, optional = false, wide = 24): Column => ({
  key,
  label,
  kind: "formula",
  wide,
  optional,
});
const number = (key: string, label: string, optional = false): Column => ({
  key,
  label,
  kind: "number",
  wide: 6,
  optional,
});
const choice = (key: string, label: string, choices: readonly string[], optional = false): Column => ({
  key,
  label,
  kind: "choice",
  choices,
  optional,
});
const when = formula("when", "only when", true, 18);

export const VALUES: Column[] = [
  text("name", "name", 16),
  formula("formula", "formula", false, 40),
  text("label", "in words", 22),
  text("why", "why", 22, true),
];
/** A step of the assembly; what it joins, takes and what goes wrong at it have rows of their own. */
export const STEP: Column[] = [
  text("name", "what is done", 30),
  text("id", "id", 12),
  text("text", "in full", 60),
  choice("station", "where", STATIONS),
  number("setup", "set-up, min"),
  number("each", "each, min"),
  number("wait", "then wait, min", true),
  number("lot", "at most at once", true),
  number("people", "people", true),
  choice("hazard", "hazard", ["", ...hazardSchema.options], true),
  text("check", "check", 26, true),
  when,
];
export const USE: Column[] = [
  text("what", "what it takes", 24),
  formula("count", "how many of it", false, 16),
  choice("unit", "unit", ["each", "m2", "m"]),
  number("spare", "spare"),
  formula("screw.through", "a screw through", true, 12),
  formula("screw.into", "into", true, 12),
  choice("screw.grain", "grain", ["", "side", "end"], true),
  when,
];
export const DEMANDS: Column[] = [
  text("rule", "id", 12),
  text("label", "what must hold", 22),
  formula("value", "value", false, 26),
  formula("least", "at least", false, 12),
  choice("below", "otherwise", ["care", "stop"]),
  text("advice", "advice", 26),
  when,
];
export const FIGURES: Column[] = [
  text("rule", "id", 12),
  text("label", "figure", 18),
  formula("formula", "formula", false, 26),
  choice("unit", "unit", ["l", "m²·K/W", "W/K"]),
  text("text", "in words", 22),
  when,
];

const PARAMETER_HEAD: Column[] = [
  text("name", "name", 14),
  text("label", "in words", 20),
  text("group", "group", 9),
  choice("kind", "kind", ["length", "choice", "flag", "count", "number"]),
];
const DEFAULT: Record<string, Column[]> = {
  length: [formula("default", "usual", true, 20), formula("min", "least", true, 10), formula("max", "most", true, 10)],
  count: [formula("default", "usual", true, 12), number("min", "least"), number("max", "most")],
  number: [formula("default", "usual", false, 12), number("min", "least"), number("max", "most")],
  flag: [{ key: "default", label: "usual", kind: "flag" }],
  choice: [text("default", "usual", 12)],
};
export const parameterColumns = (kind: string): Column[] => [...PARAMETER_HEAD, ...(DEFAULT[kind] ?? []), when];
export const CHOICES: Column[] = [text("id", "id", 12), text("label", "in words", 20), text("note", "note", 26, true)];

const f = (key: string, label = key, optional = false) => formula(key, label, optional, 20);

/** The fields of a kind of cut, as its own file lists them. */
export const cutColumns = (kind: Kind): Column[] =>
  editorOf(kind).map((field) =>
    field.is === "choice" ? choice(field.key, field.label, field.choices) : f(field.key, field.label, field.optional),
  );
const DIRECTIONS = ["+x", "-x", "+y", "-y", "+z", "-z"] as const;
export const PLACE: Column[] = [
  f("at.0", "x"),
  f("at.1", "y"),
  f("at.2", "z"),
  choice("l", "length runs", DIRECTIONS),
  choice("w", "width runs", DIRECTIONS),
  choice("t", "thickness runs", DIRECTIONS),
  f("times", "so many in a row", true),
  f("step.0", "each on by x", true),
  f("step.1", "y", true),
  f("step.2", "z", true),
  f("lean", "leans, degrees", true),
];

const zero = "0*inch";
export const newPlace = (): Row => ({ at: [zero, zero, zero], l: "+x", w: "+y", t: "-z" });

export const newUse = (): Row => ({ what: "exterior screw", count: "8", unit: "each", spare: 0.05, mark: "mem" });

/** A name that is not yet there: `side`, `side2` … */
export const fresh = (base: string, taken: (string | undefined)[]): string => {
  for (let n = 1; ; n++) {
    const name = n === 1 ? base : `${base}${n}`;
    if (!taken.includes(name)) return name;
  }
};
const names = (list: { name?: string; id?: string }[]) => list.map((x) => x.id ?? x.name);

/** What a new row of a section holds. */
export const NEW_ROWS = {
  parameters: (r: Recipe) => ({
    name: fresh("size", names(r.parameters)),
    label: "Size",
    group: "Size",
    kind: "length",
    default: "1*inch",
  }),
  values: (r: Recipe) => ({ name: fresh("value", names(r.values)), label: "value", formula: "1*inch" }),
  assembly: (r: Recipe) => ({
    id: fresh("assemble", names(r.assembly)),
    name: "Assemble",
    text: "Glue and fasten.",
    station: "bench",
    joins: r.parts.filter((p) => !r.assembly.some((s) => s.joins?.includes(p.id))).map((p) => p.id),
    uses: [],
    setup: 5,
    each: 5,
    mark: "mem",
  }),
  demands: (r: Recipe) => ({
    rule: fresh(
      "holds",
      r.demands.map((d) => d.rule),
    ),
    label: "Wood left",
    value: "1*inch",
    least: "1/4*inch",
    below: "care",
    advice: "make it larger",
    mark: "mem",
  }),
  figures: (r: Recipe) => ({
    rule: fresh(
      "volume",
      (r.figures ?? []).map((d) => d.rule),
    ),
    label: "Holds",
    formula: "1*inch * 1*inch * 1*inch",
    unit: "l",
    text: "",
    mark: "mem",
  }),
  parts: (r: Recipe) => ({
    id: fresh("part", names(r.parts)),
    name: "Part",
    role: "part",
    length: "10*inch",
    width: "4*inch",
    thickness: "3/4*inch",
    features: [],
    places: [newPlace()],
  }),
} as const;
export type Section = keyof typeof NEW_ROWS;

/**
 * A recipe with one more part, which an item of several parts has to join somewhere: a copy where its original is joined, a new one
 * at the last step that always applies and joins any.
 */
export function withPart(
  r: Recipe,
  part: Recipe["parts"][number] = NEW_ROWS.parts(r) as unknown as Recipe["parts"][number],
  like?: string,
): Recipe {
  const grown = { ...r, parts: [...r.parts, part] };
  const joins = (s: Recipe["assembly"][number]) => (s.joins ?? []).length > 0;
  const last = r.assembly.findLastIndex((s) => joins(s) && s.when === undefined);
  const at = last >= 0 ? last : r.assembly.findLastIndex(joins);
  if (like === undefined && at < 0)
    return { ...grown, assembly: [...r.assembly, NEW_ROWS.assembly(grown) as unknown as Recipe["assembly"][number]] };
  const here = (list: string[] | undefined, i: number) =>
    like === undefined ? i === at && list !== undefined : (list?.includes(like) ?? false);
  return {
    ...grown,
    assembly: r.assembly.map((s, i) => ({
      ...s,
      ...(here(s.joins, i) ? { joins: [...s.joins!, part.id] } : {}),
      ...(like !== undefined && here(s.on, i) ? { on: [...s.on!, part.id] } : {}),
    })),
  };
}
