import type { Recipe } from "../recipe";

/** Four plain bars, no ears: stands on rods. Top and bottom are hollowed. */
export const noEarFrame: Recipe = {
  id: "no-ear-frame",
  name: "Frame without ears",
  family: "frames",
  kind: "other",
  about: "Four plain bars; stands on rods in a cabinet hive.",
  standards: ["az"],
  needs: ["frameLength", "frameHeight", "topBarThickness"],
  parameters: [
    {
      name: "foundation",
      label: "Foundation",
      group: "Foundation",
      kind: "choice",
      default: "wired-wax",
      choices: [
        { id: "wired-wax", label: "wired wax" },
        { id: "none", label: "none" },
      ],
    },
  ],
  values: [
    { name: "sideBarLength", label: "side bar between top and bottom", formula: "frameHeight - topBarThickness - bottomBarThickness", mark: "arithmetic" },
    { name: "openingLength", label: "opening length", formula: "frameLength - 2 * endBarThickness", mark: "arithmetic" },
    { name: "openingHeight", label: "opening height", formula: "sideBarLength", mark: "arithmetic" },
    { name: "hollow", label: "hollowed", formula: "3*mm", mark: "mem" },
  ],
  parts: [
    {
      id: "top-bar",
      name: "Top bar, hollowed",
      role: "top-bar",
      length: "frameLength",
      width: "topBarWidth",
      thickness: "topBarThickness",
      features: [{ name: "hollow", kind: "groove", run: "along", face: "far", at: "5*mm", width: "topBarWidth - 10*mm", deep: "hollow" }],
      places: [{ at: ["0", "topBarWidth", "frameHeight"], l: "+x", w: "-y", t: "-z" }],
    },
    {
      id: "bottom-bar",
      name: "Bottom bar, hollowed",
      role: "bottom-bar",
      length: "frameLength",
      width: "bottomBarWidth",
      thickness: "bottomBarThickness",
      features: [{ name: "hollow", kind: "groove", run: "along", face: "far", at: "5*mm", width: "bottomBarWidth - 10*mm", deep: "hollow" }],
      places: [{ at: ["0", "0", "0"], l: "+x", w: "+y", t: "+z" }],
    },
    {
      id: "side-bar",
      name: "Side bar",
      role: "end-bar",
      length: "sideBarLength",
      width: "endBarWidth",
      thickness: "endBarThickness",
      features: [{ name: "wire holes", kind: "hole", when: 'foundation == "wired-wax"', l: "sideBarLength / (2 * wireHoles)", w: "endBarWidth / 2", diameter: "2.5*mm", count: "wireHoles", step: "sideBarLength / wireHoles" }],
      places: [
        { at: ["0", "0", "frameHeight - topBarThickness"], l: "-z", w: "+y", t: "+x" },
        { at: ["frameLength", "endBarWidth", "frameHeight - topBarThickness"], l: "-z", w: "-y", t: "-x" },
      ],
    },
  ],
  hardware: [
    { id: "frame-nails", name: "frame nail, 1 1/4", count: "8", unit: "each", spare: 0.05, for: "frames", mark: "mem" },
    { id: "foundation-wired", name: "foundation, wired wax", count: "1", unit: "each", spare: 0.05, for: "frames", when: 'foundation == "wired-wax"', mark: "trade" },
  ],
  operations: [
    { id: "hollows", name: "Hollow top and bottom bars", station: "table saw", setup: 15, each: 0.4, hazard: "dado", mark: "mem" },
    { id: "assemble", name: "Assemble in the jig", station: "frame jig", setup: 10, each: 2, wait: 30, hazard: "glue", check: "square, no twist: it must slide", mark: "mem" },
  ],
  steps: [{ text: "Nail the side bars between top and bottom, two nails a joint." }, { text: "Slide one in and out on the rods." }],
  mistakes: ["hollow turned outwards"],
  demands: [],
};
