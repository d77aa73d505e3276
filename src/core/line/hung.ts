import { nm, type Length } from "@/core/length/length";
import { amount, lengthValue, toLength } from "@/core/formula/formula";
import { Scope, type Working } from "@/core/formula/scope";
import type { BodyMeasures, FrameMeasures } from "@/core/shape/measure";

/** How a frame hangs in a body: every gap, play and bearing of handbook chapter 03, with its working. */

/** The names in the fit rules, as a person reads them in a working. */
const LABELS: Record<string, string> = {
  insideLength: "inside length",
  insideWidth: "inside width",
  depth: "body depth",
  restToRest: "rest to rest",
  restDepth: "rest depth",
  topBarLength: "top bar length",
  frameLength: "frame outside length",
  frameHeight: "frame height",
  earThickness: "ear thickness",
  pitch: "pitch",
  frames: "frames",
  combThickness: "comb thickness",
  runnerRise: "runner above the rabbet floor",
  topGap: "gap above the frames",
  endGap: "frame end to wall",
  worstShift: "worst shift",
  upperBelow: "below the frames of the upper box",
  lowerAbove: "above the frames of the lower box",
};

/** A scope of measured values and the rule formulas of the handbook's fit chapter. */
export function fitScope(
  values: Partial<BodyMeasures & FrameMeasures>,
  extra: Record<string, Length> = {},
  frames = 0,
): Scope {
  const scope = new Scope();
  for (const [name, v] of Object.entries({ runnerRise: nm(0), ...values, ...extra }))
    if (typeof v === "number")
      scope.define(name, { label: LABELS[name] ?? name, source: "measured", given: lengthValue(v) });
  scope.define("frames", { label: LABELS.frames!, source: "measured", given: amount(frames) });
  const rule = (name: string, formula: string) =>
    scope.define(name, { label: LABELS[name] ?? name, source: "worked out", mark: "trade", formula });
  const endBars = values.frameLength !== undefined;
  if (endBars) rule("endGap", "(insideLength - frameLength) / 2");
  rule("topGap", "restDepth - runnerRise - earThickness");
  rule("bottomGap", "depth - topGap - frameHeight");
  rule("endPlay", "restToRest - topBarLength");
  rule("worstShift", endBars ? "min((restToRest - topBarLength) / 2, endGap)" : "(restToRest - topBarLength) / 2");
  rule("bearing", "(topBarLength - insideLength) / 2 - worstShift");
  rule("sidePlay", "insideWidth - frames * pitch");
  rule("outerGap", "(insideWidth - frames * pitch) / 2 + (pitch - combThickness) / 2");
  return scope;
}

/** A name of a scope with the label it has in a finding. */
export function worked(scope: Scope, name: string, label: string): { value: Length; working: Working } {
  const working = { ...scope.working(name), label };
  return { value: toLength(working.value, label), working };
}

/** Frame end to wall, each side: `(Li − Lf) / 2`. */
export const endGap = (frame: FrameMeasures, body: BodyMeasures): Length =>
  worked(fitScope({ ...frame, ...body }), "endGap", "").value;
/** Above the frames: `rd − e`. */
export const topGap = (frame: FrameMeasures, body: BodyMeasures): Length =>
  worked(fitScope({ ...frame, ...body }), "topGap", "").value;
/** Below the frames: `H − top gap − Hf`. */
export const bottomGap = (frame: FrameMeasures, body: BodyMeasures): Length =>
  worked(fitScope({ ...frame, ...body }), "bottomGap", "").value;
/** What is left under the far ear when the frame is pushed hard one way: `(Lt − Li)/2 − worst shift`; undefined when the frame does not go in. */
export function bearing(frame: FrameMeasures, body: BodyMeasures): Length | undefined {
  if (!goesIn(frame, body)) return undefined;
  return worked(fitScope({ ...frame, ...body }), "bearing", "").value;
}

/** A frame goes in only when it is shorter than the box and its top bar shorter than the rests apart. */
export function goesIn(frame: FrameMeasures, body: BodyMeasures): boolean {
  return body.restToRest > frame.topBarLength && body.insideLength > (frame.frameLength ?? 0);
}
