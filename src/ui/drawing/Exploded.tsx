import { Fragment, useMemo } from "react";
import { exploded, explodedBox } from "@/core/drawing/exploded";
import type { Shape } from "@/core/shape/shape";

const FILL = { x: "#efe0bd", y: "var(--color-straw-pale)", z: "#fdf9ee" };

/** What is cut into a face. */
const RECESS = "#cfb98c";

/** The item pulled apart, each part with its letter. */
export function Exploded({
  shape,
  litKey,
  changed,
}: {
  shape: Shape;
  litKey?: string | null;
  /** Parts to outline, by id: those that differ. */
  changed?: ReadonlySet<string>;
}) {
  const parts = useMemo(() => exploded(shape), [shape]);
  const { x, y } = explodedBox(parts);
  const k = Math.min(720 / (x[1] - x[0]), 420 / (y[1] - y[0]));
  const at = ([a, b]: [number, number]): [number, number] => [(a - x[0]) * k + 10, (b - y[0]) * k + 10];
  const point = (q: [number, number]) => at(q).map((v) => v.toFixed(1)).join(" "); // prettier-ignore
  const drawn = (rings: [number, number][][]) => rings.map((r) => `M${r.map(point).join("L")}Z`).join("");
  return (
    <svg
      viewBox={`0 0 ${(x[1] - x[0]) * k + 20} ${(y[1] - y[0]) * k + 20}`}
      className="mx-auto block max-h-[26rem] w-full"
      role="img"
      aria-label={`${shape.title}, pulled apart`}
    >
      {parts.map((p, i) => (
        <g key={i}>
          {p.facets.map((f, n) => (
            <Fragment key={n}>
              <path
                d={drawn(f.rings)}
                fill={FILL[f.looks]}
                fillRule="evenodd"
                className={
                  litKey === `part ${p.part.id}` ? "lit-wood" : changed?.has(p.part.id) ? "changed-wood" : "wood-edge"
                }
                strokeLinejoin="round"
              />
              {f.recess.length > 0 && (
                <path
                  d={drawn(f.recess)}
                  fill={RECESS}
                  fillRule="evenodd"
                  className="wood-edge"
                  strokeLinejoin="round"
                />
              )}
            </Fragment>
          ))}
        </g>
      ))}
      {parts.map((p, i) => {
        const [lx, ly] = at(p.label);
        return (
          <g key={i}>
            <circle cx={lx} cy={ly} r="9.5" fill="#fff" stroke="var(--color-ink)" />
            <text x={lx} y={ly + 4.5} textAnchor="middle" fontSize="12.5" fontWeight="650">
              {p.letter}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
