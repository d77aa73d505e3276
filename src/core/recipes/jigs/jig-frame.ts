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
  hardware: [
    { id: "screws", name: "exterior screw, 1 5/8", count: "8", unit: "each", spare: 0.05, for: "jig", mark: "mem" },
    { id: "bands", name: "rubber band or strap", count: "2", unit: "each", spare: 0, for: "clamping", mark: "mem" },
  ],
  operations: [{ id: "assemble", name: "Screw the four walls, square", station: "bench", setup: 4, each: 8, check: "diagonals equal: every frame takes after it", mark: "mem" }],
  steps: [
    { text: "Screw the spreaders between the walls; measure both diagonals." },
    { text: "Stand end bars in the row against the walls, forks up; draw the bars against them with straps." },
    { text: "Glue and nail all top bars, turn the jig over, glue and nail all bottom bars, and lift the jig out." },
  ],
  mistakes: ["the jig out of square: ten frames at a time are, too", "glue on the jig: wax its edges"],
  demands: [{ rule: "jig-slack", label: "Loose across the row", value: "slack", least: "1/16*inch", below: "care", advice: "swollen end bars will not go in", mark: "mem" }],
};
