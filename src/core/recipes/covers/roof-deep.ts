import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import { each } from "../assembly";
import type { Recipe } from "../recipe";
import { coverTelescoping } from "./cover-telescoping";

/** A deep skirted roof with vents, under felt or metal. */
export const roofDeep: Recipe = finished(
  {
    ...coverTelescoping,
    id: "roof-deep",
    name: "Deep roof",
    called: ["hive roof", "deep lid", "roof"],
    about: "A roof with a skirt of 4 to 8 and two meshed vents on opposite sides.",
    parameters: [
      ...coverTelescoping.parameters.map((p) => (p.kind === "length" && p.name === "depth" ? { ...p, default: "6*inch", min: "4*inch" } : p)),
      {
        name: "covering",
        label: "Under",
        group: "Skin",
        kind: "choice",
        default: "metal",
        choices: [
          { id: "metal", label: "metal" },
          { id: "felt", label: "felt" },
        ],
      },
      { name: "vents", label: "Meshed vents", group: "Size", kind: "flag", default: true },
    ],
    parts: coverTelescoping.parts.map((p) =>
      p.role === "skin" ? { ...p, when: 'covering == "metal"' } : p.id === "end" ? { ...p, features: [...p.features, { name: "vent", kind: "hole" as const, when: "vents", l: "endLength / 2", w: "1.5*inch", diameter: "1*inch" }] } : p,
    ),
    assembly: [
      ...coverTelescoping.assembly.map((s) => (s.id === "skin" ? { ...s, when: 'covering == "metal"' } : s)),
      {
        id: "felt",
        name: "Fold the felt over and nail it",
        text: "Lay the felt over the panel, folded down all round and tucked at the corners; nail it through the folds into the skirt.",
        station: "bench",
        uses: [{ what: "roofing felt", count: "skinLength * skinWidth", unit: "m2", spare: 0.1, mark: "mem" }, each("roofing nail", "16", 0.05, undefined, "3/4")],
        when: 'covering == "felt"',
        setup: 5,
        each: 8,
        mark: "mem",
      },
      {
        id: "vents",
        name: "Staple mesh over the vents",
        text: "Staple a scrap of mesh over each vent from inside.",
        station: "bench",
        uses: [each("staple", "12", 0.05, undefined, "3/8")],
        when: "vents",
        setup: 2,
        each: 2,
        hazard: "metal",
        mistakes: ["vents left without mesh: wasps and robbers get in"],
        mark: "mem",
      },
    ],
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
