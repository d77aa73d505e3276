import { type Length, nm, NM_PER_64TH, NM_PER_MM, type Units } from "@/core/length/length";
import { lengthWithUnit } from "@/core/length/format";
import { type Working } from "@/core/formula/scope";
import type { Finding, State } from "./finding";
import { type Context, gapState } from "./bands";

/** A gap judged as a bee space. */
export function gapFinding(
  rule: string,
  label: string,
  w: { value: Length; working: Working },
  ctx: Context,
  advice: { small: string; large: string },
): Finding {
  const { bands, units } = ctx;
  const judged = gapState(w.value, bands);
  const size = lengthWithUnit(w.value, units);
  const small = w.value < bands.open[0];
  const text =
    judged.gapState === "glues"
      ? w.value <= 0
        ? `no gap: ${size}`
        : `bees will glue it: ${size}`
      : judged.gapState === "bridges"
        ? `bees will bridge it: ${size}`
        : judged.state === "ok"
          ? `open, ${lengthWithUnit(w.value, units === "in" ? "mm" : "in")}`
          : `care: ${size} is ${small ? "tight" : "wide"}, bees may ${small ? "glue" : "bridge"} it`;
  return {
    rule,
    label,
    line: ctx.line,
    ...judged,
    value: w.value,
    allowed: bands.open,
    text,
    advice: judged.state === "ok" ? "" : small ? advice.small : advice.large,
    working: w.working,
    bands,
  };
}

/** A figure that must be at least `least`, with a care band below it. */
export function leastFinding(
  rule: string,
  label: string,
  w: { value: Length; working: Working },
  ctx: Context,
  limits: { ok: Length; care: Length },
  words: { ok: string; care: string; stop: string; advice: string },
): Finding {
  const state: State = w.value >= limits.ok ? "ok" : w.value >= limits.care ? "care" : "stop";
  return {
    rule,
    label,
    line: ctx.line,
    state,
    value: w.value,
    allowed: [limits.ok, null],
    text: words[state],
    advice: state === "ok" ? "" : words.advice,
    working: w.working,
  };
}

/** The gap that is not the bee space in its school: judged only from nothing up to `most`. */
export function restGap(
  rule: string,
  label: string,
  w: { value: Length; working: Working },
  most: Length,
  ctx: Context,
): Finding {
  const state: State = w.value < 0 ? "stop" : w.value <= most ? "ok" : "care";
  const size = lengthWithUnit(w.value, ctx.units);
  return {
    rule,
    label,
    line: ctx.line,
    state,
    value: w.value,
    allowed: [nm(0), most],
    working: w.working,
    text:
      state === "ok"
        ? `in order, ${lengthWithUnit(w.value, ctx.units === "in" ? "mm" : "in")}`
        : state === "stop"
          ? `the frame stands out of the box by ${size.replace("-", "")}`
          : `${size} where ${lengthWithUnit(most, ctx.units)} is the most`,
    advice:
      state === "ok"
        ? ""
        : state === "stop"
          ? "make the body deeper"
          : "the other gap is the bee space in this school; check the depth",
  };
}

/** The next length a tape shows that is at least as much: a sixty-fourth of an inch, or half a millimetre. */
export const upTo = (l: number, units: Units): Length => {
  const step = units === "in" ? NM_PER_64TH : NM_PER_MM / 2;
  return nm(Math.ceil(l / step) * step);
};
