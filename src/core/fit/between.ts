import type { Finding } from "./finding";
import type { BodyMeasures, FrameMeasures } from "@/core/shape/measure";
import { bottomGap, fitScope, topGap, worked } from "@/core/line/hung";
import { type Context } from "./bands";
import { gapFinding } from "./gap";

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
