import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import { each, metres, screws, SEALANT } from "../assembly";
import type { Recipe } from "../recipe";
import { TWO_BOXES } from "../frames/extra-deep-frame";
import { FOLLOWER_VALUES, followerBar, followerBoard } from "../accessories/followers";
import { body } from "./body";
import { wallAssembly, wallParts } from "./walls";

/** Two bodies as one cavity for extra-deep frames: only the upper has rests; followers fill what fewer frames leave. */
export const joinedBody: Recipe = finished(
  {
    ...body,
    stacks: undefined,
    id: "joined-body",
    name: "Joined body",
    called: ["double body", "extra deep body"],
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
        ...body.values.map((v) => (v.name === "boxCount" ? { ...v, formula: "2" } : v)),
        ...FOLLOWER_VALUES("(depth - (restDepth - earThickness) - 1/4*inch)"),
        { name: "upperStart", label: "top of the lower body", formula: "depth - upperDepth", mark: "arithmetic" },
      ] satisfies Recipe["values"]
    ).map((v) => (v.name === "fingerRows" ? { ...v, formula: "odd((upperDepth - max(restCut, row / 4) - slant / 2) / row + 1)" } : v.name === "topRow" ? { ...v, formula: "upperDepth - (fingerRows - 1) * row" } : v)),
    parts: [
      ...wallParts().map((p) => (p.id === "cleat" ? p : { ...p, id: `upper-${p.id}`, name: `Upper ${p.name.toLowerCase()}`, width: "upperDepth" })),
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
      followerBar([
        { at: ["(outsideLength - topBarLength) / 2", "thickness + followerMiddle - topBarWidth / 2", "depth - restDepth + earThickness"], l: "+x", w: "+y", t: "-z" },
        { at: ["(outsideLength - topBarLength) / 2", "outsideWidth - thickness - followerMiddle - topBarWidth / 2", "depth - restDepth + earThickness"], l: "+x", w: "+y", t: "-z" },
      ]),
      followerBoard([
        { at: ["(outsideLength - followerLength) / 2", "thickness + followerMiddle - 3/8*inch", "depth - restDepth + earThickness - followerBarThick"], l: "+x", w: "-z", t: "+y" },
        { at: ["(outsideLength + followerLength) / 2", "outsideWidth - thickness - followerMiddle + 3/8*inch", "depth - restDepth + earThickness - followerBarThick"], l: "-x", w: "-z", t: "-y" },
      ]),
    ],
    assembly: wallAssembly({
      sides: ["upper-side", "lower-side"],
      ends: ["upper-end", "lower-end"],
      handholds: true,
      next: [
        {
          id: "join",
          name: "Screw the two bodies together",
          text: "Set the upper body on the lower one, flush all round; seal the joint and screw it from inside through plates, two a wall.",
          station: "bench",
          uses: [each("mending plate", "8"), metres(SEALANT, "2 * (insideLength + insideWidth)", 0.1)],
          people: 2,
          setup: 3,
          each: 8,
          check: "no light through the joint",
          mistakes: ["the lower body given rests as well, so the deep frames catch"],
          mark: "mem",
        },
        {
          id: "followers",
          name: "Put the followers together",
          text: "Screw each board on edge under the middle of its bar: pilot first, three screws down through the bar.",
          station: "bench",
          joins: ["follower", "follower-bar"],
          uses: [screws("2 * 3", "followerBarThick", "followerHeight")],
          setup: 3,
          each: 4,
          check: "hangs free in the box and touches nothing",
          mark: "mem",
        },
      ],
    }),
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
