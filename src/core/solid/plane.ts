import { difference, type Geom } from "polyclip-ts";

export type Range = [from: number, to: number];
export type Point = [number, number];
export type Polygon = Point[];
/** A rectangle along the axes. */
type Rectangle = [x: Range, y: Range];

/** A finer grid than this many cells is another's work. */
const MOST_CELLS = 20_000;

/** Right, up, left, down: turning left is the next. */
const STEPS = [[1, 0], [0, 1], [-1, 0], [0, -1]] as const; // prettier-ignore

export function rectangle(x: Range, y: Range): Polygon {
  return [
    [x[0], y[0]],
    [x[1], y[0]],
    [x[1], y[1]],
    [x[0], y[1]],
  ];
}

/** What is left of a rectangle of such a size less some polygons: polygons, each its outline and then its holes. */
export function cutOut([x, y]: [number, number], cuts: Polygon[]): Polygon[][] {
  const blank = rectangle([0, x], [0, y]);
  if (cuts.length === 0) return [[blank]];
  const rectangles = cuts.map(asRectangle);
  const whole = rectangles.every((r) => r !== undefined)
    ? withoutRectangles([[0, x], [0, y]], rectangles) // prettier-ignore
    : undefined;
  if (whole) return whole;
  const left = difference([blank] as Geom, ...cuts.map((c) => [c] as Geom)) as Polygon[][];
  return left.map((rings) => rings.map(open));
}

/** A polygon that is a rectangle along the axes, as one; undefined where it is not. */
function asRectangle(p: Polygon): Rectangle | undefined {
  const [x, y] = [0, 1].map((a) => [Math.min(...p.map((q) => q[a]!)), Math.max(...p.map((q) => q[a]!))] as Range) as [Range, Range]; // prettier-ignore
  const isCorner = (q: Point) => (q[0] === x[0] || q[0] === x[1]) && (q[1] === y[0] || q[1] === y[1]);
  const isAround = p.length === 4 && p.every((q, i) => isCorner(q) && (q[0] === p[(i + 1) % 4]![0]) !== (q[1] === p[(i + 1) % 4]![1])); // prettier-ignore
  return isAround ? [x, y] : undefined;
}

/** A ring without its first point said again at the end. */
function open(ring: Polygon): Polygon {
  const [first, last] = [ring[0]!, ring.at(-1)!];
  return ring.length > 1 && first[0] === last[0] && first[1] === last[1] ? ring.slice(0, -1) : ring;
}

/**
 * What is left of a rectangle less others: where two pieces only touch with a
 * corner they are two. Undefined where there are too many edges for a grid.
 */
function withoutRectangles(blank: Rectangle, cuts: Rectangle[]): Polygon[][] | undefined {
  const [xs, ys] = [0, 1].map((a) => {
    const [from, to] = blank[a]!;
    const edges = cuts.flatMap((c) => c[a]!).filter((v) => from < v && v < to);
    return [...new Set([from, ...edges, to])].toSorted((p, q) => p - q);
  }) as [number[], number[]];
  const [across, up] = [xs.length - 1, ys.length - 1];
  if (across * up > MOST_CELLS) return undefined;
  // Each cell between two neighbouring edges either way is all wood, or all air.
  const wood = Array.from({ length: across }, (_, i) =>
    Array.from({ length: up }, (_, j) =>
      cuts.every(([x, y]) => xs[i]! < x[0] || x[1] <= xs[i]! || ys[j]! < y[0] || y[1] <= ys[j]!),
    ),
  );
  const pieces = connected(wood);
  const out: Polygon[][] = [];
  for (const { of, ring, isOutline } of ringsAround(wood, pieces)) {
    const points = ring.map(([i, j]): [number, number] => [xs[i]!, ys[j]!]);
    const polygon = (out[of] ??= []);
    if (isOutline) polygon.unshift(points);
    else polygon.push(points);
  }
  return out;
}

/** A number for each cell of wood, the same for those that hang together by their sides. */
function connected(wood: boolean[][]): number[][] {
  const piece = wood.map((column) => column.map(() => -1));
  let next = 0;
  wood.forEach((column, i0) =>
    column.forEach((is, j0) => {
      if (!is || piece[i0]![j0] !== -1) return;
      const waiting = [[i0, j0] as const];
      for (let at = waiting.pop(); at; at = waiting.pop()) {
        const [i, j] = at;
        if (!wood[i]?.[j] || piece[i]![j] !== -1) continue;
        piece[i]![j] = next;
        for (const [di, dj] of STEPS) waiting.push([i + di, j + dj]);
      }
      next++;
    }),
  );
  return piece;
}

/** The rings between wood and air, wood on the left: outlines run counter-clockwise, x right and y up, and holes clockwise. */
function ringsAround(wood: boolean[][], piece: number[][]) {
  /** The sides of cells with air beyond, by where they start and how they run. */
  const sides = new Map<string, number>();
  wood.forEach((column, i) =>
    column.forEach((is, j) => {
      if (!is) return;
      const corners = [[i, j], [i + 1, j], [i + 1, j + 1], [i, j + 1]]; // prettier-ignore
      corners.forEach((corner, run) => {
        // Beyond the side that runs right lies the cell below: a turn to the right of how it runs.
        const [di, dj] = STEPS[(run + 3) % 4]!;
        if (!wood[i + di]?.[j + dj]) sides.set(`${corner} ${run}`, piece[i]![j]!);
      });
    }),
  );
  const rings: { of: number; ring: [number, number][]; isOutline: boolean }[] = [];
  for (const [side, of] of sides) {
    const [corner, from] = side.split(" ") as [string, string];
    let [i, j] = corner.split(",").map(Number) as [number, number];
    let run = Number(from);
    const isSide = (s: string) => s === side || sides.has(s);
    const ring: [number, number][] = [];
    let twice = 0;
    while (sides.delete(`${i},${j} ${run}`)) {
      const [di, dj] = STEPS[run]!;
      twice += i * dj - j * di;
      [i, j] = [i + di, j + dj];
      // Turning left first keeps to the same cell where two touch with a corner.
      const next = [1, 0, 3].map((turn) => (run + turn) % 4).find((r) => isSide(`${i},${j} ${r}`))!;
      if (next !== run) ring.push([i, j]);
      run = next;
    }
    rings.push({ of, ring, isOutline: twice > 0 });
  }
  return rings;
}
