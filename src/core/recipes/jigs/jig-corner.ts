import type { Recipe } from "../recipe";
import { SHEET } from "../sheets";

/** Square blocks clamped inside a box's corners while the glue grabs. */
export const jigCorner: Recipe = {
  id: "jig-corner",
  name: "Corner blocks",
  family: "jigs",
  kind: "other",
  about: "Four square ply blocks, clamped in the corners of a box so that it cannot go out of square.",
  needs: ["boxInsideLength"],
  parameters: [
    { name: "leg", label: "Block, square", group: "Size", kind: "length", default: "6*inch", min: "3*inch", max: "12*inch" },
    { name: "ply", label: "Ply, thick", group: "Wood", kind: "length", default: SHEET.threeQuarters, min: "3/8*inch", max: "1*inch" },
    { name: "relief", label: "Corner cut off for squeezed glue", group: "Size", kind: "length", default: "1*inch", min: "1/4*inch", max: "leg / 3" },
  ],
  values: [{ name: "clamp", label: "clamp hole, across", formula: "1.5*inch", mark: "mem" }],
  parts: [
    {
      id: "block",
      name: "Block",
      role: "block",
      material: "ply",
      length: "leg",
      width: "leg",
      thickness: "ply",
      features: [
        { name: "relief", kind: "taper", end: "left", edge: "top", along: "relief", across: "relief" },
        { name: "clamp hole", kind: "hole", l: "leg / 4 + clamp / 2", w: "3/4 * leg", diameter: "clamp" },
        { name: "clamp hole", kind: "hole", l: "3/4 * leg", w: "leg / 4 + clamp / 2", diameter: "clamp" },
      ],
      places: [{ at: ["0", "0", "ply"], l: "+x", w: "+y", t: "-z", times: "4", step: ["leg + 1*inch", "0*inch", "0*inch"] }],
    },
  ],
  assembly: [
    {
      id: "try",
      name: "Try the blocks for square",
      text: "Clamp one inside each corner, its cut corner over the joint, while the glue grabs.",
      station: "bench",
      setup: 2,
      each: 1,
      check: "two blocks back to back against a straight edge show no light",
      mistakes: ["a block that is not square: every box takes after it"],
      mark: "mem",
    },
  ],
  demands: [{ rule: "block-wood", label: "Wood beside the clamp holes", value: "leg / 4 - clamp / 2", least: "3/8*inch", below: "care", advice: "make the block larger", mark: "mem" }],
};
