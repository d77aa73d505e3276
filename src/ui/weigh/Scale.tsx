import { spread } from "@/core/drawing/spread";
import type { Units } from "@/core/length/length";
import type { Figure } from "@/core/weigh/compare";
import type { Row } from "@/core/weigh/rows";
import { MarkAt } from "./Mark";

const [WIDE, HIGH, EDGE, LABEL] = [640, 38, 44, 38];
/** How much a figure counts, as it is said. */
const COUNTS = ["no matter", "counts", "counts for much", "decides"];

/** One figure of all things on a line from nothing to the most, and how much it counts. */
export function Scale({ figure, rows, units, counts, count }: { figure: Figure; rows: Row[]; units: Units; counts: number; count(n: number): void }) {
  const known = rows.flatMap((r, k) => {
    const n = figure.of(r);
    return n === null ? [] : [{ k, n, name: r.name }];
  });
  const most = Math.max(...known.map((x) => x.n), 1e-9);
  const x = (n: number) => EDGE + (n / most) * (WIDE - 2 * EDGE);
  const labels = spread(known.map((p) => x(p.n)), LABEL);
  return (
    <div className="grid grid-cols-[minmax(0,10.5rem)_minmax(0,1fr)_7.5rem] items-center gap-x-3 border-t border-rule">
      <span>
        {figure.label} <span className="text-[.84rem] text-soft">{figure.unit(units)}</span>
      </span>
      <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="w-full" role="img" aria-label={`${figure.label}: ${known.map((p) => `${p.name} ${figure.text(p.n, units)}`).join(", ")}`}>
        <line x1={EDGE} x2={WIDE - EDGE} y1={26} y2={26} className="stroke-rule" strokeWidth={2} />
        {known.map((p, i) => (
          <g key={p.k}>
            <text x={labels[i]} y={12} textAnchor="middle" className="fill-ink font-mono" fontSize="13">
              {figure.text(p.n, units)}
            </text>
            <MarkAt k={p.k} x={x(p.n)} y={26} />
          </g>
        ))}
      </svg>
      <select aria-label={`How much it counts: ${figure.label}`} className="min-h-[44px] border-0 bg-transparent text-[.87rem]" value={counts} onChange={(e) => count(Number(e.target.value))}>
        {COUNTS.map((c, n) => (
          <option key={c} value={n}>
            {c}
          </option>
        ))}
      </select>
    </div>
  );
} // prettier-ignore
