import { lengthValue } from "@/core/formula/formula";
import { Scope } from "@/core/formula/scope";
import { lengthWithUnit } from "@/core/length/format";
import { nm } from "@/core/length/length";
import type { Shape } from "@/core/shape/shape";
import { stepsOf } from "@/core/shape/steps";
import type { Context } from "./bands";
import type { Finding } from "./finding";

/** Screws that hold too little: `grip = length − near piece`, against what the grain wants (handbook 05). */
export function fastenerGrip(shape: Shape, { line, units }: Context): Finding[] {
  return stepsOf(shape, units).flatMap((step) =>
    step.uses.flatMap((use): Finding[] => {
      const { screw } = use;
      if (!screw || use.quantity === 0 || screw.grip >= screw.wants) return [];
      const say = (l: number) => lengthWithUnit(nm(l), units);
      const scope = new Scope();
      scope.define("length", { label: "screw", source: "worked out", given: lengthValue(screw.length) });
      scope.define("near", {
        label: "near piece",
        source: "measured",
        given: lengthValue(nm(screw.length - screw.grip)),
      });
      const label = `Screws, ${step.name.toLowerCase()}`;
      scope.define("grip", { label, source: "worked out", mark: "trade", formula: "length - near" });
      return [
        {
          rule: "fastener-grip",
          label,
          line,
          state: "stop",
          value: screw.grip,
          allowed: [screw.wants, null],
          text: `${use.what} grips ${say(screw.grip)} of the ${say(screw.wants)} it wants`,
          advice:
            screw.needs === undefined
              ? "thinner wood in front: no screw on sale is long enough"
              : `${say(screw.needs)} long would hold: thicker wood behind, or brads and glue`,
          working: scope.working("grip"),
        },
      ];
    }),
  );
}
