import { lengthText } from "@/core/length/format";
import { inch, type Length, mm, nm, type Units } from "@/core/length/length";

/** A screw for two pieces of wood, and how well it holds them. */
export interface Screw {
  /** As it is bought: `no. 8 × 2`, `4.5 × 50`. */
  size: string;
  length: Length;
  /** mm. */
  diameter: number;
  /** What is in the holding piece, and what is wanted there. */
  grip: Length;
  wants: Length;
  /** The least length that would do, when this one does not. */
  needs?: Length;
}

/** Lengths a shop can buy. */
const LENGTHS: Record<Units, Length[]> = {
  in: [
    inch(0, 1, 2),
    inch(0, 3, 4),
    inch(1),
    inch(1, 1, 4),
    inch(1, 5, 8),
    inch(2),
    inch(2, 1, 4),
    inch(2, 1, 2),
    inch(3),
    inch(3, 1, 2),
    inch(4),
  ],
  mm: [mm(12), mm(16), mm(20), mm(25), mm(30), mm(35), mm(40), mm(45), mm(50), mm(60), mm(70), mm(80), mm(90), mm(100)],
};
/** Gauge by the stock, with its diameter in mm where screws are sold so [trade]. */
const GAUGES: { upTo: Length; no: number; mm: string; shank: number }[] = [
  { upTo: inch(0, 1, 2), no: 6, mm: "3.5", shank: 3.5 },
  { upTo: inch(0, 7, 8), no: 8, mm: "4.5", shank: 4.17 },
  { upTo: nm(Number.MAX_SAFE_INTEGER), no: 10, mm: "5", shank: 4.83 },
];
/** Its tip stays so far inside the far face: an eighth of an inch, by any tape. */
const TIP = mm(3);

/**
 * The screw that goes through one piece and holds in another (handbook 05 [trade]): about three times the near piece, so that two
 * thirds of it hold; in side grain an inch at most is wanted and 1.6 times the near piece at least, in end grain 1 1/2" and
 * twice; the tip inside the far face. A light one, glued as well or carrying next to nothing, only draws the pieces together [mem]. Of the lengths that hold and stay inside, the nearest to that; otherwise the longest
 * that stays inside, with the length that would do.
 */
export function chooseScrew(through: Length, into: Length, grain: "side" | "end", units: Units, light = false): Screw {
  const wants = nm(
    Math.round(
      light
        ? Math.min(inch(0, 3, 8), through)
        : grain === "side"
          ? Math.min(inch(1), 1.6 * through)
          : Math.min(inch(1, 1, 2), 2 * through),
    ),
  );
  const aim = (grain === "side" ? 2.6 : 3) * through;
  const inside = LENGTHS[units].filter((l) => l <= through + into - TIP);
  const holds = inside.filter((l) => l - through >= wants);
  const near = (list: Length[]) => list.toSorted((a, b) => Math.abs(a - aim) - Math.abs(b - aim))[0];
  const length = near(holds) ?? inside.at(-1) ?? LENGTHS[units][0]!;
  const gauge = GAUGES.find((g) => through <= g.upTo)!;
  const needs = LENGTHS[units].find((l) => l - through >= wants);
  return {
    size:
      units === "in" ? `no. ${gauge.no} × ${lengthText(length, "in")}` : `${gauge.mm} × ${lengthText(length, "mm")}`,
    length,
    diameter: units === "in" ? gauge.shank : Number(gauge.mm),
    grip: nm(Math.max(0, length - through)),
    wants,
    ...(holds.length === 0 && needs !== undefined ? { needs } : {}),
  };
}
