import type { Parameter, PartRecipe, Recipe } from "../recipe";

/** The bars of a frame with ears: what every hanging frame shares. Foundation decides top bar, bottom bar and wedge. */
export const WEDGE = 'foundation == "wired-wax" || foundation == "wax" || foundation == "thin"';
const WIRED = 'foundation == "wired-wax" || foundation == "wax"';

export const FRAME_PARAMETERS: Parameter[] = [
  {
    name: "foundation",
    label: "Foundation",
    group: "Foundation",
    kind: "choice",
    default: "plastic",
    choices: [
      { id: "plastic", label: "plastic", note: "snaps into grooved bars" },
      { id: "wired-wax", label: "wired wax", note: "wedge and split bottom bar, pins" },
      { id: "wax", label: "wax", note: "wedge, split bottom bar, wire strung across" },
      { id: "thin", label: "thin, unwired", note: "for comb honey: no wire" },
      { id: "none", label: "none", note: "starter strip and dowels hold the comb" },
    ],
  },
  { name: "dowels", label: "Dowels", group: "Foundation", kind: "count", default: "1", min: 0, max: 2, when: 'foundation == "none"' },
  {
    name: "spacing",
    label: "Spacing",
    group: "End bars",
    kind: "choice",
    default: "self",
    choices: [
      { id: "self", label: "self-spacing shoulders" },
      { id: "spacers", label: "straight, with spacers", note: "metal or plastic ends, castellated strip" },
    ],
  },
  { name: "shoulderLength", label: "Shoulder length", group: "End bars", kind: "length", default: "3*inch", min: "1*inch", max: "frameHeight", when: "barWidth > endBarWidth" },
  { name: "endBarWidth", label: "End bar below", group: "End bars", kind: "length", min: "1/2*inch", max: "shoulderWidth" },
  { name: "topBarThickness", label: "Top bar thickness", group: "Top bar", kind: "length", min: "earThickness", max: "1*inch" },
  {
    name: "bottomBar",
    label: "Bottom bar",
    group: "Bottom bar",
    kind: "choice",
    default: "by-foundation",
    choices: [
      { id: "by-foundation", label: "as the foundation wants" },
      { id: "solid", label: "solid" },
      { id: "grooved", label: "grooved" },
      { id: "split", label: "split, two strips" },
    ],
  },
];

export const FRAME_VALUES: Recipe["values"] = [
  { name: "earLength", label: "ear length", formula: "(topBarLength - frameLength) / 2", mark: "arithmetic" },
  { name: "barWidth", label: "end bar width", formula: { by: "spacing", is: { self: "shoulderWidth", spacers: "endBarWidth" } }, mark: "trade" },
  { name: "bottomKind", label: "bottom bar", formula: `bottomBar != "by-foundation" ? bottomBar : ${WEDGE} ? "split" : foundation == "none" ? "solid" : "grooved"`, mark: "trade" },
  { name: "neckDepth", label: "neck notch depth", formula: "min(3/32*inch, max(0*inch, (topBarWidth - 1/2*inch) / 2))", mark: "mem" },
  { name: "neckWidth", label: "top bar at the neck", formula: "topBarWidth - 2 * neckDepth", mark: "arithmetic" },
  { name: "openingLength", label: "opening length", formula: "frameLength - 2 * endBarThickness", mark: "arithmetic" },
  { name: "openingHeight", label: "opening height", formula: "frameHeight - topBarThickness - bottomBarThickness", mark: "arithmetic" },
  { name: "combArea", label: "comb area, both faces", formula: "2 * openingLength * openingHeight", mark: "arithmetic" },
  { name: "wedgeLength", label: "wedge length", formula: "frameLength - 2 * endBarThickness", mark: "trade" },
  { name: "wedgeDeep", label: "wedge rabbet depth", formula: "min(3/8*inch, topBarThickness - 1/8*inch)", mark: "mem" },
  { name: "wedgeWide", label: "wedge rabbet width", formula: "topBarWidth / 2 + 1/32*inch", mark: "mem", why: "puts the sheet on the middle" },
  { name: "stripWidth", label: "split bottom bar strip", formula: "(bottomBarWidth - 1/8*inch) / 2", mark: "mem" },
  { name: "grooveDeep", label: "top bar groove depth", formula: "min(5/16*inch, topBarThickness - 1/8*inch)", mark: "mem" },
  { name: "grooveDepth", label: "how far the sheet goes up into the top bar", formula: `${WEDGE} ? wedgeDeep : grooveDeep`, mark: "mem" },
  { name: "bottomGroove", label: "bottom bar holds", formula: 'bottomKind == "split" ? bottomBarThickness : bottomKind == "grooved" ? 1/4*inch : 0*inch', mark: "mem" },
  { name: "middle", label: "middle of the frame", formula: "barWidth / 2", mark: "arithmetic" },
  { name: "holeStep", label: "wire hole spacing", formula: "openingHeight / wireHoles", mark: "mem" },
];

