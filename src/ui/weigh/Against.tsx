"use client";
import { CartesianGrid, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from "recharts";
import { lengthText } from "@/core/length/format";
import { NM_PER_INCH, NM_PER_MM, type Units } from "@/core/length/length";
import { FIGURES } from "@/core/weigh/compare";
import type { Row } from "@/core/weigh/rows";
import { MarkAt } from "./Mark";

/** Pairs of figures that are looked at together: across and up. */
const PAIRS = [
  ["comb", "frame"],
  ["wall", "loss"],
  ["minutes", "money"],
] as const;

const figureOf = (id: string) => FIGURES.find((f) => f.id === id)!;

interface At {
  /** Which thing's mark. */
  k: number;
  name: string;
  x: number;
  y: number;
}
const Point = (p: { cx?: number; cy?: number; payload?: At }) => <MarkAt k={p.payload!.k} x={p.cx!} y={p.cy!} />;

/** One figure against another, a mark a thing, for people who would rather look; of boxes the lift of each from where it stands. */
export default function Against({ rows, units, many }: { rows: Row[]; units: Units; many: number }) {
  const index = figureOf("index");
  const [unit, each] = units === "in" ? ["inches", NM_PER_INCH] : ["mm", NM_PER_MM];
  const lifts = rows.flatMap((r, k) => r.lifts.map(({ judged, lift, what }): At => ({ k, name: `${r.name}, ${what.toLowerCase()} at ${lengthText(lift.up, units)}`, x: Number(judged.index.toFixed(1)), y: Number((lift.up / each).toFixed(0)) })));
  return (
    <div className="mt-4 flex flex-wrap gap-x-8">
      {PAIRS.map(([across, up]) => {
        const [a, u] = [figureOf(across), figureOf(up)];
        const points = rows.flatMap((r, k): At[] => {
          const [x, y] = [a.of(r, many), u.of(r, many)];
          return x === null || y === null ? [] : [{ k, name: r.name, x: Number(a.text(x, units)), y: Number(u.text(y, units)) }];
        });
        return <Chart key={`${across} ${up}`} points={points} across={[a.label, a.unit(units, rows)]} up={[u.label, u.unit(units, rows)]} />;
      })}
      <Chart points={lifts.filter((p) => Number.isFinite(p.x))} across={[index.label, index.unit(units)]} up={["Hands above the ground", unit]} most={1} />
    </div>
  );
} // prettier-ignore

/** Points by two figures; `most` is how far across is well. */
function Chart({ points, across, up, most }: { points: At[]; across: [string, string]; up: [string, string]; most?: number }) {
  if (new Set(points.map((p) => `${p.x} ${p.y}`)).size < 2) return null;
  const name = `${up[0]} against ${across[0].toLowerCase()}`;
  const widest = Math.max(...points.map((p) => p.x), most ?? 0);
  return (
    <figure role="img" aria-label={`${name}: ${points.map((p) => `${p.name} ${p.x}, ${p.y}`).join("; ")}`}>
      <figcaption className="small-head">
        {up.join(" ")} against {across[0].toLowerCase()} {across[1]}
      </figcaption>
      <ScatterChart width={370} height={190} margin={{ top: 10, right: 16, bottom: 4, left: 0 }} accessibilityLayer={false}>
        <CartesianGrid stroke="var(--color-rule)" />
        <XAxis dataKey="x" type="number" domain={most === undefined ? ["auto", "auto"] : [0, Math.ceil(widest)]} tick={{ fontSize: 12 }} stroke="var(--color-soft)" />
        <YAxis dataKey="y" type="number" domain={most === undefined ? ["auto", "auto"] : [0, "auto"]} tick={{ fontSize: 12 }} stroke="var(--color-soft)" width={52} />
        {most !== undefined && <ReferenceLine x={most} stroke="var(--color-madder)" strokeDasharray="4 3" />}
        <Scatter data={points} isAnimationActive={false} shape={Point} />
      </ScatterChart>
    </figure>
  );
} // prettier-ignore
