import { innerCover } from "../covers/inner-cover";
import type { Recipe } from "../recipe";

/** An inner cover with one-way exits: bees leave the supers above it and do not find back. */
export const escapeBoard: Recipe = {
  ...innerCover,
  id: "escape-board",
  name: "Escape board",
  family: "accessories",
  about: "A board with one-way exits under the supers, a day or two before they are taken off.",
  parameters: innerCover.parameters
    .filter((p) => p.name !== "notch")
    .map((p) =>
      p.kind === "choice" && p.name === "hole"
        ? {
            ...p,
            label: "Exit",
            default: "oval",
            choices: [
              { id: "oval", label: "3 × 1 1/2, for an escape" },
              { id: "round", label: '2" round, a cone below' },
              { id: "three", label: "three, a cone below each" },
            ],
          }
        : p,
    ),
  parts: innerCover.parts.map((p) => ({ ...p, features: p.features.filter((f) => f.name !== "notch") })),
  stands: { ...innerCover.stands!, as: "sheet" },
  hardware: [...innerCover.hardware.filter((h) => h.for === "rim"), { id: "escape", name: "bee escape", count: 'hole == "three" ? 3 : 1', unit: "each", spare: 0, for: "exits", mark: "mem" }],
  steps: [{ text: "Glue and nail the rim flush with the panel's edges." }, { text: "Fix the escape in its hole, way out downward." }],
  mistakes: ["left on for a week: bees find another way up", "a gap in a super above it: robbers empty it, for no bee guards it"],
};
