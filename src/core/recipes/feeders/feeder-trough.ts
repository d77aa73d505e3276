import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import { each, glue, metres, screws, SEALANT } from "../assembly";
import type { PartRecipe, Recipe } from "../recipe";
import { FOR_BOX, OVER_BODY, RIM_NEEDS, RIM_VALUES, rimAssembly, rimParameters, rimParts } from "../rims";
import { SHEET } from "../sheets";

/** A board across the rim, its near face at `x` from the slot's middle line or the wall. */
const across = (id: "divider" | "baffle", name: string, width: string, foot: string, at: Record<"end" | "middle", string[]>): PartRecipe[] =>
  (["end", "middle"] as const).map((slotAt) => ({
    id: slotAt === "end" ? id : `${id}-middle`,
    name,
    role: id,
    when: `slotAt == "${slotAt}"`,
    length: "insideWidth",
    width,
    thickness: "board",
    features: [],
    places: at[slotAt].map((x) => ({ at: [x, "outsideWidth - thickness", `${foot} + ${width}`] as [string, string, string], l: "-y", w: "-z", t: "+x" })),
  }));

/** A rim with a floor that holds syrup over the whole box; bees climb through a slot and drink in a channel. */
export const feederTrough: Recipe = finished(
  {
    id: "feeder-trough",
    name: "Trough feeder",
    called: ["hive top feeder", "top feeder", "syrup tray"],
    family: "feeders",
    kind: "other",
    about: "A shallow tank over the top body; bees climb a slot, over a divider, and drink behind a baffle without drowning.",
    needs: RIM_NEEDS,
    parameters: [
      ...rimParameters("4*inch"),
      { name: "floorThick", label: "Floor, thick", group: "Wood", kind: "length", default: SHEET.quarter, min: "1/8*inch", max: "1/2*inch" },
      { name: "board", label: "Divider and baffle, thick", group: "Wood", kind: "length", default: "3/8*inch", min: "1/4*inch", max: "3/4*inch" },
      { name: "slot", label: "Climbing slot", group: "Size", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "1.5*inch", mark: "trade" },
      {
        name: "slotAt",
        label: "Slot at",
        group: "Size",
        kind: "choice",
        default: "end",
        choices: [
          { id: "end", label: "one end" },
          { id: "middle", label: "the middle", note: "nearer to the cluster in the cold; two channels" },
        ],
      },
      ...FOR_BOX,
    ],
    values: [
      ...OVER_BODY,
      ...RIM_VALUES,
      { name: "channel", label: "channel, wide", formula: "3/8*inch", mark: "trade" },
      { name: "baffleFoot", label: "baffle above the floor", formula: "1/8*inch", mark: "trade" },
      { name: "dividerHigh", label: "divider, high", formula: "depth - 3/4*inch", mark: "trade", why: "bees climb over it" },
      { name: "baffleHigh", label: "baffle, high", formula: "depth - baffleFoot", mark: "trade" },
      { name: "slotStart", label: "slot from the outside of the end", formula: 'slotAt == "end" ? endThickness : (outsideLength - slot) / 2', mark: "arithmetic" },
      { name: "boards", label: "boards that stand in the syrup", formula: 'slotAt == "end" ? 2 : 4', mark: "arithmetic" },
      { name: "reservoirLong", label: "reservoir, long", formula: "insideLength - slot - boards * board", mark: "trade", why: "what slot, divider and baffle leave" },
      { name: "held", label: "holds", formula: "reservoirLong * insideWidth * (dividerHigh - 3/8*inch)", mark: "trade", why: "to 3/8 below the divider" },
    ],
    parts: [
      ...rimParts(),
      {
        id: "floor",
        name: "Floor",
        role: "floor",
        material: "ply",
        length: "outsideLength",
        width: "outsideWidth",
        thickness: "floorThick",
        features: [{ name: "climbing slot", kind: "notch", l: ["slotStart", "slotStart + slot"], w: ["thickness", "thickness + insideWidth"] }],
        places: [{ at: ["0", "0", "0"], l: "+x", w: "+y", t: "-z" }],
      },
      ...across("divider", "Divider", "dividerHigh", "0*inch", { end: ["slotStart + slot"], middle: ["slotStart - board", "slotStart + slot"] }),
      ...across("baffle", "Baffle", "baffleHigh", "baffleFoot", { end: ["slotStart + slot + board + channel"], middle: ["slotStart - 2 * board - channel", "slotStart + slot + board + channel"] }),
    ],
    assembly: rimAssembly({
      next: [
        {
          id: "floor",
          name: "Glue and screw the floor on",
          text: "Glue and screw the floor under the rim, the climbing slot inside the wall.",
          station: "bench",
          joins: ["floor"],
          uses: [screws("20", "floorThick", "depth"), glue("2 * (outsideLength + insideWidth) * thickness")],
          setup: 3,
          each: 6,
          wait: 45,
          hazard: "glue",
          mark: "mem",
        },
        {
          id: "boards",
          name: "Set divider and baffle, seal every seam",
          text: "Set the divider hard behind the slot, sealed on three sides; the baffle a bee space beyond it, an eighth above the floor. Seal every seam, and roughen the divider so that bees can climb it.",
          station: "bench",
          joins: ["divider", "divider-middle", "baffle", "baffle-middle"],
          uses: [metres(SEALANT, "2 * (insideLength + insideWidth) + 4 * depth + boards / 2 * (insideWidth + 2 * dividerHigh)", 0.1), each("frame nail", 'slotAt == "end" ? 8 : 16', 0.05, undefined, "1 1/4")],
          setup: 4,
          each: 8,
          wait: 120,
          hazard: "glue",
          check: "stands full of water overnight without a drip",
          mistakes: ["the baffle down on the floor: no syrup reaches the channel", "no flat cover on it: bees get round the baffle and drown"],
          mark: "mem",
        },
      ],
    }),
    figures: [{ rule: "feeder-volume", label: "Holds", formula: "held", unit: "l", text: "to 3/8 below the divider", mark: "trade" }],
    stands: { as: "sheet", height: "depth + floorThick", outside: ["outsideLength", "outsideWidth"], under: "0*inch", over: "3/4*inch" },
    demands: [
      { rule: "feeder-climb", label: "Over the divider", value: "depth - dividerHigh", least: "3/8*inch", below: "stop", advice: "lower the divider", mark: "trade" },
      { rule: "feeder-slot", label: "Climbing slot", value: "slot", least: "1/2*inch", below: "care", advice: "bees pass each other in 3/4", mark: "trade" },
    ],
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
