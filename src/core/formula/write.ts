import { lengthText } from "@/core/length/format";
import { nm, type Units } from "@/core/length/length";
import { markText } from "@/core/standards/words";
import type { Value } from "./formula";
import type { Working } from "./scope";

/** A value in words: lengths in the units, areas and volumes in metric, counts and choices as they are. */
export function valueText(value: Value, units: Units): string {
  if (value.kind === "word") return value.of.replaceAll("-", " ");
  if (value.kind === "flag") return value.of ? "yes" : "no";
  const n = value.of.valueOf();
  if (value.dim === 1) return lengthText(nm(Number(value.of.round().valueOf())), units);
  if (value.dim === 2) return `${(n / 1e18).toPrecision(3)} m²`;
  if (value.dim === 3) return `${(n / 1e24).toPrecision(3)} l`;
  return Number.isInteger(n) ? String(n) : n.toFixed(3);
}

/** `19 1/8 = 19 7/8 − 2 × (3/4 − 3/8)`; a number that is simply given is written alone, with where it is from. */
export function workingText(w: Working, units: Units): string {
  const result = valueText(w.value, units);
  const written = (w.tokens ?? []).map((t) => ("op" in t ? t.op : valueText(t.value, units)));
  if (written.length <= 1) return `${result}, ${sourceText(w)}`;
  return `${result} = ${joinTokens(written)}`;
}

/** Brackets close up; everything else stands apart. */
export function joinTokens(tokens: string[]): string {
  return tokens
    .join(" ")
    .replace(/\( /g, "(")
    .replace(/ \)/g, ")")
    .replace(/ ,/g, ",")
    .replace(/− (?=\d)(?<=[(,] ?− )/g, "−");
}

/** Where a number comes from and how sure it is. */
export function sourceText(w: Working): string {
  const from = {
    asked: "as asked",
    usual: "the usual choice",
    standard: "from the standard",
    "worked out": "worked out",
    measured: "from the geometry",
  }[w.source];
  return w.mark ? `${from}; ${markText(w.mark)}` : from;
}
