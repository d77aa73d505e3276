import { inchParts, mmText } from "@/core/length/format";
import type { Length, Units } from "@/core/length/length";

/** Advance of the mono face, in em. */
const EM = 0.6;
/** A stacked fraction's figures against the whole number's. */
const STACK = 0.72;

/** How wide a measure is set at `size` px. */
export function measureWidth(value: Length, units: Units, size: number): number {
  if (units === "mm") return mmText(value).length * EM * size;
  const { whole, num, den, exact, negative } = inchParts(value);
  const head = `${exact ? "" : "≈"}${negative ? "−" : ""}${whole > 0 || num === 0 ? whole : ""}`;
  return head.length * EM * size + (num > 0 ? fractionWidth(num, den, size) + 0.08 * size : 0);
}
const fractionWidth = (num: number, den: number, size: number) =>
  Math.max(String(num).length, String(den).length) * EM * size * STACK;

/** A measure in a drawing, its fraction stacked; `x` is its left end, or its middle or right end by `anchor`. */
export function SvgMeasure({
  value,
  units,
  x,
  y,
  size = 14,
  fill = "var(--color-blue)",
  weight = 400,
  anchor = "start",
}: {
  value: Length;
  units: Units;
  x: number;
  y: number;
  size?: number;
  fill?: string;
  weight?: number;
  anchor?: "start" | "middle" | "end";
}) {
  const width = measureWidth(value, units, size);
  const left = x - (anchor === "middle" ? width / 2 : anchor === "end" ? width : 0);
  const font = { fontFamily: "var(--font-mono)", fill, fontWeight: weight };
  if (units === "mm")
    return (
      <text x={left} y={y + size * 0.35} fontSize={size} {...font}>
        {mmText(value).replace("-", "−")}
      </text>
    );
  const { whole, num, den, exact, negative } = inchParts(value);
  const head = `${exact ? "" : "≈"}${negative ? "−" : ""}${whole > 0 || num === 0 ? whole : ""}`;
  const at = left + head.length * EM * size + 0.08 * size;
  const fw = fractionWidth(num, den, size);
  return (
    <g {...font}>
      <text x={left} y={y + size * 0.35} fontSize={size}>
        {head}
      </text>
      {num > 0 && (
        <>
          <text x={at + fw / 2} y={y - size * 0.1} fontSize={size * STACK} textAnchor="middle">
            {num}
          </text>
          <path d={`M${at} ${y}h${fw}`} stroke={fill} strokeWidth={Math.max(0.8, size / 16)} />
          <text x={at + fw / 2} y={y + size * 0.63} fontSize={size * STACK} textAnchor="middle">
            {den}
          </text>
        </>
      )}
    </g>
  );
}
