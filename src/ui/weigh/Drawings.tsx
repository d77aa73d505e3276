import { lengthText } from "@/core/length/format";
import { type Length, nm, type Units } from "@/core/length/length";
import type { Row } from "@/core/weigh/rows";
import { MarkAt } from "./Mark";

const [WIDE, GAP, TOP] = [860, 26, 24];
/** How high frames and whole stacks are drawn. */
const [FRAMES, STACKS] = [190, 230];

/** One thing as it is drawn: how long it is, what it says, and its shapes at a scale from its left edge. */
interface Drawn {
  k: number;
  name: string;
  length: Length;
  height: Length;
  shapes(x: number, scale: number): React.ReactNode;
  /** Where its name stands, from the top. */
  under(scale: number): number;
}

/** All things at one scale, each with its mark and its length: frames hung from one line, boxes and stacks on one ground; what is pinned stands with them. */
export function Drawings({ rows, units, pinned }: { rows: Row[]; units: Units; pinned: string[][] }) {
  const isStacked = rows.some((r) => r.stack);
  const drawn = rows.flatMap((r, k): Drawn[] => (isStacked ? stackOf(r, k) : frameOf(r, k)));
  const key = (d: Drawn) => `${d.length} ${d.height}`;
  // What is all the same shows nothing, unless something is pinned to it.
  if (drawn.length === 0 || (drawn.length > 1 && pinned.length === 0 && new Set(drawn.map(key)).size === 1)) return null;
  const words = isStacked ? 24 + 17 * pinned.length : 0;
  const high = isStacked ? STACKS + words : FRAMES;
  const slot = (WIDE - GAP) / drawn.length - GAP;
  const widest = isStacked ? slot / Math.max(...drawn.map((d) => d.length)) : (WIDE - GAP * (drawn.length + 1)) / drawn.reduce((n, d) => n + d.length, 0);
  const scale = Math.min(widest, (high - words - TOP - 6) / Math.max(...drawn.map((d) => d.height)));
  const places = drawn.map((d, i) => (isStacked ? GAP + i * (slot + GAP) + (slot - d.length * scale) / 2 : GAP + drawn.slice(0, i).reduce((n, o) => n + o.length * scale + GAP, 0)));
  return (
    <svg viewBox={`0 0 ${WIDE} ${high}`} className="mb-2 w-full" role="img" aria-label={`${drawn.length} ${isStacked ? "stacks" : "frames"} at one scale: ${drawn.map((d) => `${d.name} ${lengthText(d.length, units)} by ${lengthText(d.height, units)}`).join(", ")}`}>
      {!isStacked && <line x1={0} x2={WIDE} y1={TOP} y2={TOP} className="stroke-ink" strokeDasharray="2 4" />}
      {isStacked && <line x1={0} x2={WIDE} y1={STACKS} y2={STACKS} className="stroke-ink" strokeWidth={2} />}
      {drawn.map((d, i) => {
        const [x, middle] = [places[i]!, places[i]! + (d.length * scale) / 2];
        const text = isStacked ? STACKS + 18 : d.under(scale);
        const above = isStacked ? STACKS - d.height * scale - 8 : TOP - 8;
        return (
          <g key={d.k}>
            <text x={middle} y={above} textAnchor="middle" fontSize="14" className="fill-blue font-mono">
              {lengthText(d.length, units)}
              {isStacked ? ` × ${lengthText(d.height, units)}` : ""}
            </text>
            {d.shapes(x, scale)}
            <MarkAt k={d.k} x={x + (isStacked ? 14 : 8)} y={isStacked ? STACKS - 14 : TOP - 12} />
            <text x={middle} y={text} textAnchor="middle" fontSize="14" fontWeight={650} className="fill-ink">
              {d.name.length > 24 ? `${d.name.slice(0, 23)}…` : d.name}
            </text>
            {pinned.map((said, p) => (
              <text key={p} x={middle} y={text + 17 * (p + 1)} textAnchor="middle" fontSize="13" className="fill-ink font-mono">
                {said[d.k]}
              </text>
            ))}
          </g>
        );
      })}
    </svg>
  );
} // prettier-ignore

/** A frame hung by its bar's ears. */
function frameOf({ drawn, name }: Row, k: number): Drawn[] {
  if (!drawn) return [];
  const { bar, frame, height, free } = drawn;
  const thickAt = (scale: number) => Math.max(4, drawn.thick * scale);
  const shapes = (x: number, scale: number) => {
    const [inset, thick] = [((bar - frame) / 2) * scale, thickAt(scale)];
    return (
      <>
        {free ? (
          <path d={`M${x + inset} ${TOP + thick}h${frame * scale}`} className="stroke-ink" />
        ) : (
          <rect x={x + inset} y={TOP + thick} width={frame * scale} height={height * scale - thick} className="fill-straw-pale stroke-ink" />
        )}
        <rect x={x} y={TOP} width={bar * scale} height={thick} className="fill-straw stroke-ink" />
      </>
    );
  }; // prettier-ignore
  return [{ k, name, length: bar, height, shapes, under: (scale) => TOP + thickAt(scale) + 22 }];
}

/** A box or a stack from its long side, standing on the ground. */
function stackOf({ stack, name }: Row, k: number): Drawn[] {
  if (!stack || stack.length === 0) return [];
  const height = nm(stack.reduce((n, s) => n + s.height, 0));
  const length = stack.reduce((most, s) => (s.length > most ? s.length : most), nm(0));
  const shapes = (x: number, scale: number) => {
    let foot = STACKS;
    return stack.map((s, i) => {
      foot -= s.height * scale;
      return <rect key={i} x={x + ((length - s.length) / 2) * scale} y={foot} width={s.length * scale} height={s.height * scale} className={`${s.body ? "fill-straw-pale" : "fill-white"} stroke-ink`} />; // prettier-ignore
    });
  };
  return [{ k, name, length, height, shapes, under: () => 0 }];
}
