import { finished } from "../finish";
import { glue, screws } from "../assembly";
import type { Recipe } from "../recipe";
import { FOR_BOX, RIM_NEEDS } from "../rims";
import { SHEET } from "../sheets";

/** A solid floor, low on one side and high on the other: turned over with the season. */
export const floorSolid: Recipe = finished(
  {
    id: "floor-solid",
    name: "Solid floor, reversible",
    called: ["bottom", "bottom board", "hive floor", "solid bottom", "solid bottom board", "base board"],
    family: "floors",
    kind: "other",
    about: "A panel in grooved rails; 3/8 deep for winter on one face, 3/4 for summer on the other.",
    needs: RIM_NEEDS,
    parameters: [
      { name: "thickness", label: "Rail stock, measured", group: "Wood", kind: "length", default: "boardThickness", min: "1/2*inch", max: "2*inch" },
      { name: "panel", label: "Panel", group: "Wood", kind: "length", default: `of == "boards" ? min(boardThickness, 1*inch) : ${SHEET.threeQuarters}`, min: "1/4*inch", max: "1*inch" },
      {
        name: "of",
        label: "Panel of",
        group: "Wood",
        kind: "choice",
        default: "ply",
        choices: [
          { id: "ply", label: "one sheet" },
          { id: "boards", label: "boards", note: "shiplapped or tongued" },
        ],
      },
      { name: "low", label: "Low side", group: "Size", kind: "length", default: "3/8*inch", min: "1/4*inch", max: "3/4*inch", mark: "trade" },
      { name: "high", label: "High side", group: "Size", kind: "length", default: "3/4*inch", min: "1/4*inch", max: "2*inch", mark: "trade" },
      { name: "landing", label: "Landing, past the front", group: "Size", kind: "length", default: "2*inch", min: "0*inch", max: "4*inch" },
      { name: "groove", label: "Groove, deep", group: "Wood", kind: "length", default: "3/8*inch", min: "1/8*inch", max: "thickness - 1/8*inch", mark: "trade" },
      ...FOR_BOX,
    ],
    values: [
      { name: "railLength", label: "rail length", formula: "bodyOutsideLength + landing", mark: "trade" },
      { name: "railHigh", label: "rail height", formula: "low + panel + high", mark: "trade" },
      { name: "between", label: "between the rails", formula: "bodyOutsideWidth - 2 * thickness", mark: "arithmetic" },
      { name: "panelLength", label: "panel length", formula: "railLength - thickness + groove", mark: "trade", why: "flush at the front, into the back rail" },
      { name: "panelWidth", label: "panel width", formula: "between + 2 * groove", mark: "trade" },
    ],
    parts: [
      {
        id: "rail",
        name: "Side rail",
        role: "rail",
        length: "railLength",
        width: "railHigh",
        thickness: "thickness",
        features: [{ name: "groove for the panel", kind: "notch", l: ["0*inch", "panelLength"], w: ["high", "high + panel"], t: ["thickness - groove", "thickness"] }],
        places: [{ at: ["-landing", "0", "railHigh"], l: "+x", w: "-z", t: "+y" }],
      },
      {
        id: "other-rail",
        name: "Other side rail",
        role: "rail",
        length: "railLength",
        width: "railHigh",
        thickness: "thickness",
        features: [{ name: "groove for the panel", kind: "notch", l: ["railLength - panelLength", "railLength"], w: ["high", "high + panel"], t: ["thickness - groove", "thickness"] }],
        places: [{ at: ["bodyOutsideLength", "bodyOutsideWidth", "railHigh"], l: "-x", w: "-z", t: "-y" }],
      },
      {
        id: "back",
        name: "Back rail",
        role: "rail",
        length: "between",
        width: "railHigh",
        thickness: "thickness",
        features: [{ name: "groove for the panel", kind: "groove", run: "along", face: "far", at: "high", width: "panel", deep: "groove" }],
        places: [{ at: ["bodyOutsideLength", "thickness", "railHigh"], l: "+y", w: "-z", t: "-x" }],
      },
      ...(["ply", "boards"] as const).map((of): Recipe["parts"][number] => ({
        id: of === "ply" ? "panel" : "board-panel",
        name: "Panel",
        role: "panel",
        when: `of == "${of}"`,
        ...(of === "ply" ? { material: "ply" as const } : {}),
        length: "panelLength",
        width: "panelWidth",
        thickness: "panel",
        features: [],
        places: [{ at: ["-landing", "thickness - groove", "low + panel"], l: "+x", w: "+y", t: "-z" }],
      })),
    ],
    assembly: [
      {
        id: "assemble",
        name: "Slide the panel in and screw the rails",
        text: "Glue and screw the side rails to the back rail. Slide the panel in from the front, flush with the rails' front ends; it stays loose in its groove so that it can move.",
        station: "clamps",
        joins: ["rail", "other-rail", "back", "panel", "board-panel"],
        uses: [screws("4", "thickness", "between / 2", "end"), glue("2 * railHigh * thickness")],
        setup: 5,
        each: 8,
        wait: 30,
        lot: 8,
        hazard: "glue",
        check: "diagonals equal; a body stands flush all round",
        mistakes: ["rails swapped: the low sides do not match", "the panel glued in, and the rails split when it swells"],
        mark: "mem",
      },
    ],
    stands: { as: "floor", height: "railHigh", outside: ["bodyOutsideLength", "bodyOutsideWidth"], under: "0*inch", over: "high" },
    demands: [
      { rule: "entrance-height", label: "Entrance, high side", value: "high", least: "3/8*inch", below: "care", advice: "bees need 3/8 at least; wider than 3/4 lets mice in without a guard", mark: "trade" },
      { rule: "groove-left", label: "Rail left behind the groove", value: "thickness - groove", least: "1/4*inch", below: "stop", advice: "cut the groove less deep", mark: "mem" },
    ],
  },
  "2 * (railLength + bodyOutsideWidth) * railHigh",
);
