import { each } from "../assembly";
import type { Recipe } from "../recipe";
import { FOR_WIDTH, RIM_NEEDS } from "../rims";

/** A mesh frame over the entrance: robbers go for the smell through the mesh, the hive's own bees know the way over the top. */
export const robbingScreen: Recipe = {
  id: "robbing-screen",
  name: "Robbing screen",
  called: ["moving screen", "robber screen", "anti robbing screen"],
  family: "accessories",
  kind: "other",
  about: "A mesh frame over the front, closed below, with the way out at the top behind a plate.",
  needs: RIM_NEEDS,
  parameters: [
    { name: "high", label: "Height", group: "Size", kind: "length", default: "8*inch", min: "4*inch", max: "16*inch" },
    { name: "stick", label: "Sticks, wide", group: "Wood", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "1.5*inch" },
    { name: "deep", label: "Stands off the front", group: "Size", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "2*inch" },
    { name: "plateHigh", label: "Plate, high", group: "Size", kind: "length", default: "2*inch", min: "1*inch", max: "4*inch" },
    {
      name: "use",
      label: "For",
      group: "Size",
      kind: "choice",
      default: "robbing",
      choices: [
        { id: "robbing", label: "robbing", note: "open above, behind the plate" },
        { id: "moving", label: "moving", note: "closed all round: air, and no bees" },
      ],
    },
    ...FOR_WIDTH,
  ],
  values: [
    { name: "between", label: "between the sticks", formula: "bodyOutsideWidth - 2 * stick", mark: "arithmetic" },
    { name: "meshHigh", label: "mesh, high", formula: "high - plateHigh", mark: "arithmetic" },
    { name: "plate", label: "plate, thick", formula: "1/4*inch", mark: "mem" },
    { name: "mesh", label: "mesh, thick", formula: "1/32*inch", mark: "mem" },
  ],
  parts: [
    {
      id: "stick",
      name: "Upright",
      role: "stick",
      length: "high",
      width: "stick",
      thickness: "deep",
      features: [],
      places: [
        { at: ["0", "0", "0"], l: "+z", w: "+y", t: "+x" },
        { at: ["0", "bodyOutsideWidth - stick", "0"], l: "+z", w: "+y", t: "+x" },
      ],
    },
    { id: "sill", name: "Sill", role: "stick", length: "between", width: "stick", thickness: "deep", features: [], places: [{ at: ["0", "stick", "0"], l: "+y", w: "+z", t: "+x" }] },
    { id: "head", name: "Head", role: "stick", when: 'use == "moving"', length: "between", width: "stick", thickness: "deep", features: [], places: [{ at: ["0", "stick", "high - stick"], l: "+y", w: "+z", t: "+x" }] },
    { id: "plate", name: "Plate", role: "plate", length: "bodyOutsideWidth", width: "plateHigh", thickness: "plate", features: [], places: [{ at: ["-plate", "bodyOutsideWidth", "high"], l: "-y", w: "-z", t: "+x" }] },
    {
      id: "mesh",
      name: "Mesh, 8 to the inch",
      role: "mesh",
      material: "mesh",
      length: "bodyOutsideWidth",
      width: "meshHigh",
      thickness: "mesh",
      features: [],
      places: [{ at: ["-mesh", "bodyOutsideWidth", "meshHigh"], l: "-y", w: "-z", t: "+x" }],
    },
  ],
  assembly: [
    {
      id: "assemble",
      name: "Nail the sticks and the plate",
      text: "Nail the sill between the uprights, and the plate across their tops.",
      station: "bench",
      joins: ["stick", "sill", "head", "plate"],
      uses: [each("brad", "12", 0.05, undefined, "1 1/4")],
      setup: 4,
      each: 5,
      mark: "mem",
    },
    {
      id: "mesh",
      name: "Snip and staple the mesh",
      text: "Staple the mesh from the sill to the plate, no gap at the sides.",
      station: "bench",
      joins: ["mesh"],
      uses: [each("staple", "24", 0.05, undefined, "3/8")],
      setup: 4,
      each: 3,
      hazard: "metal",
      check: "no wire end stands out",
      mistakes: [
        { text: "put on in the middle of a flying day: half the bees stay outside", when: 'use == "robbing"' },
        { text: "left in the sun with the bees shut in: strap the hive, see that air gets through the mesh", when: 'use == "moving"' },
      ],
      mark: "mem",
    },
  ],
  demands: [
    { rule: "screen-way", label: "Between mesh and front", value: "deep", least: "3/8*inch", below: "stop", advice: "bees need a way up behind the plate: 3/8 at least", mark: "trade" },
    { rule: "screen-exit", label: "Mesh, high", value: "meshHigh", least: "3*inch", below: "care", advice: "a high mesh keeps robbers busy away from the way in", mark: "mem" },
  ],
};
