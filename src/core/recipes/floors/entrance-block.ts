import { each } from "../assembly";
import type { Recipe } from "../recipe";
import { FOR_WIDTH, RIM_NEEDS } from "../rims";

/** A stick in the entrance with a small and a large opening, turned for the season. */
export const entranceBlock: Recipe = {
  id: "entrance-block",
  name: "Entrance block",
  called: ["entrance reducer", "mouse guard", "entrance stick"],
  family: "floors",
  kind: "other",
  about: "A stick that closes the entrance but for one opening; another face has the other size.",
  needs: RIM_NEEDS,
  parameters: [
    { name: "rail", label: "Floor's rails, thick", group: "Size", kind: "length", default: "boardThickness", min: "1/2*inch", max: "2*inch" },
    { name: "size", label: "Block, square", group: "Size", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "1.5*inch" },
    { name: "small", label: "Small opening", group: "Openings", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "4*inch" },
    { name: "large", label: "Large opening", group: "Openings", kind: "length", default: "4*inch", min: "1*inch", max: "10*inch" },
    { name: "guard", label: "Mouse guard", group: "Openings", kind: "flag", default: false, hint: "for winter, where the entrance is 3/8 or more" },
    ...FOR_WIDTH,
  ],
  values: [
    { name: "blockLength", label: "block length", formula: "bodyOutsideWidth - 2 * rail - 1/8*inch", mark: "trade" },
    { name: "openingHigh", label: "opening, high", formula: "3/8*inch", mark: "trade" },
    { name: "guardHigh", label: "mouse guard, high", formula: "1*inch", mark: "mem" },
  ],
  parts: [
    {
      id: "block",
      name: "Block",
      role: "block",
      length: "blockLength",
      width: "size",
      thickness: "size",
      features: [
        { name: "large opening", kind: "notch", l: ["(blockLength - large) / 2", "(blockLength + large) / 2"], w: ["size - openingHigh", "size"] },
        { name: "small opening", kind: "notch", l: ["blockLength / 8 - small / 2", "blockLength / 8 + small / 2"], w: ["0*inch", "size"], t: ["0*inch", "openingHigh"] },
      ],
      places: [{ at: ["0", "0", "size"], l: "+y", w: "-z", t: "+x" }],
    },
    {
      id: "guard",
      name: "Mouse guard",
      role: "guard",
      material: "metal",
      when: "guard",
      length: "blockLength",
      width: "guardHigh",
      thickness: "1/32*inch",
      features: [{ name: "bee holes", kind: "hole", l: "3/8*inch", w: "guardHigh / 2", diameter: "3/8*inch", count: "floor((blockLength - 3/8*inch) / (3/4*inch))", step: "3/4*inch" }],
      places: [{ at: ["-1/32*inch", "0", "size"], l: "+y", w: "-z", t: "+x" }],
    },
  ],
  assembly: [
    {
      id: "guard",
      name: "Pin the mouse guard on",
      text: "For winter: pin the guard over the opening, bee holes level with the floor.",
      station: "bench",
      joins: ["block", "guard"],
      uses: [each("drawing pin", "4", 0.05)],
      when: "guard",
      setup: 1,
      each: 1,
      mark: "mem",
    },
    {
      id: "try",
      name: "Try it in the entrance",
      text: "Push it in with the opening that the season wants downward.",
      station: "bench",
      setup: 1,
      each: 0.3,
      check: "slides into the entrance by hand",
      mistakes: ["cut so tight that it swells fast in the entrance"],
      mark: "mem",
    },
  ],
  demands: [{ rule: "block-left", label: "Wood above the opening", value: "size - openingHigh", least: "1/4*inch", below: "care", advice: "use a larger stick", mark: "mem" }],
};
