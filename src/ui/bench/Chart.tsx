import { driftOf } from "@/core/bench/check";
import type { Length } from "@/core/length/length";

const [WIDE, HIGH, EDGE] = [320, 96, 8];
/** So many of the last are drawn. */
const SHOWN = 20;

/** Measured pieces one after another between the lines of the tolerance; the middle half is where they should be. */
export function Chart({ values, target, tolerance }: { values: Length[]; target: Length; tolerance: Length }) {
  const last = values.slice(-SHOWN);
  const y = (v: number) => HIGH / 2 - (Math.max(-1.5, Math.min(1.5, (v - target) / tolerance)) / 1.5) * (HIGH / 2 - EDGE);
  const x = (i: number) => EDGE + (i * (WIDE - 2 * EDGE)) / (SHOWN - 1);
  const line = (part: number) => y(target + part * tolerance);
  const drift = driftOf(values, target, tolerance);
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="w-full max-w-md border border-rule bg-white" role="img" aria-label={`${values.length} pieces measured: ${drift.say}`}>
      <rect x={0} width={WIDE} y={line(0.5)} height={line(-0.5) - line(0.5)} className="fill-bench" />
      {[1, -1].map((p) => (
        <line key={p} x1={0} x2={WIDE} y1={line(p)} y2={line(p)} className="stroke-madder" strokeWidth={1.5} strokeDasharray="6 4" />
      ))}
      <line x1={0} x2={WIDE} y1={line(0)} y2={line(0)} className="stroke-blue" strokeWidth={1} />
      <polyline points={last.map((v, i) => `${x(i)},${y(v)}`).join(" ")} fill="none" className="stroke-ink" strokeWidth={1.5} />
      {last.map((v, i) => (
        <circle key={i} cx={x(i)} cy={y(v)} r={3.5} className={Math.abs(v - target) > tolerance ? "fill-madder" : "fill-ink"} />
      ))}
    </svg>
  );
} // prettier-ignore
