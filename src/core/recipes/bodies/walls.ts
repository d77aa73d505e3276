import type { FeatureRecipe } from "@/core/feature/feature";
import { each, glue, markFaces, screws } from "../assembly";
import type { Parameter, PartRecipe, Recipe, StepRecipe } from "../recipe";
import { USUAL_WOOD, WOODS } from "../woods";

/**
 * Four walls with a corner joint and rests: what every plain box shares. A recipe gives `nominalInsideLength` and
 * `nominalInsideWidth`, and these give outside, inside, blanks, joints and rests.
 */
const RABBET = 'joint == "rabbet-ends" || joint == "rabbet-sides"';

export const WOOD: Parameter[] = [
  { name: "thickness", label: "Stock, measured", group: "Wood", kind: "length", default: "boardThickness", min: "3/8*inch", max: "2*inch", hint: "what the calliper reads, not the yard's name for it" },
  { name: "endThickness", label: "Ends, measured", group: "Wood", kind: "length", default: "thickness", min: "3/8*inch", max: "3*inch", hint: "long ears may want thicker ends" },
  {
    name: "hold",
    label: "Hold",
    group: "Wood",
    kind: "choice",
    default: "inside",
    choices: [
      { id: "inside", label: "inside", note: "frames and gaps stay right, the outside follows the stock" },
      { id: "outside", label: "outside", note: "covers and floors still match, the gaps move" },
    ],
  },
  { name: "drying", label: "Allow for drying", group: "Wood", kind: "flag", default: false, hint: "cut the depth over, for wood that is not yet dry" },
  { name: "wood", label: "Wood", group: "Wood", kind: "choice", default: USUAL_WOOD.id, hint: "what it weighs, how it moves and which screws hold", choices: WOODS.map(({ id, label }) => ({ id, label })) },
  { name: "moistureNow", label: "Moisture now, %", group: "Wood", kind: "number", default: "18", min: 0, max: 30, when: "drying" },
  { name: "airHumidity", label: "Air in use, humidity %", group: "Wood", kind: "number", default: "65", min: 10, max: 95, when: "drying" },
  { name: "airTemp", label: "Air in use, °F", group: "Wood", kind: "number", default: "70", min: 30, max: 130, when: "drying" },
  { name: "moistureUse", label: "Moisture in use, %", group: "Wood", kind: "number", default: "equilibrium", min: 0, max: 30, when: "drying", hint: "what wood comes to in that air" },
];

export const JOINT: Parameter[] = [
  {
    name: "joint",
    label: "Corner",
    group: "Corner",
    kind: "choice",
    default: "rabbet-ends",
    choices: [
      { id: "rabbet-ends", label: "rabbet in ends", note: "quick, fine with modern glue, fasteners from both faces" },
      { id: "rabbet-sides", label: "rabbet in sides", note: "as the other, end grain shows on the ends" },
      { id: "butt-ends-inside", label: "butt, ends inside", note: "quickest; three long screws a corner" },
      { id: "butt-sides-inside", label: "butt, sides inside", note: "quickest; the rest is stopped short of the corner" },
      { id: "finger", label: "fingers", note: "great glue area, nails both ways; slow to cut" },
      { id: "dovetail", label: "dovetail", note: "strongest mechanically, slowest" },
      { id: "mitre", label: "mitre", note: "board materials, no edge showing; weak without a spline" },
    ],
  },
  { name: "lap", label: "Rabbet depth", group: "Corner", kind: "length", default: { by: "joint", is: LAPS() }, min: "1/8*inch", max: "max(thickness, endThickness) - 1/8*inch", when: RABBET },
  { name: "keyed", label: "Keyed rows", group: "Corner", kind: "flag", default: false, hint: "a board turned inside out cannot close", when: 'joint == "finger"' },
];

function LAPS(): Record<string, string> {
  const half = "thickness / 2";
  return { "rabbet-ends": "endThickness / 2", "rabbet-sides": half, "butt-ends-inside": half, "butt-sides-inside": half, finger: half, dovetail: half, mitre: half };
}

