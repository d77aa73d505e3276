import { z } from "zod";
import type { Range } from "@/core/solid/plane";
import { atOf, distances, FACES, face, formula, intoFace, kindOf, RUNS } from "../kind";

/** A slot in a face from side to side, `along` the grain or across it, its near side at `at`. */
export const groove = kindOf({
  fields: { run: z.enum(RUNS), face, at: formula, width: formula, deep: formula },
  work(recipe, { size, length, material }) {
    const [from, width, deep] = [length(recipe.at), length(recipe.width), length(recipe.deep)];
    const lane: Range = [from, from + width];
    const t = intoFace(recipe.face, deep, size);
    const box =
      recipe.run === "along" ? { l: [0, size.l] as Range, w: lane, t } : { l: lane, w: [0, size.w] as Range, t };
    const at = atOf(box, size);
    return {
      bites: [{ box }],
      face: recipe.face,
      machine: "dado",
      settings: [{ kind: "width", value: width }, { kind: "height", value: deep }, ...distances(at)],
      measures: { wide: width, deep },
      at,
      setup: 15,
      each: material === "wood" && size.w < 50_000_000 ? 0.3 : 0.8,
      hazard: "dado",
      check: "what goes in it slides in by hand",
    };
  },
  editor: [
    { key: "run", label: "runs", is: "choice", choices: RUNS },
    { key: "face", label: "face", is: "choice", choices: FACES },
    { key: "at", label: "at", is: "length" },
    { key: "width", label: "wide", is: "length" },
    { key: "deep", label: "deep", is: "length" },
  ],
  begins: { run: "along", face: "far", at: "1*inch", width: "3/8*inch", deep: "1/4*inch" },
});
