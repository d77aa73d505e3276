"use client";
import { CartesianGrid, Scatter, ScatterChart, XAxis, YAxis } from "recharts";
import type { Units } from "@/core/length/length";
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

const Point = (p: { cx?: number; cy?: number; payload?: { k: number } }) => (
  <MarkAt k={p.payload!.k} x={p.cx!} y={p.cy!} />
);

/** One figure against another, a mark a thing, for people who would rather look. */
export default function Against({ rows, units, many }: { rows: Row[]; units: Units; many: number }) {
  return (
    <div className="mt-4 flex flex-wrap gap-x-8">
      {PAIRS.map(([across, up]) => {
        const [a, u] = [figureOf(across), figureOf(up)];
        const points = rows.flatMap((r, k) => {
          const [x, y] = [a.of(r, many), u.of(r, many)];
          return x === null || y === null ? [] : [{ k, name: r.name, x: Number(a.text(x, units)), y: Number(u.text(y, units)) }];
        });
        if (new Set(points.map((p) => `${p.x} ${p.y}`)).size < 2) return null;
        const name = `${u.label} against ${a.label.toLowerCase()}`;
        return (
          <figure key={name} role="img" aria-label={`${name}: ${points.map((p) => `${p.name} ${p.x}, ${p.y}`).join("; ")}`}>
            <figcaption className="small-head">
              {u.label} {u.unit(units, rows)} against {a.label.toLowerCase()} {a.unit(units, rows)}
            </figcaption>
            <ScatterChart width={370} height={190} margin={{ top: 10, right: 16, bottom: 4, left: 0 }} accessibilityLayer={false}>
              <CartesianGrid stroke="var(--color-rule)" />
              <XAxis dataKey="x" type="number" domain={["auto", "auto"]} tick={{ fontSize: 12 }} stroke="var(--color-soft)" />
              <YAxis dataKey="y" type="number" domain={["auto", "auto"]} tick={{ fontSize: 12 }} stroke="var(--color-soft)" width={52} />
              <Scatter data={points} isAnimationActive={false} shape={Point} />
            </ScatterChart>
          </figure>
        );
      })}
    </div>
  );
} // prettier-ignore
