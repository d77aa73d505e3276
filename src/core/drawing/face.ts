import type { Part } from "@/core/shape/part";
import type { Feature } from "@/core/feature/feature";
import { bitesOf } from "@/core/shape/assembly";
import type { Point, Polygon } from "@/core/solid/plane";
import { type Bite, extent, silhouette } from "@/core/solid/solid";

/** A part's face at true size, l right and w down, in nm: its outline, and each cut on a layer of its own. */
export interface Face {
  part: Part;
  outline: Polygon[][];
  cuts: {
    layer: string;
    feature: Feature;
    rings: Polygon[];
    circle?: { at: [number, number]; radius: number }[];
    line?: [Point, Point];
  }[];
}

/** Draws a part face on, as it lies on the bench with the reference face up. */
export function faceOf(part: Part): Face {
  const bites = bitesOf(part);
  return {
    part,
    outline: silhouette(part.size, bites, "t"),
    cuts: part.features.map((feature) => ({
      layer: feature.kind.toUpperCase(),
      feature,
      ...(feature.fold ? { line: foldLine(feature, part) } : {}),
      rings: feature.kind === "hole" ? [] : feature.bites.map((b) => shown(b, part)),
      ...(feature.kind === "hole"
        ? { circle: feature.bites.map((b) => circleOf(b, feature.measures.diameter! / 2)) }
        : {}),
    })),
  };
}

function foldLine(feature: Feature, { size }: Part): [Point, Point] {
  const at = feature.measures.at!;
  return feature.fold === "along" ? [[0, at], [size.l, at]] : [[at, 0], [at, size.w]]; // prettier-ignore
}

/** What of a bite shows on the face: its own polygon when it is drawn through the thickness, otherwise the box around it. */
function shown(bite: Bite, part: Part): Polygon {
  const inside = (v: number, most: number) => Math.max(0, Math.min(most, v));
  if ("prism" in bite && bite.prism.axis === "t")
    return bite.prism.polygon.map(([l, w]) => [inside(l, part.size.l), inside(w, part.size.w)]);
  const { l, w } = extent(bite);
  const [l0, l1] = [inside(l[0], part.size.l), inside(l[1], part.size.l)];
  const [w0, w1] = [inside(w[0], part.size.w), inside(w[1], part.size.w)];
  return [
    [l0, w0],
    [l1, w0],
    [l1, w1],
    [l0, w1],
  ];
}

function circleOf(bite: Bite, radius: number): { at: [number, number]; radius: number } {
  const { l, w } = extent(bite);
  return { at: [(l[0] + l[1]) / 2, (w[0] + w[1]) / 2], radius };
}

/** A, B, C … Z, AA: the letter of a part on every sheet of its item. */
export function partLetter(index: number): string {
  const last = String.fromCharCode(65 + (index % 26));
  return index < 26 ? last : partLetter(Math.floor(index / 26) - 1) + last;
}
