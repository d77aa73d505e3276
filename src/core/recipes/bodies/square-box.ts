import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import type { Recipe } from "../recipe";
import { body } from "./body";

/** The small square stack box: inside as long as it is wide, any board; four stand with entrances at right angles. */
export const squareBox: Recipe = finished(
  {
    ...body,
    stacks: undefined,
    id: "square-box",
    name: "Square stack box",
    called: ["small box", "stack box", "cube"],
    about: "A small square box for five pi frames; four stand with entrances at right angles, or stack.",
    standards: ["square-190"],
    hangs: "pi-frame",
    needs: body.needs.filter((n) => n !== "topBarLength"),
    parameters: body.parameters.map((p) => (p.kind === "choice" && p.name === "handholds" ? { ...p, default: "none" } : p)),
    values: body.values.map((v) => (v.name === "nominalInsideWidth" || v.name === "nominalInsideLength" ? { ...v, formula: "frames * pitch", why: "no play is left on paper; real ends run a little under" } : v)),
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
