import { z } from "zod";
import { type Length, nm } from "@/core/length/length";
import type { Range } from "@/core/solid/plane";
import { atOf, distances, formula, kindOf } from "../kind";

const span = z.tuple([formula, formula]);

/** A rectangular bite: from–to along the grain, across it, and into the wood; right through when `t` is not said. */
export const notch = kindOf({
  fields: { l: span, w: span, t: span.optional() },
  work(recipe, { size, length, material }) {
    const range = (r: z.output<typeof span>): Range => [length(r[0]), length(r[1])];
    const box = { l: range(recipe.l), w: range(recipe.w), t: recipe.t ? range(recipe.t) : ([0, size.t] as Range) };
    const wide = (r: Range, most: number): Length => nm(Math.min(r[1], most) - Math.max(r[0], 0));
    const [along, across, deep] = [wide(box.l, size.l), wide(box.w, size.w), wide(box.t, size.t)];
    const through = deep >= size.t;
    const inside = box.l[0] > 0 && box.l[1] < size.l && box.w[0] > 0 && box.w[1] < size.w;
    const at = atOf(box, size);
    // A window in the middle of a part is sawn out by hand; a saw reaches only what lies on an end or an edge, or runs as a lane.
    const byHand = material !== "wood" || (through && inside);
    return {
      bites: [{ box }],
      face: through ? "through" : box.t[0] <= 0 ? "reference" : "far",
      machine: byHand ? "hand tools" : "dado",
      settings: [
        ...(along < size.l ? [{ kind: "width" as const, value: along }] : []),
        ...(across < size.w ? [{ kind: "depth" as const, value: across }] : []),
        ...(through ? [] : [{ kind: "height" as const, value: deep }]),
        ...distances(at),
      ],
      measures: { long: along, ...(across < size.w ? { wide: across } : {}), ...(through ? {} : { deep }) },
      at,
      setup: byHand ? 6 : 12,
      each: byHand ? 3 : 0.3,
      hazard: byHand
        ? material === "wood" || material === "ply"
          ? "router"
          : material === "foam"
            ? "foam"
            : "metal"
        : "dado",
      check: through ? "what goes in it closes by hand" : "what lies in it lies flush",
    };
  },
  onBlock: (cut) => cut.face === "through",
  editor: [
    { key: "l.0", label: "along, from", is: "length" },
    { key: "l.1", label: "to", is: "length" },
    { key: "w.0", label: "across, from", is: "length" },
    { key: "w.1", label: "to", is: "length" },
    { key: "t.0", label: "deep, from", is: "length", optional: true },
    { key: "t.1", label: "to", is: "length", optional: true },
  ],
  begins: { l: ["0*inch", "1*inch"], w: ["0*inch", "1*inch"] },
});
