import { type Part, type Place, type Shape } from "./shape";
import { type Axis, AXES, type Polygon, type Range, acrossAxes, sectionOf, silhouette, woodAlong } from "./solid";

/**
 * The assembled item in space: x along the frames, y across, z up, in nm. Everything drawn or judged is read from
 * here, never typed twice.
 */
export type ItemAxis = "x" | "y" | "z";
export type At = { x: number; y: number; z: number };
export const ITEM_AXES: ItemAxis[] = ["x", "y", "z"];

export interface Stretch {
  from: number;
  to: number;
  part: Part;
}

/** An outline in a drawing plane: polygons with holes, horizontal then vertical axis. */
export interface Outline {
  part: Part;
  rings: Polygon[][];
  /** How a cut shows the grain: across the fibres, or along them. */
  grain: "end" | "long";
  /** Cut through, or seen behind the cut. */
  cut: boolean;
}

const itemAxis = (place: Place, a: Axis) => place.dir[a][1] as ItemAxis;
const sign = (place: Place, a: Axis) => (place.dir[a][0] === "+" ? 1 : -1);
const localAxis = (place: Place, axis: ItemAxis) => AXES.find((a) => itemAxis(place, a) === axis)!;

function toLocal(place: Place, axis: ItemAxis, value: number): number {
  return (value - place.at[axis]) * sign(place, localAxis(place, axis));
}
function toItem(place: Place, a: Axis, value: number): number {
  return place.at[itemAxis(place, a)] + sign(place, a) * value;
}

export const bitesOf = (part: Part) => part.features.flatMap((f) => f.bites);

/** The box a placed part fills, before its features. */
export function placedBox(part: Part, place: Place): Record<ItemAxis, Range> {
  const box = {} as Record<ItemAxis, Range>;
  for (const a of AXES) {
    const ends = [toItem(place, a, 0), toItem(place, a, part.size[a])];
    box[itemAxis(place, a)] = [Math.min(...ends), Math.max(...ends)];
  }
  return box;
}

/** How far the item reaches along an axis, of the parts in `roles` (all when none are named). */
export function reach(shape: Shape, axis: ItemAxis, ...roles: string[]): Range {
  const ranges = shape.parts
    .filter((p) => roles.length === 0 || roles.includes(p.role))
    .flatMap((p) => p.places.map((pl) => placedBox(p, pl)[axis]));
  return [Math.min(...ranges.map((r) => r[0])), Math.max(...ranges.map((r) => r[1]))];
}

/** The wood met by a straight line along `axis` through `at`, in order: how every clearance is measured. */
export function probe(shape: Shape, axis: ItemAxis, at: At): Stretch[] {
  const found: Stretch[] = [];
  for (const part of shape.parts)
    for (const place of part.places) {
      const local = { l: 0, w: 0, t: 0 };
      for (const i of ITEM_AXES) local[localAxis(place, i)] = toLocal(place, i, at[i]);
      for (const [a, b] of woodAlong(part.size, bitesOf(part), localAxis(place, axis), local)) {
        const ends = [toItem(place, localAxis(place, axis), a), toItem(place, localAxis(place, axis), b)];
        found.push({ from: Math.min(...ends), to: Math.max(...ends), part });
      }
    }
  return found.sort((p, q) => p.from - q.from);
}

/** The drawing plane across an axis: which item axis runs right and which up. */
export const PLANE: Record<ItemAxis, [right: ItemAxis, up: ItemAxis]> = { x: ["y", "z"], y: ["x", "z"], z: ["x", "y"] };

/** A cut through the item across `axis` at `at`, with the outlines of what stands behind it (towards higher values). */
export function section(shape: Shape, axis: ItemAxis, at: number): Outline[] {
  return shape.parts.flatMap((part) =>
    part.places.flatMap((place): Outline[] => {
      const a = localAxis(place, axis);
      const local = toLocal(place, axis, at);
      const rings = sectionOf(part.size, bitesOf(part), a, local);
      if (rings.length > 0)
        return [{ part, rings: turn(rings, place, axis), grain: a === "l" ? "end" : "long", cut: true }];
      if (placedBox(part, place)[axis][0] < at) return [];
      return [{ part, rings: turn(silhouette(part.size, bitesOf(part), a), place, axis), grain: "long", cut: false }];
    }),
  );
}

/** Outlines of every part seen along an axis. */
export function view(shape: Shape, axis: ItemAxis): Outline[] {
  return shape.parts.flatMap((part) =>
    part.places.map((place): Outline => {
      const a = localAxis(place, axis);
      return {
        part,
        rings: turn(silhouette(part.size, bitesOf(part), a), place, axis),
        grain: a === "l" ? "end" : "long",
        cut: false,
      };
    }),
  );
}

/** From a part's plane to the item's: each ring's points as (right, up). */
function turn(rings: Polygon[][], place: Place, axis: ItemAxis): Polygon[][] {
  const [p, q] = acrossAxes(localAxis(place, axis));
  const pIsRight = itemAxis(place, p) === PLANE[axis][0];
  return rings.map((ring) =>
    ring.map((line) =>
      line.map(([a, b]) =>
        pIsRight ? [toItem(place, p, a), toItem(place, q, b)] : [toItem(place, q, b), toItem(place, p, a)],
      ),
    ),
  );
}
