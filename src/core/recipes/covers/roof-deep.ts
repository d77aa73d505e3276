import type { Recipe } from "../recipe";
import { coverTelescoping } from "./cover-telescoping";

/** A deep skirted roof with vents, under felt or metal. */
export const roofDeep: Recipe = {
  ...coverTelescoping,
  id: "roof-deep",
  name: "Deep roof",
  about: "A roof with a skirt of 4 to 8 and two meshed vents on opposite sides.",
  parameters: [...coverTelescoping.parameters.map((p) => (p.kind === "length" && p.name === "depth" ? { ...p, default: "6*inch", min: "4*inch" } : p)), { name: "vents", label: "Meshed vents", group: "Size", kind: "flag", default: true }],
  parts: coverTelescoping.parts.map((p) => (p.id === "end" ? { ...p, features: [...p.features, { name: "vent", kind: "hole" as const, when: "vents", l: "endLength / 2", w: "1.5*inch", diameter: "1*inch" }] } : p)),
  steps: [...coverTelescoping.steps, { text: "Staple mesh over the vents from inside.", when: "vents" }],
  mistakes: ["vents left without mesh: wasps and robbers get in"],
};
