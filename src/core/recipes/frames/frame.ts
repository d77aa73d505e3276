import type { Recipe } from "../recipe";

const WEDGE = 'foundation == "wired-wax"';

/** The self-spacing frame: shoulders touch and set the pitch. Foundation decides top bar, bottom bar and wedge. */
export const frame: Recipe = {
  id: "frame",
  name: "Frame",
  family: "frames",
  kind: "frame",
  about: "Top bar, two end bars, bottom bar; the shoulders touch and set the pitch.",
  parameters: [
    {
      name: "foundation", label: "Foundation", group: "Foundation", kind: "choice", default: "plastic",
      choices: [
        { id: "plastic", label: "plastic", note: "snaps into grooved bars" },
        { id: "wired-wax", label: "wired wax", note: "wedge and split bottom bar" },
      ],
    },
    { name: "shoulderLength", label: "Shoulder length", group: "End bars", kind: "length", min: "1*inch", max: "frameHeight" },
    { name: "endBarWidth", label: "End bar below", group: "End bars", kind: "length", min: "3/4*inch", max: "shoulderWidth" },
    { name: "topBarThickness", label: "Top bar thickness", group: "Top bar", kind: "length", min: "earThickness", max: "1*inch" },
  ],
  values: [
    { name: "earLength", label: "ear length", formula: "(topBarLength - frameLength) / 2", mark: "arithmetic" },
    { name: "neckDepth", label: "neck notch depth", formula: "3/32*inch", mark: "mem" },
    { name: "neckWidth", label: "top bar at the neck", formula: "topBarWidth - 2 * neckDepth", mark: "arithmetic" },
    { name: "openingLength", label: "opening length", formula: "frameLength - 2 * endBarThickness", mark: "arithmetic" },
    { name: "openingHeight", label: "opening height", formula: "frameHeight - topBarThickness - bottomBarThickness", mark: "arithmetic" },
    { name: "wedgeLength", label: "wedge length", formula: "frameLength - 2 * endBarThickness", mark: "mem" },
    { name: "stripWidth", label: "split bottom bar strip", formula: "(bottomBarWidth - 1/8*inch) / 2", mark: "mem" },
    { name: "grooveDepth", label: "how far the sheet goes up into the top bar", formula: `${WEDGE} ? 3/8*inch : 5/16*inch`, mark: "mem" },
    { name: "bottomGroove", label: "bottom bar holds", formula: `${WEDGE} ? bottomBarThickness : 1/4*inch`, mark: "mem" },
    { name: "middle", label: "middle of the frame", formula: "shoulderWidth / 2", mark: "arithmetic" },
  ],
  parts: [
    {
      id: "top-bar", name: "Top bar", role: "top-bar", length: "topBarLength", width: "topBarWidth", thickness: "topBarThickness",
      features: [
        { name: "ear", kind: "notch", l: ["0", "earLength"], w: ["0", "topBarWidth"], t: ["earThickness", "topBarThickness"] },
        { name: "ear", kind: "notch", l: ["topBarLength - earLength", "topBarLength"], w: ["0", "topBarWidth"], t: ["earThickness", "topBarThickness"] },
        { name: "neck", kind: "notch", l: ["earLength", "earLength + endBarThickness"], w: ["0", "neckDepth"] },
        { name: "neck", kind: "notch", l: ["earLength", "earLength + endBarThickness"], w: ["topBarWidth - neckDepth", "topBarWidth"] },
        { name: "neck", kind: "notch", l: ["topBarLength - earLength - endBarThickness", "topBarLength - earLength"], w: ["0", "neckDepth"] },
        { name: "neck", kind: "notch", l: ["topBarLength - earLength - endBarThickness", "topBarLength - earLength"], w: ["topBarWidth - neckDepth", "topBarWidth"] },
        { name: "foundation groove", kind: "groove", when: `!(${WEDGE})`, run: "along", face: "far", at: "(topBarWidth - 1/8*inch) / 2", width: "1/8*inch", deep: "grooveDepth" },
        { name: "wedge rabbet", kind: "rabbet", when: WEDGE, edge: "bottom", face: "far", across: "9/16*inch", deep: "3/8*inch", from: "earLength + endBarThickness", to: "topBarLength - earLength - endBarThickness" },
      ],
      places: [{ at: ["0", "middle + topBarWidth / 2", "frameHeight"], l: "+x", w: "-y", t: "-z" }],
    },
    {
      id: "end-bar", name: "End bar", role: "end-bar", length: "frameHeight", width: "shoulderWidth", thickness: "endBarThickness",
      features: [
        { name: "fork", kind: "notch", l: ["0", "topBarThickness"], w: ["(shoulderWidth - neckWidth) / 2", "(shoulderWidth + neckWidth) / 2"] },
        { name: "bottom notch", kind: "notch", l: ["frameHeight - bottomBarThickness", "frameHeight"], w: ["(shoulderWidth - bottomBarWidth) / 2", "(shoulderWidth + bottomBarWidth) / 2"] },
        { name: "narrowed below the shoulder", kind: "notch", l: ["shoulderLength", "frameHeight"], w: ["0", "(shoulderWidth - endBarWidth) / 2"] },
        { name: "narrowed below the shoulder", kind: "notch", l: ["shoulderLength", "frameHeight"], w: ["(shoulderWidth + endBarWidth) / 2", "shoulderWidth"] },
      ],
      places: [
        { at: ["earLength", "0", "frameHeight"], l: "-z", w: "+y", t: "+x" },
        { at: ["topBarLength - earLength", "shoulderWidth", "frameHeight"], l: "-z", w: "-y", t: "-x" },
      ],
    },
    {
      id: "bottom-bar", name: "Bottom bar, grooved", role: "bottom-bar", when: `!(${WEDGE})`, length: "frameLength", width: "bottomBarWidth", thickness: "bottomBarThickness",
      features: [{ name: "foundation groove", kind: "groove", run: "along", face: "far", at: "(bottomBarWidth - 1/8*inch) / 2", width: "1/8*inch", deep: "1/4*inch" }],
      places: [{ at: ["earLength", "middle - bottomBarWidth / 2", "0"], l: "+x", w: "+y", t: "+z" }],
    },
    {
      id: "bottom-strip", name: "Bottom bar strip", role: "bottom-bar", when: WEDGE, length: "frameLength", width: "bottomBarThickness", thickness: "stripWidth",
      features: [],
      places: [
        { at: ["earLength", "middle - bottomBarWidth / 2 + stripWidth", "0"], l: "+x", w: "+z", t: "-y" },
        { at: ["topBarLength - earLength", "middle + bottomBarWidth / 2 - stripWidth", "0"], l: "-x", w: "+z", t: "+y" },
      ],
    },
    {
      id: "wedge", name: "Wedge", role: "wedge", when: WEDGE, length: "wedgeLength", width: "1/2*inch", thickness: "3/8*inch",
      features: [],
      places: [{ at: ["earLength + endBarThickness", "middle - topBarWidth / 2", "frameHeight - topBarThickness"], l: "+x", w: "+y", t: "+z" }],
    },
  ],
  hardware: [
    { id: "frame-nails", name: "frame nail, 1 1/4", count: "10", unit: "each", spare: 0.05, for: "frames", mark: "mem" },
    { id: "wedge-brads", name: "brad, 3/4", count: "4", unit: "each", spare: 0.05, for: "wedges", when: WEDGE, mark: "mem" },
    { id: "foundation", name: "foundation, plastic", count: "1", unit: "each", spare: 0.02, for: "frames", when: 'foundation == "plastic"', mark: "trade" },
    { id: "foundation-wax", name: "foundation, wired wax", count: "1", unit: "each", spare: 0.05, for: "frames", when: WEDGE, mark: "trade" },
    { id: "glue", name: "waterproof wood glue", count: "4 * endBarThickness * topBarThickness + 4 * endBarThickness * bottomBarThickness", unit: "m2", spare: 0, for: "frames", mark: "mem" },
  ],
  operations: [
    { id: "ears", name: "Ears and necks", station: "table saw", of: "top-bar", setup: 20, each: 0.25, hazard: "dado", settings: [{ label: "stop for the ear", value: "earLength" }, { label: "ear left thick", value: "earThickness" }], check: "the end bar's fork slides over the neck", mark: "mem" },
    { id: "forks", name: "Forks and notches, across the block", station: "table saw", of: "end-bar", setup: 20, each: 0.1, hazard: "dado", settings: [{ label: "fork wide", value: "neckWidth" }, { label: "fork deep", value: "topBarThickness" }, { label: "notch wide", value: "bottomBarWidth" }, { label: "notch deep", value: "bottomBarThickness" }], check: "top bar lies flush in the fork", mark: "mem" },
    { id: "grooves", name: "Foundation grooves", station: "table saw", setup: 10, each: 0.3, when: `!(${WEDGE})`, hazard: "dado", settings: [{ label: "top bar groove deep", value: "grooveDepth" }], mark: "mem" },
    { id: "wedges", name: "Wedge rabbets", station: "table saw", of: "top-bar", setup: 12, each: 0.2, when: WEDGE, hazard: "dado", mark: "mem" },
    { id: "assemble", name: "Assemble in the jig", station: "frame jig", setup: 10, each: 2, wait: 30, hazard: "glue", check: "square against the jig, no twist", mark: "mem" },
    { id: "foundation", name: "Fit foundation", station: "bench", setup: 5, each: 0.6, mark: "mem" },
  ],
  steps: [
    { text: "Load the jig with end bars, forks up; a spot of glue in each fork." },
    { text: "Press the top bars home and drive two nails down into each end bar." },
    { text: "Turn the jig over, glue and nail the bottom bars." },
    { text: "One nail through each end bar into the top bar, under the ear." },
    { text: "Snap the sheet into the top groove, then spring it into the bottom one.", when: 'foundation == "plastic"' },
    { text: "Lay the sheet against the rabbet, press the wedge on it and nail the wedge up.", when: WEDGE },
  ],
  mistakes: ["a wedge top bar bought for plastic foundation", "end bars with the shoulder down", "too much glue on a bar the bees must walk on"],
  demands: [
    { rule: "sheet-fits", label: "Room for the sheet, grooves and all", value: "openingHeight + grooveDepth + bottomGroove - foundationHeight", least: "0*inch", below: "stop", advice: "use a lower sheet or a thinner top bar", mark: "mem" },
    { rule: "neck", label: "Top bar left at the neck", value: "neckWidth", least: "3/4*inch", below: "care", advice: "notch the neck less", mark: "mem" },
  ],
};
