import { lengthValue } from "@/core/formula/formula";
import { Scope } from "@/core/formula/scope";
import { lengthWithUnit } from "@/core/length/format";
import { inch, type Length, nm } from "@/core/length/length";
import type { Feature } from "@/core/feature/feature";
import type { Part } from "@/core/shape/part";
import type { Shape } from "@/core/shape/shape";
import { type Box, extent } from "@/core/solid/solid";
import type { Context } from "./bands";
import type { Finding, State } from "./finding";

/** Wood that is wanted between cuts from both faces (handbook 04); a third of a thin part is enough. */
const WANTED = inch(0, 1, 4);

/** What cuts leave of a part: wood between cuts that meet from both faces, and wood beside its holes. */
export function woodLeft(shape: Shape, ctx: Context): Finding[] {
  return shape.parts.flatMap((part) => [...between(part, ctx), ...beside(part, ctx)]);
}

function between(part: Part, ctx: Context): Finding[] {
  const from = (face: "reference" | "far") =>
    part.features.filter((f) => f.face === face).flatMap((f) => f.bites.map((b) => ({ f, box: extent(b) })));
  const found = from("reference").flatMap((a) =>
    from("far").flatMap((b) => {
      if (!over(a.box, b.box)) return [];
      return [{ a: a.f, b: b.f, left: nm(b.box.t[0] - a.box.t[1]) }];
    }),
  );
  const least = found.toSorted((x, y) => x.left - y.left)[0];
  const wanted = nm(Math.min(WANTED, Math.floor(part.size.t / 3)));
  if (!least || least.left >= wanted) return [];
  return [said("wood-between", part, least.a, `${part.name}: between ${least.a.name} and ${least.b.name}`, least.left, wanted, "move one of them along, or cut it less deep", ctx)]; // prettier-ignore
}

const over = (a: Box, b: Box) => (["l", "w"] as const).every((x) => a[x][0] < b[x][1] && b[x][0] < a[x][1]);

/** A hole must not break out of its edge. */
function beside(part: Part, ctx: Context): Finding[] {
  return part.features
    .filter((f) => f.kind === "hole")
    .flatMap((f) => {
      const left = Math.min(
        ...f.bites.map((b) => {
          const { l, w } = extent(b);
          return Math.min(l[0], w[0], part.size.l - l[1], part.size.w - w[1]);
        }),
      );
      if (left > 0) return [];
      return [said("hole-edge", part, f, `${part.name}: beside ${f.name}`, nm(left), nm(1), "move the hole in, or make it smaller", ctx)]; // prettier-ignore
    });
}

function said(
  rule: string,
  part: Part,
  f: Feature,
  label: string,
  left: Length,
  wanted: Length,
  advice: string,
  ctx: Context,
): Finding {
  const scope = new Scope();
  scope.define("left", { label, source: "measured", given: lengthValue(left) });
  const state: State = left <= 0 ? "stop" : "care";
  const size = lengthWithUnit(nm(Math.max(0, left)), ctx.units);
  return {
    rule,
    label,
    line: ctx.line,
    state,
    value: left,
    allowed: [wanted, null],
    text:
      left <= 0
        ? rule === "hole-edge"
          ? `${f.name} breaks out of the edge`
          : `nothing is left: ${f.name} goes right through`
        : `${size} left, wants ${lengthWithUnit(wanted, ctx.units)}`,
    advice,
    working: scope.working("left"),
  };
}
