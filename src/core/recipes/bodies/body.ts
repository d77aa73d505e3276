import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import type { Recipe } from "../recipe";
import { WALL_DEMANDS, WALL_PARAMETERS, WALL_VALUES, wallAssembly, wallParts } from "./walls";

/**
 * Four walls that hang frames. The corner joint decides the blanks; the inside is what the standard fixes, and the
 * outside follows the stock unless the maker holds it.
 */
export const body: Recipe = finished(
  {
    id: "body",
    name: "Body",
    called: ["brood box", "hive body", "hive box", "chamber", "honey box", "storey"],
    family: "bodies",
    kind: "body",
    stacks: true,
    about: "Four walls without top or floor that hang frames.",
    needs: ["boxInsideLength", "boxInsideWidth", "bodyDepth", "restWidth", "restDepth", "topBarLength"],
    parameters: WALL_PARAMETERS,
    values: [{ name: "nominalInsideLength", label: "inside length wanted", formula: "boxInsideLength", mark: "trade" }, { name: "nominalInsideWidth", label: "inside width wanted", formula: "boxInsideWidth", mark: "trade" }, ...WALL_VALUES],
    parts: wallParts(),
    assembly: wallAssembly(),
    demands: WALL_DEMANDS,
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
