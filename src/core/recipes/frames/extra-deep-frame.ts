import type { Parameter, Recipe } from "../recipe";
import { frame } from "./frame";

/** Which two boxes are joined: the body and the frames in it must agree. */
export const TWO_BOXES: Parameter = {
  name: "boxes",
  label: "Two boxes",
  group: "Size",
  kind: "choice",
  default: "deep-medium",
  choices: [
    { id: "deep-medium", label: "deep + medium" },
    { id: "deep-deep", label: "deep + deep" },
  ],
};

/** A frame that hangs through two boxes fixed together, with two sheets one above the other. */
export const extraDeepFrame: Recipe = {
  ...frame,
  id: "extra-deep-frame",
  name: "Extra-deep frame",
  called: ["jumbo frame", "double deep frame"],
  about: "Hangs through a joined body; two sheets one above the other, with a gap the bees may fill.",
  standards: ["langstroth-10", "langstroth-8"],
  parameters: [TWO_BOXES, ...frame.parameters],
  values: [
    { name: "totalDepth", label: "depth of both boxes", formula: { by: "boxes", is: { "deep-medium": "bodyDepthOfDeep + bodyDepthOfMedium", "deep-deep": "2 * bodyDepthOfDeep" } }, mark: "trade" },
    { name: "frameHeight", label: "frame height", formula: "totalDepth - (restDepth - earThickness) - 1/4*inch", mark: "trade", why: "depth of both, less the gap above and a quarter below" },
    { name: "lowerSheet", label: "lower sheet height", formula: { by: "boxes", is: { "deep-medium": "foundationHeightOfMedium", "deep-deep": "foundationHeightOfDeep" } }, mark: "trade" },
    ...frame.values.filter((v) => v.name !== "sheets"),
    { name: "sheets", label: "sheets in a frame", formula: "2", mark: "trade" },
    { name: "sheetGap", label: "gap between the sheets", formula: "openingHeight + grooveDepth + bottomGroove - foundationHeightOfDeep - lowerSheet", mark: "trade", why: "the bees may fill it" },
  ],
  demands: [
    { rule: "sheet-fits", label: "Room for both sheets, grooves and all", value: "sheetGap", least: "0*inch", below: "stop", when: 'foundation != "none"', advice: "use lower sheets", mark: "mem" },
    ...frame.demands.filter((d) => d.rule !== "sheet-fits"),
  ],
};
