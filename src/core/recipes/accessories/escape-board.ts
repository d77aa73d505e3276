import { each } from "../assembly";
import { innerCover } from "../covers/inner-cover";
import type { Recipe } from "../recipe";

/** An inner cover with one-way exits: bees leave the supers above it and do not find back. */
export const escapeBoard: Recipe = {
  ...innerCover,
  id: "escape-board",
  name: "Escape board",
  called: ["clearer board", "bee escape", "clearing board"],
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
  assembly: [
    ...innerCover.assembly.slice(0, 1).map((s) => ({ ...s, text: "Glue and nail the rim flush with the panel's edges.", mistakes: undefined })),
    {
      id: "escape",
      name: "Fix the escape",
      text: "Fix the escape in its hole, way out downward.",
      station: "bench",
      uses: [each("bee escape", 'hole == "three" ? 3 : 1')],
      setup: 2,
      each: 3,
      check: "the way out is downward",
      mistakes: ["left on for a week: bees find another way up", "a gap in a super above it: robbers empty it, for no bee guards it"],
      mark: "mem",
    },
  ],
};
