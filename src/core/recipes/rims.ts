import { JOINT, OUTSIDE, WALL_VALUES, WOOD, wallAssembly, wallParts } from "./bodies/walls";
import type { Parameter, PartRecipe, Recipe, StepRecipe } from "./recipe";

/**
 * Rims: four walls by the corner joints of a body, without rests or handholds. A recipe that uses them gives
 * `nominalInsideLength` and `nominalInsideWidth`, and the rim's `depth`.
 */
export const rimParameters = (depth: string): Parameter[] => [
  ...WOOD,
  ...JOINT,
  { name: "depth", label: "Height", group: "Size", kind: "length", default: depth, min: "3/8*inch", max: "12*inch" },
  ...OUTSIDE.filter((p) => p.name !== "depth" && p.name !== "patrol"),
];

/** The box an item stands on or goes over, when it is not the standard's usual one: as the tape reads it. */
export const FOR_BOX: Parameter[] = [
  {
    name: "bodyOutsideLength",
    label: "Box outside, long",
    group: "Made to a box",
    kind: "length",
    min: "4*inch",
    max: "100*inch",
    hint: "the box it meets, as measured; the standard's usual one when not said",
  },
  {
    name: "bodyOutsideWidth",
    label: "Box outside, wide",
    group: "Made to a box",
    kind: "length",
    min: "4*inch",
    max: "100*inch",
  },
];
/** For what meets the box's width only. */
export const FOR_WIDTH = FOR_BOX.filter((p) => p.name === "bodyOutsideWidth");

const NONE: Recipe["values"] = [
  { name: "handholds", label: "handholds", formula: '"none"', mark: "arithmetic" },
  { name: "patrol", label: "beetle patrol", formula: "0*inch", mark: "arithmetic" },
  { name: "restCut", label: "rest", formula: "0*inch", mark: "arithmetic" },
];
const LEFT_OUT = [
  "restDepth",
  "runnerRise",
  "runnerEdge",
  "restCut",
  "restStart",
  "pocketDeep",
  "pocketSlope",
  "cleatLength",
  "cleatHeight",
];

export const RIM_VALUES: Recipe["values"] = [...NONE, ...WALL_VALUES.filter((v) => !LEFT_OUT.includes(v.name))];

/** Over the walls of a usual body, whatever the rim is made of. */
export const OVER_BODY: Recipe["values"] = [
  {
    name: "nominalInsideLength",
    label: "inside length wanted",
    formula: "bodyOutsideLength - 2 * nominalEnd",
    mark: "arithmetic",
  },
  {
    name: "nominalInsideWidth",
    label: "inside width wanted",
    formula: "bodyOutsideWidth - 2 * nominalThickness",
    mark: "arithmetic",
  },
];

export const rimParts = (more: { sides?: PartRecipe["features"]; ends?: PartRecipe["features"] } = {}): PartRecipe[] =>
  wallParts({ ...more, rests: false }).filter((p) => p.id !== "cleat");

/** The front end as a part of its own, for what only the front has. */
export const withFront = (parts: PartRecipe[], features: PartRecipe["features"]): PartRecipe[] =>
  parts.flatMap((p) => {
    if (p.id !== "end") return [p];
    const [front, ...others] = p.places;
    return [
      { ...p, id: "front", name: "Front", places: [front!], features: [...p.features, ...features] },
      { ...p, name: "Back", places: others },
    ];
  });

/** A rim put together; `next` is what comes after it stands, `ends` its ends where they are not alike. */
export const rimAssembly = ({
  ends = ["end"],
  more = [],
  next = [],
}: { ends?: string[]; more?: StepRecipe[]; next?: StepRecipe[] } = {}): StepRecipe[] =>
  wallAssembly({ rests: false, ends, more, next });

/** A body's outside, and what a rim's own walls leave inside. */
export const RIM_NEEDS = ["boxInsideLength", "boxInsideWidth", "nominalThickness"];
