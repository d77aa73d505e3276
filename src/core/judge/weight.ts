import { NM_PER_MM } from "@/core/length/length";
import { woodCalled } from "@/core/recipes/woods";

/** Specific gravity of a sheet of veneers or flakes, by common practice. */
const GLUED = { called: /ply|osb/i, gravity: 0.6 };

/** kg in a cubic metre of a wood at 12 % moisture, G × 1.12 × 1000 (the handbook's); undefined where its name says nothing. */
export function densityOf(material: string): number | undefined {
  const found = GLUED.called.test(material) ? GLUED : woodCalled(material);
  return found && Math.round(found.gravity * 1120);
}

/** Cubic metres of a box in nm. */
export const cubicMetres = (l: number, w: number, t: number): number =>
  (l / NM_PER_MM / 1000) * (w / NM_PER_MM / 1000) * (t / NM_PER_MM / 1000);
