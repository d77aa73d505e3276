import { z } from "zod";
import { ENDS, end, formula, kindOf, PAST } from "../kind";

const LONG_EDGES = ["top", "bottom"] as const;

/** A corner of the face sawn off, right through: `along` the length from the end, `across` the width from the edge. */
export const taper = kindOf({
  fields: { end, edge: z.enum(LONG_EDGES), along: formula, across: formula },
  work(recipe, { size, length }) {
    const [along, across] = [length(recipe.along), length(recipe.across)];
    const l = recipe.end === "left" ? 0 : size.l;
    const w = recipe.edge === "top" ? 0 : size.w;
    const polygon: [number, number][] = [
      [l, w],
      [l + (recipe.end === "left" ? along : -along), w],
      [l, w + (recipe.edge === "top" ? across : -across)],
    ];
    return {
      bites: [{ prism: { axis: "t", range: [-PAST, size.t + PAST], polygon } }],
      face: "through",
      machine: "saw",
      settings: [
        { kind: "from end", value: along },
        { kind: "from edge", value: across },
        { kind: "angle", degrees: Math.round((Math.atan2(across, along) * 1800) / Math.PI) / 10 },
      ],
      measures: { along, across },
      at: {
        along: 0 as typeof along,
        across: 0 as typeof along,
        from: [
          recipe.end === "left" ? "left end" : "right end",
          recipe.edge === "top" ? "reference edge" : "other edge",
        ],
      },
      setup: 12,
      each: 1,
      hazard: along > across ? "rip" : "crosscut",
      check: "two pieces laid on each other agree",
    };
  },
  editor: [
    { key: "end", label: "end", is: "choice", choices: ENDS },
    { key: "edge", label: "edge", is: "choice", choices: LONG_EDGES },
    { key: "along", label: "along", is: "length" },
    { key: "across", label: "across", is: "length" },
  ],
  begins: { end: "left", edge: "top", along: "1*inch", across: "1/2*inch" },
});
