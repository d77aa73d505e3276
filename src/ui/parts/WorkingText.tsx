import { valueText } from "@/core/formula/write";
import type { Value } from "@/core/formula/formula";
import { asLength } from "@/core/shape/shape";
import type { Working } from "@/core/formula/scope";
import type { Units } from "@/core/length/length";
import { Measure } from "./Measure";

/** A value, lengths as stacked fractions. */
export function ValueShown({ value, units }: { value: Value; units: Units }) {
  const length = asLength({ name: "", label: "", source: "worked out", value });
  return length !== undefined ? (
    <Measure value={length} units={units} />
  ) : (
    <span className="font-mono">{valueText(value, units)}</span>
  );
}

/** `19 1/8 = 19 7/8 − 2 × (3/4 − 3/8)`, with the names on hover when they are wanted. */
export function WorkingLine({ working, units }: { working: Working; units: Units }) {
  const tokens = working.tokens ?? [];
  return (
    <span className="inline-flex flex-wrap items-center gap-x-[.45em] font-mono">
      <ValueShown value={working.value} units={units} />
      {tokens.length > 1 && <span>=</span>}
      {tokens.length > 1 &&
        tokens.map((t, i) =>
          "op" in t ? (
            <span
              key={i}
              className={
                t.op === "(" || t.op.endsWith("(") ? "-mr-[.4em]" : t.op === ")" || t.op === "," ? "-ml-[.4em]" : ""
              }
            >
              {t.op}
            </span>
          ) : (
            <ValueShown key={i} value={t.value} units={units} />
          ),
        )}
    </span>
  );
}
