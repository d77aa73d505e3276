import type { Recipe } from "../recipe";
import { RIM_NEEDS } from "../rims";
import { SHEET } from "../sheets";

/** Thin strips that lie over the frames, so that only a few are open at once. */
export const inspectionCover: Recipe = {
  id: "inspection-cover",
  name: "Inspection cover",
  called: ["inspection cloth", "manipulation cover", "cover strip"],
  family: "accessories",
  kind: "other",
  about: "Strips that close the box a part at a time: for mating hives, long hives and cold days.",
  needs: [...RIM_NEEDS, "restWidth"],
  parameters: [
    { name: "strips", label: "Strips", group: "Size", kind: "count", default: "2", min: 1, max: 8 },
    { name: "panel", label: "Strip, thick", group: "Wood", kind: "length", default: SHEET.eighth, min: "1/16*inch", max: "1/2*inch" },
  ],
  values: [
    { name: "stripLong", label: "strip, long", formula: "boxInsideLength + restWidth", mark: "mem", why: "lies half a rest on each end" },
    { name: "stripWide", label: "strip, wide", formula: "(boxInsideWidth - 1/8*inch) / strips - 1/16*inch", mark: "mem" },
  ],
  parts: [
    {
      id: "strip",
      name: "Strip",
      role: "cover",
      material: "ply",
      length: "stripLong",
      width: "stripWide",
      thickness: "panel",
      features: [],
      places: [{ at: ["0", "0", "panel"], l: "+x", w: "+y", t: "-z", times: "strips", step: ["0*inch", "stripWide + 1/16*inch", "0*inch"] }],
    },
  ],
  assembly: [
    { id: "number", name: "Break the edges and number the strips", text: "Number the strips from one side and mark the upper face.", station: "bench", setup: 2, each: 2, mistakes: ["strips cut tight: they swell, and lift"], mark: "mem" },
  ],
  demands: [],
};
