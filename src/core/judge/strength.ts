import type { Units } from "@/core/length/length";
import { USUAL_WOOD, WOODS } from "@/core/recipes/woods";
import type { Shape } from "@/core/shape/shape";

/**
 * What holds a fastener in wood: Wood Handbook, fastenings chapter, from memory. G is specific gravity, D the shank's
 * diameter and L the length in the holding piece, both in mm; newtons in side grain.
 */
const END_GRAIN = { nail: 0.5, screw: 0.75 };

/** A smooth nail: 54.12 · G^2.5 · D · L. */
export const nailWithdrawal = (g: number, d: number, l: number, grain: "side" | "end" = "side"): number =>
  54.12 * g ** 2.5 * d * l * (grain === "end" ? END_GRAIN.nail : 1);

/** A wood screw: 108.25 · G² · D · L, L threaded. */
export const screwWithdrawal = (g: number, d: number, l: number, grain: "side" | "end" = "side"): number =>
  108.25 * g ** 2 * d * l * (grain === "end" ? END_GRAIN.screw : 1);

/**
 * A wood screw pulled across: K · D², K in N/mm² by specific gravity: 23.17 for 0.29 to 0.42, 29.79 to 0.47, 36.40 above (the
 * handbook's 3360, 4320 and 5280 lb with inches).
 */
export const screwShear = (g: number, d: number): number => (g <= 0.42 ? 23.17 : g <= 0.47 ? 29.79 : 36.4) * d ** 2;

/** Specific gravity at 12 % moisture of the wood a thing is made of. */
export function gravityOf({ scope }: Shape): number {
  const wood = scope.has("wood") ? scope.working("wood").value : undefined;
  return (WOODS.find((w) => wood?.kind === "word" && w.id === wood.of) ?? USUAL_WOOD).gravity;
}

/** What a force is told in. */
export const forceUnit = (units: Units): string => (units === "in" ? "lb" : "N");

/** A force in newtons as it is told; a pound is 4.448 N. */
export const forceIn = (newtons: number, units: Units): number => (units === "in" ? newtons / 4.448 : newtons);
