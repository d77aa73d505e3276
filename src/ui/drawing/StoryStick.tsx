import { NM_PER_INCH, NM_PER_MM, type Units } from "@/core/length/length";
import type { Mark } from "@/core/drawing/stick";
import { spread } from "@/core/drawing/spread";
import type { Paper } from "./paper";
import { SvgMeasure } from "./SvgMeasure";

/** A batten beside the work at the drawing's own scale, carrying every height that matters. `top` and `bottom` in nm from the item's base. */
export function StoryStick({
  marks,
  p,
  x,
  top,
  bottom,
  units,
  litKey,
  onLight,
}: {
  marks: Mark[];
  p: Paper;
  x: number;
  top: number;
  bottom: number;
  units: Units;
  litKey?: string | null;
  onLight(mark: Mark): void;
}) {
  const width = 24;
  const [y0, y1] = [p.y(top), p.y(bottom)];
  const step =
    units === "in" ? NM_PER_INCH / (p.d(NM_PER_INCH) > 20 ? 8 : 2) : NM_PER_MM * (p.d(NM_PER_MM * 10) > 12 ? 5 : 10);
  const each = units === "in" ? NM_PER_INCH : NM_PER_MM * 50;
  const ticks = Array.from({ length: Math.floor((top - bottom) / step) + 1 }, (_, i) => i * step);
  // Every inch, or five centimetres, is stronger; all of a strength are one path, as a page of hundreds would take longer to show.
  const ruled = (strong: boolean) =>
    ticks
      .filter((t) => (t % each === 0) === strong)
      .map((t) => `M${x + width} ${p.y(top - t).toFixed(2)}h${strong ? -9 : t % (each / 2) === 0 ? -6 : -3}`)
      .join("");
  const ys = marks.map((m) => p.y(top - m.at));
  const labels = spread(ys, 19);
  return (
    <g role="list" aria-label="story stick">
      <rect x={x} y={y0 - 16} width={width} height={y1 - y0 + 32} fill="var(--color-straw)" stroke="var(--color-ink)" />
      <path d={ruled(true)} stroke="var(--color-straw-line)" strokeWidth="0.9" />
      <path d={ruled(false)} stroke="var(--color-straw-line)" strokeWidth="0.5" />
      {marks.map((m, i) => {
        const lit = litKey === m.key;
        const color = lit ? "var(--color-blue)" : "var(--color-ink)";
        return (
          <g
            key={m.key}
            role="listitem"
            tabIndex={0}
            onMouseEnter={() => onLight(m)}
            onFocus={() => onLight(m)}
            aria-label={m.label}
            style={{ cursor: "default" }}
          >
            <rect x={x - 62} y={labels[i]! - 9} width={62} height={18} fill="transparent" />
            <path d={`M${x} ${ys[i]}h${width}`} stroke={color} strokeWidth={lit ? 2.6 : 1.4} />
            <path d={`M${x} ${ys[i]}L${x - 8} ${labels[i]}`} stroke={color} strokeWidth=".8" fill="none" />
            <SvgMeasure
              value={m.at}
              units={units}
              x={x - 11}
              y={labels[i]!}
              size={13}
              anchor="end"
              fill={color}
              weight={lit ? 600 : 400}
            />
            <title>{m.label}</title>
          </g>
        );
      })}
    </g>
  );
}
