import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import type { Recipe } from "../recipe";
import { FOR_BOX, OVER_BODY, RIM_NEEDS, RIM_VALUES, rimAssembly, rimParameters, rimParts } from "../rims";

/** An empty rim that makes room over the frames: for patties, a round feeder or an upturned pail. */
export const feedRim: Recipe = finished(
  {
    id: "feed-rim",
    name: "Feed rim",
    called: ["eke", "shim", "spacer", "spacer rim", "patty rim", "candy rim", "rim"],
    family: "feeders",
    kind: "other",
    about: "A rim without rests between the top body and the cover, as high as the feeder inside it.",
    needs: RIM_NEEDS,
    parameters: [...rimParameters("2*inch"), ...FOR_BOX],
    values: [...OVER_BODY, ...RIM_VALUES],
    parts: rimParts(),
    assembly: rimAssembly(),
    stands: { as: "rim", height: "depth", outside: ["outsideLength", "outsideWidth"], under: "depth", over: "depth" },
    demands: [],
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
