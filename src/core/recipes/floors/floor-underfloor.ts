import type { Recipe } from "../recipe";
import { RIM_NEEDS } from "../rims";

/** Bees enter below the front and turn up through a slot: no mouse guard, few wasps, nothing past the footprint. */
export const floorUnderfloor: Recipe = {
  id: "floor-underfloor",
  name: "Under-floor entrance",
  family: "floors",
  kind: "other",
  about: "The entrance is an 8 mm gap under the front that turns up through a slot; mice and wasps stay out.",
  needs: RIM_NEEDS,
  parameters: [
    { name: "thickness", label: "Stock, measured", group: "Wood", kind: "length", default: "3/4*inch", min: "1/2*inch", max: "1.5*inch" },
    { name: "high", label: "Height", group: "Size", kind: "length", default: "2*inch", min: "1.5*inch", max: "4*inch", mark: "trade" },
    { name: "floorThick", label: "Tunnel floor, thick", group: "Wood", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "1*inch" },
    { name: "slot", label: "Slot", group: "Size", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "1*inch", mark: "trade" },
    { name: "gap", label: "Gap under the front", group: "Size", kind: "length", default: "8*mm", min: "6*mm", max: "10*mm", mark: "trade" },
  ],
  values: [
    { name: "between", label: "between the sides", formula: "bodyOutsideWidth - 2 * thickness", mark: "arithmetic" },
    { name: "tunnel", label: "tunnel floor, deep", formula: "thickness + slot + thickness", mark: "trade" },
    { name: "frontHigh", label: "front, high", formula: "high - floorThick - gap", mark: "trade", why: "flush above; the gap is what is left over the tunnel floor" },
    { name: "meshLong", label: "mesh, long", formula: "bodyOutsideLength - tunnel - thickness", mark: "arithmetic" },
    { name: "mesh", label: "mesh, thick", formula: "1/32*inch", mark: "mem" },
  ],
  parts: [
    {
      id: "side",
      name: "Side",
      role: "side",
      length: "bodyOutsideLength",
      width: "high",
      thickness: "thickness",
      features: [],
      places: [
        { at: ["0", "0", "high"], l: "+x", w: "-z", t: "+y" },
        { at: ["bodyOutsideLength", "bodyOutsideWidth", "high"], l: "-x", w: "-z", t: "-y" },
      ],
    },
    { id: "back", name: "Back", role: "rail", length: "between", width: "high", thickness: "thickness", features: [], places: [{ at: ["bodyOutsideLength", "thickness", "high"], l: "+y", w: "-z", t: "-x" }] },
    { id: "front", name: "Front", role: "rail", length: "between", width: "frontHigh", thickness: "thickness", features: [], places: [{ at: ["0", "bodyOutsideWidth - thickness", "high"], l: "-y", w: "-z", t: "+x" }] },
    { id: "tunnel-floor", name: "Tunnel floor", role: "floor", length: "between", width: "tunnel", thickness: "floorThick", features: [], places: [{ at: ["0", "bodyOutsideWidth - thickness", "0"], l: "-y", w: "+x", t: "+z" }] },
    {
      id: "cross-bar",
      name: "Cross bar",
      role: "rail",
      length: "between",
      width: "high - floorThick",
      thickness: "thickness",
      features: [],
      places: [{ at: ["thickness + slot", "bodyOutsideWidth - thickness", "high"], l: "-y", w: "-z", t: "+x" }],
    },
    { id: "mesh", name: "Mesh", role: "mesh", material: "mesh", length: "meshLong", width: "between", thickness: "mesh", features: [], places: [{ at: ["tunnel", "thickness", "high"], l: "+x", w: "+y", t: "-z" }] },
  ],
  hardware: [
    { id: "screws", name: "exterior screw, 1 5/8", count: "16", unit: "each", spare: 0.05, for: "frame", mark: "mem" },
    { id: "staples", name: "staple, 3/8", count: "30", unit: "each", spare: 0.05, for: "mesh", mark: "mem" },
  ],
  operations: [
    { id: "assemble", name: "Screw the frame on spacers as thick as the gap", station: "bench", setup: 8, each: 10, check: "an 8 mm rod slides under the whole front", mark: "mem" },
    { id: "mesh", name: "Snip and staple the mesh", station: "bench", setup: 5, each: 5, hazard: "metal", mark: "mem" },
  ],
  steps: [
    { text: "Screw the tunnel floor between the sides, flush below and at the front." },
    { text: "Stand the front on two 8 mm spacers, flush above, and screw it; then the cross bar behind the slot." },
    { text: "Staple the mesh from the cross bar to the back, let in flush where the bodies use bottom bee space." },
  ],
  mistakes: ["the front set low, and the gap too small for drones"],
  demands: [
    { rule: "entrance-height", label: "Gap under the front", value: "gap", least: "7*mm", below: "care", advice: "drones want 7 mm; above 9 mice get in", mark: "trade" },
    { rule: "front-wood", label: "Front left, high", value: "frontHigh", least: "1/2*inch", below: "stop", advice: "make the floor higher", mark: "mem" },
  ],
};
