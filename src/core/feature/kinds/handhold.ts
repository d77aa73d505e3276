import { atOf, formula, kindOf } from "../kind";
import { nm } from "@/core/length/length";

/** A hand grip in the reference face with a sloped roof: its middle at `l`, its upper edge at `w`; `slope` in degrees. */
export const handhold = kindOf({
  fields: { l: formula, w: formula, long: formula, high: formula, deep: formula, slope: formula },
  work(recipe, { length, number, size }) {
    const [l, w, long, high, deep] = [
      length(recipe.l),
      length(recipe.w),
      length(recipe.long),
      length(recipe.high),
      length(recipe.deep),
    ];
    const degrees = number(recipe.slope, "slope");
    // In the plane w, t: the roof falls toward the outside face so that rain runs out.
    const rise = Math.round(deep * Math.tan((degrees * Math.PI) / 180));
    const from = [Math.round(l - long / 2), Math.round(l + long / 2)] as [number, number];
    const at = atOf({ l: from, w: [w, w + high] }, size);
    return {
      bites: [
        {
          prism: {
            axis: "l",
            range: from,
            polygon: [
              [w, 0],
              [w + high, 0],
              [w + high, deep],
              [w - rise, deep],
            ],
          },
        },
      ],
      face: "reference",
      machine: "dado",
      settings: [
        { kind: "width", value: long },
        { kind: "depth", value: high },
        { kind: "height", value: deep },
        { kind: "centre", value: nm(at.from[0] === "left end" ? l : size.l - l) },
        { kind: "from edge", value: w },
        ...(degrees === 0 ? [] : [{ kind: "angle" as const, degrees }]),
      ],
      measures: { long, high, deep },
      // The upper edge is what rain and hands find first, wherever on the board it lies.
      at: { ...at, across: w, from: [at.from[0], "reference edge"] },
      setup: 20,
      each: 1,
      hazard: "dado",
      check: "the pocket is in the outside face, its roof falls outwards",
      ...(degrees === 0 ? {} : { note: `roof sloped ${degrees}°` }),
    };
  },
  editor: [
    { key: "l", label: "middle, along", is: "length" },
    { key: "w", label: "upper edge", is: "length" },
    { key: "long", label: "long", is: "length" },
    { key: "high", label: "high", is: "length" },
    { key: "deep", label: "deep", is: "length" },
    { key: "slope", label: "slope, degrees", is: "number" },
  ],
  begins: { l: "5*inch", w: "2*inch", long: "4*inch", high: "3/4*inch", deep: "3/8*inch", slope: "15" },
});
