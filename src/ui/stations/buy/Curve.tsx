"use client";
import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from "recharts";
import { type Currency, fromMinor } from "@/core/money/money";
import { eachOf, type Way, type WayCost } from "@/core/order/makeorbuy";

const STROKE: Record<Way, { color: string; dash?: string }> = {
  "wood bought": { color: "var(--color-spruce)" },
  "own wood": { color: "var(--color-spruce)", dash: "6 4" },
  "parts cut": { color: "var(--color-blue)", dash: "2 4" },
  kit: { color: "var(--color-blue)" },
  "ready made": { color: "var(--color-madder)" },
};

/** What one costs by each way, over how many are made at once. */
export default function Curve({ ways, quantity, currency }: { ways: WayCost[]; quantity: number; currency: Currency }) {
  const most = 10 ** Math.max(2, Math.ceil(Math.log10(quantity * 2)));
  const at: number[] = [];
  for (let n = 1; n < most; n *= 1.25) at.push(n);
  at.push(most);
  const data = at.map((n) => ({
    n,
    ...Object.fromEntries(ways.map((w) => [w.way, fromMinor(Math.round(eachOf(w, n)), currency)])),
  }));
  const cheapest = Math.min(...ways.map((w) => w.each));
  const top = fromMinor(Math.round(Math.max(cheapest * 4, ...ways.map((w) => eachOf(w, quantity) * 1.3))), currency);
  return (
    <figure className="my-2">
      <LineChart
        width={480}
        height={190}
        data={data}
        margin={{ top: 8, right: 14, bottom: 4, left: 0 }}
        accessibilityLayer={false}
      >
        <CartesianGrid stroke="var(--color-rule)" vertical={false} />
        <XAxis
          dataKey="n"
          type="number"
          scale="log"
          domain={[1, most]}
          ticks={[1, 10, 100, 1000, 10_000].filter((t) => t <= most)}
          tick={{ fontSize: 12 }}
          stroke="#56605b"
        />{" "}
        {/* prettier-ignore */}
        <YAxis type="number" domain={[0, Math.ceil(top)]} allowDataOverflow tick={{ fontSize: 12 }} width={48} stroke="#56605b" />
        <ReferenceLine
          x={quantity}
          stroke="var(--color-ink)"
          strokeDasharray="1 3"
          label={{ value: String(quantity), fontSize: 12, position: "insideTopRight" }}
        />{" "}
        {/* prettier-ignore */}
        {ways.map(
          (w) =>
          <Line key={w.way} dataKey={w.way} stroke={STROKE[w.way].color} strokeDasharray={STROKE[w.way].dash} strokeWidth={2} dot={false} isAnimationActive={false} />, // prettier-ignore
        )}
      </LineChart>
      <figcaption className="flex flex-wrap gap-x-4 text-[.87rem]">
        <span className="text-soft">what one costs, by how many are made at once:</span>
        {ways.map((w) => (
          <span key={w.way} className="inline-flex items-center gap-1.5">
            <svg width="22" height="8" aria-hidden>
              <line
                x1="0"
                y1="4"
                x2="22"
                y2="4"
                stroke={STROKE[w.way].color}
                strokeWidth="2"
                strokeDasharray={STROKE[w.way].dash}
              />
            </svg>
            {w.way}
          </span>
        ))}
      </figcaption>
    </figure>
  );
}
