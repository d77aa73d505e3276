import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import { each, markFaces } from "../assembly";
import type { Recipe } from "../recipe";
import { FOR_BOX, OVER_BODY, RIM_NEEDS, RIM_VALUES, rimAssembly, rimParameters, rimParts } from "../rims";

/** Slats under the brood, one below each frame: room to cluster and less draught. */
export const slattedRack: Recipe = finished(
  {
    id: "slatted-rack",
    name: "Slatted rack",
    called: ["slatted bottom", "slat rack"],
    family: "accessories",
    kind: "other",
    about: "A rim of slats between floor and brood body, a slat under every frame.",
    needs: [...RIM_NEEDS, "frames", "pitch"],
    parameters: [
      ...rimParameters("2*inch").map((p) => (p.kind === "choice" && p.name === "joint" ? { ...p, default: "butt-ends-inside" } : p)),
      { name: "slatThick", label: "Slats, thick", group: "Size", kind: "length", default: "3/8*inch", min: "1/4*inch", max: "3/4*inch" },
      ...FOR_BOX,
    ],
    values: [
      ...OVER_BODY,
      ...RIM_VALUES,
      { name: "socket", label: "socket, deep", formula: "min(3/8*inch, endThickness - 1/4*inch)", mark: "trade" },
      { name: "slatWide", label: "slat, wide", formula: "pitch - 3/8*inch", mark: "trade" },
      { name: "slatLong", label: "slat, long", formula: "insideLength + 2 * socket", mark: "trade" },
      { name: "firstSlat", label: "first slat from the wall", formula: "(insideWidth - frames * pitch) / 2 + pitch / 2 - slatWide / 2", mark: "trade" },
      { name: "sunk", label: "tops below the rim", formula: "1/8*inch", mark: "trade" },
    ],
    parts: [
      ...rimParts({ ends: [{ name: "socket strip", check: "a slat lies in it by hand", kind: "groove", run: "along", face: "far", at: "sunk", width: "slatThick", deep: "socket" }] }),
      {
        id: "slat",
        name: "Slat",
        role: "slat",
        length: "slatLong",
        width: "slatWide",
        thickness: "slatThick",
        features: [],
        places: [{ at: ["endThickness - socket", "thickness + firstSlat", "depth - sunk"], l: "+x", w: "+y", t: "-z", times: "frames", step: ["0*inch", "pitch", "0*inch"] }],
      },
    ],
    assembly: [
      markFaces(["side", "end"]),
      { id: "mark-slats", name: "Mark the slats' places", text: "Mark along each end's groove the middle of every slat, at the frames' pitch.", station: "bench", on: ["end"], setup: 1, each: 1, mark: "mem" },
      {
        id: "glue-up",
        name: "Glue three walls, lay the slats, close the fourth",
        text: "Glue and fasten three walls, lay the slats in their grooves at the frames' pitch, then close the fourth. Pin each slat under where a frame will hang. Measure both diagonals before the glue grabs.",
        station: "clamps",
        joins: ["side", "end", "slat"],
        uses: [...rimAssembly().flatMap((s) => s.uses ?? []), each("brad", "4 * frames", 0.05, undefined, "3/4")],
        setup: 10,
        each: 14,
        wait: 45,
        lot: 8,
        hazard: "glue",
        check: "both diagonals equal, no rock on a flat",
        mistakes: ["slats across the frames instead of under them"],
        mark: "mem",
      },
    ],
    stands: { as: "sheet", height: "depth", outside: ["outsideLength", "outsideWidth"], under: "depth - sunk - slatThick", over: "sunk" },
    demands: [{ rule: "slat-gap", label: "Between two slats", value: "pitch - slatWide", least: "3/8*inch", below: "care", advice: "leave a bee space between slats", mark: "trade" }],
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
