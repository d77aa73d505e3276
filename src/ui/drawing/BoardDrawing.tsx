import { pieceKey } from "@/core/line/line";
import type { BoardStock } from "@/core/boards/stock";
import { type KeyboardEvent } from "react";
import { partLetter } from "@/core/drawing/face";
import type { Blank } from "@/core/layout/request";
import { type Layout, type Offcut, piecesOf } from "@/core/boards/laid";
import { lengthText } from "@/core/length/format";
import type { Units } from "@/core/length/length";

const WIDE = 800;

/** What a piece is called: its letter in this layout, and its name among all. */
export interface PieceName {
  letter: string;
  name: string;
}

/** The letter and name of every kind of piece in a layout. */
export const pieceNames = (blanks: Pick<Blank, "of" | "name">[]): Map<string, PieceName> =>
  new Map(blanks.map((b, i) => [pieceKey(b.of), { letter: partLetter(i), name: b.name }]));

interface Props {
  layout: Layout;
  board: BoardStock;
  longest: number;
  names: Map<string, PieceName>;
  units: Units;
  /** The piece that is picked up, by its place. */
  picked?: number;
  /** Pieces and offcuts can be reached with the keyboard. */
  reachable?: boolean;
  onPiece?(at: number): void;
  onOffcut?(offcut: Offcut): void;
}

/** A board with its pieces, true to proportion; the longest of its kind fills the width. */
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
            <Label {...box(o)} name="keep" size={`${lengthText(o.length, units)} × ${lengthText(o.width, units)}`} />
          </g>
        ))}
      {pieces.map((p, i) => {
        const { letter = "", name = "" } = names.get(pieceKey(p.of)) ?? {};
        const text = `${letter} ${name} ${lengthText(p.length, units)}`;
        return (
          <g key={i} {...live(onPiece && (() => onPiece(i)), text)} aria-pressed={onPiece ? picked === i : undefined}>
            <rect
              {...box(p)}
              fill="#fff"
              stroke={picked === i ? "var(--color-blue)" : "var(--color-ink)"}
              strokeWidth={picked === i ? 3.5 : 1}
            />
            <Label {...box(p)} letter={letter} name={name} size={lengthText(p.length, units)} />
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

/**
 * A piece's letter, name and length where they can be read: on one line, on two, standing up in what is high and narrow, or
 * the letter alone; otherwise only on hover.
 */
function Label({
  x,
  y,
  width,
  height,
  letter = "",
  name,
  size,
}: {
  x: number;
  y: number;
  width: number;
  height: number;
  letter?: string;
  name: string;
  size: string;
}) {
  const text = `${letter} ${name} ${size}`.trim();
  // What it is of is said in the list beside the board, by its letter.
  const short = `${letter} ${name.split(" of ")[0]}`.trim();
  const mark = `${letter} ${size}`.trim();
  const room = (chars: number, font: number, across: number) => font >= 7.5 && chars * font * 0.52 < across - 2;
  const lines = (() => {
    const one = Math.min(13, height * 0.8);
    const whole = `${short} ${size}`;
    if (room(whole.length, one, width)) return { font: one, of: [whole], upright: false };
    const two = Math.min(12, height * 0.38);
    if (room(Math.max(short.length, size.length), two, width)) return { font: two, of: [short, size], upright: false };
    const stood = Math.min(12, width * 0.8);
    if (height > width && room(mark.length, stood, height)) return { font: stood, of: [mark], upright: true };
    if (room(mark.length, one, width)) return { font: one, of: [mark], upright: false };
    if (letter && room(letter.length, one, width)) return { font: one, of: [letter], upright: false };
    return undefined;
  })();
  const [cx, cy] = [x + width / 2, y + height / 2];
  return (
    <>
      <title>{text}</title>
      {lines && (
        <text
          textAnchor="middle"
          fontSize={lines.font}
          fill="var(--color-ink)"
          transform={lines.upright ? `rotate(-90 ${cx} ${cy})` : undefined}
          pointerEvents="none"
        >
          {lines.of.map((line, i) => (
            <tspan key={line} x={cx} y={cy + lines.font * (0.35 + (i - (lines.of.length - 1) / 2) * 1.15)}>
              {line}
            </tspan>
          ))}
        </text>
      )}
    </>
  );
}
