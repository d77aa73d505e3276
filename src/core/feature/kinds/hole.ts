import { type Length, nm } from "@/core/length/length";
import type { Range } from "@/core/solid/plane";
import { atOf, distances, formula, kindOf, PAST } from "../kind";

/** A round hole right through, its middle at `l` and `w`; or a row of them along the grain, `step` apart. */
export const hole = kindOf({
  fields: { l: formula, w: formula, diameter: formula, count: formula.optional(), step: formula.optional() },
  work(recipe, { size, length, count: whole }) {
    const [l, w, diameter] = [length(recipe.l), length(recipe.w), length(recipe.diameter)];
    const count = recipe.count === undefined ? 1 : whole(recipe.count, "holes");
    const step = recipe.step === undefined ? 0 : length(recipe.step);
    const middles = Array.from({ length: count }, (_, i) => l + i * step);
    const ring = (at: number) =>
      Array.from({ length: 24 }, (_, i): [number, number] => [
        Math.round(at + (diameter / 2) * Math.cos((i * Math.PI) / 12)),
        Math.round(w + (diameter / 2) * Math.sin((i * Math.PI) / 12)),
      ]);
    // Measured to the middle, from the end nearer to the first or the last of them.
    const point = atOf({ l: [l, l], w: [w, w] }, size);
    const last = middles.at(-1) ?? l;
    const end = count > 1 && size.l - last < l ? "right end" : count > 1 ? "left end" : point.from[0];
    const fromEnd = (at: number): Length => nm(Math.abs(end === "left end" ? at : size.l - at));
    const marks = middles.map(fromEnd).sort((a, b) => a - b);
    const at = { ...point, along: marks[0] ?? fromEnd(l), from: [end, point.from[1]] as typeof point.from };
    return {
      bites: middles.map((m) => ({
        prism: { axis: "t" as const, range: [-PAST, size.t + PAST] as Range, polygon: ring(m) },
      })),
      face: "through",
      machine: "drill",
      settings: [{ kind: "diameter", value: diameter }, ...distances(at)],
      measures: { diameter },
      at,
      ...(count > 1 ? { marks: { along: "end" as const, at: marks }, note: `${count} of them` } : {}),
      setup: 8,
      each: Math.max(0.15, (diameter > 12_700_000 ? 1 : 0.1) * count),
      hazard: "drill",
      check: "measure to the hole's middle, and see that the back is not torn",
    };
  },
  editor: [
    { key: "l", label: "middle, along", is: "length" },
    { key: "w", label: "middle, across", is: "length" },
    { key: "diameter", label: "diameter", is: "length" },
    { key: "count", label: "how many", is: "count", optional: true },
    { key: "step", label: "apart", is: "length", optional: true },
  ],
  begins: { l: "1*inch", w: "1*inch", diameter: "1/2*inch" },
});
