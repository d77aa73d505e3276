import { inchParts, lengthWithUnit, mmText } from "@/core/length/format";
import type { Length, Units } from "@/core/length/length";

/** A length as the trade writes it: a proper stacked fraction, or mm to 0.1. Read aloud with its unit. */
export function Measure({ value, units, className = "" }: { value: Length; units: Units; className?: string }) {
  return (
    <span className={`font-mono whitespace-nowrap ${className}`}>
      <span className="sr-only">{lengthWithUnit(value, units)}</span>
      <span aria-hidden="true">{units === "mm" ? mmText(value).replace("-", "−") : <Inches value={value} />}</span>
    </span>
  );
}

function Inches({ value }: { value: Length }) {
  const { negative, whole, num, den, exact } = inchParts(value);
  return (
    <>
      {exact ? "" : "≈"}
      {negative ? "−" : ""}
      {whole > 0 || num === 0 ? whole : ""}
      {num > 0 && <Stacked num={num} den={den} />}
    </>
  );
}

function Stacked({ num, den }: { num: number; den: number }) {
  return (
    <span
      className="ml-[.14em] inline-flex flex-col text-center align-middle text-[.64em] leading-none"
      style={{ position: "relative", top: "-.05em" }}
    >
      <span>{num}</span>
      <span className="my-[.03em] h-0 border-t-[max(1px,.045em)] border-current" />
      <span>{den}</span>
    </span>
  );
}
