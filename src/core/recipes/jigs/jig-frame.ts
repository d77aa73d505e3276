import { each, screws } from "../assembly";
import type { Recipe } from "../recipe";

/** Holds a row of end bars upright and square, so that a batch of frames is glued and nailed at once. */
export const jigFrame: Recipe = {
  id: "jig-frame",
  name: "Frame jig",
  family: "jigs",
  kind: "other",
  about: "End bars stand in it side by side, ten frames are glued and nailed at once; made before the batch.",
  needs: ["frameLength", "frameHeight", "endBarThickness", "pitch"],
  parameters: [
    { name: "howMany", label: "Frames at once", group: "Size", kind: "count", default: "10", min: 2, max: 20 },
    { name: "stock", label: "Stock, measured", group: "Wood", kind: "length", default: "3/4*inch", min: "1/2*inch", max: "1.5*inch" },
    { name: "slack", label: "Loose across the row", group: "Size", kind: "length", default: "1/8*inch", min: "1/32*inch", max: "1/2*inch" },
  ],
  values: [
    { name: "row", label: "row of end bars", formula: "howMany * pitch + slack", mark: "arithmetic" },
    { name: "apart", label: "outside of the two walls", formula: "frameLength - 2 * endBarThickness", mark: "arithmetic", why: "end bars stand hard against them" },
    { name: "wallHigh", label: "walls, high", formula: "frameHeight * 2/3", mark: "mem" },
    { name: "barHigh", label: "clamping bar, high", formula: "2*inch", mark: "mem" },
  ],
  parts: [
    {
      id: "wall",
      name: "Wall",
      role: "wall",
      length: "row",
      width: "wallHigh",
      thickness: "stock",
      features: [],
      places: [
        { at: ["endBarThickness", "row", "wallHigh"], l: "-y", w: "-z", t: "+x" },
        { at: ["endBarThickness + apart", "0", "wallHigh"], l: "+y", w: "-z", t: "-x" },
      ],
    },
    {
      id: "spreader",
      name: "Spreader",
      role: "wall",
      length: "apart - 2 * stock",
      width: "wallHigh",
      thickness: "stock",
      features: [],
      places: [
        { at: ["endBarThickness + stock", "0", "wallHigh"], l: "+x", w: "-z", t: "+y" },
        { at: ["endBarThickness + apart - stock", "row", "wallHigh"], l: "-x", w: "-z", t: "-y" },
      ],
    },
    {
      id: "bar",
      name: "Clamping bar",
      role: "bar",
      length: "row + 2*inch",
      width: "barHigh",
      thickness: "stock",
      features: [],
      places: [
        { at: ["-stock", "row + 1*inch", "barHigh"], l: "-y", w: "-z", t: "+x" },
        { at: ["frameLength + stock", "-1*inch", "barHigh"], l: "+y", w: "-z", t: "-x" },
      ],
    },
  ],
  assembly: [
    {
      id: "assemble",
      name: "Screw the four walls, square",
      text: "Screw the spreaders between the walls; measure both diagonals. End bars stand in the row against the walls, forks up; straps draw the bars against them.",
      station: "bench",
      joins: ["wall", "spreader", "bar"],
      uses: [screws("8", "stock", "apart / 2", "end"), each("rubber band or strap", "2")],
      setup: 4,
      each: 8,
      check: "diagonals equal: every frame takes after it",
      mistakes: ["the jig out of square: ten frames at a time are, too", "glue on the jig: wax its edges"],
      mark: "mem",
    },
  ],
  demands: [{ rule: "jig-slack", label: "Loose across the row", value: "slack", least: "1/16*inch", below: "care", advice: "swollen end bars will not go in", mark: "mem" }],
};
