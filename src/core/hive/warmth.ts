import { BRITISH_R } from "@/core/fit/rvalue";
import type { Part } from "@/core/shape/part";
import { gravityOf } from "@/core/judge/strength";
import { USUAL_WOOD } from "@/core/recipes/woods";
import { lengthOf, type Shape } from "@/core/shape/shape";
import { toNumber } from "@/core/formula/formula";
import type { Standing } from "@/core/line/standing";

/** W/(m·K) across the grain: G (0.1941 + 0.004064 M) + 0.01864 (Wood Handbook, thermal chapter, from memory). */
export const conductivity = (gravity: number, moisture = 12): number =>
  gravity * (0.1941 + 0.004064 * moisture) + 0.01864;

/** Surface films, inside 0.12 and outside 0.03 m²·K/W, from memory. */
const FILMS = 0.15;
/** W/(m·K), from memory: expanded polystyrene at R 3.8 an inch, ply about G 0.5; wood of the kind chosen. */
const CONDUCTS: Partial<Record<Part["material"], number>> = {
  ply: conductivity(0.5),
  foam: 0.0254 / (3.8 / BRITISH_R),
};
const conducts = (shape: Shape, material: Part["material"]) =>
  material === "wood" ? conductivity(gravityOf(shape)) : (CONDUCTS[material] ?? Infinity);
/** Loose wood shavings, W/(m·K), from memory. */
const SHAVINGS = 0.065;

/** R of what the lowest box is closed with, m²·K/W, and what it loses for each degree, W/K; the floor only where it is closed. */
export interface Warmth {
  wall: number;
  lid?: number;
  floor?: number;
  loss: number;
}

const metres = (nm: number) => nm / 1e9;

/** How warm the cluster's box is closed: walls, jacket, what lies over it and under it. Layers add; air in hollow walls is not counted. */
export function warmth(standing: Standing[]): Warmth | undefined {
  const box = standing.find((s) => s.as === "body");
  if (!box?.inside) return undefined;
  const wood = box.shape ? conducts(box.shape, "wood") : conductivity(USUAL_WOOD.gravity);
  const jacket = standing.find((s) => s.as === "jacket" && s.foot <= box.foot)?.shape;
  const round = jacket
    ? metres(lengthOf(jacket, "cladding")) / conducts(jacket, "wood") +
      toNumber(jacket.scope.working("foamR").value, "foam")
    : 0;
  const walls = [
    { thick: box.outside.width - box.inside.width, long: box.outside.length },
    { thick: box.outside.length - box.inside.length, long: box.outside.width },
  ].map(({ thick, long }) => ({
    area: 2 * metres(long) * metres(box.height),
    r: FILMS + metres(thick / 2) / wood + round,
  }));
  const area = walls.reduce((sum, w) => sum + w.area, 0);
  const through = walls.reduce((sum, w) => sum + w.area / w.r, 0);
  const over = sheets(standing.filter((s) => s.foot >= box.foot + box.height && s.as !== "body"));
  const under = sheets(standing.filter((s) => s.as === "floor"));
  const flat = metres(box.outside.length) * metres(box.outside.width);
  const [lid, floor] = [over, under].map((r) => (r > 0 ? FILMS + r : undefined));
  return { wall: area / through, lid, floor, loss: through + (lid ? flat / lid : 0) + (floor ? flat / floor : 0) };
}

/** R of the sheets that lie flat in some levels, and of what a quilt is filled with. */
function sheets(levels: Standing[]): number {
  const shapes = levels.flatMap((s) => s.shape ?? []);
  const filled = shapes.filter((s) => s.scope.has("fillingDepth"));
  return (
    shapes.reduce((sum, s) => sum + flatIn(s), 0) +
    filled.reduce((sum, s) => sum + metres(lengthOf(s, "fillingDepth")) / SHAVINGS, 0)
  );
}

const flatIn = (shape: Shape) =>
  shape.parts
    .filter((p) => p.role === "panel" || p.role === "roof" || p.material === "foam")
    .reduce((sum, p) => sum + metres(p.size.t) / conducts(shape, p.material), 0);
