import type { Recipe } from "../recipe";
import { FOR_BOX, RIM_NEEDS } from "../rims";

/** A flush lid, cleated against warping, for hives that stand close or travel. */
export const coverFlat: Recipe = {
  id: "cover-flat",
  name: "Flat cover",
  family: "covers",
  kind: "other",
  about: "A flush panel with end cleats, for close-standing and travelling hives.",
  needs: RIM_NEEDS,
  parameters: [
    { name: "panel", label: "Panel", group: "Wood", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "1.5*inch" },
    {
      name: "material",
      label: "Panel of",
      group: "Wood",
      kind: "choice",
      default: "ply",
      choices: [
        { id: "ply", label: "ply" },
        { id: "boards", label: "boards", note: "opens as it dries" },
      ],
    },
    { name: "cleatHigh", label: "Cleats, high", group: "Size", kind: "length", default: "1.5*inch", min: "1/2*inch", max: "3*inch" },
    { name: "jarHole", label: "Jar hole", group: "Hole", kind: "flag", default: false },
    { name: "jar", label: "Jar hole, across", group: "Hole", kind: "length", default: "2.75*inch", min: "1*inch", max: "4*inch", when: "jarHole" },
    ...FOR_BOX,
  ],
  values: [{ name: "cleatThick", label: "cleat thickness", formula: "3/4*inch", mark: "trade" }],
  parts: [
    ...(["ply", "boards"] as const).map((of): Recipe["parts"][number] => ({
      id: of === "ply" ? "panel" : "board-panel",
      name: "Panel",
      role: "panel",
      when: `material == "${of}"`,
      ...(of === "ply" ? { material: "ply" as const } : {}),
      length: "bodyOutsideLength",
      width: "bodyOutsideWidth",
      thickness: "panel",
      features: [{ name: "jar hole", kind: "hole", when: "jarHole", l: "bodyOutsideLength / 2", w: "bodyOutsideWidth / 2", diameter: "jar" }],
      places: [{ at: ["0", "0", "panel"], l: "+x", w: "+y", t: "-z" }],
    })),
    {
      id: "cleat",
      name: "End cleat",
      role: "cleat",
      length: "bodyOutsideWidth",
      width: "cleatHigh",
      thickness: "cleatThick",
      outside: "mark the outside face",
      features: [],
      places: [
        { at: ["-cleatThick", "bodyOutsideWidth", "panel"], l: "-y", w: "-z", t: "+x" },
        { at: ["bodyOutsideLength + cleatThick", "0", "panel"], l: "+y", w: "-z", t: "-x" },
      ],
    },
  ],
  hardware: [{ id: "screws", name: "exterior screw, 1 5/8", count: "10", unit: "each", spare: 0.05, for: "cleats", mark: "mem" }],
  operations: [{ id: "assemble", name: "Screw the cleats on the ends", station: "bench", setup: 4, each: 5, check: "the cleats hang down past the panel, over the box", mark: "mem" }],
  steps: [{ text: "Screw a cleat to each end, tops flush with the panel, slots in the cleat's screw holes across the grain so that boards can move." }],
  mistakes: ["used on a body with bottom bee space without a rim: the frames have no room above"],
  stands: { as: "cover", height: "panel", outside: ["bodyOutsideLength", "bodyOutsideWidth"], under: "0*inch", over: "0*inch" },
  demands: [{ rule: "flat-cover", label: "Cleats past the panel", value: "cleatHigh - panel", least: "1/4*inch", below: "care", advice: "a cleat that does not hang down lets the lid slide off", mark: "mem" }],
};
