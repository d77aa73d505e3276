import type { Part, Place } from "./part";
import { type Shape } from "./shape";
import { type Polygon, type Range, rectangle } from "@/core/solid/plane";
import { type Axis, AXES, acrossAxes, sectionOf, silhouette, woodAlong } from "@/core/solid/solid";

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

/** A leaning part's (w, t) turned about its own corner, still along its own axes before leaning. */
function leant(place: Place, [w, t]: [number, number]): [number, number] {
  const [c, s] = [Math.cos(place.lean ?? 0), Math.sin(place.lean ?? 0)];
  return [Math.round(w * c - t * s), Math.round(w * s + t * c)];
}
function upright(place: Place, [w, t]: [number, number]): [number, number] {
  const [c, s] = [Math.cos(place.lean ?? 0), Math.sin(place.lean ?? 0)];
  return [Math.round(w * c + t * s), Math.round(t * c - w * s)];
}

/** The box a placed part fills, before its features; a leaning part's own outline is what counts. */
export function placedBox(part: Part, place: Place): Record<ItemAxis, Range> {
  const box = {} as Record<ItemAxis, Range>;
  const corners = place.lean
    ? silhouette(part.size, bitesOf(part), "l")
        .flat(2)
        .map((p) => leant(place, p))
    : [0, part.size.w].flatMap((w) => [0, part.size.t].map((t): [number, number] => [w, t]));
  const spans: Record<Axis, number[]> = {
    l: [0, part.size.l],
    w: corners.map((c) => c[0]),
    t: corners.map((c) => c[1]),
  };
  for (const a of AXES) {
    const ends = spans[a].map((v) => toItem(place, a, v));
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
      if (place.lean) {
        found.push(...probeLeaning(part, place, axis, at, local));
        continue;
      }
      for (const [a, b] of woodAlong(part.size, bitesOf(part), localAxis(place, axis), local)) {
        const ends = [toItem(place, localAxis(place, axis), a), toItem(place, localAxis(place, axis), b)];
        found.push({ from: Math.min(...ends), to: Math.max(...ends), part });
      }
    }
  return found.sort((p, q) => p.from - q.from);
}

/** As `probe`, for a part that leans about its own length: along it by turning the line back, otherwise on its section. */
function probeLeaning(part: Part, place: Place, axis: ItemAxis, at: At, local: Record<Axis, number>): Stretch[] {
  if (localAxis(place, axis) === "l") {
    const [w, t] = upright(place, [local.w, local.t]);
    return woodAlong(part.size, bitesOf(part), "l", { l: 0, w, t }).map(([a, b]) => {
      const ends = [toItem(place, "l", a), toItem(place, "l", b)];
      return { from: Math.min(...ends), to: Math.max(...ends), part };
    });
  }
  const across = itemAxis(place, "l");
  const rings = turn(sectionOf(part.size, bitesOf(part), "l", local.l), place, across).flat();
  const [run, level] = PLANE[across][0] === axis ? ([0, 1] as const) : ([1, 0] as const);
  const height = at[PLANE[across][level]];
  const hits = rings
    .flatMap((ring) =>
      ring.flatMap((p, i) => {
        const q = ring[(i + 1) % ring.length]!;
        if (p[level] > height === q[level] > height) return [];
        return [Math.round(p[run] + ((height - p[level]) / (q[level] - p[level])) * (q[run] - p[run]))];
      }),
    )
    .sort((a, b) => a - b);
  return hits.flatMap((h, i) => (i % 2 === 0 && i + 1 < hits.length ? [{ from: h, to: hits[i + 1]!, part }] : []));
}

/** The drawing plane across an axis: which item axis runs right and which up. */
export const PLANE: Record<ItemAxis, [right: ItemAxis, up: ItemAxis]> = { x: ["y", "z"], y: ["x", "z"], z: ["x", "y"] };

/** What a drawing shows of it. */
const seen = ({ parts, bought }: Shape): Part[] => [...parts, ...bought];

/** A cut through the item across `axis` at `at`, with the outlines of what stands behind it (towards higher values). */
export function section(shape: Shape, axis: ItemAxis, at: number): Outline[] {
  return seen(shape).flatMap((part) =>
    part.places.flatMap((place): Outline[] => {
      const a = localAxis(place, axis);
      if (place.lean && a !== "l") return [boxOutline(part, place, axis)];
      const local = toLocal(place, axis, at);
      const rings = sectionOf(part.size, bitesOf(part), a, local);
      if (rings.length > 0)
        return [{ part, rings: turn(rings, place, axis), grain: a === "l" ? "end" : "long", cut: true }];
      if (placedBox(part, place)[axis][0] < at) return [];
      return [{ part, rings: turn(silhouette(part.size, bitesOf(part), a), place, axis), grain: "long", cut: false }];
    }),
  );
}

/** Outlines of every part seen along an axis, the farthest first: from the front, from the right, from above. */
export function view(shape: Shape, axis: ItemAxis): Outline[] {
  const nearness = (part: Part, place: Place) => {
    const [from, to] = placedBox(part, place)[axis];
    return axis === "y" ? -(from + to) : from + to;
  };
  return seen(shape)
    .flatMap((part) => part.places.map((place) => ({ part, place, near: nearness(part, place) })))
    .sort((a, b) => a.near - b.near)
    .map(({ part, place }): Outline => {
      const a = localAxis(place, axis);
      if (place.lean && a !== "l") return boxOutline(part, place, axis);
      const rings = turn(silhouette(part.size, bitesOf(part), a), place, axis);
      return { part, rings, grain: a === "l" ? "end" : "long", cut: false };
    });
}

/** A leaning part seen from the side: the box it fills. */
function boxOutline(part: Part, place: Place, axis: ItemAxis): Outline {
  const box = placedBox(part, place);
  const [right, up] = PLANE[axis];
  return { part, rings: [[rectangle(box[right], box[up])]], grain: "long", cut: false };
}

/** From a part's plane to the item's: each ring's points as (right, up). */
function turn(rings: Polygon[][], place: Place, axis: ItemAxis): Polygon[][] {
  const [p, q] = acrossAxes(localAxis(place, axis));
  const pIsRight = itemAxis(place, p) === PLANE[axis][0];
  return rings.map((ring) =>
    ring.map((line) =>
      line.map((point) => {
        const [a, b] = place.lean ? leant(place, point) : point;
        return pIsRight ? [toItem(place, p, a), toItem(place, q, b)] : [toItem(place, q, b), toItem(place, p, a)];
      }),
    ),
  );
}
