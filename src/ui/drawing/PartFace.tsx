import { faceOf } from "@/core/drawing/face";
import type { Length, Units } from "@/core/length/length";
import type { Part } from "@/core/shape/part";
import { Dimension } from "./Dimension";

const WIDE = 430;
const LEFT = 92;
/** Between two dimension lines. */
const ROW = 26;
/** More distances along a part than this are in the table, not on the drawing. */
const MOST = 5;

/** One distance a person measures: from which end or edge, and how far. */
interface Distance {
  from: "near" | "other";
  value: Length;
}

/** From where to where a distance is measured, on a part so long. */
const reaches = ({ from, value }: Distance, whole: number): [number, number] =>
  from === "near" ? [0, value] : [whole - value, whole];

/** The distances of a part's cuts along it and across it, each once; those that run all along have none. */
function distancesOf(part: Part): { along: Distance[]; across: Distance[] } {
  const once = (all: Distance[]) =>
    [...new Map(all.filter((d) => d.value > 0).map((d) => [`${d.from} ${d.value}`, d])).values()]
      .sort((a, b) => a.value - b.value)
      .slice(0, MOST);
  const named = (side: string, near: string): Distance["from"] => (side === near ? "near" : "other");
  const cuts = part.features.filter((f) => !f.fold && f.kind !== "fingers");
  const rows = (of: "end" | "edge", side: 0 | 1, near: string, first: "along" | "across") =>
    once(
      cuts.flatMap(({ at, marks }) => {
        const values = marks?.along === of ? marks.at : at[first] === null ? [] : [at[first]];
        return values.map((value) => ({ from: named(at.from[side], near), value }));
      }),
    );
  return { along: rows("end", 0, "left end", "along"), across: rows("edge", 1, "reference edge", "across") };
}

/**
 * A part as it lies on the bench, its reference face up: what is cut into it, and every distance from an end or an edge that a cut
 * is set out by. What is cut into the other face is dashed.
 */
export function PartFace({ part, letter, units }: { part: Part; letter: string; units: Units }) {
  const face = faceOf(part);
  const { l, w } = part.size;
  const { along, across } = distancesOf(part);
  const k = Math.min((WIDE - LEFT - 30) / l, 150 / w);
  const top = 40;
  const x = (v: number) => LEFT + v * k;
  const y = (v: number) => top + Math.max(v * k, 0);
  const path = (ring: [number, number][]) =>
    `M${ring.map(([a, b]) => `${x(a).toFixed(1)} ${y(b).toFixed(1)}`).join("L")}Z`;
  // The same distance from both ends stands in one row.
  const values = [...new Set(along.map((d) => d.value))];
  const bottom = y(w) + 14 + values.length * ROW;
  return (
    <figure className="keep-together">
      <svg
        viewBox={`0 0 ${WIDE} ${bottom + 8}`}
        className="block w-full"
        role="img"
        aria-label={`${part.name}, where its cuts lie`}
      >
        <path
          d={face.outline.flat().map(path).join("")}
          fill="#fff"
          stroke="var(--color-ink)"
          strokeWidth="1.3"
          fillRule="evenodd"
        />
        {face.cuts.map((c) =>
          c.circle
            ? c.circle.map((o) => (
                <circle
                  key={`${c.feature.id} ${o.at.join()}`}
                  cx={x(o.at[0])}
                  cy={y(o.at[1])}
                  r={Math.max(1.5, o.radius * k)}
                  fill="none"
                  stroke="var(--color-ink)"
                />
              ))
            : c.rings.map((r) => (
                <path
                  key={`${c.feature.id} ${r.join()}`}
                  d={path(r)}
                  fill={c.feature.face === "far" ? "none" : "var(--color-bench)"}
                  stroke="var(--color-ink)"
                  strokeWidth=".8"
                  strokeDasharray={c.feature.face === "far" ? "5 3" : undefined}
                />
              )),
        )}
        <Dimension run="across" from={x(0)} to={x(l)} at={18} value={l} units={units} size={12} reach={top - 2} />
        <Dimension run="down" from={y(0)} to={y(w)} at={26} value={w} units={units} size={12} reach={LEFT - 4} />
        {along.map((d) => {
          const [from, to] = reaches(d, l);
          const at = y(w) + 20 + values.indexOf(d.value) * ROW;
          return <Dimension key={`${d.from} ${d.value}`} run="across" from={x(from)} to={x(to)} at={at} value={d.value} units={units} size={12} reach={y(w) + 2} />; // prettier-ignore
        })}
        {across.slice(0, 1).map((d) => {
          const [from, to] = reaches(d, w);
          return <Dimension key={`${d.from} ${d.value}`} run="down" from={y(from)} to={y(to)} at={66} value={d.value} units={units} size={12} reach={LEFT - 2} />; // prettier-ignore
        })}
      </svg>
      <figcaption className="text-[.87rem]">
        <b>{letter}</b> {part.name}, its {part.sides.reference} up
      </figcaption>
    </figure>
  );
}
