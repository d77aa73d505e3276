import { lengthText } from "@/core/length/format";
import { nm, type Units } from "@/core/length/length";
import type { Row } from "@/core/weigh/rows";
import { MarkAt } from "./Mark";

const [WIDE, HIGH, GAP, TOP] = [860, 190, 26, 24];

/** The frames of all things at one scale, hung from one line, each with its mark and its bar's length. */
export function Drawings({ rows, units, pinned }: { rows: Row[]; units: Units; pinned: string[][] }) {
  const drawn = rows.flatMap((r, k) => (r.drawn ? [{ ...r.drawn, k, name: r.name }] : []));
  // Frames that are all the same show nothing, unless something is pinned to them.
  if (drawn.length === 0 || (drawn.length > 1 && pinned.length === 0 && drawn.every((d) => JSON.stringify({ ...d, k: 0, name: "" }) === JSON.stringify({ ...drawn[0]!, k: 0, name: "" })))) return null;
  const wide = drawn.reduce((n, d) => n + d.bar, 0);
  const scale = Math.min((WIDE - GAP * (drawn.length + 1)) / wide, (HIGH - TOP - 6) / Math.max(...drawn.map((d) => d.height)));
  const places = drawn.map((_, i) => GAP + drawn.slice(0, i).reduce((n, d) => n + d.bar * scale + GAP, 0));
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="mb-2 w-full" role="img" aria-label={`${drawn.length} frames at one scale: ${drawn.map((d) => `${d.name} ${lengthText(nm(d.bar), units)} by ${lengthText(nm(d.height), units)}`).join(", ")}`}>
      <line x1={0} x2={WIDE} y1={TOP} y2={TOP} className="stroke-ink" strokeDasharray="2 4" />
      {drawn.map((d, i) => {
        const x = places[i]!;
        const inset = ((d.bar - d.frame) / 2) * scale;
        const thick = Math.max(4, d.thick * scale);
        return (
          <g key={d.k}>
            <text x={x + (d.bar * scale) / 2} y={TOP - 8} textAnchor="middle" fontSize="14" className="fill-blue font-mono">
              {lengthText(nm(d.bar), units)}
            </text>
            {!d.free && <rect x={x + inset} y={TOP + thick} width={d.frame * scale} height={d.height * scale - thick} className="fill-straw-pale stroke-ink" />}
            {d.free && <path d={`M${x + inset} ${TOP + thick}h${d.frame * scale}`} className="stroke-ink" />}
            <rect x={x} y={TOP} width={d.bar * scale} height={thick} className="fill-straw stroke-ink" />
            <MarkAt k={d.k} x={x + inset + 16} y={TOP + thick + 16} />
            <text x={x + (d.bar * scale) / 2} y={TOP + thick + 36} textAnchor="middle" fontSize="14" fontWeight={650} className="fill-ink">
              {d.name.length > 22 ? `${d.name.slice(0, 21)}…` : d.name}
            </text>
            {pinned.map((said, p) => (
              <text key={p} x={x + (d.bar * scale) / 2} y={TOP + thick + 54 + 17 * p} textAnchor="middle" fontSize="13" className="fill-ink font-mono">
                {said[d.k]}
              </text>
            ))}
          </g>
        );
      })}
    </svg>
  );
} // prettier-ignore
