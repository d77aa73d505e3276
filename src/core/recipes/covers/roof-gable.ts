import { CORNER_GRAIN, finished } from "../finish";
import { each, glue, screws } from "../assembly";
import type { PartRecipe, Recipe } from "../recipe";
import { FOR_BOX, RIM_NEEDS, RIM_VALUES, rimAssembly, rimParameters, rimParts } from "../rims";
import { SHEET } from "../sheets";

const vent = { name: "vent", kind: "hole" as const, when: "vents", l: "outsideWidth / 2", w: "rise * 3/5", diameter: "1*inch" };
const rake = (end: "left" | "right") => ({ name: "rake", kind: "taper" as const, end, edge: "top" as const, along: "outsideWidth / 2", across: "rise" });

const board = (id: string, name: string, place: PartRecipe["places"][number]): PartRecipe => ({
  id,
  name,
  role: "roof",
  material: "ply",
  length: "boardLong",
  width: "boardWide",
  thickness: "panel",
  features: [{ name: "ridge bevel", kind: "bevel", edge: "top", face: "far", across: "panel * tan(pitchDegrees)", deep: "panel" }],
  places: [place],
});

/** A skirted roof with two slopes, gables front and back, and a vent in each. */
export const roofGable: Recipe = finished(
  {
    id: "roof-gable",
    name: "Gable roof",
    called: ["pitched roof", "gabled roof", "peaked roof"],
    family: "covers",
    kind: "other",
    about: "A skirt that goes down over the box, gables on its ends, and two sloped boards that throw the rain off.",
    needs: RIM_NEEDS,
    parameters: [
      ...rimParameters("4*inch").map((p) => (p.kind === "choice" && p.name === "joint" ? { ...p, default: "butt-ends-inside" } : p)),
      { name: "clearance", label: "Loose on the box, in all", group: "Size", kind: "length", default: "3/8*inch", min: "1/8*inch", max: "3/4*inch", mark: "trade" },
      { name: "pitchDegrees", label: "Slope, degrees", group: "Roof", kind: "number", default: "22.5", min: 10, max: 45 },
      { name: "panel", label: "Roof boards, thick", group: "Roof", kind: "length", default: SHEET.half, min: "1/4*inch", max: "3/4*inch" },
      { name: "eaves", label: "Past the skirt, down the slope", group: "Roof", kind: "length", default: "1*inch", min: "0*inch", max: "3*inch", mark: "trade" },
      { name: "vents", label: "Meshed vents", group: "Roof", kind: "flag", default: true },
      ...FOR_BOX,
    ],
    values: [
      { name: "nominalInsideLength", label: "inside length wanted", formula: "bodyOutsideLength + clearance", mark: "trade", why: "over the largest box beneath, and loose" },
      { name: "nominalInsideWidth", label: "inside width wanted", formula: "bodyOutsideWidth + clearance", mark: "trade" },
      ...RIM_VALUES,
      { name: "seat", label: "seat strip, square", formula: "3/4*inch", mark: "mem", why: "the roof stands on it, on the inner cover" },
      { name: "rise", label: "gables rise", formula: "outsideWidth / 2 * tan(pitchDegrees)", mark: "trade" },
      { name: "boardWide", label: "roof board, across the slope", formula: "outsideWidth / 2 / cos(pitchDegrees) + eaves", mark: "trade" },
      { name: "boardLong", label: "roof board, long", formula: "outsideLength + 2*inch", mark: "trade" },
      { name: "ridge", label: "ridge above the foot", formula: "depth + rise + panel / cos(pitchDegrees)", mark: "arithmetic" },
    ],
    parts: [
      ...rimParts(),
      {
        id: "gable",
        name: "Gable",
        role: "gable",
        length: "outsideWidth",
        width: "rise",
        thickness: "endThickness",
        features: [rake("left"), rake("right"), vent],
        places: [
          { at: ["0", "outsideWidth", "depth + rise"], l: "-y", w: "-z", t: "+x" },
          { at: ["outsideLength", "0", "depth + rise"], l: "+y", w: "-z", t: "-x" },
        ],
      },
      {
        id: "seat",
        name: "Seat strip",
        role: "ledge",
        length: "insideWidth",
        width: "seat",
        thickness: "seat",
        features: [],
        places: [
          { at: ["endThickness", "outsideWidth - thickness", "depth"], l: "-y", w: "-z", t: "+x" },
          { at: ["outsideLength - endThickness", "thickness", "depth"], l: "+y", w: "-z", t: "-x" },
        ],
      },
      board("roof-board", "Roof board", { at: ["-1*inch", "outsideWidth / 2", "ridge"], l: "+x", w: "-y", t: "-z", lean: "pitchDegrees" }),
      board("other-roof-board", "Other roof board", { at: ["outsideLength + 1*inch", "outsideWidth / 2", "ridge"], l: "-x", w: "+y", t: "-z", lean: "pitchDegrees" }),
    ],
    assembly: rimAssembly({
      next: [
        {
          id: "gables",
          name: "Screw on gables and seats",
          text: "Stand a gable on each end, outside faces flush, and glue and screw the seat strips inside, across the joint: the roof stands on them.",
          station: "bench",
          joins: ["gable", "seat"],
          uses: [screws("8", "seat", "endThickness", "side", { light: true }), glue("2 * insideWidth * seat")],
          setup: 4,
          each: 8,
          check: "gables stand upright, their points level",
          mark: "mem",
        },
        {
          id: "roof",
          name: "Screw the roof boards down",
          text: "Screw the boards down with the bevels meeting at the ridge, an inch past the gables front and back.",
          station: "bench",
          joins: ["roof-board", "other-roof-board"],
          uses: [screws("12", "panel", "rise", "end")],
          setup: 4,
          each: 8,
          check: "no daylight at the ridge",
          mistakes: ["the ridge left square: water stands in the gap"],
          mark: "mem",
        },
        {
          id: "felt",
          name: "Cover the roof",
          text: "Fold the felt over the ridge in one piece and nail it along the eaves.",
          station: "bench",
          uses: [{ what: "roofing felt", count: "2 * boardLong * boardWide", unit: "m2", spare: 0.1, mark: "mem" }, each("roofing nail", "24", 0.05, undefined, "3/4")],
          setup: 4,
          each: 8,
          mark: "mem",
        },
        {
          id: "vents",
          name: "Staple mesh over the vents",
          text: "Staple a scrap of mesh over each vent from inside.",
          station: "bench",
          uses: [each("staple", "12", 0.05, undefined, "3/8")],
          when: "vents",
          setup: 2,
          each: 2,
          hazard: "metal",
          mistakes: ["vents without mesh: wasps and robbers get in"],
          mark: "mem",
        },
      ],
    }),
    stands: { as: "cover", height: "ridge", outside: ["outsideLength", "outsideWidth"], under: "depth", over: "0*inch", skirt: { inside: ["insideLength", "insideWidth"], deep: "depth" } },
    demands: [{ rule: "telescoping-clearance", label: "Loose on the box, in all", value: "clearance", least: "1/4*inch", below: "care", advice: "the largest box beneath swells; leave 3/8", mark: "trade" }],
  },
  "2 * (outsideLength + outsideWidth) * depth + outsideWidth * rise",
  CORNER_GRAIN,
);
