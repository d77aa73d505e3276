import type { Recipe } from "../recipe";
import { frame } from "./frame";

/** The top bar is as wide as the pitch, so the bars touch and close the hive. */
export const closedTopFrame: Recipe = {
  ...frame,
  id: "closed-top-frame",
  name: "Closed-top frame",
  called: ["layens frame"],
  about: "Top bars touch and close the box; nothing stands above them.",
  standards: ["layens"],
  values: [{ name: "topBarWidth", label: "top bar width, the pitch", formula: "pitch", mark: "mem" }, ...frame.values.map((v) => (v.name === "neckDepth" ? { ...v, formula: "(topBarWidth - endBarWidth) / 2 + 1/8*inch" } : v))],
  needs: frame.needs.filter((n) => n !== "shoulderLength"),
};
