import { type KeyboardEvent } from "react";
import { type Layout, type Offcut, piecesOf } from "@/core/layout/place";
import type { BoardStock } from "@/core/job/job";
import { lengthText } from "@/core/length/format";
import type { Units } from "@/core/length/length";

const WIDE = 800;

interface Props {
  layout: Layout;
  board: BoardStock;
  longest: number;
  names: Map<string, string>;
  units: Units;
  /** The piece that is picked up, by its place. */
  picked?: number;
  /** Pieces and offcuts can be reached with the keyboard. */
  reachable?: boolean;
  onPiece?(at: number): void;
  onOffcut?(offcut: Offcut): void;
}

/** A board with its pieces, true to proportion; the longest board of the job fills the width. */
export function BoardDrawing(props: Props) {
  const { layout, board, longest, names, units, picked, reachable, onPiece, onOffcut } = props;
  const k = WIDE / longest;
  const high = board.width * k;
  const box = (o: { x: number; y: number; length: number; width: number }) => ({
    x: o.x * k,
    y: o.y * k,
    width: o.length * k,
    height: o.width * k,
  });
  const pieces = piecesOf(layout);
  const live = (act: (() => void) | undefined, label: string) =>
    act && {
      role: "button",
      tabIndex: reachable ? 0 : -1,
      "aria-label": label,
      className: "cursor-pointer",
      onClick: act,
      onKeyDown: (e: KeyboardEvent) => {
        if (e.key !== "Enter" && e.key !== " ") return;
        e.preventDefault();
        e.stopPropagation();
        act();
      },
    };
  return (
    <svg
      viewBox={`-1 -1 ${WIDE + 2} ${high + 2}`}
      className="block w-full"
      role="group"
      aria-label={`${board.material} board with ${pieces.length} pieces`}
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
          <g
            key={i}
            {...live(
              onOffcut && (() => onOffcut(o)),
              `offcut ${lengthText(o.length, units)} by ${lengthText(o.width, units)}`,
            )}
          >
            <rect {...box(o)} fill="transparent" stroke="var(--color-ink)" strokeDasharray="4 3" strokeWidth="1" />
            <Label {...box(o)} text={`keep ${lengthText(o.length, units)}`} />
          </g>
        ))}
      {pieces.map((p, i) => {
        const text = `${names.get(p.blank)?.toLowerCase()} ${lengthText(p.length, units)}`;
        return (
          <g key={i} {...live(onPiece && (() => onPiece(i)), text)} aria-pressed={onPiece ? picked === i : undefined}>
            <rect
              {...box(p)}
              fill="#fff"
              stroke={picked === i ? "var(--color-blue)" : "var(--color-ink)"}
              strokeWidth={picked === i ? 3.5 : 1}
            />
            <Label {...box(p)} text={text} />
          </g>
        );
      })}
      {(board.bad ?? []).map(([from, to], i) => (
        <Bad
          key={i}
          x={from * k}
          width={(to - from) * k}
          height={high}
          text={`bad from ${lengthText(from, units)} to ${lengthText(to, units)}`}
        />
      ))}
    </svg>
  );
}

/** A stretch that nothing may lie on: crossed through, as a maker marks it. */
function Bad({ x, width, height, text }: { x: number; width: number; height: number; text: string }) {
  return (
    <g stroke="var(--color-madder)" strokeWidth="1.6">
      <title>{text}</title>
      <rect x={x} width={width} height={height} fill="#b4472b22" />
      <path d={`M${x} 0L${x + width} ${height}M${x + width} 0L${x} ${height}`} />
    </g>
  );
}

/** A piece's name where it can be read; otherwise only on hover. */
function Label({ x, y, width, height, text }: { x: number; y: number; width: number; height: number; text: string }) {
  const size = Math.min(13, height * 0.8);
  const fits = (chars: number) => size >= 7.5 && chars * size * 0.52 < width;
  // In a piece higher than it is long the words stand up.
  const upright = !fits(text.length) && height > width && text.length * 6.5 < height && width > 9;
  return (
    <>
      <title>{text}</title>
      {(fits(text.length) || upright) && (
        <text
          x={x + width / 2}
          y={y + height / 2 + (upright ? 0 : size * 0.35)}
          textAnchor="middle"
          dominantBaseline={upright ? "central" : undefined}
          fontSize={upright ? Math.min(12, width * 0.8) : size}
          fill="var(--color-ink)"
          transform={upright ? `rotate(-90 ${x + width / 2} ${y + height / 2})` : undefined}
          pointerEvents="none"
        >
          {text}
        </text>
      )}
    </>
  );
}
