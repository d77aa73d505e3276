import { type Length, type Units, nm } from "@/core/length/length";
import { type Value, lengthValue } from "@/core/formula/formula";
import { Scope } from "@/core/formula/scope";
import type { Finding } from "./finding";
import type { BodyMeasures, FrameMeasures } from "@/core/shape/measure";

/** Figures to compare designs by, and what a bought excluder covers. Nothing here stops a box from being made. */
interface Context {
  line: number;
  units: Units;
}

function scopeOf(values: Record<string, [string, Length]>): Scope {
  const scope = new Scope();
  for (const [name, [label, value]] of Object.entries(values))
    scope.define(name, { label, source: "measured", given: lengthValue(value) });
  return scope;
}

const sizeOf = (v: Value, dim: number) => (v.kind === "amount" && v.dim === dim ? v.of.valueOf() / 10 ** (6 * dim) : 0);

/** Inner volume: `Li · Wi · H`. A deep ten-frame body is about 40 litres, the size swarms choose. */
export function innerVolume(body: BodyMeasures, ctx: Context): Finding {
  const scope = scopeOf({
    insideLength: ["inside length", body.insideLength],
    insideWidth: ["inside width", body.insideWidth],
    depth: ["body depth", body.depth],
  });
  scope.define("volume", {
    label: "Inner volume",
    source: "worked out",
    mark: "trade",
    formula: "insideLength * insideWidth * depth",
  });
  const working = scope.working("volume");
  const mm = sizeOf(working.value, 3);
  return {
    rule: "inner-volume",
    label: "Inner volume",
    line: ctx.line,
    state: "ok",
    value: nm(0),
    figure: { text: `${(mm / 1e6).toFixed(1)} l`, mm: Math.round(mm) },
    allowed: [null, null],
    text: `${(mm / 1e6).toFixed(1)} litres`,
    advice: "",
    working,
  };
}

/** What touches what, where a frame hangs; nm. */
export interface Touching {
  topBarWidth: Length;
  /** How much of a runner's edge an ear lies on; undefined on plain wood. */
  runnerEdge?: Length;
  /** Shoulders against the neighbours' shoulders, high and thick; nothing where they do not meet. */
  shoulder: Length;
  endBarThickness: Length;
  /** Side of the square a spacer touches the next one with; nothing without spacers. */
  spacer: Length;
}

/**
 * Contact area: where propolis can grip a frame. Ears on rests or on a runner's edge, and shoulders or spacers against their
 * neighbours' (each face counted half, as it is shared). Smaller is easier to work.
 */
export function contactArea(frame: FrameMeasures, body: BodyMeasures, touching: Touching, ctx: Context): Finding {
  const scope = scopeOf({
    topBarLength: ["top bar length", frame.topBarLength],
    insideLength: ["inside length", body.insideLength],
    topBarWidth: ["top bar width", touching.topBarWidth],
    shoulderLength: ["shoulder length", touching.shoulder],
    endBarThickness: ["end bar thickness", touching.endBarThickness],
    spacer: ["spacer touches, square", touching.spacer],
    ...(touching.runnerEdge === undefined ? {} : { runnerEdge: ["runner's edge", touching.runnerEdge] }),
  });
  const lies = "(topBarLength - insideLength) / 2";
  const ears = touching.runnerEdge === undefined ? lies : `min(runnerEdge, ${lies})`;
  const sides = touching.spacer > 0 ? "2 * spacer * spacer" : "2 * shoulderLength * endBarThickness";
  scope.define("contact", {
    label: "Where propolis grips a frame",
    source: "worked out",
    mark: "trade",
    formula: `2 * ${ears} * topBarWidth + ${sides}`,
  });
  const working = scope.working("contact");
  const mm = Math.max(0, sizeOf(working.value, 2));
  const on = touching.runnerEdge === undefined ? "ears on rests" : "ears on the runners' edges";
  const against =
    touching.spacer > 0 ? " and spacer on spacer" : touching.shoulder > 0 ? " and shoulders on shoulders" : "";
  return {
    rule: "contact-area",
    label: "Where propolis grips a frame",
    line: ctx.line,
    state: "ok",
    value: nm(0),
    figure: { text: `${(mm / 100).toFixed(1)} cm²`, mm: Math.round(mm) },
    allowed: [null, null],
    text: `${on}${against}; less is easier to work`,
    advice: "",
    working,
  };
}
