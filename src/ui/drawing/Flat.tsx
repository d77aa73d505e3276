import type { Part } from "@/core/shape/part";
import { faceOf } from "@/core/drawing/face";
import { nm, type Units } from "@/core/length/length";
import { Dimension } from "./Dimension";

const WIDE = 738;

/** A sheet part laid flat, to be cut and folded: outline, cuts, fold lines drawn dash-dot, and every size a person marks out. */
export function Flat({ part, units }: { part: Part; units: Units }) {
  const face = faceOf(part);
  const { l, w } = part.size;
  const k = Math.min((WIDE - 190) / l, 380 / w);
  const [x0, y0] = [150, 74];
  const x = (v: number) => x0 + v * k;
  const y = (v: number) => y0 + v * k;
  const folds = face.cuts.flatMap((c) =>
    c.line ? [{ line: c.line, run: c.feature.fold!, at: c.feature.measures.at! }] : [],
  );
  const across = [...new Set(folds.filter((f) => f.run === "across").map((f) => f.at))].sort((a, b) => a - b);
  const along = [...new Set(folds.filter((f) => f.run === "along").map((f) => f.at))].sort((a, b) => a - b);
  const steps = (at: number[], whole: number) =>
    [0, ...at, whole].slice(1).map((to, i) => [[0, ...at, whole][i]!, to] as const);
  const path = (ring: [number, number][]) =>
    `M${ring.map(([a, b]) => `${x(a).toFixed(1)} ${y(b).toFixed(1)}`).join("L")}Z`;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${y(w) + 52}`}
      className="block w-full"
      role="img"
      aria-label={`${part.name}: laid flat, with ${folds.length} fold lines`}
    >
      <path
        d={face.outline.flat().map(path).join("")}
        fill="#fff"
        stroke="var(--color-ink)"
        strokeWidth="1.4"
        fillRule="evenodd"
      />
      {face.cuts
        .filter((c) => c.feature.kind === "notch" && c.feature.face === "through")
        .flatMap((c) =>
          c.rings.map((r, i) => (
            <path
              key={`${c.feature.name} ${i} ${r.join()}`}
              d={path(r)}
              stroke="var(--color-madder)"
              strokeWidth="2"
              fill="none"
            />
          )),
        )}
      {folds.map((f) => (
        <path
          key={`${f.run} ${f.at}`}
          d={`M${x(f.line[0][0])} ${y(f.line[0][1])}L${x(f.line[1][0])} ${y(f.line[1][1])}`}
          stroke="var(--color-blue)"
          strokeWidth="1.2"
          strokeDasharray="12 3 2 3"
        />
      ))}
      <Dimension run="across" from={x(0)} to={x(l)} at={18} value={l} units={units} reach={y0 - 4} />
      <Dimension run="down" from={y(0)} to={y(w)} at={34} value={w} units={units} reach={x0 - 4} />
      {across.length > 0 &&
        steps(across, l).map(([a, b]) => (
          <Dimension
            key={`x${a}`}
            run="across"
            from={x(a)}
            to={x(b)}
            at={50}
            value={nm(b - a)}
            units={units}
            reach={y0 - 4}
          />
        ))}
      {along.length > 0 &&
        steps(along, w).map(([a, b]) => (
          <Dimension
            key={`y${a}`}
            run="down"
            from={y(a)}
            to={y(b)}
            at={96}
            value={nm(b - a)}
            units={units}
            reach={x0 - 4}
          />
        ))}
      <text x={x0} fontSize="12.5" fill="var(--color-soft)">
        <tspan x={x0} y={y(w) + 22}>
          {part.name}: fold down on the dash-dot lines
        </tspan>
        {part.features.some((f) => f.name === "parcel cut") && (
          <tspan x={x0} y={y(w) + 40}>
            cut the red lines; the tab beside each goes round the corner, under the long fold
          </tspan>
        )}
      </text>
    </svg>
  );
}
