import { each, glue, metres } from "../assembly";
import type { Parameter, PartRecipe, Recipe, StepRecipe, UseRecipe } from "../recipe";

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
  { name: "spacerTouch", label: "spacer touches the next, square", formula: { by: "spacing", is: { self: "0*inch", spacers: "3/8*inch" } }, mark: "mem" },
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
      { name: "fork", check: "top bar lies flush in the fork", kind: "notch", l: ["0", "topBarThickness"], w: ["(barWidth - neckWidth) / 2", "(barWidth + neckWidth) / 2"] },
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

const sheet = (kind: string, spare: number): UseRecipe => each(`foundation, ${kind}`, "sheets", spare);

export const FRAME_ASSEMBLY: StepRecipe[] = [
  {
    id: "assemble",
    name: "Assemble in the jig",
    text: "Load the jig with end bars, forks up; a spot of glue in each fork. Press the top bars home and drive two nails down into each end bar. Turn the jig over, glue and nail the bottom bars. One nail through each end bar into the top bar, under the ear.",
    station: "frame jig",
    joins: ["top-bar", "end-bar", "bottom-bar", "bottom-strip"],
    uses: [each("frame nail", "10", 0.05, undefined, "1 1/4"), glue("4 * endBarThickness * topBarThickness + 4 * endBarThickness * bottomBarThickness")],
    setup: 10,
    each: 2,
    wait: 30,
    hazard: "glue",
    check: "square against the jig, no twist",
    mistakes: [{ text: "end bars with the shoulder down", when: "barWidth > endBarWidth" }, "too much glue on a bar the bees must walk on"],
    mark: "mem",
  },
  { id: "spacers", name: "Push the spacers on", text: "A spacer on each ear, hard against the end bar.", station: "bench", uses: [each("frame spacer", "2", 0.02)], when: 'spacing == "spacers"', setup: 1, each: 0.3, mark: "mem" },
  {
    id: "foundation",
    name: "Snap the foundation in",
    text: "Snap the sheet into the top groove, then spring it into the bottom one.",
    station: "bench",
    uses: [sheet("plastic", 0.02)],
    when: 'foundation == "plastic"',
    setup: 5,
    each: 0.6,
    check: "the sheet lies flat and does not rattle",
    mark: "mem",
  },
  {
    id: "foundation-wedge",
    name: "Fit foundation, wedge and pins",
    text: "Lay the sheet against the rabbet, press the wedge on it and nail the wedge up; pins through the end bars hold a wired sheet.",
    station: "bench",
    joins: ["wedge"],
    uses: [
      { ...sheet("wired wax", 0.05), when: 'foundation == "wired-wax"' },
      { ...sheet("thin", 0.05), when: 'foundation == "thin"' },
      each("brad", "4", 0.05, undefined, "3/4"),
      each("support pin", "4", 0.05, 'foundation == "wired-wax"'),
    ],
    when: 'foundation == "wired-wax" || foundation == "thin"',
    setup: 5,
    each: 1.5,
    check: "the sheet hangs on the centre line",
    mistakes: ["plastic foundation bought for a wedge top bar"],
    mark: "mem",
  },
  {
    id: "foundation-wire",
    name: "Wire, fit and embed foundation",
    text: "Set the eyelets and string the wire tight enough to sing. Lay the sheet against the rabbet and on the wire, nail the wedge up, and warm the wire into the wax.",
    station: "bench",
    joins: ["wedge"],
    uses: [sheet("wax", 0.05), each("brad", "4", 0.05, undefined, "3/4"), each("wire eyelet", "2 * wireHoles", 0.05), metres("frame wire", "wireHoles * openingLength + (wireHoles - 1) * holeStep + 8*inch", 0.05)],
    when: 'foundation == "wax"',
    setup: 10,
    each: 4,
    check: "every wire lies in the wax",
    mistakes: ["the wire so hot that it cuts the sheet"],
    mark: "mem",
  },
  {
    id: "starters",
    name: "Fit starter strips and dowels",
    text: "Press the starter strip into the groove; push the dowels through.",
    station: "bench",
    uses: [each("starter strip", "1", 0.05), each("dowel", "dowels", 0.05, "dowels > 0", "1/4")],
    when: 'foundation == "none"',
    setup: 5,
    each: 0.8,
    mark: "mem",
  },
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
