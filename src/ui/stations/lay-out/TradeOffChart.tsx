"use client";
import { CartesianGrid, Line, LineChart, ReferenceDot, ReferenceLine, XAxis, YAxis } from "recharts";
import type { LayoutResult } from "@/core/layout/layout";
import type { TradeOffPoint } from "@/core/layout/tradeoff";

/** Cost against set-ups; the full dot is the layout shown. */
export default function TradeOffChart({ points, shown }: { points: TradeOffPoint[]; shown: LayoutResult }) {
  return (
    <LineChart
      width={292}
      height={150}
      data={points}
      margin={{ top: 8, right: 14, bottom: 4, left: 0 }}
      accessibilityLayer={false}
    >
      <CartesianGrid stroke="var(--color-rule)" vertical={false} />
      <XAxis
        dataKey="setUps"
        type="number"
        domain={["dataMin - 1", "dataMax + 1"]}
        allowDecimals={false}
        tick={{ fontSize: 12 }}
        stroke="#56605b"
      />
      <YAxis
        dataKey="cost"
        type="number"
        domain={["dataMin", "dataMax"]}
        tick={{ fontSize: 12 }}
        width={48}
        tickFormatter={(v: number) => String(Math.round(v))}
        stroke="#56605b"
      />
      <ReferenceLine y={shown.boundCost} stroke="#56605b" strokeDasharray="5 3" ifOverflow="extendDomain" />
      <ReferenceLine x={shown.fewestSetUps} stroke="#56605b" strokeDasharray="5 3" ifOverflow="extendDomain" />
      <Line
        dataKey="cost"
        stroke="var(--color-blue)"
        strokeWidth={1.5}
        dot={{ r: 3.5, fill: "#fff" }}
        isAnimationActive={false}
      />
      <ReferenceDot
        x={shown.setUps}
        y={shown.cost}
        r={6}
        fill="var(--color-spruce)"
        stroke="none"
        ifOverflow="extendDomain"
      />
    </LineChart>
  );
}
