import { glue, screws } from "../assembly";
import type { Recipe } from "../recipe";
import { SHEET } from "../sheets";

/** A sled with a pin as wide as a finger: each cut is set by the one before it. */
export const jigFinger: Recipe = {
  id: "jig-finger",
  name: "Finger sled",
  family: "jigs",
  kind: "other",
  about: "A sled for the table saw with a pin as wide as a finger, to cut rows of fingers one against the next.",
  needs: ["nominalThickness", "bodyDepth"],
  parameters: [
    { name: "row", label: "Finger, as the stock is thick", group: "Size", kind: "length", default: "boardThickness", min: "3/8*inch", max: "1.5*inch" },
    { name: "base", label: "Base, thick", group: "Wood", kind: "length", default: SHEET.half, min: "3/8*inch", max: "3/4*inch" },
    { name: "fence", label: "Fence, thick", group: "Wood", kind: "length", default: "1.5*inch", min: "3/4*inch", max: "2*inch" },
  ],
  values: [
    { name: "long", label: "sled, long", formula: "2 * bodyDepth + 8*inch", mark: "mem", why: "a whole depth of board on either side of the blade" },
    { name: "deep", label: "base, deep", formula: "12*inch", mark: "mem" },
    { name: "fenceHigh", label: "fence, high", formula: "5*inch", mark: "mem" },
    { name: "first", label: "blade's slot from the left", formula: "long / 2", mark: "arithmetic" },
    { name: "pinAt", label: "pin from the left", formula: "first + 2 * row", mark: "trade", why: "one finger from the blade's slot, which is as wide" },
    { name: "pinLong", label: "pin, long", formula: "fence + 1.5*inch", mark: "mem" },
  ],
  parts: [
    { id: "base", name: "Base", role: "base", material: "ply", length: "long", width: "deep", thickness: "base", features: [], places: [{ at: ["0", "0", "base"], l: "+x", w: "+y", t: "-z" }] },
    {
      id: "fence",
      name: "Fence",
      role: "fence",
      length: "long",
      width: "fenceHigh",
      thickness: "fence",
      features: [
        { name: "blade slot", kind: "notch", l: ["first", "first + row"], w: ["fenceHigh - row", "fenceHigh"] },
        { name: "pin slot", kind: "notch", l: ["pinAt", "pinAt + row"], w: ["fenceHigh - row", "fenceHigh"] },
      ],
      places: [{ at: ["0", "deep - fence", "base + fenceHigh"], l: "+x", w: "-z", t: "+y" }],
    },
    { id: "pin", name: "Pin", role: "pin", length: "pinLong", width: "row", thickness: "row", features: [], places: [{ at: ["pinAt", "deep - pinLong", "base + row"], l: "+y", w: "+x", t: "-z" }] },
  ],
  assembly: [
    {
      id: "assemble",
      name: "Set the pin, screw the fence to the base",
      text: "Glue the pin in its slot, square to the fence; screw the fence to the base, at right angles to the blade. Fit a guard block behind the fence where the blade comes out.",
      station: "bench",
      joins: ["base", "fence", "pin"],
      uses: [screws("6", "base", "fenceHigh"), glue("row * pinLong * 2")],
      setup: 6,
      each: 15,
      hazard: "dado",
      check: "two test pieces in scrap of the same stock close by hand. Tight: move the pin toward the blade by half of what it is out; loose: away",
      mistakes: ["no block behind the fence: the blade comes out where a thumb is", "cut in stock of another thickness than it was set for"],
      mark: "mem",
    },
  ],
  demands: [{ rule: "sled-fence", label: "Fence left over the slots", value: "fenceHigh - row", least: "2*inch", below: "care", advice: "a higher fence holds together", mark: "mem" }],
};
