import { type Length, nm } from "@/core/length/length";
import { probe, reach } from "./assembly";
import type { Part } from "./part";
import { type Shape, ShapeError, lengthOf } from "./shape";
import { toCount, toLength } from "@/core/formula/formula";

/** What the fit rules need of a body, read from its geometry: the handbook's Li Wi Lo Wo H rw rd. Lengths in nm. */
export interface BodyMeasures {
  insideLength: Length;
  insideWidth: Length;
  outsideLength: Length;
  outsideWidth: Length;
  depth: Length;
  restToRest: Length;
  restDepth: Length;
  /** How far a runner's bearing edge stands above the rabbet floor; 0 without one. */
  runnerRise: Length;
}

/** What the fit rules need of a frame: Lt Lf Hf e p. Lengths in nm. */
export interface FrameMeasures {
  topBarLength: Length;
  /** Absent when the bar has no end bars. */
  frameLength?: Length;
  frameHeight: Length;
  /** No bottom bar: the comb hangs free below. */
  openBelow?: boolean;
  earThickness: Length;
  pitch: Length;
  combThickness: Length;
}

/** @throws ShapeError when a box or a frame lacks what the fit rules measure it by. */
export function checkMeasured({ recipe, parts, scope }: Shape): void {
  const lacks =
    recipe.kind === "body"
      ? [...missingRoles(parts, "side", "end"), ...missingNames(scope, "frames")]
      : recipe.kind === "frame"
        ? [...missingRoles(parts, "top-bar"), ...missingNames(scope, "pitch", "combThickness")]
        : [];
  if (lacks.length > 0)
    throw new ShapeError(
      "kind",
      `a ${recipe.kind} is measured by ${lacks.join(" and ")}, which this has not; give it one`,
    );
}

const missingRoles = (parts: Shape["parts"], ...roles: Part["role"][]) =>
  roles.filter((r) => !parts.some((p) => p.role === r)).map((r) => `a part with the role "${r}"`);
const missingNames = (scope: Shape["scope"], ...names: string[]) =>
  names.filter((n) => !scope.has(n)).map((n) => `a value named "${n}"`);

/** The room a frame hangs in, from wall to wall along it, and where across the box and how high that was measured; nm. */
export function roomOf(shape: Shape): { x: [number, number]; at: { x: number; y: number; z: number } } {
  const [x0, x1] = reach(shape, "x", "side", "end");
  const [y0, y1] = reach(shape, "y", "side", "end");
  const [z0, z1] = reach(shape, "z", "side", "end");
  const given = shape.recipe.measuredAt;
  const at = {
    x: given ? placeOf(shape, given.x) : Math.round((x0 + x1) / 2) + 1,
    y: given ? placeOf(shape, given.y) : Math.round((y0 + y1) / 2) + 1,
    z: z0 + Math.round((z1 - z0) / 5),
  };
  const room = gapAround(walls(shape, "x", at), at.x, [x0, x1]);
  return { x: [room.from, room.to], at };
}

/** Reads a body off its geometry with straight lines through the wood, as a rule laid in the box would. */
export function measureBody(shape: Shape): BodyMeasures {
  const [x0, x1] = reach(shape, "x", "side", "end");
  const [y0, y1] = reach(shape, "y", "side", "end");
  const [z0, z1] = reach(shape, "z", "side", "end");
  const { x: lengthwise, at } = roomOf(shape);
  const crosswise = gapAround(walls(shape, "y", at), at.y, [y0, y1]);
  const atTop = gapAround(walls(shape, "x", { ...at, z: z1 - 1 }), at.x, [x0, x1]);
  const overRest = walls(shape, "z", { x: lengthwise[0] - 1, y: at.y, z: 0 });
  return {
    insideLength: nm(lengthwise[1] - lengthwise[0]),
    insideWidth: nm(crosswise.to - crosswise.from),
    outsideLength: nm(x1 - x0),
    outsideWidth: nm(y1 - y0),
    depth: nm(z1 - z0),
    restToRest: nm(atTop.to - atTop.from),
    restDepth: nm(z1 - (overRest.at(-1)?.to ?? z1)),
    runnerRise: shape.scope.has("runnerRise") ? lengthOf(shape, "runnerRise") : nm(0),
  };
}

/** What is measured against: walls and partitions, not followers or covers. */
function walls(shape: Shape, ...line: [Parameters<typeof probe>[1], Parameters<typeof probe>[2]]) {
  return probe(shape, ...line).filter((w) => ["side", "end", "rail", "partition"].includes(w.part.role));
}

const placeOf = (shape: Shape, formula: Parameters<Shape["scope"]["evaluate"]>[0]) =>
  toLength(shape.scope.evaluate(formula).value, "measuring point");

/** The room around a place between wood; where there is none, as over a rest as wide as its wall, up to the outside. */
function gapAround(
  wood: { from: number; to: number }[],
  at: number,
  [first, last]: [number, number],
): { from: number; to: number } {
  const before = wood.filter((w) => w.to <= at).at(-1);
  const after = wood.find((w) => w.from >= at);
  return { from: before?.to ?? first, to: after?.from ?? last };
}

/** Reads a frame off its geometry. */
export function measureFrame(shape: Shape): FrameMeasures {
  const [x0, x1] = reach(shape, "x", "top-bar");
  const endBars = shape.parts.some((p) => p.role === "end-bar");
  const [e0, e1] = endBars ? reach(shape, "x", "end-bar") : [0, 0];
  const [z0, z1] = reach(shape, "z");
  const [y0, y1] = reach(shape, "y", "top-bar");
  // An ear hangs on its thickest: a groove for the sheet may run out through its middle, or its edges be bevelled.
  const ear = Math.max(
    ...[1, 2].map((n) => {
      const met = probe(shape, "z", { x: x0 + 1, y: y0 + Math.round(((y1 - y0) * n) / 4) + 1, z: 0 }).at(-1);
      return met ? met.to - met.from : 0;
    }),
  );
  return {
    topBarLength: nm(x1 - x0),
    ...(endBars ? { frameLength: nm(e1 - e0) } : {}),
    openBelow: !shape.parts.some((p) => p.role === "bottom-bar"),
    frameHeight: nm(z1 - z0),
    earThickness: nm(ear),
    pitch: lengthOf(shape, "pitch"),
    combThickness: lengthOf(shape, "combThickness"),
  };
}

/** Frames a body is meant to hold. */
export function frameCount(body: Shape): number {
  return toCount(body.scope.working("frames").value, "frames");
}
