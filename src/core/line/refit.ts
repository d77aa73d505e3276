import { FormulaError } from "@/core/formula/formula";
import type { Length, Units } from "@/core/length/length";
import type { Part } from "@/core/shape/part";
import { type Shape, ShapeError, shapeItem } from "@/core/shape/shape";

/** What a part that is made to fit comes to with what was measured; undefined where that cannot be made. */
export function refit(
  { recipe, standard, size, options }: Shape,
  part: string,
  measured: Record<string, Length>,
  units: Units,
): Part | undefined {
  try {
    return shapeItem(recipe, standard, size, options, units, measured).parts.find((p) => p.id === part);
  } catch (e) {
    if (e instanceof ShapeError || e instanceof FormulaError) return undefined;
    throw e;
  }
}
