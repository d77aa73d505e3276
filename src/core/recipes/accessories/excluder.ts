import { each } from "../assembly";
import type { Recipe } from "../recipe";
import { FOR_BOX, RIM_NEEDS } from "../rims";

/** A framed queen excluder: the bought sheet let into a rim that keeps the bee space above it. */
export const excluder: Recipe = {
  id: "excluder",
  name: "Framed excluder",
  called: ["queen excluder", "queen grid"],
  family: "accessories",
  kind: "other",
  about: "A rim round a bought excluder sheet: a bee space on one face, flush on the other; with bottom bee space it is turned over.",
  needs: RIM_NEEDS,
  parameters: [
    { name: "rim", label: "Rim wood, wide", group: "Wood", kind: "length", default: "3/4*inch", min: "1/2*inch", max: "1.5*inch" },
    { name: "rimHigh", label: "Rim above the sheet", group: "Size", kind: "length", default: "3/8*inch", min: "1/4*inch", max: "1/2*inch", mark: "trade" },
    { name: "sheetThick", label: "Sheet, thick", group: "Size", kind: "length", default: "1/16*inch", min: "1/64*inch", max: "1/4*inch" },
    ...FOR_BOX,
  ],
  values: [
    { name: "letIn", label: "sheet let in", formula: "rim - 3/8*inch", mark: "trade" },
    { name: "sheetLength", label: "sheet, long", formula: "bodyOutsideLength - 3/4*inch", mark: "trade" },
    { name: "sheetWidth", label: "sheet, wide", formula: "bodyOutsideWidth - 3/4*inch", mark: "trade" },
    { name: "high", label: "rim, high", formula: "rimHigh + sheetThick", mark: "arithmetic" },
  ],
  parts: [
    {
      id: "rim-side",
      name: "Rim side",
      role: "rim",
      fits: { to: "box", names: ["bodyOutsideLength", "bodyOutsideWidth"] },
      length: "bodyOutsideLength",
      width: "rim",
      thickness: "high",
      features: [{ name: "let in for the sheet", check: "the sheet lies flush below", kind: "notch", l: ["3/8*inch", "bodyOutsideLength - 3/8*inch"], w: ["3/8*inch", "rim"], t: ["rimHigh", "high"] }],
      places: [
        { at: ["0", "0", "high"], l: "+x", w: "+y", t: "-z" },
        { at: ["bodyOutsideLength", "bodyOutsideWidth", "high"], l: "-x", w: "-y", t: "-z" },
      ],
    },
    {
      id: "rim-end",
      name: "Rim end",
      role: "rim",
      fits: { to: "box", names: ["bodyOutsideLength", "bodyOutsideWidth"] },
      length: "bodyOutsideWidth - 2 * rim",
      width: "rim",
      thickness: "high",
      features: [{ name: "let in for the sheet", check: "the sheet lies flush below", kind: "notch", l: ["0*inch", "bodyOutsideWidth - 2 * rim"], w: ["3/8*inch", "rim"], t: ["rimHigh", "high"] }],
      places: [
        { at: ["0", "bodyOutsideWidth - rim", "high"], l: "-y", w: "+x", t: "-z" },
        { at: ["bodyOutsideLength", "rim", "high"], l: "+y", w: "-x", t: "-z" },
      ],
    },
  ],
  assembly: [
    {
      id: "assemble",
      name: "Nail the rim round the sheet",
      text: "Lay the sheet in its recess, nail the rim corners, then pin the sheet every hand's breadth.",
      station: "bench",
      joins: ["rim-side", "rim-end"],
      uses: [each("excluder sheet", "1"), each("brad", "16", 0.05, undefined, "3/4")],
      setup: 5,
      each: 6,
      check: "flat, no gap over 4 mm at the edge",
      mistakes: ["put in upside down: the queen finds no bee space and the bees bridge it", "the rim up over bodies with bottom bee space: turn it over there"],
      mark: "mem",
    },
  ],
  stands: { as: "sheet", excludes: true, height: "high", outside: ["bodyOutsideLength", "bodyOutsideWidth"], under: 'standardBeeSpace == "bottom" ? rimHigh : 0*inch', over: 'standardBeeSpace == "bottom" ? 0*inch : rimHigh' },
  demands: [{ rule: "excluder-rim", label: "Bee space above the sheet", value: "rimHigh", least: "1/4*inch", below: "care", advice: "make the rim 3/8", mark: "trade" }],
};
