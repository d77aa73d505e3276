"use client";
import { useEffect, useState } from "react";
import { CartesianGrid, Line, LineChart, XAxis, YAxis } from "recharts";
import { type Currency, fromMinor, type Minor } from "@/core/money/money";
import { askServer } from "@/ui/parts/askServer";
import { dayText } from "@/ui/parts/words";

interface Priced {
  supplier: number;
  pack: number;
  price: Minor;
  currency: Currency;
  at: string;
}
const STROKES = [
  { color: "var(--color-spruce)" },
  { color: "var(--color-madder)", dash: "6 3" },
  { color: "var(--color-blue)", dash: "2 3" },
  { color: "var(--color-ink)", dash: "8 3 2 3" },
];

/** What a pack of a thing cost over time, seller by seller: a price holds until the next. */
export default function PriceHistory({
  thing,
  suppliers,
  now,
}: {
  thing: string;
  suppliers: { id: number; name: string | null }[];
  now: number;
}) {
  const [history, setHistory] = useState<Priced[] | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    askServer<Priced[]>(`/api/orders/prices?thing=${encodeURIComponent(thing)}`)
      .then(setHistory)
      .catch((e: Error) => setWrong(e.message));
  }, [thing]);
  if (!history) return <p className={wrong ? "text-madder" : "text-soft"}>{wrong ?? "looking it up …"}</p>;
  const nameOf = (id: number) =>
    id === 0 ? "the catalogue" : (suppliers.find((s) => s.id === id)?.name ?? "left out");
  const series = [...new Set(history.map((p) => `${p.supplier} ${p.pack}`))];
  const rows = [...new Set([...history.map((p) => Date.parse(p.at)), now])].sort((a, b) => a - b);
  const at = (name: string, when: number) => history.findLast((p) => `${p.supplier} ${p.pack}` === name && Date.parse(p.at) <= when); // prettier-ignore
  const data = rows.map((when) => ({ when, ...Object.fromEntries(series.map((name) => { const p = at(name, when); return [name, p && fromMinor(p.price, p.currency)]; })) })); // prettier-ignore
  return (
    <figure className="my-1">
      <LineChart
        width={420}
        height={150}
        data={data}
        margin={{ top: 8, right: 14, bottom: 4, left: 0 }}
        accessibilityLayer={false}
      >
        <CartesianGrid stroke="var(--color-rule)" vertical={false} />
        <XAxis
          dataKey="when"
          type="number"
          domain={["dataMin", "dataMax"]}
          tickFormatter={(ms: number) => dayText(new Date(ms).toISOString().slice(0, 10))}
          tick={{ fontSize: 12 }}
          stroke="#56605b"
          tickCount={3}
        />
        <YAxis type="number" domain={["auto", "auto"]} tick={{ fontSize: 12 }} width={48} stroke="#56605b" />
        {series.map((name, i) => (
          <Line
            key={name}
            dataKey={name}
            type="stepAfter"
            stroke={STROKES[i % STROKES.length]!.color}
            strokeDasharray={STROKES[i % STROKES.length]!.dash}
            strokeWidth={2}
            dot={{ r: 2.5 }}
            isAnimationActive={false}
          />
        ))}
      </LineChart>
      <figcaption className="flex flex-wrap gap-x-4 text-[.87rem]">
        {series.map((name, i) => {
          const [supplier, pack] = name.split(" ").map(Number) as [number, number];
          return (
            <span key={name} className="inline-flex items-center gap-1.5">
              <svg width="22" height="8" aria-hidden>
                <line
                  x1="0"
                  y1="4"
                  x2="22"
                  y2="4"
                  stroke={STROKES[i % STROKES.length]!.color}
                  strokeWidth="2"
                  strokeDasharray={STROKES[i % STROKES.length]!.dash}
                />
              </svg>
              {nameOf(supplier)}
              {pack !== 1 && `, pack of ${pack}`}
            </span>
          );
        })}
      </figcaption>
    </figure>
  );
}
