import type { Recipe } from "../recipe";
import { body } from "./body";
import { wallParts } from "./walls";

/**
 * One long box of many frames: as wide across as the frames need. Extra-deep carries frames two boxes high; followers
 * close off what the colony does not use yet.
 */
export const longBody: Recipe = {
  ...body,
  id: "long-body",
  name: "Long body",
  about: "A horizontal hive: many frames side by side in one box, with followers and legs.",
  needs: ["boxInsideLength", "bodyDepth", "restWidth", "restDepth", "topBarLength", "pitch"],
  parameters: [
    { name: "longFrames", label: "Frames", group: "Size", kind: "count", default: "28", min: 10, max: 60 },
    { name: "spare", label: "Spare across", group: "Size", kind: "length", default: "3/4*inch", min: "1/8*inch", max: "4*inch" },
    {
      name: "height",
      label: "Height",
      group: "Size",
      kind: "choice",
      default: "single",
      choices: [
        { id: "single", label: "one body deep" },
        { id: "double", label: "two bodies deep", note: "for extra-deep frames" },
      ],
    },
    {
      name: "followers",
      label: "Followers",
      group: "Size",
      kind: "choice",
      default: "two",
      choices: [
        { id: "none", label: "none" },
        { id: "one", label: "one" },
        { id: "two", label: "two" },
      ],
    },
    { name: "legs", label: "Legs", group: "Size", kind: "flag", default: true },
    ...body.parameters.map((p) => (p.kind === "length" && p.name === "depth" ? { ...p, default: 'height == "double" ? 2 * bodyDepth : bodyDepth' } : p)),
  ],
  values: [
    { name: "frames", label: "frames", formula: "longFrames", mark: "trade" },
    { name: "legLength", label: "leg length", formula: "24*inch", mark: "mem" },
    ...body.values.map((v) => (v.name === "nominalInsideWidth" ? { ...v, formula: "frames * pitch + spare" } : v)),
    { name: "followerHeight", label: "follower height", formula: "depth - restDepth - 3/8*inch", mark: "mem" },
  ],
  parts: [
    ...wallParts(),
    {
      id: "follower",
      name: "Follower",
      role: "follower",
      when: 'followers != "none"',
      length: "insideLength - 1/2*inch",
      width: "followerHeight",
      thickness: "3/4*inch",
      features: [],
      places: [{ at: ["endThickness + 1/4*inch", "thickness + 1/4*inch", "depth - restDepth"], l: "+x", w: "-z", t: "+y" }],
    },
    {
      id: "second-follower",
      name: "Second follower",
      role: "follower",
      when: 'followers == "two"',
      length: "insideLength - 1/2*inch",
      width: "followerHeight",
      thickness: "3/4*inch",
      features: [],
      places: [{ at: ["outsideLength - endThickness - 1/4*inch", "outsideWidth - thickness - 1/4*inch", "depth - restDepth"], l: "-x", w: "-z", t: "-y" }],
    },
    {
      id: "leg",
      name: "Leg",
      role: "leg",
      when: "legs",
      length: "legLength",
      width: "3.5*inch",
      thickness: "thickness",
      features: [],
      places: [
        { at: ["-thickness", "thickness", "2*inch"], l: "-z", w: "+y", t: "+x" },
        { at: ["-thickness", "outsideWidth - thickness - 3.5*inch", "2*inch"], l: "-z", w: "+y", t: "+x" },
        { at: ["outsideLength + thickness", "thickness + 3.5*inch", "2*inch"], l: "-z", w: "-y", t: "-x" },
        { at: ["outsideLength + thickness", "outsideWidth - thickness", "2*inch"], l: "-z", w: "-y", t: "-x" },
      ],
    },
  ],
  steps: [...body.steps, { text: "Bolt a leg at each corner, clear of the rests.", when: "legs" }],
  mistakes: [...body.mistakes, "two ordinary frames meant one above the other, though a top bar cannot be lowered past the inside length"],
};
