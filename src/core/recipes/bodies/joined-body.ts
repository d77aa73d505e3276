import type { Recipe } from "../recipe";
import { TWO_BOXES } from "../frames/extra-deep-frame";
import { body } from "./body";
import { wallOperations, wallParts } from "./walls";

/** Two bodies as one cavity for extra-deep frames: only the upper has rests; followers fill what fewer frames leave. */
export const joinedBody: Recipe = {
  ...body,
  id: "joined-body",
  name: "Joined body",
  about: "Two bodies fixed together as one cavity for extra-deep frames; the lower has no rests.",
  standards: ["langstroth-10", "langstroth-8"],
  hangs: "extra-deep-frame",
  parameters: [
    TWO_BOXES,
    { name: "framesUsed", label: "Frames used", group: "Size", kind: "count", default: "7", min: 4, max: 10, hint: "fewer than the box holds; two followers close it off" },
    ...body.parameters.map((p) => (p.kind === "length" && p.name === "depth" ? { ...p, label: "Depth of both", default: "lowerDepth + upperDepth" } : p)),
  ],
  values: (
    [
      { name: "lowerDepth", label: "lower body depth", formula: "bodyDepthOfDeep", mark: "trade" },
      { name: "upperDepth", label: "upper body depth", formula: { by: "boxes", is: { "deep-medium": "bodyDepthOfMedium", "deep-deep": "bodyDepthOfDeep" } }, mark: "trade" },
      { name: "frames", label: "frames used", formula: "framesUsed", mark: "trade" },
      { name: "followerHeight", label: "follower height", formula: "depth - restDepth", mark: "mem" },
      ...body.values,
      { name: "upperStart", label: "top of the lower body", formula: "depth - upperDepth", mark: "arithmetic" },
    ] satisfies Recipe["values"]
  ).map((v) => (v.name === "fingerRows" ? { ...v, formula: "odd((upperDepth - restCut - slant / 2) / row + 1)" } : v.name === "topRow" ? { ...v, formula: "upperDepth - (fingerRows - 1) * row" } : v)),
  parts: [
    ...wallParts()
      .filter((p) => p.id !== "cleat")
      .map((p) => ({ ...p, id: `upper-${p.id}`, name: `Upper ${p.name.toLowerCase()}`, width: "upperDepth" })),
    ...wallParts({ rests: false })
      .filter((p) => p.id !== "cleat")
      .map((p) => ({
        ...p,
        id: `lower-${p.id}`,
        name: `Lower ${p.name.toLowerCase()}`,
        width: "lowerDepth",
        features: p.features.map((f) => (f.kind === "fingers" ? { ...f, rows: "odd(lowerDepth / row)", first: "lowerDepth - (odd(lowerDepth / row) - 1) * row" } : f)),
        places: p.places.map((pl) => ({ ...pl, at: [pl.at[0], pl.at[1], "upperStart"] as typeof pl.at })),
      })),
    {
      id: "follower",
      name: "Follower",
      role: "follower",
      length: "insideLength - 1/2*inch",
      width: "followerHeight - 3/8*inch",
      thickness: "3/4*inch",
      features: [],
      places: [
        { at: ["endThickness + 1/4*inch", "thickness + 1/4*inch", "depth - restDepth"], l: "+x", w: "-z", t: "+y" },
        { at: ["outsideLength - endThickness - 1/4*inch", "outsideWidth - thickness - 1/4*inch", "depth - restDepth"], l: "-x", w: "-z", t: "-y" },
      ],
    },
    {
      id: "follower-bar",
      name: "Follower top bar",
      role: "follower-bar",
      length: "topBarLength",
      width: "topBarWidth",
      thickness: "earThickness",
      features: [],
      places: [
        { at: ["(outsideLength - topBarLength) / 2", "thickness + 1/8*inch", "depth - restDepth"], l: "+x", w: "+y", t: "+z" },
        { at: ["(outsideLength - topBarLength) / 2", "outsideWidth - thickness - 1/8*inch - topBarWidth", "depth - restDepth"], l: "+x", w: "+y", t: "+z" },
      ],
    },
  ],
  operations: wallOperations([], true).map((o) => (o.of ? { ...o, of: `upper-${o.of}` } : o)),
  steps: [...body.steps, { text: "Screw the upper body to the lower one, flush all round; seal the joint." }],
  mistakes: [...body.mistakes, "the lower body's rests left in, so the deep frames catch"],
};
