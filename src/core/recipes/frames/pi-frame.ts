import { each, glue } from "../assembly";
import type { Recipe } from "../recipe";

/** A top bar and two side bars, no bottom bar: for the small square box. */
export const piFrame: Recipe = {
  id: "pi-frame",
  name: "Pi frame",
  family: "frames",
  kind: "frame",
  about: "Top bar and two side bars, open below.",
  standards: ["square-190"],
  needs: ["sideBarHeight", "sideBarInset", "restWidth"],
  parameters: [{ name: "endPlay", label: "Play end to end", group: "Top bar", kind: "length", default: "2*mm", min: "1*mm", max: "5*mm" }],
  values: [
    { name: "topBarLength", label: "top bar length", formula: "boxInsideLength + 2 * restWidth - endPlay", mark: "mem" },
    { name: "frameLength", label: "frame outside length", formula: "boxInsideLength - 2 * sideBarInset", mark: "mem" },
    { name: "earLength", label: "bar past the side bar", formula: "(topBarLength - frameLength) / 2", mark: "arithmetic" },
    { name: "frameHeight", label: "frame height", formula: "topBarThickness + sideBarHeight", mark: "arithmetic" },
    { name: "openingLength", label: "opening length", formula: "frameLength - 2 * sideBarThickness", mark: "arithmetic" },
    { name: "openingHeight", label: "opening height", formula: "sideBarHeight", mark: "arithmetic" },
  ],
  parts: [
    { id: "top-bar", name: "Top bar", role: "top-bar", length: "topBarLength", width: "topBarWidth", thickness: "topBarThickness", features: [], places: [{ at: ["0", "topBarWidth", "frameHeight"], l: "+x", w: "-y", t: "-z" }] },
    {
      id: "side-bar",
      name: "Side bar",
      role: "end-bar",
      length: "sideBarHeight",
      width: "sideBarWidth",
      thickness: "sideBarThickness",
      features: [],
      places: [
        { at: ["earLength", "0", "sideBarHeight"], l: "-z", w: "+y", t: "+x" },
        { at: ["topBarLength - earLength", "sideBarWidth", "sideBarHeight"], l: "-z", w: "-y", t: "-x" },
      ],
    },
  ],
  assembly: [
    {
      id: "assemble",
      name: "Nail the side bars under the top bar",
      text: "Two nails down through the top bar into each side bar, a spot of glue; a spacer on each end of the bar.",
      station: "frame jig",
      joins: ["top-bar", "side-bar"],
      uses: [each("frame nail", "4", 0.05, undefined, "1 1/4"), each("frame spacer", "2", 0.02), glue("2 * sideBarThickness * sideBarWidth")],
      setup: 5,
      each: 1.2,
      hazard: "glue",
      check: "both side bars square to the bar",
      mistakes: ["a bottom bar added, so the comb is closed off"],
      mark: "mem",
    },
  ],
  demands: [],
};
