import { lengthText } from "@/core/length/format";
import { inch, type Length, nm, type Units } from "@/core/length/length";
import type { Standing } from "@/core/line/standing";
import { frameOf } from "@/core/line/shapes";
import { toCount } from "@/core/formula/formula";
import { lengthOf, type Shape } from "@/core/shape/shape";

/** What baskets take, bar and height; the height decides. [mem] */
const BASKETS = [
  { name: "a common basket", bar: inch(20), height: inch(9, 1, 2) },
  { name: "a Dadant basket", bar: inch(20), height: inch(12, 1, 4) },
];

/** Which extractor a frame goes into; one without sides is not spun. */
export function extractorFor(frame: Shape, free: boolean): string {
  if (free) return "none: a comb without a frame is cut and drained";
  const { topBarLength, frameHeight } = frameOf(frame);
  return BASKETS.find((b) => topBarLength <= b.bar && frameHeight <= b.height)?.name ?? "none: crush and drain";
}

/** Which sheets a frame takes. */
export function sheetFor(frame: Shape, units: Units): string | null {
  const { scope } = frame;
  const kind = scope.has("foundation") ? scope.working("foundation").value : undefined;
  if (kind?.kind === "word" && kind.of === "none") return "a starter strip";
  if (!scope.has("sheets") || !scope.has("foundationHeight")) return null;
  const count = toCount(scope.working("sheets").value, "sheets");
  const size = `${lengthText(lengthOf(frame, "foundationLength"), units)} × ${lengthText(lengthOf(frame, "foundationHeight"), units)}`;
  return count === 1 ? size : `${count} sheets, the larger ${size}`;
} // prettier-ignore

/** What a cluster climbs over where one box's combs end and the next one's begin. */
export interface Climb {
  gap: Length;
  /** Bottom bar above, the gap between the frames and top bar below. */
  parts: [bottomBar: Length, between: Length, topBar: Length];
}

/** All that lies across a cluster's way up a stack, from the lowest box on. */
export function climbs(standing: Standing[]): Climb[] {
  const boxes = standing.filter((s) => s.as === "body" && s.frame && !s.stays).toSorted((a, b) => a.foot - b.foot);
  const bar = (s: Standing, name: string) => (s.frame!.scope.has(name) ? lengthOf(s.frame!, name) : nm(0));
  return boxes.slice(1).map((above, i) => {
    const below = boxes[i]!;
    const parts: Climb["parts"] = [bar(above, "bottomBarThickness"), nm(above.under + below.over), bar(below, "topBarThickness")]; // prettier-ignore
    return { gap: nm(parts[0] + parts[1] + parts[2]), parts };
  });
}

/** A pallet 48 × 40 and a trailer's floor 96 × 60, inches. [mem] */
export const FLOORS = { pallet: [inch(48), inch(40)], trailer: [inch(96), inch(60)] } as const;

/** How many stand on a floor, all the same way round: the better of both ways. */
export function standOn(size: { length: Length; width: Length }, [long, wide]: readonly [Length, Length]): number {
  const way = (l: Length, w: Length) => Math.floor(long / l) * Math.floor(wide / w);
  return Math.max(way(size.length, size.width), way(size.width, size.length));
}
