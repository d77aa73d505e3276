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
const choice = (key: string, label: string, choices: readonly string[]): Column => ({
  key,
  label,
  kind: "choice",
  choices,
});
const when = formula("when", "only when", true, 18);

export const VALUES: Column[] = [
  text("name", "name", 16),
  formula("formula", "formula", false, 40),
  text("label", "in words", 22),
  text("why", "why", 22, true),
];
export const HARDWARE: Column[] = [
  text("id", "id", 10),
  text("name", "name", 22),
  formula("count", "how many", false, 16),
  choice("unit", "unit", ["each", "m2"]),
  number("spare", "spare"),
  text("for", "for", 10),
  when,
];
export const OPERATIONS: Column[] = [
  text("id", "id", 10),
  text("name", "what is done", 30),
  text("station", "station", 12),
  text("of", "part", 10, true),
  number("setup", "set-up, min"),
  number("each", "each, min"),
  number("wait", "then wait, min", true),
  text("check", "check", 26, true),
  when,
];
export const STEPS: Column[] = [text("text", "step", 60), when];
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

const EDGES = ["top", "bottom", "left", "right"] as const;
const FACES = ["reference", "far"] as const;
const ENDS = ["left", "right"] as const;
const RUNS = ["along", "across"] as const;
const f = (key: string, label = key, optional = false) => formula(key, label, optional, 20);
/** The fields of each kind of cut. */
export const FEATURES: Record<string, Column[]> = {
  rabbet: [
    choice("edge", "edge", EDGES),
    choice("face", "face", FACES),
    f("across"),
    f("deep"),
    f("from", "from", true),
    f("to", "to", true),
  ],
  groove: [choice("run", "runs", RUNS), choice("face", "face", FACES), f("at"), f("width", "wide"), f("deep")],
  notch: [
    f("l.0", "along, from"),
    f("l.1", "to"),
    f("w.0", "across, from"),
    f("w.1", "to"),
    f("t.0", "deep, from", true),
    f("t.1", "to", true),
  ],
  hole: [
    f("l", "middle, along"),
    f("w", "middle, across"),
    f("diameter"),
    f("count", "how many", true),
    f("step", "apart", true),
  ],
  bevel: [choice("edge", "edge", EDGES), choice("face", "face", FACES), f("across"), f("deep")],
  taper: [choice("end", "end", ENDS), choice("edge", "edge", ["top", "bottom"]), f("along"), f("across")],
  fingers: [
    choice("end", "end", ENDS),
    choice("keep", "keeps", ["odd", "even"]),
    f("rows"),
    f("row"),
    f("first", "first row"),
    f("long"),
    f("key", "key step"),
    f("slant", "slant", true),
  ],
  handhold: [
    f("l", "middle, along"),
    f("w", "upper edge"),
    f("long"),
    f("high"),
    f("deep"),
    f("slope", "slope, degrees"),
  ],
  fold: [choice("run", "runs", RUNS), f("at")],
};
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
const NEW_FEATURES: Record<string, Row> = {
  rabbet: { edge: "top", face: "far", across: "3/8*inch", deep: "3/8*inch" },
  groove: { run: "along", face: "far", at: "1*inch", width: "3/8*inch", deep: "1/4*inch" },
  notch: { l: [zero, "1*inch"], w: [zero, "1*inch"] },
  hole: { l: "1*inch", w: "1*inch", diameter: "1/2*inch" },
  bevel: { edge: "top", face: "reference", across: "1/4*inch", deep: "1/4*inch" },
  taper: { end: "left", edge: "top", along: "1*inch", across: "1/2*inch" },
  fingers: { end: "left", keep: "odd", rows: "5", row: "3/4*inch", first: "3/4*inch", long: "3/4*inch", key: zero },
  handhold: { l: "5*inch", w: "2*inch", long: "4*inch", high: "3/4*inch", deep: "3/8*inch", slope: "15" },
  fold: { run: "along", at: "1/2*inch" },
};
export const newFeature = (kind: string): Row => ({ name: kind, kind, ...structuredClone(NEW_FEATURES[kind]!) });
export const newPlace = (): Row => ({ at: [zero, zero, zero], l: "+x", w: "+y", t: "-z" });

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
  hardware: (r: Recipe) => ({
    id: fresh("screws", names(r.hardware)),
    name: "exterior screw, 1 5/8",
    count: "8",
    unit: "each",
    spare: 0.05,
    for: "joints",
    mark: "mem",
  }),
  operations: (r: Recipe) => ({
    id: fresh("assemble", names(r.operations)),
    name: "Assemble",
    station: "bench",
    setup: 5,
    each: 5,
    mark: "mem",
  }),
  steps: () => ({ text: "Glue and fasten." }),
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
