import type { Recipe } from "../recipe";

/**
 * Four walls that hang frames. The corner joint decides the blanks; the inside is what the standard fixes, and the
 * outside follows the stock unless the maker holds it.
 */
export const body: Recipe = {
  id: "body",
  name: "Body",
  family: "bodies",
  kind: "body",
  about: "Four walls without top or floor that hang frames.",
  parameters: [
    { name: "thickness", label: "Stock, measured", group: "Wood", kind: "length", default: "nominalThickness", min: "3/8*inch", max: "2*inch", hint: "what the calliper reads, not the yard's name for it" },
    {
      name: "hold", label: "Hold", group: "Wood", kind: "choice", default: "inside",
      choices: [
        { id: "inside", label: "inside", note: "frames and gaps stay right, the outside follows the stock" },
        { id: "outside", label: "outside", note: "covers and floors still match, the gaps move" },
      ],
    },
    {
      name: "joint", label: "Corner", group: "Corner", kind: "choice", default: "rabbet-ends",
      choices: [
        { id: "rabbet-ends", label: "rabbet in ends", note: "quick, fine with modern glue, fasteners from both faces" },
        { id: "rabbet-sides", label: "rabbet in sides", note: "as the other, end grain shows on the ends" },
        { id: "butt-ends-inside", label: "butt, ends inside", note: "quickest; three long screws a corner" },
        { id: "butt-sides-inside", label: "butt, sides inside", note: "quickest; the rest is stopped short of the corner" },
        { id: "finger", label: "fingers", note: "great glue area, nails both ways; slow to cut" },
      ],
    },
    { name: "lap", label: "Rabbet depth", group: "Corner", kind: "length", default: "thickness / 2", min: "1/8*inch", max: "thickness - 1/8*inch", when: 'joint == "rabbet-ends" || joint == "rabbet-sides"' },
    { name: "keyed", label: "Keyed rows", group: "Corner", kind: "flag", default: false, hint: "a board turned inside out cannot close", when: 'joint == "finger"' },
    { name: "restWidth", label: "Rest width", group: "Rests", kind: "length", min: "1/8*inch", max: "thickness" },
    { name: "restDepth", label: "Rest depth", group: "Rests", kind: "length", min: "1/8*inch", max: "2*inch" },
    {
      name: "handholds", label: "Handholds", group: "Handholds", kind: "choice", default: "ends",
      choices: [
        { id: "ends", label: "cut in two ends" },
        { id: "all", label: "cut in all four" },
        { id: "cleats", label: "cleats, ends only", note: "screwed on, top bevelled" },
        { id: "none", label: "none" },
      ],
    },
    { name: "depth", label: "Depth", group: "Size", kind: "length", default: "bodyDepth", min: "2*inch", max: "24*inch" },
    { name: "outsideLength", label: "Outside length", group: "Size", kind: "length", default: { by: "hold", is: { inside: "boxInsideLength + 2 * thickness", outside: "boxInsideLength + 2 * nominalThickness" } }, min: "4*inch", max: "100*inch" },
    { name: "outsideWidth", label: "Outside width", group: "Size", kind: "length", default: { by: "hold", is: { inside: "boxInsideWidth + 2 * thickness", outside: "boxInsideWidth + 2 * nominalThickness" } }, min: "4*inch", max: "100*inch" },
  ],
  values: [
    { name: "insideLength", label: "inside length", formula: "outsideLength - 2 * thickness", mark: "arithmetic" },
    { name: "insideWidth", label: "inside width", formula: "outsideWidth - 2 * thickness", mark: "arithmetic" },
    {
      name: "sideLength", label: "side length", mark: "trade",
      formula: {
        by: "joint",
        is: {
          finger: "outsideLength",
          "rabbet-ends": "outsideLength - 2 * (thickness - lap)",
          "rabbet-sides": "outsideLength",
          "butt-ends-inside": "outsideLength",
          "butt-sides-inside": "insideLength",
        },
      },
    },
    {
      name: "endLength", label: "end length", mark: "trade",
      formula: {
        by: "joint",
        is: {
          finger: "outsideWidth",
          "rabbet-ends": "outsideWidth",
          "rabbet-sides": "outsideWidth - 2 * (thickness - lap)",
          "butt-ends-inside": "insideWidth",
          "butt-sides-inside": "outsideWidth",
        },
      },
    },
    { name: "fingerRows", label: "finger rows", formula: "odd((depth - restDepth) / thickness + 1)", mark: "trade", why: "the largest odd number that leaves a top row as high as the rest is deep" },
    { name: "topRow", label: "top finger row", formula: "depth - (fingerRows - 1) * thickness", mark: "arithmetic" },
    { name: "keyStep", label: "key step", formula: "keyed ? 1/4*inch : 0*inch", mark: "trade" },
    {
      name: "restStart", label: "rest starts from the end's end", mark: "trade",
      formula: {
        by: "joint",
        is: {
          finger: "0*inch",
          "rabbet-ends": "restWidth <= lap ? 0*inch : thickness",
          "rabbet-sides": "0*inch",
          "butt-ends-inside": "0*inch",
          "butt-sides-inside": "thickness",
        },
      },
      why: "through only where the side's wood closes the corner",
    },
    { name: "cornerFasteners", label: "fasteners a corner", mark: "trade", formula: { by: "joint", is: { finger: "fingerRows > 9 ? 9 : 7", "rabbet-ends": "depth > 8*inch ? 6 : 4", "rabbet-sides": "depth > 8*inch ? 6 : 4", "butt-ends-inside": "3", "butt-sides-inside": "3" } } },
    {
      name: "glueArea", label: "glue area of four corners", mark: "arithmetic",
      formula: {
        by: "joint",
        is: {
          finger: "4 * (fingerRows * thickness * thickness + depth * thickness)",
          "rabbet-ends": "4 * depth * (thickness + lap)",
          "rabbet-sides": "4 * depth * (thickness + lap)",
          "butt-ends-inside": "4 * depth * thickness",
          "butt-sides-inside": "4 * depth * thickness",
        },
      },
    },
    { name: "cleatLength", label: "cleat length", formula: "6*inch", mark: "trade" },
    { name: "cleatHeight", label: "cleat height", formula: "1.5*inch", mark: "trade" },
  ],
  parts: [
    {
      id: "side", name: "Side", role: "side", length: "sideLength", width: "depth", thickness: "thickness",
      why: { length: "outside length, less what the corner takes" }, outside: "mark the outside face",
      features: [
        { name: "fingers", kind: "fingers", when: 'joint == "finger"', end: "left", rows: "fingerRows", row: "thickness", first: "topRow", long: "thickness", keep: "odd", key: "0*inch" },
        { name: "fingers", kind: "fingers", when: 'joint == "finger"', end: "right", rows: "fingerRows", row: "thickness", first: "topRow", long: "thickness", keep: "odd", key: "keyStep" },
        { name: "corner rabbet", kind: "rabbet", when: 'joint == "rabbet-sides"', edge: "left", face: "far", across: "thickness", deep: "lap" },
        { name: "corner rabbet", kind: "rabbet", when: 'joint == "rabbet-sides"', edge: "right", face: "far", across: "thickness", deep: "lap" },
        { name: "handhold", kind: "handhold", when: 'handholds == "all"', l: "sideLength / 2", w: "2*inch", long: "4*inch", high: "3/4*inch", deep: "min(1/2*inch, thickness - 1/4*inch)", slope: "15" },
      ],
      places: [
        { at: ["(outsideLength - sideLength) / 2", "0", "depth"], l: "+x", w: "-z", t: "+y" },
        { at: ["(outsideLength + sideLength) / 2", "outsideWidth", "depth"], l: "-x", w: "-z", t: "-y" },
      ],
    },
    {
      id: "end", name: "End", role: "end", length: "endLength", width: "depth", thickness: "thickness",
      why: { length: "outside width, less what the corner takes" }, outside: "mark the outside face",
      features: [
        { name: "fingers", kind: "fingers", when: 'joint == "finger"', end: "left", rows: "fingerRows", row: "thickness", first: "topRow", long: "thickness", keep: "even", key: "keyStep" },
        { name: "fingers", kind: "fingers", when: 'joint == "finger"', end: "right", rows: "fingerRows", row: "thickness", first: "topRow", long: "thickness", keep: "even", key: "0*inch" },
        { name: "corner rabbet", kind: "rabbet", when: 'joint == "rabbet-ends"', edge: "left", face: "far", across: "thickness", deep: "lap" },
        { name: "corner rabbet", kind: "rabbet", when: 'joint == "rabbet-ends"', edge: "right", face: "far", across: "thickness", deep: "lap" },
        { name: "rest", kind: "rabbet", edge: "top", face: "far", across: "restDepth", deep: "restWidth", from: "restStart", to: "endLength - restStart" },
        { name: "handhold", kind: "handhold", when: 'handholds == "ends" || handholds == "all"', l: "endLength / 2", w: "2*inch", long: "4*inch", high: "3/4*inch", deep: "min(1/2*inch, thickness - 1/4*inch)", slope: "15" },
      ],
      places: [
        { at: ["0", "(outsideWidth + endLength) / 2", "depth"], l: "-y", w: "-z", t: "+x" },
        { at: ["outsideLength", "(outsideWidth - endLength) / 2", "depth"], l: "+y", w: "-z", t: "-x" },
      ],
    },
    {
      id: "cleat", name: "Handhold cleat", role: "cleat", when: 'handholds == "cleats"', length: "cleatLength", width: "cleatHeight", thickness: "thickness",
      features: [],
      places: [
        { at: ["-thickness", "(outsideWidth + cleatLength) / 2", "depth - 2*inch"], l: "-y", w: "-z", t: "+x" },
        { at: ["outsideLength + thickness", "(outsideWidth - cleatLength) / 2", "depth - 2*inch"], l: "+y", w: "-z", t: "-x" },
      ],
    },
  ],
  hardware: [
    { id: "corner-screws", name: "exterior screw, 1 5/8", count: "4 * cornerFasteners", unit: "each", spare: 0.05, for: "corners", mark: "trade" },
    { id: "cleat-screws", name: "exterior screw, 1 5/8", count: "2 * 3", unit: "each", spare: 0.05, for: "cleats", when: 'handholds == "cleats"', mark: "trade" },
    { id: "glue", name: "waterproof wood glue", count: "glueArea", unit: "m2", spare: 0, for: "corners", mark: "mem" },
  ],
  operations: [
    { id: "mark", name: "Mark outside faces", station: "bench", setup: 2, each: 0.5, mark: "mem" },
    { id: "fingers", name: "Cut the fingers", station: "table saw", setup: 30, each: 9, when: 'joint == "finger"', hazard: "dado", settings: [{ label: "dado wide", value: "thickness" }, { label: "blade up", value: "thickness" }, { label: "top row", value: "topRow" }], check: "two test pieces slide together under hand pressure", mark: "mem" },
    { id: "corner-ends", name: "Corner rabbets in the ends", station: "table saw", of: "end", setup: 15, each: 1, when: 'joint == "rabbet-ends"', hazard: "dado", settings: [{ label: "dado wide", value: "thickness" }, { label: "blade up", value: "lap" }], check: "a side's end fills the rabbet flush", mark: "mem" },
    { id: "corner-sides", name: "Corner rabbets in the sides", station: "table saw", of: "side", setup: 15, each: 1, when: 'joint == "rabbet-sides"', hazard: "dado", settings: [{ label: "dado wide", value: "thickness" }, { label: "blade up", value: "lap" }], check: "an end fills the rabbet flush", mark: "mem" },
    { id: "rests", name: "Rest rabbets", station: "table saw", of: "end", setup: 15, each: 0.8, hazard: "dado", settings: [{ label: "wide, from the inside face", value: "restWidth" }, { label: "deep, from the top edge", value: "restDepth" }, { label: "stopped from each end", value: "restStart" }], check: "an ear lies flat and clear of the wall", mark: "mem" },
    { id: "handholds", name: "Handholds, outside face up", station: "table saw", setup: 20, each: 2, when: 'handholds == "ends" || handholds == "all"', hazard: "dado", check: "the pocket is in the outside face", mark: "mem" },
    { id: "glue-up", name: "Dry fit, glue and fasten", station: "bench", setup: 10, each: 7, wait: 45, lot: 8, hazard: "glue", check: "diagonals equal within 1/16, no rock on a flat", mark: "mem" },
    { id: "clean", name: "Clean up corners and edges", station: "bench", setup: 2, each: 2, hazard: "dust", mark: "mem" },
  ],
  steps: [
    { text: "Lay out two sides and two ends, outside faces up, rests at the top." },
    { text: "Dry fit one box and hang a real frame in it: it slides, and drops free at both ends." },
    { text: "Glue both faces of each corner enough to wet them; squeeze-out is waste." },
    { text: "Tap the fingers home with a mallet, never a steel hammer.", when: 'joint == "finger"' },
    { text: "Pilot every fastener near an edge, one of them in each thin lip beside the rest." },
    { text: "Measure both diagonals before the glue grabs; clamp across the longer one until they are equal." },
    { text: "Stand it on a flat surface until the glue can be handled." },
  ],
  mistakes: ["a handhold ends up inside", "fingers forced with a steel hammer", "no pilot hole near the edge, the lip splits", "not square before the glue grabs", "glue only, without fasteners"],
  demands: [
    { rule: "thin-lip", label: "Wood left beside the rest", value: "thickness - restWidth", least: "1/4*inch", below: "stop", advice: "narrow the rest or use thicker stock", mark: "trade" },
    { rule: "corner-hole", label: "Side's cover over the rest at the corner", value: "lap - restWidth", least: "0*inch", below: "care", when: 'joint == "rabbet-ends"', advice: "the rest is stopped short of the corner; raise the lap to the rest's width to run it through", mark: "trade" },
  ],
};
