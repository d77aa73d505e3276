import type { Recipe } from "../recipe";
import { FOR_BOX, OVER_BODY, RIM_HARDWARE, RIM_NEEDS, RIM_VALUES, rimOperations, rimParameters, rimParts } from "../rims";

/** Slats under the brood, one below each frame: room to cluster and less draught. */
export const slattedRack: Recipe = {
  id: "slatted-rack",
  name: "Slatted rack",
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
    ...rimParts({ ends: [{ name: "socket strip", kind: "groove", run: "along", face: "far", at: "sunk", width: "slatThick", deep: "socket" }] }),
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
  hardware: [...RIM_HARDWARE, { id: "slat-brads", name: "brad, 3/4", count: "4 * frames", unit: "each", spare: 0.05, for: "slats", mark: "mem" }],
  operations: rimOperations([
    {
      id: "sockets",
      name: "Sockets for the slats, a groove along each end",
      station: "table saw",
      of: "end",
      setup: 12,
      each: 1,
      hazard: "dado",
      settings: [
        { label: "wide", value: "slatThick" },
        { label: "blade up", value: "socket" },
      ],
      check: "a slat lies in it by hand",
      mark: "mem",
    },
  ]),
  steps: [{ text: "Glue and fasten three walls, lay the slats in their grooves at the frames' pitch, then close the fourth." }, { text: "Pin each slat under where a frame will hang." }],
  mistakes: ["slats across the frames instead of under them"],
  stands: { as: "sheet", height: "depth", outside: ["outsideLength", "outsideWidth"], under: "depth - sunk - slatThick", over: "sunk" },
  demands: [{ rule: "slat-gap", label: "Between two slats", value: "pitch - slatWide", least: "3/8*inch", below: "care", advice: "leave a bee space between slats", mark: "trade" }],
};
