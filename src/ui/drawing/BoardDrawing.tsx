import { type Layout, piecesOf } from "@/core/layout/place";
import type { BoardStock } from "@/core/job/job";
import { lengthText } from "@/core/length/format";
import type { Units } from "@/core/length/length";

const WIDE = 800;

/** A board with its pieces, true to proportion; the longest board of the job fills the width. */
export function BoardDrawing({
  layout,
  board,
  longest,
  names,
  units,
}: {
  layout: Layout;
  board: BoardStock;
  longest: number;
  names: Map<string, string>;
  units: Units;
}) {
  const k = WIDE / longest;
  const high = board.width * k;
  const box = (o: { x: number; y: number; length: number; width: number }) => ({
    x: o.x * k,
    y: o.y * k,
    width: o.length * k,
    height: o.width * k,
  });
  return (
    <svg
      viewBox={`-1 -1 ${WIDE + 2} ${high + 2}`}
      className="block w-full"
      role="img"
      aria-label={`${board.material} board with ${piecesOf(layout).length} pieces`}
    >
      <rect
        width={board.length * k}
        height={high}
        fill="var(--color-straw)"
        stroke="var(--color-ink)"
        strokeWidth="1.2"
      />
      {layout.offcuts
        .filter((o) => o.keep)
        .map((o, i) => (
          <g key={i}>
            <rect {...box(o)} fill="none" stroke="var(--color-ink)" strokeDasharray="4 3" strokeWidth="1" />
            <Label {...box(o)} text={`keep ${lengthText(o.length, units)}`} />
          </g>
        ))}
      {piecesOf(layout).map((p, i) => (
        <g key={i}>
          <rect {...box(p)} fill="#fff" stroke="var(--color-ink)" strokeWidth="1" />
          <Label {...box(p)} text={`${names.get(p.blank)?.toLowerCase()} ${lengthText(p.length, units)}`} />
        </g>
      ))}
    </svg>
  );
}

/** A piece's name where it can be read; otherwise only on hover. */
function Label({ x, y, width, height, text }: { x: number; y: number; width: number; height: number; text: string }) {
  const size = Math.min(13, height * 0.8);
  return (
    <>
      <title>{text}</title>
      {size >= 7.5 && text.length * size * 0.52 < width && (
        <text
          x={x + width / 2}
          y={y + height / 2 + size * 0.35}
          textAnchor="middle"
          fontSize={size}
          fill="var(--color-ink)"
        >
          {text}
        </text>
      )}
    </>
  );
}