const fromEnd = (l: [string, string]): [string, string] => [`topBarLength - (${l[1]})`, `topBarLength - (${l[0]})`];
const NECK: [string, string] = ["earLength", "earLength + endBarThickness"];

export const FRAME_PARTS: PartRecipe[] = [
  {
    id: "top-bar",
    name: "Top bar",
    role: "top-bar",
    length: "topBarLength",
    width: "topBarWidth",
    thickness: "topBarThickness",
    features: [
      ...[["0", "earLength"] as [string, string], fromEnd(["0", "earLength"])].map((l) => ({
        name: "ear",
        kind: "notch" as const,
        when: "topBarThickness > earThickness",
        l,
        w: ["0", "topBarWidth"] as [string, string],
        t: ["earThickness", "topBarThickness"] as [string, string],
      })),
      ...[NECK, fromEnd(NECK)].flatMap((l) =>
        [
          ["0", "neckDepth"],
          ["topBarWidth - neckDepth", "topBarWidth"],
        ].map((w) => ({ name: "neck", kind: "notch" as const, when: "neckDepth > 0", l, w: w as [string, string] })),
      ),
      { name: "foundation groove", kind: "groove", when: `!(${WEDGE})`, run: "along", face: "far", at: "(topBarWidth - 1/8*inch) / 2", width: "1/8*inch", deep: "grooveDeep" },
      { name: "wedge rabbet", kind: "rabbet", when: WEDGE, edge: "bottom", face: "far", across: "wedgeWide", deep: "wedgeDeep", from: "earLength + endBarThickness", to: "topBarLength - earLength - endBarThickness" },
    ],
    places: [{ at: ["0", "middle + topBarWidth / 2", "frameHeight"], l: "+x", w: "-y", t: "-z" }],
  },
  {
    id: "end-bar",
    name: "End bar",
    role: "end-bar",
    block: true,
    length: "frameHeight",
    width: "barWidth",
    thickness: "endBarThickness",
    features: [
      { name: "fork", kind: "notch", l: ["0", "topBarThickness"], w: ["(barWidth - neckWidth) / 2", "(barWidth + neckWidth) / 2"] },
      { name: "bottom notch", kind: "notch", l: ["frameHeight - bottomBarThickness", "frameHeight"], w: ["(barWidth - bottomBarWidth) / 2", "(barWidth + bottomBarWidth) / 2"] },
      { name: "narrowed below the shoulder", kind: "notch", when: "barWidth > endBarWidth", l: ["shoulderLength", "frameHeight"], w: ["0", "(barWidth - endBarWidth) / 2"] },
      { name: "narrowed below the shoulder", kind: "notch", when: "barWidth > endBarWidth", l: ["shoulderLength", "frameHeight"], w: ["(barWidth + endBarWidth) / 2", "barWidth"] },
      { name: "wire holes", kind: "hole", when: WIRED, l: "topBarThickness + holeStep / 2", w: "barWidth / 2", diameter: "3/32*inch", count: "wireHoles", step: "holeStep" },
      { name: "dowel holes", kind: "hole", when: 'foundation == "none" && dowels > 0', l: "topBarThickness + openingHeight / (dowels + 1)", w: "barWidth / 2", diameter: "1/4*inch", count: "dowels", step: "openingHeight / (dowels + 1)" },
    ],
    places: [
      { at: ["earLength", "0", "frameHeight"], l: "-z", w: "+y", t: "+x" },
      { at: ["topBarLength - earLength", "barWidth", "frameHeight"], l: "-z", w: "-y", t: "-x" },
    ],
  },
  {
    id: "bottom-bar",
    name: "Bottom bar",
    role: "bottom-bar",
    when: 'bottomKind != "split"',
    length: "frameLength",
    width: "bottomBarWidth",
    thickness: "bottomBarThickness",
    features: [{ name: "foundation groove", kind: "groove", when: 'bottomKind == "grooved"', run: "along", face: "far", at: "(bottomBarWidth - 1/8*inch) / 2", width: "1/8*inch", deep: "1/4*inch" }],
    places: [{ at: ["earLength", "middle - bottomBarWidth / 2", "0"], l: "+x", w: "+y", t: "+z" }],
  },
  {
    id: "bottom-strip",
    name: "Bottom bar strip",
    role: "bottom-bar",
    when: 'bottomKind == "split"',
    length: "frameLength",
    width: "bottomBarThickness",
    thickness: "stripWidth",
    features: [],
    places: [
      { at: ["earLength", "middle - bottomBarWidth / 2 + stripWidth", "0"], l: "+x", w: "+z", t: "-y" },
      { at: ["topBarLength - earLength", "middle + bottomBarWidth / 2 - stripWidth", "0"], l: "-x", w: "+z", t: "+y" },
    ],
  },
  {
    id: "wedge",
    name: "Wedge",
    role: "wedge",
    when: WEDGE,
    length: "wedgeLength",
    width: "wedgeWide - 1/16*inch",
    thickness: "wedgeDeep",
    features: [],
    places: [{ at: ["earLength + endBarThickness", "middle - topBarWidth / 2", "frameHeight - topBarThickness"], l: "+x", w: "+y", t: "+z" }],
  },
];

