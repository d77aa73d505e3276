import type { Part, Place } from "./part";
import { PLAIN_SIDES, type Sides } from "@/core/feature/say";
import type { Axis } from "@/core/solid/solid";

type Standing = Pick<Part, "size" | "places">;
type Side = keyof Sides;

/** Which way each side of a part looks, on its own axes. */
const LOOKS: Record<Side, { axis: Axis; sign: 1 | -1 }> = {
  reference: { axis: "t", sign: -1 },
  far: { axis: "t", sign: 1 },
  "left end": { axis: "l", sign: -1 },
  "right end": { axis: "l", sign: 1 },
  "reference edge": { axis: "w", sign: -1 },
  "other edge": { axis: "w", sign: 1 },
};
const NOUN: Record<Side, string> = {
  reference: "face",
  far: "face",
  "left end": "end",
  "right end": "end",
  "reference edge": "edge",
  "other edge": "edge",
};

/**
 * Names the sides of every part as the made item has them: upper and lower where they look up and down, outside and inside
 * where they look away from the item's middle or towards it. A side that does not look the same way in all the part's places
 * keeps its plain name. Ends that lie level are left and right, as seen on the reference face.
 */
export function withSides<P extends Standing>(parts: P[]): (P & { sides: Sides })[] {
  const middle = middleOf(parts);
  return parts.map((part) => {
    const sides = { ...PLAIN_SIDES };
    for (const side of Object.keys(LOOKS) as Side[]) {
      const words = new Set(part.places.map((place) => lookOf(place, part.size, side, middle)));
      const [word] = words;
      if (words.size === 1 && word !== undefined) sides[side] = `${word} ${NOUN[side]}`;
    }
    return { ...part, sides };
  });
}

function middleOf(parts: Standing[]): Record<"x" | "y" | "z", number> {
  const middle = { x: 0, y: 0, z: 0 };
  for (const item of ["x", "y", "z"] as const) {
    const ends = parts.flatMap((p) => p.places.flatMap((place) => spanOf(place, p.size, item)));
    middle[item] = (Math.min(...ends) + Math.max(...ends)) / 2;
  }
  return middle;
}

function spanOf(place: Place, size: Record<Axis, number>, item: "x" | "y" | "z"): [number, number] {
  const axis = (["l", "w", "t"] as const).find((a) => place.dir[a][1] === item)!;
  const to = place.at[item] + (place.dir[axis][0] === "+" ? 1 : -1) * size[axis];
  return [place.at[item], to];
}

function lookOf(
  place: Place,
  size: Record<Axis, number>,
  side: Side,
  middle: Record<"x" | "y" | "z", number>,
): string | undefined {
  const { axis, sign } = LOOKS[side];
  const item = place.dir[axis][1] as "x" | "y" | "z";
  const way = (place.dir[axis][0] === "+" ? 1 : -1) * sign;
  if (item === "z") return way > 0 ? "upper" : "lower";
  if (axis === "l") return undefined;
  const [from, to] = spanOf(place, size, item);
  // A part that stands across the item's middle has no outside.
  if ((Math.min(from, to) - middle[item]) * (Math.max(from, to) - middle[item]) < 0) return undefined;
  const away = Math.sign((from + to) / 2 - middle[item]);
  return way === away ? "outside" : "inside";
}
