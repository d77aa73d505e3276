import { spread } from "@/core/drawing/spread";
import type { Units } from "@/core/length/length";
import type { Figure } from "@/core/weigh/compare";
import type { Row } from "@/core/weigh/rows";
import { Mark, MarkAt } from "./Mark";

const [WIDE, HIGH, EDGE, LABEL] = [640, 38, 44, 38];
/** How much a figure counts, as it is said. */
const COUNTS = ["no matter", "counts", "counts for much", "decides"];

/** One figure of all things on a line from nothing to the most, how much it counts, and how it comes about. */
export function Scale({ figure, rows, units, many, counts, count, open, toggle, pinned, pin }: { figure: Figure; rows: Row[]; units: Units; many: number; counts: number; count(n: number): void; open: boolean; toggle(): void; pinned: boolean; pin(): void }) {
  const known = rows.flatMap((r, k) => {
    const n = figure.of(r, many);
    return n === null ? [] : [{ k, n, name: r.name }];
  });
  const most = Math.max(...known.map((x) => x.n), 1e-9);
  const x = (n: number) => EDGE + (n / most) * (WIDE - 2 * EDGE);
  const texts = known.map((p) => figure.text(p.n, units));
  const wide = Math.max(LABEL, ...texts.map((t) => t.length * 8.5 + 4));
  const labels = spread(known.map((p) => x(p.n)), wide, wide / 2, WIDE - wide / 2);
  return (
    <div className="border-t border-rule">
      <div className="grid grid-cols-[minmax(0,10.5rem)_minmax(0,1fr)_7.5rem] items-center gap-x-3">
        <button aria-expanded={open} onClick={toggle} className="min-h-[44px] border-0 bg-transparent p-0 text-left">
          <span className="underline decoration-dotted underline-offset-4">{figure.label}</span> <span className="text-[.84rem] text-soft">{figure.unit(units, rows)}</span>
        </button>
        <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="w-full" role="img" aria-label={`${figure.label}: ${known.map((p, i) => `${p.name} ${texts[i]}`).join(", ")}`}>
          <line x1={EDGE} x2={WIDE - EDGE} y1={26} y2={26} className="stroke-rule" strokeWidth={2} />
          {known.map((p, i) => (
            <g key={p.k}>
              <text x={labels[i]} y={12} textAnchor="middle" className="fill-ink font-mono" fontSize="13">
                {texts[i]}
              </text>
              <MarkAt k={p.k} x={x(p.n)} y={26} />
            </g>
          ))}
        </svg>
        <select aria-label={`How much it counts: ${figure.label}`} className="no-print min-h-[44px] border-0 bg-transparent text-[.87rem]" value={counts} onChange={(e) => count(Number(e.target.value))}>
          {COUNTS.map((c, n) => (
            <option key={c} value={n}>
              {c}
            </option>
          ))}
        </select>
      </div>
      {open && (
        <div className="mb-2 border-l-4 border-blue pl-3 text-[.93rem]" role="region" aria-label={`How it comes about: ${figure.label}`}>
          {known.map((p) => (
            <p key={p.k} className="my-1 flex gap-2">
              <span className="mt-1"><Mark k={p.k} /></span>
              <span>
                <b>{p.name}</b> <span className="font-mono">{figure.text(p.n, units)} {figure.unit(units, rows)}</span>
                {(rows[p.k]!.why[figure.id] ?? []).map((line) => (
                  <span key={line} className="block text-soft">
                    {line}
                  </span>
                ))}
              </span>
            </p>
          ))}
          <button className="quiet no-print min-h-[44px]" aria-pressed={pinned} onClick={pin}>
            {pinned ? "take it off the drawings" : "pin it to the drawings"}
          </button>
        </div>
      )}
    </div>
  );
} // prettier-ignore