export const FRAME_HARDWARE: Recipe["hardware"] = [
  { id: "frame-nails", name: "frame nail, 1 1/4", count: "10", unit: "each", spare: 0.05, for: "frames", mark: "mem" },
  { id: "wedge-brads", name: "brad, 3/4", count: "4", unit: "each", spare: 0.05, for: "wedges", when: WEDGE, mark: "mem" },
  { id: "foundation", name: "foundation, plastic", count: "sheets", unit: "each", spare: 0.02, for: "frames", when: 'foundation == "plastic"', mark: "trade" },
  { id: "foundation-wired", name: "foundation, wired wax", count: "sheets", unit: "each", spare: 0.05, for: "frames", when: 'foundation == "wired-wax"', mark: "trade" },
  { id: "foundation-wax", name: "foundation, wax", count: "sheets", unit: "each", spare: 0.05, for: "frames", when: 'foundation == "wax"', mark: "trade" },
  { id: "foundation-thin", name: "foundation, thin", count: "sheets", unit: "each", spare: 0.05, for: "frames", when: 'foundation == "thin"', mark: "trade" },
  { id: "pins", name: "support pin", count: "4", unit: "each", spare: 0.05, for: "foundation", when: 'foundation == "wired-wax"', mark: "mem" },
  { id: "eyelets", name: "wire eyelet", count: "2 * wireHoles", unit: "each", spare: 0.05, for: "wire", when: 'foundation == "wax"', mark: "mem" },
  { id: "starter", name: "starter strip", count: "1", unit: "each", spare: 0.05, for: "frames", when: 'foundation == "none"', mark: "mem" },
  { id: "dowels", name: "dowel, 1/4", count: "dowels", unit: "each", spare: 0.05, for: "comb support", when: 'foundation == "none" && dowels > 0', mark: "mem" },
  { id: "spacer-ends", name: "frame spacer", count: "2", unit: "each", spare: 0.02, for: "pitch", when: 'spacing == "spacers"', mark: "mem" },
  { id: "glue", name: "waterproof wood glue", count: "4 * endBarThickness * topBarThickness + 4 * endBarThickness * bottomBarThickness", unit: "m2", spare: 0, for: "frames", mark: "mem" },
];

