import type { StepRecipe, UseRecipe } from "./recipe";

/** Things that assembly steps take, as recipes write them. */

/** Which face is out, said before anything is cut: nothing else tells a left end from a right one, or keeps a handhold out of the inside. */
export const markFaces = (on: string[]): StepRecipe => ({
  id: "mark",
  name: "Mark outside faces",
  text: "Mark the outside face and the upper edge of every side and end, before anything is cut into them.",
  station: "bench",
  on,
  uncut: true,
  setup: 2,
  each: 0.5,
  mark: "mem",
});

/** Glue by the area of the joint, a formula of an area. */
export const glue = (area: string, when?: string): UseRecipe => ({
  what: "waterproof wood glue",
  count: area,
  unit: "m2",
  spare: 0,
  ...(when ? { when } : {}),
  mark: "mem",
});

/** Screws, chosen by the wood: `through` the near piece `into` so much of the other, of side or end grain. */
export const screws = (
  count: string,
  through: string,
  into: string,
  grain: "side" | "end" = "side",
  more: { when?: string; where?: string; what?: string; light?: boolean } = {},
): UseRecipe => ({
  what: more.what ?? "exterior screw",
  screw: { through, into, grain, ...(more.light ? { light: true } : {}) },
  count,
  unit: "each",
  spare: 0.05,
  ...(more.where ? { where: more.where } : {}),
  ...(more.when ? { when: more.when } : {}),
  mark: "trade",
});

/** Nails, brads and the like, by what inch shops call them and what metric shops sell in their place [mem]. */
const SOLD = {
  "1/4": "6 mm",
  "3/8": "10 mm",
  "3/4": "20 mm",
  "1 1/4": "30 mm",
  "2 1/2": "65 mm",
  "3": "75 mm",
  "3 1/2": "90 mm",
} as const;

/** By the metre of inside seam; a tube of 310 ml is some 15 m of a 5 mm bead, by its volume. */
export const SEALANT = "sealant for inside joints";

/** Something sold by length, by a formula of it. */
export const metres = (what: string, count: string, spare: number): UseRecipe => ({
  what,
  count,
  unit: "m",
  spare,
  mark: "mem",
});

/** Anything counted; `size` in inches is part of its name, as it is sold. */
export const each = (what: string, count: string, spare = 0, when?: string, size?: keyof typeof SOLD): UseRecipe => ({
  what,
  ...(size ? { sold: { in: size, mm: SOLD[size] } } : {}),
  count,
  unit: "each",
  spare,
  ...(when ? { when } : {}),
  mark: "mem",
});

/** The same steps with what they take changed; undefined leaves a thing out. */
export const withUses = (steps: StepRecipe[], change: (use: UseRecipe) => UseRecipe | undefined): StepRecipe[] =>
  steps.map((s) => (s.uses ? { ...s, uses: s.uses.flatMap((u) => change(u) ?? []) } : s));
