import { useId, useMemo } from "react";
import { section } from "@/core/shape/assembly";
import { inch, type Units } from "@/core/length/length";
import { type Shape, lengthOf } from "@/core/shape/shape";
import { bodyOf } from "@/core/line/shapes";
import { paper } from "./paper";
import { SvgMeasure } from "./SvgMeasure";
import { Grain, Wood } from "./Wood";

/** One corner seen from above, cut low in the wall, with the joint as it is cut. */
export function CornerDetail({
  body,
  units,
  litKey,
  onPart,
}: {
  body: Shape;
  units: Units;
  litKey?: string | null;
  onPart(id: string): void;
}) {
  const b = bodyOf(body);
  const clip = useId();
  const cut = useMemo(() => section(body, "z", Math.round(b.depth / 5)).filter((o) => o.cut), [body, b.depth]);
  const t = lengthOf(body, "thickness");
  const lap = lengthOf(body, "lap");
  const joint = body.scope.working("joint").value;
  const inEnds = joint.kind === "word" && joint.of === "rabbet-ends";
  const inSides = joint.kind === "word" && joint.of === "rabbet-sides";
  const [from, shown] = inEnds ? [t - lap, lap] : [0, t];
  const scale = Math.min(62 / (inch(1) / 1e6), 76 / (t / 1e6));
  const p = paper({ x: 44, y: 104 }, 0, 0, scale);
  return (
    <svg viewBox="0 0 264 132" className="block w-full" role="img" aria-label="corner joint seen from above">
      <Grain />
      <clipPath id={clip}>
        <rect x="38" y="4" width="150" height="106" />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <Wood outlines={cut} p={p} litKey={litKey} onLight={onPart} />
      </g>
      <path d={`M${p.x(from)} 118H${p.x(t)}M${p.x(from)} 114v8M${p.x(t)} 114v8`} stroke="var(--color-blue)" />
      <SvgMeasure value={shown} units={units} x={p.x(t) + 6} y={119} size={12} />
      {inSides && (
        <>
          <path
            d={`M34 ${p.y(t - lap)}V${p.y(t)}M30 ${p.y(t - lap)}h8M30 ${p.y(t)}h8`}
            stroke="var(--color-blue)"
            fill="none"
          />
          <SvgMeasure value={lap} units={units} x={28} y={p.y(t - lap / 2)} size={12} anchor="end" />
        </>
      )}
      <g fontSize="12" fill="var(--color-soft)">
        <text x="196" y={p.y(t / 2) + 4}>
          side
        </text>
        <text x={p.x(t) + 8} y="18">
          end
        </text>
      </g>
    </svg>
  );
}
