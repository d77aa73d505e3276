import type { Recipe } from "../recipe";
import { FRAME_ASSEMBLY, FRAME_DEMANDS, FRAME_PARAMETERS, FRAME_PARTS, FRAME_VALUES } from "./bars";

/** The hanging frame of a standard. Shoulders that touch set the pitch, or spacers do. */
export const frame: Recipe = {
  id: "frame",
  name: "Frame",
  called: ["hanging frame", "brood frame", "honey frame", "super frame"],
  family: "frames",
  kind: "frame",
  about: "Top bar, two end bars, bottom bar; holds one comb.",
  needs: ["topBarLength", "frameLength", "frameHeight", "endBarThickness", "shoulderLength"],
  parameters: FRAME_PARAMETERS,
  values: [{ name: "sheets", label: "sheets in a frame", formula: "1", mark: "trade" }, ...FRAME_VALUES],
  parts: FRAME_PARTS,
  assembly: FRAME_ASSEMBLY,
  demands: FRAME_DEMANDS,
};
