import { type Shape, shapeItem, isUnmakeable } from "@/core/shape/shape";
import { fitFrame } from "./frame";
import { DEFAULT_BANDS } from "./bands";
import type { Finding } from "./finding";
import { frameCount, measureBody, measureFrame } from "@/core/shape/measure";
import type { Length, Units } from "@/core/length/length";
import { recipeFor, RECIPES } from "@/core/recipes";
import { amount, lengthValue, type Value } from "@/core/formula/formula";
import { parseLength } from "@/core/length/parse";
import type { Mark, Standard } from "@/core/standards/standard";
import { STANDARD_NAMES } from "@/core/standards/words";

/** One value of two standards, side by side; undefined where a standard does not give it. */
export interface ComparedValue {
  name: string;
  label: string;
  a?: { value: Value; mark: Mark };
  b?: { value: Value; mark: Mark };
  /** b less a, when both are lengths. */
  by?: Length;
}

/** Whether one standard's frame goes in the other's box, with every reason. */
export interface Interchange {
  frame: Standard;
  box: Standard;
  answer: "fits" | "with care" | "no" | "nothing to try";
  findings: Finding[];
}

export interface Comparison {
  values: ComparedValue[];
  interchange: Interchange[];
}

/** Compares two standards in one size each: their numbers, and what interchanges and why not. */
export function compareStandards(a: Standard, sizeA: string, b: Standard, sizeB: string, units: Units): Comparison {
  const read = (s: Standard, size: string, name: string) => {
    const v = s.sizes[size]?.values[name] ?? s.values[name];
    if (!v) return undefined;
    const value = typeof v.value === "number" ? amount(v.value) : lengthValue(parseLength(v.value, s.units));
    return { value, mark: v.mark };
  };
  const names = Object.keys(STANDARD_NAMES).filter((n) => read(a, sizeA, n) ?? read(b, sizeB, n));
  const values = names.map((name): ComparedValue => {
    const [x, y] = [read(a, sizeA, name), read(b, sizeB, name)];
    const lengths = x?.value.kind === "amount" && y?.value.kind === "amount" && x.value.dim === 1 && y.value.dim === 1;
    return {
      name,
      label: STANDARD_NAMES[name]!,
      a: x,
      b: y,
      ...(lengths ? { by: (amountOf(y.value) - amountOf(x.value)) as Length } : {}),
    };
  });
  return { values, interchange: [tryIn(a, sizeA, b, sizeB, units), tryIn(b, sizeB, a, sizeA, units)] };
}

const amountOf = (v: Value) => (v.kind === "amount" ? Number(v.of.round().valueOf()) : 0);

/** Hangs the frame of one standard in the body of the other and asks every fit rule. */
function tryIn(frame: Standard, frameSize: string, box: Standard, boxSize: string, units: Units): Interchange {
  const f = usual(frame.hangs ?? "frame", frame, frameSize);
  const body = RECIPES.filter((r) => r.kind === "body").map((r) => r.id);
  const b = ["body", ...body].flatMap((id) => usual(id, box, boxSize) ?? [])[0];
  if (!f || f.recipe.kind !== "frame" || !b) return { frame, box, answer: "nothing to try", findings: [] };
  const findings = fitFrame(measureFrame(f), measureBody(b), frameCount(b), box.beeSpace, {
    line: 0,
    units,
    bands: DEFAULT_BANDS,
  })
    // How many of another standard's frames go across is a question of its own pitch and count.
    .filter((x) => x.rule !== "side-play");
  const worst = findings.some((x) => x.state === "stop")
    ? "no"
    : findings.some((x) => x.state === "care")
      ? "with care"
      : "fits";
  return { frame, box, answer: worst, findings };
}

function usual(item: string, standard: Standard, size: string): Shape | undefined {
  const recipe = recipeFor(item, standard);
  try {
    return recipe && shapeItem(recipe, standard, size, {});
  } catch (e) {
    if (isUnmakeable(e)) return undefined;
    throw e;
  }
}
