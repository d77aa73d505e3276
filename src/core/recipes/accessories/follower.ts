import { screws } from "../assembly";
import type { Recipe } from "../recipe";
import { FOLLOWER_VALUES, followerBar, followerBoard } from "./followers";

/** A board shaped like a frame that closes off or fills space. */
export const follower: Recipe = {
  id: "follower",
  name: "Follower",
  called: ["dummy", "dummy board", "division board", "follower board"],
  family: "accessories",
  kind: "other",
  about: "A board that hangs like a frame and closes off what the bees do not use.",
  needs: ["boxInsideLength", "frameHeight", "topBarLength", "topBarWidth", "topBarThickness", "earThickness"],
  parameters: [
    {
      name: "use",
      label: "As",
      group: "Use",
      kind: "choice",
      default: "follower",
      choices: [
        { id: "follower", label: "a follower", note: "loose: bees pass round it" },
        { id: "division", label: "a division board", note: "slides hard along the walls" },
        { id: "dummy", label: "a dummy", note: "fills the place of a comb" },
      ],
    },
    { name: "thickness", label: "Board, measured", group: "Wood", kind: "length", default: 'use == "dummy" ? 1*inch : boardThickness', min: "3/8*inch", max: "1.5*inch" },
    { name: "clearance", label: "Short of the walls, in all", group: "Size", kind: "length", default: 'use == "division" ? 1/16*inch : 1/2*inch', min: "0*inch", max: "1*inch" },
  ],
  values: FOLLOWER_VALUES("frameHeight").map((v) => (v.name === "followerLength" ? { ...v, formula: "boxInsideLength - clearance" } : v)),
  parts: [
    followerBar([{ at: ["0", "topBarWidth", "frameHeight"], l: "+x", w: "-y", t: "-z" }]),
    { ...followerBoard([{ at: ["followerEar", "(topBarWidth - thickness) / 2", "followerHeight"], l: "+x", w: "-z", t: "+y" }]), thickness: "thickness", fits: { to: "box", names: ["boxInsideLength"] } },
  ],
  assembly: [
    {
      id: "assemble",
      name: "Screw the board under its top bar",
      text: "Four screws down through the top bar into the board's edge, pilot holes first; the board in the middle of the bar's length.",
      station: "bench",
      joins: ["follower-bar", "follower"],
      uses: [screws("4", "followerBarThick", "followerHeight")],
      setup: 3,
      each: 4,
      check: "hangs free in a box and touches nothing",
      mistakes: ["cut to the inside length, so it jams when the wood swells"],
      mark: "mem",
    },
  ],
  demands: [],
};
