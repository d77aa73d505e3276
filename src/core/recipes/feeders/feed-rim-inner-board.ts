import type { Recipe } from "../recipe";
import { FOR_BOX, OVER_BODY, RIM_HARDWARE, RIM_NEEDS, RIM_VALUES, rimOperations, rimParameters, rimParts, withFront } from "../rims";

/** A feed rim with a loose board in it: feed above, a bee space below. Cut to the rim as it was measured, once glued. */
export const feedRimInnerBoard: Recipe = {
  id: "feed-rim-inner-board",
  name: "Feed rim with inner board",
  family: "feeders",
  kind: "other",
  about: "A rim on ledges with a loose board, cut to the glued-up rim as measured; an entrance above it.",
  needs: RIM_NEEDS,
  parameters: [
    ...rimParameters("5*inch"),
    { name: "under", label: "Under the board", group: "Size", kind: "length", default: "3/8*inch", min: "1/4*inch", max: "3*inch", hint: "1 1/2 for thick patties", mark: "trade" },
    { name: "board", label: "Board, thick", group: "Wood", kind: "length", default: "3/4*inch", min: "1/4*inch", max: "1*inch" },
    { name: "rimLength", label: "Rim inside, measured long", group: "As measured", kind: "length", default: "insideLength", min: "4*inch", max: "100*inch" },
    { name: "rimWidth", label: "Rim inside, measured wide", group: "As measured", kind: "length", default: "insideWidth", min: "4*inch", max: "100*inch" },
    { name: "entrance", label: "Entrance", group: "Size", kind: "flag", default: true },
    { name: "skirt", label: "Skirt of the cover on top", group: "Size", kind: "length", default: "2.5*inch", min: "0*inch", max: "8*inch", when: "entrance" },
    ...FOR_BOX,
  ],
  values: [
    ...OVER_BODY,
    ...RIM_VALUES,
    { name: "ledge", label: "strip, wide", formula: "3/8*inch", mark: "trade" },
    { name: "boardLong", label: "board, long", formula: "rimLength - 1/64*inch", mark: "trade", why: "from the glued-up rim as measured" },
    { name: "boardWide", label: "board, wide", formula: "rimWidth - 1/64*inch", mark: "trade" },
    { name: "bore", label: "entrance, across", formula: "1.125*inch", mark: "trade" },
    {
      name: "entranceAt",
      label: "middle of the entrance, from the top",
      formula: "under >= 1.375*inch ? depth - under / 2 : depth - under - board - bore / 2 - 1/8*inch",
      mark: "trade",
      why: "below the board when there is room, otherwise above it",
    },
  ],
  parts: [
    ...withFront(rimParts(), [{ name: "entrance", kind: "hole", when: "entrance", l: "endLength / 2", w: "entranceAt", diameter: "bore" }]),
    {
      id: "side-strip",
      name: "Side strip",
      role: "ledge",
      length: "insideLength",
      width: "under",
      thickness: "ledge",
      features: [],
      places: [
        { at: ["endThickness", "thickness", "under"], l: "+x", w: "-z", t: "+y" },
        { at: ["outsideLength - endThickness", "outsideWidth - thickness", "under"], l: "-x", w: "-z", t: "-y" },
      ],
    },
    {
      id: "board",
      name: "Inner board",
      role: "panel",
      length: "boardLong",
      width: "boardWide",
      thickness: "board",
      features: [{ name: "feed hole", kind: "hole", l: "boardLong / 2", w: "boardWide / 2", diameter: "2*inch" }],
      places: [{ at: ["(outsideLength - boardLong) / 2", "(outsideWidth - boardWide) / 2", "under + board"], l: "+x", w: "+y", t: "-z" }],
    },
  ],
  hardware: [
    ...RIM_HARDWARE,
    { id: "seal", name: "sealant for inside joints, tube", count: "1/10", unit: "each", spare: 0, for: "rims", mark: "mem" },
    { id: "cover", name: "swing cover for an entrance", count: "1", unit: "each", spare: 0, for: "entrances", when: "entrance", mark: "mem" },
  ],
  operations: rimOperations([{ id: "entrance", name: "Bore the entrance where the diagonals cross", station: "drill", of: "front", setup: 5, each: 1, when: "entrance", hazard: "drill", mark: "mem" }]),
  steps: [
    { text: "Glue and fasten the rim; strips flush with its lower edge." },
    { text: "Measure the rim inside, once glued, and cut the board to that: a sixty-fourth less each way." },
    { text: 'Bore the 2" feed hole before the board is glued up; seal every inside joint, so that mites and beetles find no crack.' },
  ],
  mistakes: ["the board cut from the drawing instead of the rim", "the board bored after glue-up, and it tears out"],
  stands: { as: "sheet", height: "depth", outside: ["outsideLength", "outsideWidth"], under: "under", over: "depth - under - board", entrance: "entrance ? entranceAt - bore / 2 : depth" },
  demands: [
    { rule: "skirt-clear", label: "Entrance clear below the cover's skirt", value: "entranceAt - bore / 2 - skirt", least: "0*inch", below: "care", when: "entrance", advice: "a deeper rim, or a cover with a shorter skirt", mark: "trade" },
  ],
};
