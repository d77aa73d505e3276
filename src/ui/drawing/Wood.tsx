import type { Outline } from "@/core/shape/assembly";
import { type Paper, pathOf } from "./paper";

/** The hatching of end grain and the pale of a long cut; once in every drawing that has wood. */
export function Grain() {
  return (
    <defs>
      <pattern id="end-grain" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(40)">
        <rect width="6" height="6" fill="var(--color-straw)" />
        <path d="M0 0V6" stroke="var(--color-straw-line)" strokeWidth="1" />
      </pattern>
      <pattern id="long-grain" width="80" height="5" patternUnits="userSpaceOnUse">
        <rect width="80" height="5" fill="var(--color-straw-pale)" />
        <path d="M0 4.5H80" stroke="#e3d2a8" strokeWidth=".6" />
      </pattern>
      <pattern id="woven" width="5" height="5" patternUnits="userSpaceOnUse">
        <rect width="5" height="5" fill="#fff" />
        <path d="M0 2.5H5M2.5 0V5" stroke="#8a8f88" strokeWidth=".5" />
      </pattern>
    </defs>
  );
}

/** Wood as drawn: end grain hatched, long grain ruled, what stands behind the cut in outline. */
export function Wood({
  outlines,
  p,
  litKey,
  changed,
  onLight,
}: {
  outlines: Outline[];
  p: Paper;
  litKey?: string | null;
  /** Parts to outline, by id: those that differ. */
  changed?: ReadonlySet<string>;
  onLight?: (partId: string) => void;
}) {
  const behindFirst = [...outlines].sort((a, b) => Number(a.cut) - Number(b.cut));
  return (
    <g>
      {behindFirst.map((o, i) => (
        <path
          key={i}
          d={pathOf(o, p)}
          fillRule="evenodd"
          fill={fillOf(o)}
          className={
            litKey === `part ${o.part.id}` ? "lit-wood" : changed?.has(o.part.id) ? "changed-wood" : "wood-edge"
          }
          strokeOpacity={o.cut || litKey === `part ${o.part.id}` ? 1 : 0.55}
          onMouseEnter={() => onLight?.(o.part.id)}
        />
      ))}
    </g>
  );
}

/** Wood shows its grain, mesh its weave; sheet metal, plastic and foam are left white. */
function fillOf(o: Outline): string {
  if (o.part.material === "mesh") return "url(#woven)";
  if (!o.cut || (o.part.material !== "wood" && o.part.material !== "ply")) return "#fff";
  return o.grain === "end" ? "url(#end-grain)" : "url(#long-grain)";
}
