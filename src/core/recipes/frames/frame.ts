import type { Recipe } from "../recipe";
import { FRAME_DEMANDS, FRAME_HARDWARE, FRAME_OPERATIONS, FRAME_PARAMETERS, FRAME_PARTS, FRAME_STEPS, FRAME_VALUES } from "./bars";

/** The hanging frame of a standard. Shoulders that touch set the pitch, or spacers do. */
export const frame: Recipe = {
  id: "frame",
  name: "Frame",
  family: "frames",
  kind: "frame",
  about: "Top bar, two end bars, bottom bar; holds one comb.",
  needs: ["topBarLength", "frameLength", "frameHeight", "endBarThickness", "shoulderLength"],
  parameters: FRAME_PARAMETERS,
  values: [{ name: "sheets", label: "sheets in a frame", formula: "1", mark: "trade" }, ...FRAME_VALUES],
  parts: FRAME_PARTS,
  hardware: FRAME_HARDWARE,
  operations: FRAME_OPERATIONS,
  steps: FRAME_STEPS,
  mistakes: ["a wedge top bar bought for plastic foundation", "end bars with the shoulder down", "too much glue on a bar the bees must walk on"],
  demands: FRAME_DEMANDS,
};
