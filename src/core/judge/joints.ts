import { type Shape, shapeItem, isUnmakeable } from "@/core/shape/shape";
import { toNumber } from "@/core/formula/formula";
import type { Length, Units } from "@/core/length/length";
import { stepsOf } from "@/core/shape/steps";
import { gravityOf, screwShear, screwWithdrawal } from "./strength";

/** A corner joint of a line, judged: figures to compare by, for one box and for all that are asked. */
export interface JointJudged {
  id: string;
  label: string;
  note: string;
  /** Cut sizes, as they come out with this joint. */
  side: Length;
  end: Length;
  /** What is taken for one box, by its name. */
  screws: { what: string; count: number }[];
  /** cm²; end grain counts a quarter [mem]. */
  glue: number;
  /**
   * What pulls a side, or an end, off outwards, N: withdrawal of the screws that go in that way and shear of those that cross it. Null
   * where the joint interlocks: glue and wood hold it, not its few fasteners.
   */
  holdsSide: number | null;
  holdsEnd: number | null;
  /** Setting up once, and then each box. */
  setup: number;
  each: number;
  /** For all boxes asked. */
  minutes: number;
  /** Wood in the blanks of all boxes asked, m², and what it costs at the job's cheapest board; null without a price. */
  wood: number;
  money: number | null;
}

/** Joints whose parts hold each other. */
const INTERLOCKED = ["finger", "dovetail"];

/**
 * Every corner joint a box's recipe knows, worked out in the same box: what it takes and what it holds, one and so many. Withdrawal is into end
 * grain, as at every corner of a box; shear is that of a wood screw across the grain (Wood Handbook, fastenings, from memory).
 * `perArea` is what a square nanometre of board costs.
 */
export function compareJoints(
  { recipe, standard, size, options: asked }: Shape,
  quantity: number,
  units: Units,
  perArea: number | null = null,
): JointJudged[] {
  const joints = recipe.parameters.find((p) => p.name === "joint");
  if (joints?.kind !== "choice") return [];
  return joints.choices.flatMap((choice) => {
    const { lap: _lap, ...options } = asked;
    try {
      const shape = shapeItem(recipe, standard, size, { ...options, joint: choice.id }, units);
      return [judge(shape, choice, quantity, units, perArea)];
    } catch (e) {
      if (isUnmakeable(e)) return [];
      throw e;
    }
  });
}

function judge(
  shape: Shape,
  choice: { id: string; label: string; note?: string },
  quantity: number,
  units: Units,
  perArea: number | null,
): JointJudged {
  const area = (name: string) => {
    const v = shape.scope.working(name).value;
    return v.kind === "amount" ? v.of.valueOf() / 1e14 : 0;
  };
  const gravity = gravityOf(shape);
  const steps = stepsOf(shape, units);
  const glued = steps.find((s) => s.joins.some((p) => p.role === "side"));
  const screws = (glued?.uses ?? []).flatMap((u) => (u.screw && u.quantity > 0 ? [{ ...u, screw: u.screw }] : []));
  // A wall has two corners, each with half of a corner's four; the first use goes in through the side, the other through the end.
  const through = (name: "throughSide" | "throughEnd") => {
    const n = toNumber(shape.scope.working(name).value, name);
    const use = name === "throughSide" ? screws[0] : screws.at(-1);
    return n === 0 || !use ? { n: 0, d: 0, grip: 0 } : { n: 2 * n, d: use.screw.diameter, grip: use.screw.grip / 1e6 };
  };
  const [bySide, byEnd] = [through("throughSide"), through("throughEnd")];
  const pull = (s: typeof bySide) => s.n * screwWithdrawal(gravity, s.d, s.grip, "end");
  const shear = (s: typeof bySide) => s.n * screwShear(gravity, s.d);
  const blanks = shape.parts.filter((p) => p.role === "side" || p.role === "end");
  const first = (role: string) => blanks.find((p) => p.role === role)!.size.l;
  const cuts = blanks.flatMap((p) => p.features.map((f) => ({ ...f, pieces: p.places.length })));
  const setup = new Map(cuts.map((f) => [JSON.stringify([f.kind, f.settings]), f.setup]));
  const each = sum(cuts.map((f) => f.each * f.pieces)) + sum(steps.map((s) => s.each));
  const area1 = sum(blanks.map((p) => p.cut.l * p.cut.w * p.places.length));
  const interlocked = INTERLOCKED.includes(choice.id);
  const setups = sum([...setup.values()]) + sum(steps.map((s) => s.setup));
  return {
    id: choice.id,
    label: choice.label,
    note: choice.note ?? "",
    side: first("side"),
    end: first("end"),
    screws: screws.map((u) => ({ what: u.what, count: u.quantity })),
    glue: area("glueFace") + area("glueEnd") / 4,
    holdsSide: interlocked ? null : pull(bySide) + shear(byEnd),
    holdsEnd: interlocked ? null : pull(byEnd) + shear(bySide),
    setup: setups,
    each,
    minutes: setups + each * quantity,
    wood: (area1 * quantity) / 1e18,
    money: perArea === null ? null : area1 * quantity * perArea,
  };
}

const sum = (list: number[]) => list.reduce((a, b) => a + b, 0);
