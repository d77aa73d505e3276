import { type Shape, shapeItem, isUnmakeable } from "@/core/shape/shape";
import type { Length, Units } from "@/core/length/length";
import type { Part } from "@/core/shape/part";

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
    if (isUnmakeable(e)) return undefined;
    throw e;
  }
}
