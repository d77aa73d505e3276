"use client";
import { CartesianGrid, Line, LineChart, XAxis, YAxis } from "recharts";
import type { Group } from "@/core/book/lasting";

const STROKES = ["var(--color-spruce)", "var(--color-madder)", "var(--color-blue)", "var(--color-ink)"];
const DASHES = ["", "6 3", "2 3", "8 3 2 3"];

/** What part lasts longer than so many years, a line a group. */
export default function LastingCurve({ groups }: { groups: Group[] }) {
  const shown = groups.filter((g) => g.steps.length > 0).slice(0, STROKES.length);
  const ages = [...new Set([0, ...shown.flatMap((g) => g.steps.map((s) => s.years))])].toSorted((a, b) => a - b);
  const data = ages.map((years) => ({ years, ...Object.fromEntries(shown.map((g) => [g.value, 100 * (g.steps.findLast((s) => s.years <= years)?.lasts ?? 1)])) })); // prettier-ignore
  return (
    <figure
      role="img"
      aria-label={`How long they last: ${shown.map((g) => `${g.value}, ${g.half === undefined ? "more than half still do" : `half ${g.half} years`}`).join("; ")}`}
    >
      <LineChart width={620} height={220} data={data} margin={{ top: 8, right: 16, bottom: 4, left: 0 }} accessibilityLayer={false}>
        <CartesianGrid stroke="var(--color-rule)" />
        <XAxis dataKey="years" type="number" domain={[0, "dataMax"]} tick={{ fontSize: 12 }} stroke="var(--color-soft)" unit=" y" />
        <YAxis type="number" domain={[0, 100]} tick={{ fontSize: 12 }} stroke="var(--color-soft)" unit=" %" width={52} />
        {shown.map((g, i) => (
          <Line key={g.value} type="stepAfter" dataKey={g.value} stroke={STROKES[i]!} strokeDasharray={DASHES[i]!} strokeWidth={2} dot={false} isAnimationActive={false} />
        ))}
      </LineChart>
      <figcaption className="text-[.9rem]">
        {shown.map((g, i) => (
          <span key={g.value} className="mr-5 inline-flex items-center gap-1.5">
            <svg width="28" height="6" aria-hidden="true">
              <line x1="0" x2="28" y1="3" y2="3" stroke={STROKES[i]!} strokeDasharray={DASHES[i]!} strokeWidth="2" />
            </svg>
            {g.value}
          </span>
        ))}
      </figcaption>
    </figure>
  );
} // prettier-ignore