export const RESTS: Parameter[] = [
  { name: "restWidth", label: "Rest width", group: "Rests", kind: "length", min: "1/8*inch", max: "endThickness" },
  { name: "restDepth", label: "Rest depth", group: "Rests", kind: "length", min: "1/8*inch", max: "2*inch" },
  {
    name: "beeSpace",
    label: "Bee space",
    group: "Rests",
    kind: "choice",
    default: "top",
    hint: "where a stack keeps it; keep to one school in a hive",
    choices: [
      { id: "top", label: "above the frames" },
      { id: "bottom", label: "below the frames" },
      { id: "closed", label: "none, bars touch" },
    ],
  },
  {
    name: "runner",
    label: "Runner",
    group: "Rests",
    kind: "choice",
    default: "none",
    choices: [
      { id: "none", label: "cut in the wood" },
      { id: "metal", label: "metal strip", note: "its edge stands up, so the rabbet is cut deeper by as much" },
      { id: "plastic", label: "plastic strip", note: "its edge stands up, so the rabbet is cut deeper by as much" },
    ],
  },
];

export const HANDHOLDS: Parameter[] = [
  {
    name: "handholds",
    label: "Handholds",
    group: "Handholds",
    kind: "choice",
    default: "ends",
    choices: [
      { id: "ends", label: "cut in two ends" },
      { id: "all", label: "cut in all four" },
      { id: "cleats", label: "cleats, ends only", note: "screwed on, top bevelled" },
      { id: "none", label: "none" },
    ],
  },
  {
    name: "handholdRoof",
    label: "Roof of the pocket",
    group: "Handholds",
    kind: "choice",
    default: "sloped",
    when: 'handholds == "ends" || handholds == "all"',
    choices: [
      { id: "sloped", label: "sloped 15°", note: "rain runs out; for painted wood" },
      { id: "flat", label: "flat", note: "fine only on wax-dipped wood" },
    ],
  },
];

export const OUTSIDE: Parameter[] = [
  { name: "depth", label: "Depth", group: "Size", kind: "length", default: "bodyDepth", min: "2*inch", max: "40*inch" },
  {
    name: "outsideLength",
    label: "Outside length",
    group: "Size",
    kind: "length",
    default: { by: "hold", is: { inside: "nominalInsideLength + 2 * endThickness", outside: "nominalInsideLength + 2 * nominalEnd" } },
    min: "4*inch",
    max: "100*inch",
  },
  {
    name: "outsideWidth",
    label: "Outside width",
    group: "Size",
    kind: "length",
    default: { by: "hold", is: { inside: "nominalInsideWidth + patrol + 2 * thickness", outside: "nominalInsideWidth + patrol + 2 * nominalThickness" } },
    min: "4*inch",
    max: "200*inch",
  },
  {
    name: "patrol",
    label: "Beetle patrol",
    group: "Size",
    kind: "length",
    default: "0*inch",
    min: "0*inch",
    max: "1*inch",
    hint: "extra width so that bees can patrol both sides against hive beetle; a standard excluder then covers only part of each wall",
  },
];

/** The whole set, in the order a maker decides. */
export const WALL_PARAMETERS: Parameter[] = [...WOOD, ...JOINT, ...RESTS, ...HANDHOLDS, ...OUTSIDE];

const SHRINK = Object.fromEntries(WOODS.map((w) => [w.id, w.tangential]));
const WOOD_HANDBOOK = { pub: "Wood Handbook, dimensional change coefficients", fromMemory: true };

const EMC = { pub: "Wood Handbook, equilibrium moisture content (Hailwood–Horrobin)", fromMemory: true };

/** What wood comes to in air of a temperature (°F) and humidity. */
const EQUILIBRIUM: Recipe["values"] = [
  { name: "emcH", label: "relative humidity, of 1", formula: "airHumidity / 100", mark: "arithmetic" },
  { name: "emcW", label: "W of the moisture formula", formula: "330 + 0.452 * airTemp + 0.00415 * airTemp * airTemp", mark: EMC },
  { name: "emcK", label: "K of the moisture formula, times humidity", formula: "(0.791 + 0.000463 * airTemp - 0.000000844 * airTemp * airTemp) * emcH", mark: EMC },
  { name: "emcK1", label: "K1 of the moisture formula", formula: "6.34 + 0.000775 * airTemp - 0.0000935 * airTemp * airTemp", mark: EMC },
  { name: "emcK2", label: "K2 of the moisture formula", formula: "1.09 + 0.0284 * airTemp - 0.0000904 * airTemp * airTemp", mark: EMC },
  { name: "equilibrium", label: "moisture wood comes to in that air, %", formula: "1800 / emcW * (emcK / (1 - emcK) + (emcK1 * emcK + 2 * emcK1 * emcK2 * emcK * emcK) / (1 + emcK1 * emcK + emcK1 * emcK2 * emcK * emcK))", mark: EMC },
];

