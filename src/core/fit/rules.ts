import { inch, type Length, mm, nm, type Units } from "@/core/length/length";
import { lengthWithUnit } from "@/core/length/format";
import { lengthValue, toLength } from "@/core/formula/formula";
import { Scope, type Working } from "@/core/formula/scope";
import { type Shape, holds, lengthOf } from "@/core/shape/shape";
import type { Bands, Finding, GapState, State } from "./finding";
import type { BodyMeasures, FrameMeasures } from "@/core/shape/measure";
import { bottomGap, fitScope, goesIn, topGap, worked } from "@/core/line/hung";
import type { Standard } from "@/core/standards/standard";

/** Default bands: one school in the trade says 3/8" all round, another 6–9 mm; a workshop may set its own. */
export const DEFAULT_BANDS: Bands = { glues: inch(0, 3, 16), open: [mm(6), mm(10)], bridges: inch(0, 1, 2) };

interface Context {
  line: number;
  units: Units;
  bands: Bands;
}

/** Judges a gap by the bee-space bands. */
export function gapState(gap: Length, bands: Bands): { state: State; gapState: GapState } {
  if (gap < bands.glues) return { state: "stop", gapState: "glues" };
  if (gap > bands.bridges) return { state: "stop", gapState: "bridges" };
  return { state: gap < bands.open[0] || gap > bands.open[1] ? "care" : "ok", gapState: "open" };
}

