import { atOf, distances, EDGES, edge, FACES, face, formula, intoFace, kindOf } from "../kind";
import { nm } from "@/core/length/length";
import type { Range } from "@/core/solid/plane";

/** A step along an edge or end: `across` the face from it, `deep` into the face, all along it or from–to. */
export const rabbet = kindOf({
  fields: { edge, face, across: formula, deep: formula, from: formula.optional(), to: formula.optional() },
  work(recipe, { size, length }) {
    const [across, deep] = [length(recipe.across), length(recipe.deep)];
    const onEnds = recipe.edge === "left" || recipe.edge === "right";
    const [full, wide] = onEnds ? [size.w, size.l] : [size.l, size.w];
    const run: Range = [
      recipe.from === undefined ? 0 : length(recipe.from),
      recipe.to === undefined ? full : length(recipe.to),
    ];
    const step: Range = recipe.edge === "top" || recipe.edge === "left" ? [0, across] : [wide - across, wide];
    const box = { ...(onEnds ? { l: step, w: run } : { l: run, w: step }), t: intoFace(recipe.face, deep, size) };
    const at = atOf(box, size);
    const stopped = run[0] > 0 || run[1] < full;
    // Stopped as far from both ends says itself; any other stretch is said by how long it is, and which way.
    const even = !onEnds && run[0] === full - run[1];
    const long = nm(Math.min(run[1], full) - Math.max(run[0], 0));
    return {
      bites: [{ box }],
      face: recipe.face,
      machine: "dado",
      settings: [{ kind: "width", value: across }, { kind: "height", value: deep }, ...distances(at)],
      // On a long edge the trade names first how wide the ledge is, then how far down it lies.
      measures: {
        ...(onEnds ? { wide: across, deep } : { wide: deep, deep: across }),
        ...(stopped && !even ? { [onEnds ? "across the grain" : "along the grain"]: long } : {}),
      },
      at,
      setup: 15,
      each: 0.5,
      hazard: "dado",
      check: "what goes in it lies flush",
      ...(stopped ? { note: "stopped" } : {}),
    };
  },
  editor: [
    { key: "edge", label: "edge", is: "choice", choices: EDGES },
    { key: "face", label: "face", is: "choice", choices: FACES },
    { key: "across", label: "across", is: "length" },
    { key: "deep", label: "deep", is: "length" },
    { key: "from", label: "from", is: "length", optional: true },
    { key: "to", label: "to", is: "length", optional: true },
  ],
  begins: { edge: "top", face: "far", across: "3/8*inch", deep: "3/8*inch" },
});