/** What is cut over in width for wood that still dries; any body that offers `WOOD` works it out so. */
export const DRYING: Recipe["values"] = [
  ...EQUILIBRIUM,
  { name: "shrink", label: "movement per percent of moisture, flat-sawn", formula: { by: "wood", is: SHRINK }, mark: WOOD_HANDBOOK },
  { name: "allowance", label: "allowance for drying", formula: "drying && moistureNow > moistureUse ? depth * shrink * (moistureNow - moistureUse) : 0*inch", mark: WOOD_HANDBOOK, why: "across the grain only; along it wood does not move" },
];

/** Fasteners of a rabbet corner, from both faces; two in a rim. */
const BOTH_FACES = "depth > 8*inch ? 6 : depth > 4*inch ? 4 : 2";

export const WALL_VALUES: Recipe["values"] = [
  {
    name: "restDepth",
    label: "rest depth",
    formula: 'beeSpace == standardBeeSpace ? standardRestDepth : beeSpace == "top" ? earThickness + 8*mm : earThickness + 1*mm',
    mark: "trade",
    why: "as deep as the bee-space school wants it above the ear",
  },
  { name: "nominalEnd", label: "end wall the usual outside comes from", formula: 'hold == "outside" ? nominalThickness : endThickness', mark: "trade" },
  ...DRYING,
  { name: "insideLength", label: "inside length", formula: "outsideLength - 2 * endThickness", mark: "arithmetic" },
  { name: "insideWidth", label: "inside width", formula: "outsideWidth - 2 * thickness", mark: "arithmetic" },
  {
    name: "sideLength",
    label: "side length",
    mark: "trade",
    formula: {
      by: "joint",
      is: {
        finger: "outsideLength",
        dovetail: "outsideLength",
        mitre: "outsideLength",
        "rabbet-ends": "outsideLength - 2 * (endThickness - lap)",
        "rabbet-sides": "outsideLength",
        "butt-ends-inside": "outsideLength",
        "butt-sides-inside": "insideLength",
      },
    },
  },
  {
    name: "endLength",
    label: "end length",
    mark: "trade",
    formula: {
      by: "joint",
      is: {
        finger: "outsideWidth",
        dovetail: "outsideWidth",
        mitre: "outsideWidth",
        "rabbet-ends": "outsideWidth",
        "rabbet-sides": "outsideWidth - 2 * (thickness - lap)",
        "butt-ends-inside": "insideWidth",
        "butt-sides-inside": "outsideWidth",
      },
    },
  },
  { name: "runnerRise", label: "runner above the rabbet floor", formula: { by: "runner", is: { none: "0*inch", metal: "1/8*inch", plastic: "1/8*inch" } }, mark: "mem" },
  { name: "runnerEdge", label: "runner's edge, wide", formula: { by: "runner", is: { none: "0*inch", metal: "1/16*inch", plastic: "1/8*inch" } }, mark: "mem", why: "the fold of a metal strip, the rib of a plastic one" },
  { name: "restCut", label: "rest rabbet, cut deep", formula: "restDepth + runnerRise", mark: "trade", why: "a runner that stands up deepens the rabbet by as much, so the gap stays" },
  { name: "row", label: "finger row", formula: 'joint == "dovetail" ? 2 * thickness : thickness', mark: "trade" },
  { name: "slant", label: "slant of a dovetail over the joint", formula: 'joint == "dovetail" ? endThickness / 7 : 0*inch', mark: "trade", why: "1 in 7" },
  { name: "fingerRows", label: "finger rows", formula: "odd((depth - max(restCut, row / 4) - slant / 2) / row + 1)", mark: "trade", why: "the largest odd number that leaves a top row as high as the rest is deep" },
  { name: "topRow", label: "top finger row", formula: "depth - (fingerRows - 1) * row", mark: "arithmetic" },
  { name: "keyStep", label: "key step", formula: "keyed ? 1/4*inch : 0*inch", mark: "trade" },
  {
    name: "restStart",
    label: "rest starts from the end's end",
    mark: "trade",
    why: "through only where the side's wood closes the corner",
    formula: { by: "joint", is: { finger: "0*inch", dovetail: "0*inch", mitre: "0*inch", "rabbet-ends": "restWidth <= lap ? 0*inch : thickness", "rabbet-sides": "0*inch", "butt-ends-inside": "0*inch", "butt-sides-inside": "thickness" } },
  },
  {
    name: "cornerFasteners",
    label: "fasteners a corner",
    mark: "trade",
    formula: {
      by: "joint",
      is: {
        finger: "depth <= 4*inch ? 2 : fingerRows > 9 ? 9 : 7",
        dovetail: "2",
        mitre: "depth <= 4*inch ? 2 : 3",
        "rabbet-ends": BOTH_FACES,
        "rabbet-sides": BOTH_FACES,
        "butt-ends-inside": "depth <= 4*inch ? 2 : 3",
        "butt-sides-inside": "depth <= 4*inch ? 2 : 3",
      },
    },
  },
  { name: "boxCount", label: "boxes", formula: "1", mark: "arithmetic" },
  { name: "throughSide", label: "fasteners a corner through the side", formula: 'joint == "butt-ends-inside" ? cornerFasteners : joint == "butt-sides-inside" ? 0 : ceil(cornerFasteners / 2)', mark: "trade" },
  { name: "throughEnd", label: "fasteners a corner through the end", formula: "cornerFasteners - throughSide", mark: "arithmetic" },
  {
    name: "glueFace",
    label: "glued face to face, four corners",
    mark: "arithmetic",
    formula: {
      by: "joint",
      is: {
        finger: "4 * (fingerRows - 1) * thickness * endThickness",
        dovetail: "4 * (fingerRows - 1) * thickness * endThickness",
        mitre: "0 * depth * thickness",
        "rabbet-ends": "0 * depth * thickness",
        "rabbet-sides": "0 * depth * thickness",
        "butt-ends-inside": "0 * depth * thickness",
        "butt-sides-inside": "0 * depth * thickness",
      },
    },
  },
  {
    name: "glueEnd",
    label: "glued with end grain, four corners",
    mark: "arithmetic",
    formula: {
      by: "joint",
      is: {
        finger: "2 * depth * (thickness + endThickness)",
        dovetail: "2 * depth * (thickness + endThickness)",
        mitre: "4 * depth * thickness * 1.4142",
        "rabbet-ends": "4 * depth * (thickness + lap)",
        "rabbet-sides": "4 * depth * (endThickness + lap)",
        "butt-ends-inside": "4 * depth * endThickness",
        "butt-sides-inside": "4 * depth * thickness",
      },
    },
  },
  { name: "glueArea", label: "glue area of four corners", formula: "glueFace + glueEnd", mark: "arithmetic" },
  { name: "pocketDeep", label: "handhold, deep", formula: "max(1/8*inch, min(1/2*inch, thickness - 1/4*inch))", mark: "trade" },
  { name: "pocketSlope", label: "handhold roof, degrees", formula: 'handholdRoof == "sloped" ? 15 : 0', mark: "trade" },
  { name: "cleatLength", label: "cleat length", formula: "6*inch", mark: "trade" },
  { name: "cleatHeight", label: "cleat height", formula: "1.5*inch", mark: "trade" },
];

