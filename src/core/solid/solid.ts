import { cutOut, type Point, type Polygon, type Range, rectangle } from "./plane";

/**
 * Solids in a part's own axes (l along the grain, w down the face, t into the wood), in nm: a blank less what its
 * features take away. What a feature takes is a box, or a polygon drawn out along one axis.
 */
export type Axis = "l" | "w" | "t";
export interface Box {
  l: Range;
  w: Range;
  t: Range;
}
export interface Prism {
  /** The axis it is drawn out along; the polygon lies in the other two, in the order l, w, t. */
  axis: Axis;
  range: Range;
  polygon: Polygon;
}
export type Bite = { box: Box } | { prism: Prism };

export const AXES: Axis[] = ["l", "w", "t"];

/** The two axes a plane across `axis` shows, in the order l, w, t. */
export function acrossAxes(axis: Axis): [Axis, Axis] {
  return AXES.filter((a) => a !== axis) as [Axis, Axis];
}

/** The box around a bite. */
export function extent(bite: Bite): Box {
  if ("box" in bite) return bite.box;
  const { axis, range, polygon } = bite.prism;
  const [a, b] = acrossAxes(axis);
  const span = (i: 0 | 1): Range => [Math.min(...polygon.map((p) => p[i])), Math.max(...polygon.map((p) => p[i]))];
  return { [axis]: range, [a]: span(0), [b]: span(1) } as unknown as Box;
}

/** Where a line along `axis` runs through a bite; `at` gives the line's place on the other two axes. */
function along(bite: Bite, axis: Axis, at: Record<Axis, number>): Range[] {
  const box = extent(bite);
  for (const a of AXES) if (a !== axis && !(box[a][0] < at[a] && at[a] < box[a][1])) return [];
  if ("box" in bite) return [box[axis]];
  const { prism } = bite;
  const [a, b] = acrossAxes(prism.axis);
  if (axis === prism.axis) return inside([at[a], at[b]], prism.polygon) ? [prism.range] : [];
  const fixed = axis === a ? b : a;
  const [run, level] = axis === a ? ([0, 1] as const) : ([1, 0] as const);
  const hits: number[] = [];
  prism.polygon.forEach((p, i) => {
    const q = prism.polygon[(i + 1) % prism.polygon.length]!;
    if (p[level] > at[fixed] !== q[level] > at[fixed])
      hits.push(p[run] + ((at[fixed] - p[level]) / (q[level] - p[level])) * (q[run] - p[run]));
  });
  hits.sort((x, y) => x - y);
  return hits.flatMap((h, i) =>
    i % 2 === 0 && i + 1 < hits.length ? [[Math.round(h), Math.round(hits[i + 1]!)] as Range] : [],
  );
}

function inside([x, y]: Point, polygon: Polygon): boolean {
  let odd = false;
  polygon.forEach((p, i) => {
    const q = polygon[(i + 1) % polygon.length]!;
    if (p[1] > y !== q[1] > y && x < p[0] + ((y - p[1]) / (q[1] - p[1])) * (q[0] - p[0])) odd = !odd;
  });
  return odd;
}

/** The stretches of wood on a line along `axis` through a blank of `size` less its bites. */
export function woodAlong(size: Record<Axis, number>, bites: Bite[], axis: Axis, at: Record<Axis, number>): Range[] {
  for (const a of AXES) if (a !== axis && !(0 < at[a] && at[a] < size[a])) return [];
  return bites.reduce<Range[]>((wood, bite) => along(bite, axis, at).reduce(subtract, wood), [[0, size[axis]]]);
}

function subtract(wood: Range[], [from, to]: Range): Range[] {
  return wood.flatMap(([a, b]) => {
    const left: Range = [a, Math.min(b, from)];
    const right: Range = [Math.max(a, to), b];
    return [left, right].filter(([x, y]) => x < y);
  });
}

/** The wood in the plane across `axis` at `at`: polygons with holes, on the other two axes. */
export function sectionOf(size: Record<Axis, number>, bites: Bite[], axis: Axis, at: number): Polygon[][] {
  if (!(0 < at && at < size[axis])) return [];
  return cutOut(
    blank(size, axis),
    bites.flatMap((bite) => crossing(bite, axis, at)),
  );
}

/** The outline seen along `axis`: the blank less what goes right through. */
export function silhouette(size: Record<Axis, number>, bites: Bite[], axis: Axis): Polygon[][] {
  const through = bites.filter((b) => extent(b)[axis][0] <= 0 && extent(b)[axis][1] >= size[axis]);
  return cutOut(
    blank(size, axis),
    through.flatMap((bite) => crossing(bite, axis, size[axis] / 2)),
  );
}

/** A blank's two sizes across `axis`. */
function blank(size: Record<Axis, number>, axis: Axis): [number, number] {
  const [a, b] = acrossAxes(axis);
  return [size[a], size[b]];
}

/** What a bite takes from the plane across `axis` at `at`. */
function crossing(bite: Bite, axis: Axis, at: number): Polygon[] {
  const box = extent(bite);
  if (!(box[axis][0] < at && at < box[axis][1])) return [];
  const [a, b] = acrossAxes(axis);
  if ("box" in bite) return [rectangle(box[a], box[b])];
  const { prism } = bite;
  if (prism.axis === axis) return [prism.polygon];
  const other = a === prism.axis ? b : a;
  const middle = { l: 0, w: 0, t: 0, [axis]: at, [prism.axis]: (prism.range[0] + prism.range[1]) / 2 };
  return along(bite, other, middle).map((r) => (other === a ? rectangle(r, prism.range) : rectangle(prism.range, r)));
}
