import type { Outline } from "@/core/shape/assembly";

/** From nm in the item to px on the page: x runs right, y runs down from the top. */
export interface Paper {
  x(value: number): number;
  y(value: number): number;
  /** px for a distance. */
  d(value: number): number;
}

/** A paper on which `left`,`top` of the item lie at `at` px, at `scale` px a millimetre. */
export function paper(at: { x: number; y: number }, left: number, top: number, scale: number): Paper {
  const k = scale / 1e6;
  return { x: (v) => at.x + (v - left) * k, y: (v) => at.y + (top - v) * k, d: (v) => v * k };
}

/** The same outlines moved by (dx, dy) nm. */
export function moved(outlines: Outline[], dx: number, dy: number): Outline[] {
  return outlines.map((o) => ({
    ...o,
    rings: o.rings.map((r) => r.map((l) => l.map(([a, b]): [number, number] => [a + dx, b + dy]))),
  }));
}

export function pathOf(outline: Outline, p: Paper): string {
  return outline.rings
    .flatMap((ring) =>
      ring.map((line) => `M${line.map(([a, b]) => `${p.x(a).toFixed(2)} ${p.y(b).toFixed(2)}`).join("L")}Z`),
    )
    .join("");
}