const fingers = (end: "left" | "right", keep: "odd" | "even"): FeatureRecipe => ({
  name: "fingers",
  kind: "fingers",
  when: 'joint == "finger"',
  end,
  keep,
  rows: "fingerRows",
  row: "row",
  first: "topRow",
  long: keep === "odd" ? "endThickness" : "thickness",
  key: (end === "right") === (keep === "odd") ? "keyStep" : "0*inch",
});
const dovetails = (end: "left" | "right", keep: "odd" | "even"): FeatureRecipe => ({
  name: keep === "odd" ? "tails" : "pins",
  kind: "fingers",
  when: 'joint == "dovetail"',
  end,
  keep,
  rows: "fingerRows",
  row: "row",
  first: "topRow",
  long: keep === "odd" ? "endThickness" : "thickness",
  key: "0*inch",
  slant: "slant",
});
const corner = (edge: "left" | "right", joint: "rabbet-ends" | "rabbet-sides"): FeatureRecipe => ({
  name: "corner rabbet",
  kind: "rabbet",
  when: `joint == "${joint}"`,
  edge,
  face: "far",
  across: joint === "rabbet-ends" ? "thickness" : "endThickness",
  deep: "lap",
  check: joint === "rabbet-ends" ? "a side's end fills the rabbet flush" : "an end fills the rabbet flush",
});
const mitre = (edge: "left" | "right", of: "thickness" | "endThickness"): FeatureRecipe => ({ name: "mitre", kind: "bevel", when: 'joint == "mitre"', edge, face: "far", across: of === "thickness" ? "endThickness" : "thickness", deep: of });
/** Where a grip lies along a wall, how long it is, and when it is there. */
export interface Grip {
  middle: string;
  long?: string;
  when?: string;
}
const handhold = (when: string, { middle, long = "4*inch", when: also }: Grip): FeatureRecipe => ({
  name: "handhold",
  kind: "handhold",
  when: also ? `(${when}) && (${also})` : when,
  l: middle,
  w: "2*inch",
  long,
  high: "3/4*inch",
  deep: "pocketDeep",
  slope: "pocketSlope",
});

