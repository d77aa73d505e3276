import type { Bands } from "@/core/fit/finding";
import type { Length } from "@/core/length/length";

/** The gauge's full width is 18 mm: twice the middle of the open band and then some. */
const FULL = 18_000_000;

/** A fit as a short bar: glues · open · bridges, broken where care is wanted, with a pointer at the gap. True to scale. */
export function GapGauge({ value, bands }: { value: Length; bands: Bands }) {
  const x = (v: number) => (Math.max(0, Math.min(FULL, v)) / FULL) * 276;
  const bar = (from: number, to: number, color: string, broken?: boolean) => (
    <path
      d={`M${x(from)} 13H${x(to)}`}
      stroke={color}
      strokeWidth={color === "var(--color-spruce)" ? 7 : 5}
      strokeDasharray={broken ? "3 3" : undefined}
    />
  );
  const at = Math.max(4, Math.min(272, x(value)));
  return (
    <svg viewBox="0 0 276 20" className="my-0.5 block w-full" aria-hidden="true">
      {bar(0, bands.glues, "var(--color-madder)")}
      {bar(bands.glues, bands.open[0], "var(--color-madder)", true)}
      {bar(bands.open[0], bands.open[1], "var(--color-spruce)")}
      {bar(bands.open[1], bands.bridges, "var(--color-madder)", true)}
      {bar(bands.bridges, FULL, "var(--color-madder)")}
      <path d={`M${at} 10l-5 -9h10z`} fill="var(--color-ink)" />
      <path d={`M${at} 9v9`} stroke="var(--color-ink)" strokeWidth="1.4" />
    </svg>
  );
}
