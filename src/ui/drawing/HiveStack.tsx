import { useMemo } from "react";
import { type Standing, heightOf } from "@/core/line/standing";
import { nm, type Units } from "@/core/length/length";
import { reach, section } from "@/core/shape/assembly";
import { lengthOf, type Shape } from "@/core/shape/shape";
import { moved, paper } from "./paper";
import { StoryStick } from "./StoryStick";
import { Grain, Wood } from "./Wood";

const WIDE = 560;
const HIGH = 560;

/** A hive cut through its length, to scale, from the ground up; its story stick carries every joint. */
export function HiveStack({
  standing,
  units,
  chosen,
  onChoose,
}: {
  standing: Standing[];
  units: Units;
  chosen: number | null;
  onChoose(at: number): void;
}) {
  const height = heightOf(standing);
  const drawn = useMemo(
    () =>
      [...standing]
        .sort((a, b) => Number(b.as === "jacket") - Number(a.as === "jacket"))
        .map((s) => ({ s, outlines: s.shape ? cut(s, s.shape) : [] })),
    [standing],
  );
  const half = useMemo(
    () =>
      Math.max(
        1,
        ...standing.map((s) => s.outside.length / 2),
        ...drawn.flatMap((d) => d.outlines.flatMap((o) => o.rings.flat(2).map(([x]) => Math.abs(x)))),
      ),
    [standing, drawn],
  );
  const scale = Math.min((WIDE - 170) / ((2 * half) / 1e6), (HIGH - 40) / (Math.max(height, 1) / 1e6));
  const middle = 150 + (WIDE - 160) / 2;
  const p = paper({ x: middle, y: 24 }, 0, height, scale);
  const joints = [...new Map(standing.filter((s) => s.as !== "jacket").map((s) => [height - s.foot, s])).entries()];
  const marks = [
    { key: "mark top", at: nm(0), label: "top" },
    ...joints.map(([at, s]) => ({ key: `level ${s.at}`, at: nm(at), label: `foot of ${s.title.toLowerCase()}` })),
  ].sort((a, b) => a.at - b.at);
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${p.y(0) + 20}`}
      className="block max-h-[calc(100dvh-220px)] w-full print:max-h-[140mm]"
      role="img"
      aria-label={`the hive, ${standing.length} levels, to scale`}
    >
      <Grain />
      <path d={`M${middle - (WIDE - 170) / 2} ${p.y(0)}H${WIDE - 4}`} stroke="var(--color-ink)" strokeWidth="1" />
      {drawn.map(({ s, outlines }) => {
        const lit = chosen === s.at;
        return (
          <g key={s.at} onClick={() => onChoose(s.at)} style={{ cursor: "pointer" }}>
            <title>{s.title}</title>
            {s.shape ? (
              <>
                <Wood outlines={outlines} p={p} litKey={lit ? `part ${outlines[0]?.part.id}` : null} />
                {s.frame && <Hung s={s} frame={s.frame} p={p} />}
              </>
            ) : (
              <Bought s={s} p={p} />
            )}
            {lit && (
              <path
                d={`M${p.x(s.outside.length / 2) + 12} ${p.y(s.foot)}V${p.y(s.foot + s.height)}`}
                stroke="var(--color-blue)"
                strokeWidth="4"
              />
            )}
          </g>
        );
      })}
      <StoryStick
        marks={marks}
        p={p}
        x={78}
        top={height}
        bottom={0}
        units={units}
        litKey={chosen === null ? null : `level ${chosen}`}
        onLight={(m) => m.key.startsWith("level ") && onChoose(Number(m.key.slice(6)))}
      />
    </svg>
  );
}

type P = ReturnType<typeof paper>;

/** The item's section through its middle, its middle on the hive's, its seat on the level below. */
function cut(s: Standing, shape: Shape) {
  const [x0, x1] =
    s.as === "jacket"
      ? reach(shape, "x")
      : s.as === "stand"
        ? reach(shape, "x", "rail", "deck")
        : [0, s.outside.length];
  const [y0, y1] = s.as === "jacket" || s.as === "stand" ? reach(shape, "y") : [0, s.outside.width];
  const low = s.skirt ? s.foot - s.skirt.deep : s.foot - Math.min(0, s.as === "jacket" ? 0 : reach(shape, "z")[0]);
  const seen = section(shape, "y", Math.round((y0 + y1) / 2) + 1).filter((o) => o.part.role !== "skin");
  return moved(seen, -(x0 + x1) / 2, low);
}

/** One frame where it hangs, in outline. */
function Hung({ s, frame, p }: { s: Standing; frame: Shape; p: P }) {
  if (!frame.scope.has("frameLength")) return null;
  const half = lengthOf(frame, "frameLength") / 2;
  const [top, low] = [p.y(s.foot + s.height - s.over), p.y(s.foot + s.under)];
  if (s.frames > 0 && half * 2 > s.outside.length * 0.7)
    return (
      <rect
        x={p.x(-half)}
        y={top}
        width={p.d(half * 2)}
        height={Math.max(0, low - top)}
        fill="none"
        stroke="var(--color-straw-line)"
        strokeWidth="1"
        strokeDasharray="4 3"
      />
    );
  return null;
}

/** A box that was measured in: its walls, without joints. */
function Bought({ s, p }: { s: Standing; p: P }) {
  const inside = s.inside ?? s.outside;
  const wall = (s.outside.length - inside.length) / 2;
  const [y, high] = [p.y(s.foot + s.height), p.d(s.height)];
  return (
    <g fill="#fff" stroke="var(--color-ink)">
      <rect
        x={p.x(-s.outside.length / 2)}
        y={y}
        width={p.d(s.outside.length)}
        height={high}
        strokeDasharray="6 3"
        fillOpacity=".4"
      />
      <rect x={p.x(-s.outside.length / 2)} y={y} width={p.d(wall)} height={high} fill="url(#long-grain)" />
      <rect x={p.x(s.outside.length / 2 - wall)} y={y} width={p.d(wall)} height={high} fill="url(#long-grain)" />
    </g>
  );
}
