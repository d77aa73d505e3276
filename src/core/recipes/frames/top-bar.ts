import type { Recipe } from "../recipe";

/** A bar alone, with a ridge below that the comb starts from. */
export const topBar: Recipe = {
  id: "top-bar",
  name: "Top bar",
  called: ["bar"],
  family: "frames",
  kind: "frame",
  about: "A bar with a ridge below; the comb hangs from it.",
  standards: ["kenya", "warre"],
  needs: ["topBarLength", "topBarWidth", "topBarThickness"],
  parameters: [{ name: "ridge", label: "Bevel of the ridge", group: "Top bar", kind: "length", default: "topBarThickness / 3", min: "1*mm", max: "topBarThickness / 2" }],
  values: [],
  parts: [
    {
      id: "top-bar",
      name: "Top bar",
      role: "top-bar",
      length: "topBarLength",
      width: "topBarWidth",
      thickness: "topBarThickness",
      features: [
        { name: "bevel to the ridge", kind: "bevel", edge: "top", face: "far", across: "topBarWidth / 2 - 1*mm", deep: "ridge" },
        { name: "bevel to the ridge", kind: "bevel", edge: "bottom", face: "far", across: "topBarWidth / 2 - 1*mm", deep: "ridge" },
      ],
      places: [{ at: ["0", "topBarWidth", "topBarThickness"], l: "+x", w: "-y", t: "-z" }],
    },
  ],
  assembly: [{ id: "wax", name: "Rub the ridge with wax", text: "Rub the ridge with wax: the bees start there.", station: "bench", setup: 1, each: 0.2, mistakes: ["bars of differing width, so the combs drift off the bars"], mark: "mem" }],
  demands: [],
};