/** Sides, ends and cleats; `more` adds features to sides and ends, `rests` false leaves the rests out. */
export function wallParts({
  sides = [],
  ends = [],
  rests = true,
  sideGrips = [{ middle: "sideLength / 2" }],
  endGrips = [{ middle: "endLength / 2" }],
}: { sides?: FeatureRecipe[]; ends?: FeatureRecipe[]; rests?: boolean; sideGrips?: Grip[]; endGrips?: Grip[] } = {}): PartRecipe[] {
  return [
    {
      id: "side",
      name: "Side",
      role: "side",
      length: "sideLength",
      width: "depth",
      thickness: "thickness",
      allowance: "allowance",
      why: { length: "outside length, less what the corner takes" },
      outside: "mark the outside face",
      features: [
        fingers("left", "odd"),
        fingers("right", "odd"),
        dovetails("left", "odd"),
        dovetails("right", "odd"),
        corner("left", "rabbet-sides"),
        corner("right", "rabbet-sides"),
        mitre("left", "thickness"),
        mitre("right", "thickness"),
        ...sideGrips.map((g) => handhold('handholds == "all"', g)),
        ...sides,
      ],
      places: [
        { at: ["(outsideLength - sideLength) / 2", "0", "depth"], l: "+x", w: "-z", t: "+y" },
        { at: ["(outsideLength + sideLength) / 2", "outsideWidth", "depth"], l: "-x", w: "-z", t: "-y" },
      ],
    },
    {
      id: "end",
      name: "End",
      role: "end",
      length: "endLength",
      width: "depth",
      thickness: "endThickness",
      allowance: "allowance",
      why: { length: "outside width, less what the corner takes" },
      outside: "mark the outside face",
      features: [
        fingers("left", "even"),
        fingers("right", "even"),
        dovetails("left", "even"),
        dovetails("right", "even"),
        corner("left", "rabbet-ends"),
        corner("right", "rabbet-ends"),
        mitre("left", "endThickness"),
        mitre("right", "endThickness"),
        ...(rests
          ? [{ name: "rest", kind: "rabbet" as const, edge: "top" as const, face: "far" as const, across: "restCut", deep: "restWidth", from: "restStart", to: "endLength - restStart", check: "an ear lies flat and clear of the wall" }]
          : []),
        ...endGrips.map((g) => handhold('handholds == "ends" || handholds == "all"', g)),
        ...ends,
      ],
      places: [
        { at: ["0", "(outsideWidth + endLength) / 2", "depth"], l: "-y", w: "-z", t: "+x" },
        { at: ["outsideLength", "(outsideWidth - endLength) / 2", "depth"], l: "+y", w: "-z", t: "-x" },
      ],
    },
    {
      id: "cleat",
      name: "Handhold cleat",
      role: "cleat",
      when: 'handholds == "cleats"',
      length: "cleatLength",
      width: "cleatHeight",
      thickness: "thickness",
      features: [{ name: "sloped top", kind: "bevel", edge: "top", face: "reference", across: "thickness * tan(15)", deep: "thickness" }],
      places: [
        { at: ["-thickness", "(outsideWidth + cleatLength) / 2", "depth - 2*inch"], l: "-y", w: "-z", t: "+x" },
        { at: ["outsideLength + thickness", "(outsideWidth - cleatLength) / 2", "depth - 2*inch"], l: "+y", w: "-z", t: "-x" },
      ],
    },
  ];
}

/** Through the side's thickness, or through the lip a rabbet leaves of it; always into end grain at a corner. */
const THROUGH_SIDE = 'joint == "rabbet-sides" ? thickness - lap : thickness';
const THROUGH_END = 'joint == "rabbet-ends" ? endThickness - lap : endThickness';

/**
 * How four walls become a box. `more` is what a recipe does between marking and glueing, `then` what comes after the box stands;
 * `boxes` name the parts where there is more than one box.
 */
