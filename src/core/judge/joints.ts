import type { JobLine } from "@/core/line/line";
import { type MakersOwn, recipeOf } from "@/core/designs/design";
import { standardOf } from "@/core/standards/own";
import { toNumber } from "@/core/formula/formula";
import { lengthOf, type Shape, ShapeError, shapeItem } from "@/core/shape/shape";
import { stepsOf } from "@/core/shape/steps";
import { GRAVITY, screwWithdrawal } from "./strength";

/** A corner joint of a line, judged: figures to compare by, for one box. */
export interface JointJudged {
  id: string;
  label: string;
  note: string;
  /** Cut sizes, as they come out with this joint. */
  side: ReturnType<typeof lengthOf>;
  end: ReturnType<typeof lengthOf>;
  fasteners: number;
  /** cm²; end grain counts a quarter [mem]. */
  glue: number;
  /** What pulls a side, or an end, off outwards by withdrawal alone, N. */
  holdsSide: number;
  holdsEnd: number;
  minutes: number;
  /** Wood in the four blanks, dm². */
  wood: number;
}

/** A number 8 screw of 1 5/8, the usual one in this trade. */
const SCREW = { diameter: 4.17, length: 41.3 };

/** How many of a corner's fasteners go in through the side; the others through the end. */
const THROUGH_SIDE: Record<string, number> = { "butt-ends-inside": 1, "butt-sides-inside": 0 };

/**
 * Every corner joint the line's recipe knows, worked out in the same box: what it takes and what it holds. Withdrawal
 * is into end grain, as at every corner of a box (Wood Handbook, fastenings, from memory).
 */
export function compareJoints(line: JobLine, own: MakersOwn = { standards: [], designs: [] }): JointJudged[] {
  const standard = standardOf(line.standard, own.standards)!;
  const recipe = recipeOf(line.item, standard, own)!;
  const joints = recipe.parameters.find((p) => p.name === "joint");
  if (joints?.kind !== "choice") return [];
  return joints.choices.flatMap((choice) => {
    const { lap: _lap, ...options } = line.options;
    try {
      const shape = shapeItem(recipe, standard, line.size, { ...options, joint: choice.id });
      return [judge(shape, choice)];
    } catch (e) {
      if (e instanceof ShapeError) return [];
      throw e;
    }
  });
}

function judge(shape: Shape, choice: { id: string; label: string; note?: string }): JointJudged {
  const area = (name: string) => {
    const v = shape.scope.working(name).value;
    return v.kind === "amount" ? v.of.valueOf() / 1e14 : 0;
  };
  const corner = toNumber(shape.scope.working("cornerFasteners").value, "fasteners");
  const through = Math.round(corner * (THROUGH_SIDE[choice.id] ?? 0.5));
  const wood = shape.scope.working("wood").value;
  const gravity = GRAVITY[wood.kind === "word" ? wood.of : ""] ?? 0.35;
  const hold = (n: number, wall: number) =>
    2 * n * screwWithdrawal(gravity, SCREW.diameter, Math.max(0, SCREW.length - wall / 1e6), "end");
  const blanks = shape.parts.filter((p) => p.role === "side" || p.role === "end");
  const first = (role: string) => blanks.find((p) => p.role === role)!.size.l;
  const cuts = blanks.flatMap((p) => p.features.map((f) => ({ ...f, pieces: p.places.length })));
  const steps = stepsOf(shape, "in");
  const minutes = cuts.reduce((sum, f) => sum + f.each * f.pieces, 0) + steps.reduce((sum, s) => sum + s.each, 0);
  return {
    id: choice.id,
    label: choice.label,
    note: choice.note ?? "",
    side: first("side"),
    end: first("end"),
    fasteners: 4 * corner,
    glue: area("glueFace") + area("glueEnd") / 4,
    holdsSide: hold(through, lengthOf(shape, "thickness")),
    holdsEnd: hold(corner - through, lengthOf(shape, "endThickness")),
    minutes,
    wood: blanks.reduce((s, p) => s + (p.cut.l * p.cut.w * p.places.length) / 1e16, 0),
  };
}
