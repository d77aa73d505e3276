import { recipeOf } from "@/core/designs/design";
import { FormulaError } from "@/core/formula/formula";
import type { Length } from "@/core/length/length";
import type { Part } from "@/core/shape/part";
import { ShapeError, shapeItem } from "@/core/shape/shape";
import { standardOf } from "@/core/standards/own";
import type { Own, WorkedLine } from "./shapes";

/** What a part that is made to fit comes to with what was measured; undefined where that cannot be made. */
export function refit(
  { line }: WorkedLine,
  part: string,
  measured: Record<string, Length>,
  own: Own,
): Part | undefined {
  const standard = standardOf(line.standard, own.standards)!;
  const recipe = recipeOf(line.item, standard, own)!;
  try {
    return shapeItem(recipe, standard, line.size, line.options, own.units, measured).parts.find((p) => p.id === part);
  } catch (e) {
    if (e instanceof ShapeError || e instanceof FormulaError) return undefined;
    throw e;
  }
}
