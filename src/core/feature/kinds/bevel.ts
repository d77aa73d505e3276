import { EDGES, edge, FACES, face, formula, kindOf, NARROW, PAST } from "../kind";

/** An edge or end sawn off at a slant: `across` the face, `deep` into it; a mitre when both are the thickness. */
export const bevel = kindOf({
  fields: { edge, face, across: formula, deep: formula },
  work(recipe, { size, length }) {
    const [across, deep] = [length(recipe.across), length(recipe.deep)];
    const onEnds = recipe.edge === "left" || recipe.edge === "right";
    const near = recipe.edge === "left" || recipe.edge === "top";
    const width = onEnds ? size.l : size.w;
    const [edge, in_] = near ? [0, across] : [width, width - across];
    const [face, under] = recipe.face === "reference" ? [0, deep] : [size.t, size.t - deep];
    return {
      bites: [
        {
          prism: {
            axis: onEnds ? "w" : "l",
            range: [-PAST, (onEnds ? size.w : size.l) + PAST],
            polygon: [
              [edge, face],
              [in_, face],
              [edge, under],
            ],
          },
        },
      ],
      face: recipe.face,
      machine: "saw",
      settings: [
        { kind: "angle", degrees: Math.round((Math.atan2(across, deep) * 1800) / Math.PI) / 10 },
        { kind: "width", value: across },
        { kind: "height", value: deep },
      ],
      measures: { wide: across, deep },
      at: {
        along: onEnds ? (0 as typeof across) : null,
        across: onEnds ? null : (0 as typeof across),
        from: [
          recipe.edge === "right" ? "right end" : "left end",
          recipe.edge === "bottom" ? "other edge" : "reference edge",
        ],
      },
      setup: 12,
      each: 0.6,
      hazard: onEnds ? "crosscut" : size.w < NARROW ? "thin" : "rip",
      check: onEnds ? "two pieces make a square corner without light" : "the slant falls the way the drawing shows",
    };
  },
  editor: [
    { key: "edge", label: "edge", is: "choice", choices: EDGES },
    { key: "face", label: "face", is: "choice", choices: FACES },
    { key: "across", label: "across", is: "length" },
    { key: "deep", label: "deep", is: "length" },
  ],
  begins: { edge: "top", face: "reference", across: "1/4*inch", deep: "1/4*inch" },
});