export function wallAssembly({
  rests = true,
  handholds = rests,
  sides = ["side"],
  ends = ["end"],
  dados = false,
  more = [],
  next = [],
}: { rests?: boolean; handholds?: boolean; sides?: string[]; ends?: string[]; dados?: boolean; more?: StepRecipe[]; next?: StepRecipe[] } = {}): StepRecipe[] {
  const walls = [...sides, ...ends];
  return [
    { ...markFaces(walls), ...(handholds ? { mistakes: [{ text: "a handhold ends up inside", when: 'handholds == "ends" || handholds == "all"' }] } : {}) },
    ...more,
    {
      id: "dry-fit",
      name: "Dry fit a first box",
      text: rests ? "Put one box together without glue and hang a real frame in it: it slides, and drops free at both ends." : "Put one together without glue: the corners close, and it lies flat.",
      station: "bench",
      on: walls,
      setup: 8,
      each: 0,
      ...(handholds ? { mistakes: [{ text: "a side turned inside out: nothing tells the faces apart once they are glued", when: 'joint == "finger" && !keyed' }] } : {}),
      check: rests ? "a frame hangs, slides and drops free at both ends" : "corners close, no rock on a flat",
      mark: "mem",
    },
    {
      id: "glue-up",
      name: "Glue and fasten the box",
      text: `${dados ? "Mark on the outside where the dados run inside: no nail, screw or staple goes there. " : ""}Glue both faces of each corner enough to wet them. ${rests ? "Rests at the top, outside faces out. " : ""}Pilot every fastener near an edge${rests ? ", one of them in each thin lip beside the rest" : ""}. Measure both diagonals before the glue grabs; clamp across the longer one until they are equal. Leave it on a flat until the glue can be handled.`,
      station: "clamps",
      joins: walls,
      uses: [
        screws("4 * throughSide * boxCount", THROUGH_SIDE, "endLength / 2", "end", { when: "throughSide > 0", where: "through the sides into the ends" }),
        screws("4 * throughEnd * boxCount", THROUGH_END, "sideLength / 2", "end", { when: "throughEnd > 0", where: "through the ends into the sides" }),
        glue("glueArea", 'finish != "wax"'),
      ],
      setup: 10,
      each: 7,
      wait: 45,
      lot: 8,
      hazard: "glue",
      check: "both diagonals equal, no rock on a flat",
      mistakes: [
        { text: "fingers forced with a steel hammer: tap with a mallet", when: 'joint == "finger" || joint == "dovetail"' },
        ...(rests ? ["no pilot hole near the edge, and the lip splits"] : ["no pilot hole near the edge, and the end splits"]),
        "not square before the glue grabs",
        "glue only, without fasteners; or so much that it runs",
      ],
      mark: "mem",
    },
    ...(handholds
      ? [
          {
            id: "cleats",
            name: "Screw the cleats on",
            text: "Glue a cleat on the outside of each end, its slope up and outwards so that rain runs off; three screws from the front.",
            station: "bench" as const,
            joins: ["cleat"],
            uses: [screws("2 * 3", "thickness", "endThickness", "side", { light: true }), glue("2 * cleatLength * cleatHeight")],
            when: 'handholds == "cleats"',
            setup: 3,
            each: 3,
            check: "both level, the slope outwards",
            mistakes: ["the slope turned to the wall: water stands behind it"],
            mark: "mem" as const,
          },
        ]
      : []),
    ...(rests
      ? [
          {
            id: "runners",
            name: "Fit the runners",
            text: "Nail a runner in each rest, its edge standing up on the bees' side.",
            station: "bench" as const,
            uses: [each("frame runner", "2", 0.02), each("runner nail, 20 mm", "8", 0.1)],
            when: 'runner != "none"',
            setup: 3,
            each: 2,
            check: "the runner's edge is as high as the design says above the rabbet floor",
            mark: "mem" as const,
          },
        ]
      : []),
    { id: "clean", name: "Clean up corners and edges", text: "Plane or sand the corners flush and break every edge a hand will meet.", station: "bench", setup: 2, each: 2, hazard: "dust", mark: "mem" },
    ...next,
  ];
}

export const WALL_DEMANDS: Recipe["demands"] = [
  { rule: "thin-lip", label: "Wood left beside the rest", value: "endThickness - restWidth", least: "1/4*inch", below: "stop", advice: "narrow the rest or use thicker stock", mark: "trade" },
  {
    rule: "mitre-walls",
    label: "Side against end, for a mitre",
    value: "min(thickness - endThickness, endThickness - thickness)",
    least: "0*inch",
    below: "stop",
    when: 'joint == "mitre"',
    advice: "a mitre wants four walls of one thickness",
    mark: "arithmetic",
  },
];
