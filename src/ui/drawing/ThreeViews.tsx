import { useMemo } from "react";
import { type ItemAxis, type Outline, reach, section, view } from "@/core/shape/assembly";
import { nm, type Units } from "@/core/length/length";
import type { Shape } from "@/core/shape/shape";
import { Dimension } from "./Dimension";
import { paper } from "./paper";
import { measureWidth } from "./SvgMeasure";
import { Grain, Wood } from "./Wood";

const WIDE = 738;
const GAP = 62;

/** Front, side and from above at one scale, with overall sizes: for any item, from its geometry. */
export function ThreeViews({
  shape,
  units,
  litKey,
  changed,
  cut = false,
  onPart,
}: {
  shape: Shape;
  units: Units;
  litKey?: string | null;
  changed?: ReadonlySet<string>;
  /** Front and side cut through the middle. */
  cut?: boolean;
  onPart?(id: string): void;
}) {
  const views = useMemo(() => {
    // A skin is drawn where it lies flat, not round the lid.
    const seen = (axis: ItemAxis) => view(shape, axis).filter((o) => o.part.role !== "skin");
    if (!cut) return { front: seen("y"), side: seen("x"), above: seen("z") };
    const through = (axis: "x" | "y") => {
      const [from, to] = reach(shape, axis, ...new Set(shape.parts.map((p) => p.role).filter((r) => r !== "skin")));
      return section(shape, axis, Math.round((from + to) / 2) + 1).filter((o) => o.part.role !== "skin");
    };
    return { front: through("y"), side: through("x"), above: seen("z") };
  }, [shape, cut]);
  const roles = [...new Set(shape.parts.map((p) => p.role))].filter((r) => r !== "skin");
  const span = (a: ItemAxis) => reach(shape, a, ...roles);
  const [x, y, z] = [span("x"), span("y"), span("z")];
  const size = { x: x[1] - x[0], y: y[1] - y[0], z: z[1] - z[0] };
  const mm = (n: number) => n / 1e6;
  // A low item's height stands beside its line, and wants room there.
  const heightAt = Math.max(26, measureWidth(nm(size.z), units, 14) + 16);
  const margin = heightAt + 24;
  const scale = Math.min((WIDE - 40 - margin - GAP) / mm(size.x + size.y), 470 / mm(size.z + size.y));
  const k = scale / 1e6;
  const top = 40;
  const sideX = margin + size.x * k + GAP;
  const aboveY = top + size.z * k + GAP;
  const draw = (outlines: Outline[], at: { x: number; y: number }, left: number, high: number) => (
    <Wood
      outlines={
        cut && outlines !== views.above ? outlines : outlines.map((o) => ({ ...o, cut: true, grain: "long" as const }))
      }
      p={paper(at, left, high, scale)}
      litKey={litKey}
      changed={changed}
      onLight={onPart}
    />
  );
  const title = (text: string, at: { x: number; y: number }) => (
    <text {...at} fontSize="12" fill="var(--color-soft)">
      {text}
    </text>
  );
  const across = (from: number, length: number, at: number) => (
    <Dimension
      run="across"
      from={from}
      to={from + length * k}
      at={at}
      value={nm(length)}
      units={units}
      reach={at + 12}
    />
  );
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${aboveY + size.y * k + 14}`}
      className="block w-full"
      role="img"
      aria-label={`${shape.title}: from the front, from the side and from above`}
    >
      <Grain />
      {draw(views.front, { x: margin, y: top }, x[0], z[1])}
      {draw(views.side, { x: sideX, y: top }, y[0], z[1])}
      {draw(views.above, { x: margin, y: aboveY }, x[0], y[1])}
      {across(margin, size.x, top - 16)}
      {across(sideX, size.y, top - 16)}
      <Dimension
        run="down"
        from={top}
        to={top + size.z * k}
        at={heightAt}
        value={nm(size.z)}
        units={units}
        reach={margin - 4}
      />
      {title(cut ? "front, cut through the middle" : "front", { x: margin, y: top + size.z * k + 16 })}
      {title(cut ? "side, cut through the middle" : "side", { x: sideX, y: top + size.z * k + 16 })}
      {title("above", { x: margin + size.x * k + 10, y: aboveY + 12 })}
    </svg>
  );
}
