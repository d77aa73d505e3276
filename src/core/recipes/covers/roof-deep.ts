import type { Recipe } from "../recipe";
import { coverTelescoping } from "./cover-telescoping";

/** A deep skirted roof with vents, under felt or metal. */
export const roofDeep: Recipe = {
  ...coverTelescoping,
  id: "roof-deep",
  name: "Deep roof",
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
  hardware: [...coverTelescoping.hardware, { id: "felt", name: "roofing felt", count: "skinLength * skinWidth", unit: "m2", spare: 0.1, for: "roof", when: 'covering == "felt"', mark: "mem" }],
  steps: [...coverTelescoping.steps, { text: "Staple mesh over the vents from inside.", when: "vents" }],
  mistakes: ["vents left without mesh: wasps and robbers get in"],
};
