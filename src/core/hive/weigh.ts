import type { Part } from "@/core/shape/part";
import { inch, type Length, nm, type Units } from "@/core/length/length";
import { gravityOf } from "@/core/judge/strength";
import { lengthOf, type Shape } from "@/core/shape/shape";
import { bitesOf } from "@/core/shape/assembly";
import type { Polygon } from "@/core/solid/plane";
import type { Bite } from "@/core/solid/solid";
import { type Standing, chainOf, heightOf } from "@/core/line/standing";

/** kg/m³, from memory. */
const DENSITY: Record<Exclude<Part["material"], "wood">, number> = {
  ply: 600,
  mesh: 900,
  metal: 2700,
  foam: 25,
  plastic: 950,
};
/** Honey, kg a litre (handbook 10). */
export const HONEY = 1.42;

/** Wood at 12 %: about G × 1.12 × 1000 kg/m³ (handbook 06). */
const woodDensity = (shape: Shape) => gravityOf(shape) * 1120;

/** What the wood (and the rest) of an item weighs, kg. */
export function emptyWeight(shape: Shape): number {
  const density = { wood: woodDensity(shape), ...DENSITY };
  return shape.parts.reduce((sum, p) => sum + volumeOf(p) * p.places.length * density[p.material], 0);
}

/** m³ of a part: its blank, less what its cuts take. */
export function volumeOf(part: Part): number {
  const { l, w, t } = part.size;
  const taken = bitesOf(part).reduce((sum, b) => sum + biteVolume(b, part.size), 0);
  return Math.max(0, l * w * t - taken) / 1e27;
}

function biteVolume(bite: Bite, size: Part["size"]): number {
  const span = ([a, b]: [number, number], most: number) => Math.max(0, Math.min(b, most) - Math.max(a, 0));
  if ("box" in bite) return span(bite.box.l, size.l) * span(bite.box.w, size.w) * span(bite.box.t, size.t);
  return areaOf(bite.prism.polygon) * span(bite.prism.range, size[bite.prism.axis]);
}

const areaOf = (p: Polygon) =>
  Math.abs(p.reduce((sum, [x, y], i) => sum + x * p[(i + 1) % p.length]![1] - p[(i + 1) % p.length]![0] * y, 0)) / 2;

export interface Weights {
  /** nm. */
  height: number;
  litres: number;
  emptyKg: number;
  /** With its combs full of honey to `fill`. */
  fullKg: number;
  /** The same, level by level. */
  levels: { at: number; emptyKg: number; fullKg: number; /** One frame of it. */ frameKg: number }[];
}

/**
 * What a stack weighs: wood by its geometry, frames, and honey = opening × comb thickness × 1.42 kg/l × fill for each
 * frame (handbook 10). Boxes measured in count with their honey only when frames are known, so not at all.
 */
export function weigh(standing: Standing[], fill = 1, honeyKgPerL = HONEY): Weights {
  const levels = standing.map((s) => {
    const wood = s.shape ? emptyWeight(s.shape) : 0;
    const frame = s.frame ? emptyWeight(s.frame) : 0;
    const honey = honeyOf(s) * honeyKgPerL * fill;
    return {
      at: s.at,
      emptyKg: wood + frame * s.frames,
      fullKg: wood + frame * s.frames + honey,
      frameKg: frame + (s.frames > 0 ? honey / s.frames : 0),
    };
  });
  const sum = (pick: (l: (typeof levels)[number]) => number) => levels.reduce((a, l) => a + pick(l), 0);
  const litres = chainOf(standing).reduce(
    (v, s) => v + (s.as === "body" && s.inside ? (s.inside.length * s.inside.width * s.height) / 1e24 : 0),
    0,
  );
  return { height: heightOf(standing), litres, emptyKg: sum((l) => l.emptyKg), fullKg: sum((l) => l.fullKg), levels };
}

/** What a comb fills: its frame's opening; one that hangs free from its bar the box below the bar, wall to wall. Undefined without either. */
export function openingOf(frame: Shape, box?: Standing): { length: Length; height: Length; free: boolean } | undefined {
  if (frame.scope.has("openingLength") && frame.scope.has("openingHeight"))
    return { length: lengthOf(frame, "openingLength"), height: lengthOf(frame, "openingHeight"), free: false };
  if (!box?.inside) return undefined;
  const bar = frame.scope.has("topBarThickness") ? lengthOf(frame, "topBarThickness") : 0;
  return { length: box.inside.length, height: nm(Math.max(0, box.height - box.over - bar)), free: true };
}

/** Litres of comb in an opening. */
export const combLitres = (frame: Shape, opening: { length: Length; height: Length }): number =>
  (opening.length * opening.height * ((frame.scope.has("combThickness") ? lengthOf(frame, "combThickness") : 0) || FREE_COMB)) / 1e24; // prettier-ignore

const honeyOf = (s: Standing): number => {
  const opening = s.frame && openingOf(s.frame, s);
  return opening ? combLitres(s.frame!, opening) * s.frames : 0;
};
/** A comb at 1 3/8 pitch (handbook 10). */
const FREE_COMB = inch(1);

/** What is heaviest to lift with its combs full: a box, or of a box that stays where it stands a frame; undefined where neither is. */
export function heaviest(
  levels: Weights["levels"],
  standing: Standing[],
): { at: number; title: string; kg: number } | undefined {
  const lifts = levels.flatMap((l) => {
    const box = standing.find((s) => s.at === l.at && s.as === "body");
    if (!box) return [];
    return [
      {
        at: l.at,
        ...(box.stays ? { title: `a frame of ${box.title}`, kg: l.frameKg } : { title: box.title, kg: l.fullKg }),
      },
    ];
  });
  // Of two alike the lower is the worse lift.
  return lifts.toSorted((a, b) => b.kg - a.kg || a.at - b.at)[0];
}

/** A weight as it is said in a shop of inches, in pounds of 0.45359237 kg, or of millimetres. */
export const weightText = (kg: number, units: Units): string =>
  units === "in" ? `${(kg / 0.45359237).toFixed(0)} lb` : `${kg.toFixed(1)} kg`;
