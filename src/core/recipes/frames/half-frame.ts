import { withUses } from "../assembly";
import type { Recipe } from "../recipe";
import { frame } from "./frame";

/** Half-length frame for divided bodies; one full sheet cut upright into three serves three of them. */
export const halfFrame: Recipe = {
  ...frame,
  id: "half-frame",
  name: "Half-length frame",
  called: ["half frame", "mating frame"],
  about: "For the chambers of a divided body; a third of a sheet serves it.",
  standards: ["langstroth-10"],
  values: [
    { name: "topBarLength", label: "top bar length", formula: "9.25*inch", mark: "trade" },
    { name: "frameLength", label: "frame outside length", formula: "8*inch", mark: "trade" },
    { name: "foundationLength", label: "sheet, a third of a full one", formula: "16.75*inch / 3", mark: "trade", why: "the bees fill what is left each side" },
    ...frame.values.map((v) => (v.name === "sheets" ? { ...v, formula: "1", why: "a third of a sheet" } : v)),
  ],
  assembly: withUses(frame.assembly, (u) => (u.what.startsWith("foundation") ? { ...u, count: "1 / 3" } : u.what === "support pin" ? { ...u, what: "hairpin" } : u)),
};
