import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import { each, screws } from "../assembly";
import type { FeatureRecipe } from "@/core/feature/feature";
import type { Recipe } from "../recipe";
import { FOR_BOX, RIM_NEEDS, RIM_VALUES, rimAssembly, rimParameters, rimParts } from "../rims";
import { SHEET } from "../sheets";

const slit = (l: "left" | "right", w: "top" | "bottom"): FeatureRecipe => ({
  name: "parcel cut",
  kind: "notch",
  l: l === "left" ? ["fold - 1/64*inch", "fold"] : ["skinLength - fold", "skinLength - fold + 1/64*inch"],
  w: w === "top" ? ["0*inch", "fold"] : ["skinWidth - fold", "skinWidth"],
});

/** Four fold lines, and a cut beside each corner: the tab that is left folds round the corner, under the long fold. */
const SKIN_FOLDS: FeatureRecipe[] = [
  { name: "fold line", kind: "fold", run: "along", at: "fold" },
  { name: "fold line", kind: "fold", run: "along", at: "skinWidth - fold" },
  { name: "fold line", kind: "fold", run: "across", at: "fold" },
  { name: "fold line", kind: "fold", run: "across", at: "skinLength - fold" },
  slit("left", "top"),
  slit("right", "top"),
  slit("left", "bottom"),
  slit("right", "bottom"),
];

/** A lid whose skirt goes down over the box, under a skin of sheet metal. */
export const coverTelescoping: Recipe = finished(
  {
    id: "cover-telescoping",
    name: "Telescoping cover",
    called: ["outer cover", "telescoping lid", "telescope cover", "lid", "hive lid", "metal roof"],
    family: "covers",
    kind: "other",
    about: "A lid with a skirt that goes over the box; it wants an inner cover under it, or it cannot be prised off.",
    needs: RIM_NEEDS,
    parameters: [
      ...rimParameters("2.5*inch").map((p) => (p.kind === "choice" && p.name === "joint" ? { ...p, default: "butt-ends-inside" } : p)),
      { name: "clearance", label: "Loose on the box, in all", group: "Size", kind: "length", default: "3/8*inch", min: "1/8*inch", max: "3/4*inch", mark: "trade" },
      { name: "panel", label: "Panel", group: "Wood", kind: "length", default: SHEET.half, min: "1/4*inch", max: "3/4*inch" },
      { name: "fold", label: "Fold of the skin", group: "Skin", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "2*inch" },
      ...FOR_BOX,
    ],
    values: [
      { name: "nominalInsideLength", label: "inside length wanted", formula: "bodyOutsideLength + clearance", mark: "trade", why: "over the largest box beneath, and loose" },
      { name: "nominalInsideWidth", label: "inside width wanted", formula: "bodyOutsideWidth + clearance", mark: "trade" },
      ...RIM_VALUES,
      { name: "skinLength", label: "skin, cut long", formula: "outsideLength + 2 * fold", mark: "trade", why: "the panel and a fold each way" },
      { name: "skinWidth", label: "skin, cut wide", formula: "outsideWidth + 2 * fold", mark: "trade" },
    ],
    parts: [
      ...rimParts(),
      { id: "panel", name: "Panel", role: "panel", material: "ply", length: "outsideLength", width: "outsideWidth", thickness: "panel", features: [], places: [{ at: ["0", "0", "depth + panel"], l: "+x", w: "+y", t: "-z" }] },
      {
        id: "skin",
        name: "Metal skin, flat",
        role: "skin",
        material: "metal",
        length: "skinLength",
        width: "skinWidth",
        thickness: "1/64*inch",
        features: SKIN_FOLDS,
        places: [{ at: ["-fold", "-fold", "depth + panel + 1/64*inch"], l: "+x", w: "+y", t: "-z" }],
      },
    ],
    assembly: rimAssembly({
      next: [
        { id: "panel", name: "Screw the panel on the skirt", text: "Screw the panel on the skirt from above, flush all round.", station: "bench", joins: ["panel"], uses: [screws("12", "panel", "depth")], setup: 3, each: 4, mark: "mem" },
        {
          id: "skin",
          name: "Fold the skin over and nail it",
          text: "Lay the skin on the lid; fold the long edges down first, then the ends, corners tucked like a parcel. Never cut a corner out: it leaks. Nail the skin through the folds into the skirt, never through the top.",
          station: "bench",
          joins: ["skin"],
          uses: [each("roofing nail", "16", 0.05, undefined, "3/4")],
          setup: 10,
          each: 8,
          hazard: "metal",
          check: "no sharp edge stands out",
          mistakes: ["corners of the skin cut away", "used without an inner cover: a tool cannot reach in to free it once it is glued down"],
          mark: "mem",
        },
      ],
    }),
    stands: { as: "cover", height: "panel + 1/64*inch", outside: ["outsideLength", "outsideWidth"], under: "0*inch", over: "0*inch", skirt: { inside: ["insideLength", "insideWidth"], deep: "depth" } },
    demands: [
      { rule: "telescoping-clearance", label: "Loose on the box, in all", value: "clearance", least: "1/4*inch", below: "care", advice: "the largest box beneath swells; leave 3/8", mark: "trade" },
      { rule: "skin-fold", label: "Fold over the panel", value: "fold - panel", least: "1/4*inch", below: "care", advice: "the fold must reach past the panel's edge to be nailed", mark: "trade" },
    ],
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
