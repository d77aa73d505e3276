import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import type { Recipe } from "../recipe";
import { body } from "./body";

/** A small body, usually of five frames. Five at 1 3/8 and 5/8 spare give the 7 1/2 of the trade. */
export const nuc: Recipe = finished(
  {
    ...body,
    stacks: undefined,
    id: "nuc",
    name: "Nuc",
    called: ["nucleus", "nucleus box", "nuc box", "five frame"],
    about: "A small body, usually five frames.",
    needs: [...body.needs.filter((n) => n !== "boxInsideWidth"), "pitch"],
    parameters: [{ name: "nucFrames", label: "Frames", group: "Size", kind: "count", default: "5", min: 2, max: 6 }, ...body.parameters],
    values: [{ name: "frames", label: "frames", formula: "nucFrames", mark: "trade" }, ...body.values.map((v) => (v.name === "nominalInsideWidth" ? { ...v, formula: "frames * pitch + 5/8*inch" } : v))],
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
