import type { Length, Units } from "@/core/length/length";
import { measureWidth, SvgMeasure } from "./SvgMeasure";

/** A dimension line with ticks and extension lines: across at `y`, or down at `x`. */
export function Dimension({
  from,
  to,
  at,
  run,
  value,
  units,
  size = 14,
  lit,
  onLight,
  reach,
}: {
  from: number;
  to: number;
  /** Where the line lies on the other axis. */
  at: number;
  run: "across" | "down";
  value: Length;
  units: Units;
  size?: number;
  lit?: boolean;
  onLight?: () => void;
  /** Where the extension lines start: the same at both ends, or one each. */
  reach?: number | [number, number];
}) {
  const stroke = "var(--color-blue)";
  const middle = (from + to) / 2;
  const w = measureWidth(value, units, size) + 10;
  const tick = 4;
  const line = (d: string, width: number) => <path d={d} stroke={stroke} strokeWidth={width} fill="none" />;
  const across = run === "across";
  const point = (along: number, off: number) => (across ? `${along} ${at + off}` : `${at + off} ${along}`);
  const [reachFrom, reachTo] = Array.isArray(reach) ? reach : [reach, reach];
  const extension = (along: number, reach: number | undefined) =>
    reach === undefined ? "" : `M${point(along, reach - at)}L${point(along, reach < at ? 5 : -5)}`;
  const extensions = extension(from, reachFrom) + extension(to, reachTo);
  const ended = (along: number) =>
    `M${across ? `${along - tick} ${at + tick}` : `${at - tick} ${along + tick}`}l${2 * tick} ${-2 * tick}`;
  const room = Math.abs(to - from) > (across ? w + 8 : size * 1.6 + 10);
  return (
    <g onMouseEnter={onLight} style={lit ? { strokeWidth: 2 } : undefined}>
      {extensions && line(extensions, 0.5)}
      {line(`M${point(from, 0)}L${point(to, 0)}`, lit ? 2 : 1)}
      {line(ended(from) + ended(to), 1.2)}
      {across ? (
        <>
          {room && (
            <rect x={middle - w / 2} y={at - size * 0.7} width={w} height={size * 1.4} fill="var(--color-plane)" />
          )}
          <SvgMeasure
            value={value}
            units={units}
            x={middle}
            y={room ? at : at - size}
            size={size}
            anchor="middle"
            weight={lit ? 600 : 400}
          />
        </>
      ) : (
        <>
          {room && (
            <rect x={at - w / 2} y={middle - size * 0.8} width={w} height={size * 1.6} fill="var(--color-plane)" />
          )}
          <SvgMeasure
            value={value}
            units={units}
            x={room ? at : at - w / 2 - 5}
            y={middle}
            size={size}
            anchor="middle"
            weight={lit ? 600 : 400}
          />
        </>
      )}
    </g>
  );
}
