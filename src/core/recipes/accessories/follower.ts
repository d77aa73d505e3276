import type { Recipe } from "../recipe";

/** A board shaped like a frame that closes off or fills space. */
export const follower: Recipe = {
  id: "follower",
  name: "Follower",
  family: "accessories",
  kind: "other",
  about: "A board that hangs like a frame and closes off what the bees do not use.",
  needs: ["boxInsideLength", "frameHeight", "topBarLength", "topBarWidth", "topBarThickness"],
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
    { name: "thickness", label: "Board, measured", group: "Wood", kind: "length", default: 'use == "dummy" ? 1*inch : 3/4*inch', min: "3/8*inch", max: "1.5*inch" },
    { name: "clearance", label: "Short of the walls, in all", group: "Size", kind: "length", default: 'use == "division" ? 1/16*inch : 1/2*inch', min: "0*inch", max: "1*inch" },
  ],
  values: [
    { name: "boardLength", label: "board length", formula: "boxInsideLength - clearance", mark: "mem" },
    { name: "boardHeight", label: "board height", formula: "frameHeight - topBarThickness", mark: "mem", why: "as a frame hangs, less its top bar" },
  ],
  parts: [
    { id: "top-bar", name: "Top bar", role: "top-bar", length: "topBarLength", width: "topBarWidth", thickness: "topBarThickness", features: [], places: [{ at: ["0", "topBarWidth", "frameHeight"], l: "+x", w: "-y", t: "-z" }] },
    {
      id: "board",
      name: "Board",
      role: "follower",
      length: "boardLength",
      width: "boardHeight",
      thickness: "thickness",
      features: [],
      places: [{ at: ["(topBarLength - boardLength) / 2", "(topBarWidth - thickness) / 2", "boardHeight"], l: "+x", w: "-z", t: "+y" }],
    },
  ],
  hardware: [{ id: "screws", name: "exterior screw, 1 5/8", count: "4", unit: "each", spare: 0.05, for: "top bar", mark: "mem" }],
  operations: [{ id: "assemble", name: "Screw the board under its top bar", station: "bench", setup: 3, each: 4, check: "hangs free in a box and touches nothing", mark: "mem" }],
  steps: [{ text: "Four screws down through the top bar into the board's edge, pilot holes first." }],
  mistakes: ["cut to the inside length, so it jams when the wood swells"],
  demands: [],
};
