import { z } from "zod";
import type { Range } from "@/core/solid/plane";
import { atOf, distances, formula, kindOf, RUNS } from "../kind";

/** A line to fold sheet material on, right across it or along it; nothing is taken away. */
export const fold = kindOf({
  fields: { run: z.enum(RUNS), at: formula },
  work(recipe, { size, length }) {
    const from = length(recipe.at);
    const line: Range = [from, from];
    const at = atOf(recipe.run === "along" ? { l: [0, size.l], w: line } : { l: line, w: [0, size.w] }, size);
    return {
      bites: [],
      face: "reference",
      machine: "hand tools",
      settings: distances(at),
      measures: { at: from },
      at,
      setup: 4,
      each: 1,
      hazard: "metal",
      check: "the fold runs square to the edge",
      fold: recipe.run,
    };
  },
  editor: [
    { key: "run", label: "runs", is: "choice", choices: RUNS },
    { key: "at", label: "at", is: "length" },
  ],
  begins: { run: "along", at: "1/2*inch" },
});
