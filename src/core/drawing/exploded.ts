import type { Part } from "@/core/shape/part";
import { type ItemAxis, ITEM_AXES, type Outline, placedBox, reach, section, view } from "@/core/shape/assembly";
import type { Shape } from "@/core/shape/shape";
import type { Range } from "@/core/solid/plane";
import { partLetter } from "./face";

/** A flat piece of the exploded view: polygons on the page (x right, y down, nm), nearer ones last. */
export interface Facet {
  part: Part;
  rings: [number, number][][];
  /** What is cut into the face it shows: filled even-odd. */
  recess: [number, number][][];
  /** Which way it looks: shading and hatching differ. */
  looks: ItemAxis;
}

/** How faces are shaded on paper, by the way they look. */
export const PAPER_FILL: Record<ItemAxis, string> = { x: "#d9d9d2", y: "#f2f2ec", z: "#ffffff" };
export const PAPER_RECESS = "#b4b4ac";

/** A part in the exploded view, with its letter. */
export interface ExplodedPart {
  part: Part;
  letter: string;
  facets: Facet[];
  /** Where its letter stands. */
  label: [number, number];
}

/** Isometric, seen from the front, the right and above. */
const page = ([x, y, z]: [number, number, number]): [number, number] => [
  (x + y) * Math.cos(Math.PI / 6),
  (x - y) / 2 - z,
];

/**
 * The item pulled apart along the axes it goes together by: each part moved away from the middle by `spread` times
 * its distance from it. Parts farther away first, so that nearer ones are drawn over them.
 */
export function exploded(shape: Shape, spread = 0.5): ExplodedPart[] {
  const middle = Object.fromEntries(ITEM_AXES.map((a) => [a, mean(reach(shape, a))])) as Record<ItemAxis, number>;
  const parts = [...shape.parts, ...shape.bought].flatMap((part, index) =>
    part.places.map((place, k) => {
      const box = placedBox(part, place);
      const move = Object.fromEntries(ITEM_AXES.map((a) => [a, (mean(box[a]) - middle[a]) * spread])) as Record<
        ItemAxis,
        number
      >;
      const one: Shape = { ...shape, parts: [{ ...part, places: [place] }], bought: [] };
      const at = (a: ItemAxis, side: 0 | 1) => box[a][side] + move[a];
      const facets = [
        facet(one, "x", at("x", 1), move),
        facet(one, "z", at("z", 1), move),
        facet(one, "y", at("y", 0), move),
      ];
      const centre = ITEM_AXES.map((a) => mean(box[a]) + move[a]) as [number, number, number];
      // Its letter stands on the face that shows most of it.
      const face = (a: ItemAxis) => ITEM_AXES.filter((b) => b !== a).reduce((s, b) => s * (box[b][1] - box[b][0]), 1);
      const widest = ITEM_AXES.reduce((a, b) => (face(b) > face(a) ? b : a));
      centre[ITEM_AXES.indexOf(widest)] = at(widest, widest === "y" ? 0 : 1);
      return {
        part,
        letter: partLetter(index),
        facets,
        label: page(centre),
        depth: ITEM_AXES.reduce((s, a) => s + (a === "y" ? -1 : 1) * (mean(box[a]) + move[a]), 0),
        k,
      };
    }),
  );
  return parts.sort((a, b) => a.depth - b.depth || a.k - b.k).map(({ depth: _depth, k: _k, ...p }) => p);
}

const mean = (r: Range) => (r[0] + r[1]) / 2;

/** The face of a single part that looks along an axis, at its outermost plane, and what is cut into it. */
function facet(one: Shape, looks: ItemAxis, at: number, move: Record<ItemAxis, number>): Facet {
  const [right, up] = { x: ["y", "z"], y: ["x", "z"], z: ["x", "y"] }[looks] as [ItemAxis, ItemAxis];
  const onPage = (rings: Outline["rings"]) =>
    rings.flat().map((ring) =>
      ring.map(([a, b]) => {
        const p = { x: 0, y: 0, z: 0, [looks]: at, [right]: a + move[right], [up]: b + move[up] };
        return page([p.x, p.y, p.z]);
      }),
    );
  const rings = onPage(view(one, looks)[0]!.rings);
  const within = at - move[looks] + (looks === "y" ? SKIN : -SKIN);
  const skin = onPage(section(one, looks, within).flatMap((o) => (o.cut ? o.rings : [])));
  const [whole, left] = [area(rings), area(skin)];
  // Of a part that leans or runs to a point no face lies at its outermost plane.
  const isFace = !one.parts[0]!.places[0]!.lean && left > whole / 4;
  const recess = isFace && whole - left > LEAST ? [...rings, ...skin] : [];
  return { part: one.parts[0]!, rings, recess, looks };
}

/** So far under a face it is looked for what is cut into it, nm; and how much of it has to be gone to be drawn, nm². */
const SKIN = 1_000;
const LEAST = 1e12;

/** Of rings that do not overlap, holes running the other way round. */
const area = (rings: [number, number][][]) =>
  Math.abs(rings.reduce((sum, ring) => sum + ring.reduce((s, [x, y], i) => s + (x * ring[(i + 1) % ring.length]![1] - ring[(i + 1) % ring.length]![0] * y) / 2, 0), 0)); // prettier-ignore

/** The page box around an exploded view. */
export function explodedBox(parts: ExplodedPart[]): { x: Range; y: Range } {
  const points = parts.flatMap((p) => p.facets.flatMap((f) => f.rings.flat()));
  const span = (i: 0 | 1): Range => [Math.min(...points.map((p) => p[i])), Math.max(...points.map((p) => p[i]))];
  return { x: span(0), y: span(1) };
}