const dado = { station: "table saw", hazard: "dado", mark: "mem" as const };
export const FRAME_OPERATIONS: Recipe["operations"] = [
  {
    ...dado,
    id: "ears",
    name: "Ears and necks",
    of: "top-bar",
    setup: 20,
    each: 0.25,
    settings: [
      { label: "stop for the ear", value: "earLength" },
      { label: "ear left thick", value: "earThickness" },
    ],
    check: "the end bar's fork slides over the neck",
  },
  {
    ...dado,
    id: "forks",
    name: "Forks and notches, across the block",
    of: "end-bar",
    onBlock: true,
    setup: 20,
    each: 0.1,
    settings: [
      { label: "fork wide", value: "neckWidth" },
      { label: "fork deep", value: "topBarThickness" },
      { label: "notch wide", value: "bottomBarWidth" },
      { label: "notch deep", value: "bottomBarThickness" },
    ],
    check: "top bar lies flush in the fork",
  },
  { ...dado, id: "grooves", name: "Foundation grooves", setup: 10, each: 0.3, when: `!(${WEDGE})`, settings: [{ label: "top bar groove deep", value: "grooveDeep" }] },
  {
    ...dado,
    id: "wedges",
    name: "Wedge rabbets",
    of: "top-bar",
    setup: 12,
    each: 0.2,
    when: WEDGE,
    settings: [
      { label: "wide", value: "wedgeWide" },
      { label: "deep", value: "wedgeDeep" },
    ],
  },
  { id: "holes", name: "Bore the wire holes, stacked in a jig", station: "drill", of: "end-bar", setup: 10, each: 0.15, when: WIRED, hazard: "drill", mark: "mem" },
  { id: "dowel-holes", name: "Bore the dowel holes, stacked in a jig", station: "drill", of: "end-bar", setup: 10, each: 0.15, when: 'foundation == "none" && dowels > 0', hazard: "drill", mark: "mem" },
  { id: "assemble", name: "Assemble in the jig", station: "frame jig", setup: 10, each: 2, wait: 30, hazard: "glue", check: "square against the jig, no twist", mark: "mem" },
  { id: "foundation", name: "Fit foundation", station: "bench", setup: 5, each: 0.6, when: 'foundation == "plastic"', mark: "mem" },
  { id: "foundation-wedge", name: "Fit foundation, wedge and pins", station: "bench", setup: 5, each: 1.5, when: 'foundation == "wired-wax" || foundation == "thin"', mark: "mem" },
  { id: "foundation-wire", name: "Wire, fit and embed foundation", station: "bench", setup: 10, each: 4, when: 'foundation == "wax"', mark: "mem" },
  { id: "starters", name: "Fit starter strips and dowels", station: "bench", setup: 5, each: 0.8, when: 'foundation == "none"', mark: "mem" },
];

export const FRAME_STEPS: Recipe["steps"] = [
  { text: "Load the jig with end bars, forks up; a spot of glue in each fork." },
  { text: "Press the top bars home and drive two nails down into each end bar." },
  { text: "Turn the jig over, glue and nail the bottom bars." },
  { text: "One nail through each end bar into the top bar, under the ear." },
  { text: "Snap the sheet into the top groove, then spring it into the bottom one.", when: 'foundation == "plastic"' },
  { text: "Lay the sheet against the rabbet, press the wedge on it and nail the wedge up.", when: WEDGE },
  { text: "String the wire tight enough to sing, lay the sheet on it and warm it in.", when: 'foundation == "wax"' },
  { text: "Press the starter strip into the groove; push the dowels through.", when: 'foundation == "none"' },
];

export const FRAME_DEMANDS: Recipe["demands"] = [
  {
    rule: "sheet-fits",
    label: "Room for the sheet, grooves and all",
    value: "openingHeight + grooveDepth + bottomGroove - sheets * foundationHeight",
    least: "0*inch",
    below: "stop",
    when: 'foundation != "none"',
    advice: "use a lower sheet or a thinner top bar",
    mark: "mem",
  },
  { rule: "neck", label: "Top bar left at the neck", value: "neckWidth", least: "1/2*inch", below: "care", advice: "notch the neck less", mark: "mem" },
];