function gapFinding(
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
function leastFinding(
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

/** Every rule of one frame in one body. */
export function fitFrame(
  frame: FrameMeasures,
  body: BodyMeasures,
  frames: number,
  beeSpace: Standard["beeSpace"],
  ctx: Context,
): Finding[] {
  const scope = fitScope({ ...frame, ...body }, {}, frames);
  const say = (l: number) => lengthWithUnit(nm(l), ctx.units);
  const findings: Finding[] = [];
  const top = worked(scope, "topGap", "Above the frames");
  const bottom = worked(scope, "bottomGap", "Below the frames");
  if (beeSpace === "top") {
    findings.push(
      gapFinding("top-gap", "Above the frames", top, ctx, {
        small: "deepen the rest",
        large: "make the rest less deep",
      }),
    );
    if (!frame.openBelow) findings.push(restGap("bottom-gap", "Below the frames", bottom, inch(0, 3, 8), ctx));
  } else {
    findings.push(restGap("top-gap", "Above the frames", top, mm(2), ctx));
    // A box that nothing stands under in a stack only needs its floor clear of the combs.
    if (beeSpace === "closed") findings.push(restGap("bottom-gap", "Below the frames", bottom, mm(30), ctx));
    else if (!frame.openBelow)
      findings.push(
        gapFinding("bottom-gap", "Below the frames", bottom, ctx, {
          small: "make the body deeper",
          large: "make the body less deep",
        }),
      );
  }
  if (frame.frameLength !== undefined)
    findings.push(
      gapFinding("end-gap", "Frame end to wall", worked(scope, "endGap", "Frame end to wall"), ctx, {
        small: "lengthen the box: hold the inside, or a longer outside length",
        large: "shorten the box: hold the inside, or a shorter outside length",
      }),
    );
  const rests = worked(scope, "restToRest", "Rest to rest");
  const short = body.restToRest <= frame.topBarLength;
  findings.push({
    rule: "rest-to-rest",
    label: "Rest to rest",
    line: ctx.line,
    state: short ? "stop" : "ok",
    value: rests.value,
    allowed: [nm(frame.topBarLength + 1), null],
    working: rests.working,
    text: short
      ? `the frame does not go in: ${say(body.restToRest)} between the rests for a top bar of ${say(frame.topBarLength)}`
      : `the top bar of ${say(frame.topBarLength)} goes in`,
    advice: short
      ? `widen each rest by ${say((frame.topBarLength - body.restToRest) / 2 + inch(0, 1, 16))} or lengthen the box`
      : "",
  });
  if (goesIn(frame, body)) {
    const play = worked(scope, "endPlay", "Play end to end");
    const shift = worked(scope, "worstShift", "Worst shift").value;
    const [lo, hi] = [inch(0, 1, 16), inch(0, 1, 4)];
    const barsFirst = 2 * shift < play.value;
    const state: State = play.value >= lo && play.value <= hi ? "ok" : "care";
    findings.push({
      rule: "end-play",
      label: "Play end to end",
      line: ctx.line,
      state,
      value: play.value,
      allowed: [lo, hi],
      working: play.working,
      text: barsFirst
        ? `the end bars meet the wall first: real play ${say(2 * shift)}`
        : state === "ok"
          ? "slides, and stays where it is put"
          : play.value < lo
            ? "tight: a swollen bar will bind"
            : "loose: the frame can slide off its place",
      advice: state === "ok" ? "" : play.value < lo ? "widen the rests a little" : "narrow the rests",
    });
    const ear = worked(scope, "bearing", "Ear on the rest, pushed hard over");
    findings.push(
      leastFinding(
        "bearing",
        "Ear on the rest, pushed hard over",
        ear,
        ctx,
        { ok: inch(0, 3, 16), care: inch(0, 1, 8) },
        {
          ok: `holds: wants ${say(inch(0, 3, 16))} or more`,
          care: `holds barely: ${say(ear.value)} of ${say(inch(0, 3, 16))}`,
          stop: `will not hold: ear bears ${say(ear.value)} of ${say(inch(0, 3, 16))}`,
          advice: `narrow the rests: ${say(inch(0, 3, 8))} wide is usual; or shorten the box`,
        },
      ),
    );
  }
  const side = worked(scope, "sidePlay", "Play side to side");
  findings.push(
    leastFinding(
      "side-play",
      `Play side to side, ${frames} frames`,
      side,
      ctx,
      { ok: inch(0, 1, 8), care: nm(0) },
      {
        ok: `a frame can be drawn; outer gaps ${say(worked(scope, "outerGap", "").value)} to the comb`,
        care: "little room to draw the first frame",
        stop: `${frames} frames do not fit across`,
        advice: "widen the box or take a frame out",
      },
    ),
  );
  return findings;
}

/** The gap that is not the bee space in its school: judged only from nothing up to `most`. */
function restGap(
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

export interface Hung {
  frame: FrameMeasures;
  body: BodyMeasures;
}

/** Between two boxes: what is left below the upper's frames + the gap above the lower's. */
export function betweenBoxes(upper: Hung, lower: Hung, label: string, ctx: Context): Finding {
  const scope = fitScope(
    {},
    { upperBelow: bottomGap(upper.frame, upper.body), lowerAbove: topGap(lower.frame, lower.body) },
  );
  scope.define("between", { label, source: "worked out", mark: "trade", formula: "upperBelow + lowerAbove" });
  return gapFinding("between-boxes", label, worked(scope, "between", label), ctx, {
    small: "mixed top and bottom bee space? keep to one school in a stack",
    large: "mixed top and bottom bee space? otherwise make the upper body less deep",
  });
}

/** How far one box's outside stands past its neighbour's, each side; the wider of length and width. */
export function footprintStep(
  outside: { length: Length; width: Length },
  other: { length: Length; width: Length },
  label: string,
  against: string,
  ctx: Context,
): Finding {
  const scope = new Scope();
  const put = (name: string, l: string, v: Length) =>
    scope.define(name, { label: l, source: "measured", given: lengthValue(v) });
  const along = Math.abs(outside.length - other.length) >= Math.abs(outside.width - other.width);
  put("outside", `outside ${along ? "length" : "width"}`, along ? outside.length : outside.width);
  put("neighbour", against, along ? other.length : other.width);
  scope.define("step", { label, source: "worked out", mark: "trade", formula: "(outside - neighbour) / 2" });
  const w = worked(scope, "step", label);
  const state: State = w.value === 0 ? "ok" : "care";
  const size = lengthWithUnit(nm(Math.abs(w.value)), ctx.units);
  return {
    rule: "footprint-step",
    label,
    line: ctx.line,
    state,
    value: w.value,
    allowed: [nm(0), nm(0)],
    working: w.working,
    text:
      state === "ok"
        ? `flush with ${against}`
        : `stands ${w.value > 0 ? "out" : "in"} ${size} each side against ${against}`,
    advice: state === "ok" ? "" : "make covers and floors to measure, or hold the outside; a ledge holds rain",
  };
}

/** What the recipe itself demands, as findings. */
export function demands(shape: Shape, ctx: Context): Finding[] {
  return shape.recipe.demands
    .filter((d) => holds(d.when, shape.scope))
    .map((d) => {
      const evaluated = shape.scope.evaluate(d.value);
      const working: Working = {
        name: d.rule,
        label: d.label,
        source: "worked out",
        mark: d.mark,
        value: evaluated.value,
        formula: evaluated.formula,
        tokens: evaluated.tokens,
      };
      const value = toLength(evaluated.value, d.label);
      const least = toLength(shape.scope.evaluate(d.least).value, d.label);
      const ok = value >= least;
      const say = (l: Length) => lengthWithUnit(l, ctx.units);
      return {
        rule: d.rule,
        label: d.label,
        line: ctx.line,
        state: ok ? "ok" : d.below,
        value,
        allowed: [least, null],
        text: ok ? `${say(value)}, wants ${say(least)} or more` : `${say(value)} of the ${say(least)} it wants`,
        advice: ok ? "" : d.advice,
        working,
      };
    });
}

/** The recipe's own figures to compare by: litres from a volume, R and heat loss as plain numbers. */
export function ownFigures(shape: Shape, ctx: Context): Finding[] {
  return (shape.recipe.figures ?? [])
    .filter((f) => holds(f.when, shape.scope))
    .map((f) => {
      const evaluated = shape.scope.evaluate(f.formula);
      const behind =
        evaluated.tokens.length === 1 && shape.scope.has(evaluated.formula)
          ? shape.scope.working(evaluated.formula)
          : undefined;
      const working: Working = {
        name: f.rule,
        label: f.label,
        source: "worked out",
        mark: f.mark,
        ...evaluated,
        ...(behind?.formula ? { formula: behind.formula, tokens: behind.tokens } : {}),
      };
      const n = working.value.kind === "amount" ? working.value.of.valueOf() : NaN;
      const shown = f.unit === "l" ? n / 1e24 : n;
      const text = `${shown.toFixed(2)} ${f.unit}${f.unit === "m²·K/W" ? ` (R ${(shown * 5.678).toFixed(1)})` : ""}`;
      return {
        rule: f.rule,
        label: f.label,
        line: ctx.line,
        state: "ok",
        value: nm(0),
        figure: { text, mm: Math.round(f.unit === "l" ? n / 1e18 : shown * 1000) },
        allowed: [null, null],
        text: f.text,
        advice: "",
        working,
      };
    });
}

/** The usual outside of a standard's box, which bought covers and floors are made for. */
export function usualOutside(shape: Shape): { length: Length; width: Length } {
  return { length: lengthOf(shape, "bodyOutsideLength"), width: lengthOf(shape, "bodyOutsideWidth") };
}
