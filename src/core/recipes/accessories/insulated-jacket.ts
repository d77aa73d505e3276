import type { PartRecipe, Recipe } from "../recipe";
import { FOR_BOX, RIM_NEEDS } from "../rims";

/** R of an inch, in the units it is sold by (ft²·°F·h/Btu): expanded polystyrene 3.6–4.0, extruded 5.0, from memory. */
const PER_INCH = { expanded: "3.8", extruded: "5" };
/** 1 m²·K/W is 5.678 ft²·°F·h/Btu. */
const WOOD = { pub: "Wood Handbook, thermal properties: k = G (0.1941 + 0.004064 M) + 0.01864", fromMemory: true };

const wall = (id: string, name: string, material: "foam" | undefined, length: string, thickness: string, high: string, places: [[string, string], [string, string]], along: "x" | "y"): PartRecipe => ({
  id,
  name,
  role: material ?? "cladding",
  ...(material ? { material } : { outside: "mark the outside face" }),
  length,
  width: "jacketHigh",
  thickness,
  features: [],
  places: [
    { at: [...places[0], high], l: along === "x" ? "+x" : "-y", w: "-z", t: along === "x" ? "+y" : "+x" },
    { at: [...places[1], high], l: along === "x" ? "-x" : "+y", w: "-z", t: along === "x" ? "-y" : "-x" },
  ],
});

/** Foam and cladding round a body that stands all winter: keeps heat in and out, makes none. */
export const insulatedJacket: Recipe = {
  id: "insulated-jacket",
  name: "Insulated jacket",
  family: "accessories",
  kind: "other",
  about: "Foam sheets and thin cladding round a body or two joined ones; covers follow the larger outside.",
  needs: [...RIM_NEEDS, "bodyDepth"],
  parameters: [
    { name: "jacketHigh", label: "Height, as the boxes inside", group: "Size", kind: "length", default: "bodyDepth", min: "4*inch", max: "40*inch", hint: "the total of joined bodies" },
    { name: "foam", label: "Foam, thick", group: "Foam", kind: "length", default: "1*inch", min: "1/2*inch", max: "4*inch" },
    {
      name: "kind",
      label: "Foam of",
      group: "Foam",
      kind: "choice",
      default: "expanded",
      choices: [
        { id: "expanded", label: "expanded polystyrene", note: "R 3.8 an inch" },
        { id: "extruded", label: "extruded polystyrene", note: "R 5 an inch" },
      ],
    },
    { name: "cladding", label: "Cladding, thick", group: "Wood", kind: "length", default: "3/8*inch", min: "1/8*inch", max: "1*inch" },
    { name: "strip", label: "Strip over the foam's edges, thick", group: "Foam", kind: "length", default: "1/32*inch", min: "1/64*inch", max: "1/8*inch", hint: "thin plastic: bees and ants eat bare foam" },
    { name: "boxWall", label: "Wall of the box inside", group: "Wood", kind: "length", default: "nominalThickness", min: "3/8*inch", max: "2*inch" },
    { name: "density", label: "Wood, specific gravity", group: "Wood", kind: "number", default: "0.35", min: 0.25, max: 0.8, hint: "white pine 0.35, cedar 0.31, Douglas-fir 0.48", mark: WOOD },
    { name: "moisture", label: "Wood's moisture, %", group: "Wood", kind: "number", default: "12", min: 4, max: 30 },
    ...FOR_BOX,
  ],
  values: [
    { name: "foamLength", label: "outside of the foam, long", formula: "bodyOutsideLength + 2 * foam", mark: "trade" },
    { name: "foamWidth", label: "outside of the foam, wide", formula: "bodyOutsideWidth + 2 * foam", mark: "trade" },
    { name: "outsideLength", label: "outside length", formula: "foamLength + 2 * cladding", mark: "trade", why: "covers are made to this" },
    { name: "outsideWidth", label: "outside width", formula: "foamWidth + 2 * cladding", mark: "trade" },
    { name: "conductivity", label: "wood across the grain, W/(m·K)", formula: "density * (0.1941 + 0.004064 * moisture) + 0.01864", mark: WOOD },
    { name: "films", label: "surface films, inside 0.12 and outside 0.03", formula: "0.12 + 0.03", mark: "mem" },
    { name: "woodR", label: "R of the wood, m²·K/W", formula: "(boxWall + cladding) / (1000 * mm) / conductivity", mark: WOOD },
    { name: "foamPerInch", label: "foam, R an inch (ft²·°F·h/Btu)", formula: { by: "kind", is: PER_INCH }, mark: "mem" },
    { name: "foamR", label: "R of the foam, m²·K/W", formula: "foam / (1*inch) * foamPerInch / 5.678", mark: "mem" },
    { name: "bareR", label: "R of the bare wall, m²·K/W", formula: "films + boxWall / (1000 * mm) / conductivity", mark: WOOD },
    { name: "wallR", label: "R of the wall, m²·K/W", formula: "films + woodR + foamR", mark: WOOD, why: "layers add" },
    { name: "wallArea", label: "walls, m²", formula: "2 * (bodyOutsideLength + bodyOutsideWidth) * jacketHigh / (1000*mm * 1000*mm)", mark: "arithmetic" },
  ],
  parts: [
    wall(
      "foam-side",
      "Foam side",
      "foam",
      "bodyOutsideLength",
      "foam",
      "jacketHigh",
      [
        ["0", "-foam"],
        ["bodyOutsideLength", "bodyOutsideWidth + foam"],
      ],
      "x",
    ),
    wall(
      "foam-end",
      "Foam end",
      "foam",
      "foamWidth",
      "foam",
      "jacketHigh",
      [
        ["-foam", "bodyOutsideWidth + foam"],
        ["bodyOutsideLength + foam", "-foam"],
      ],
      "y",
    ),
    wall(
      "cladding-side",
      "Cladding side",
      undefined,
      "foamLength",
      "cladding",
      "jacketHigh",
      [
        ["-foam", "-foam - cladding"],
        ["bodyOutsideLength + foam", "bodyOutsideWidth + foam + cladding"],
      ],
      "x",
    ),
    wall(
      "cladding-end",
      "Cladding end",
      undefined,
      "outsideWidth",
      "cladding",
      "jacketHigh",
      [
        ["-foam - cladding", "bodyOutsideWidth + foam + cladding"],
        ["bodyOutsideLength + foam + cladding", "-foam - cladding"],
      ],
      "y",
    ),
    {
      id: "side-strip",
      name: "Side strip",
      role: "strip",
      material: "plastic",
      length: "bodyOutsideLength",
      width: "foam",
      thickness: "strip",
      features: [],
      places: ["jacketHigh + strip", "0*inch"].flatMap((z): PartRecipe["places"] => [
        { at: ["0", "-foam", z], l: "+x", w: "+y", t: "-z" },
        { at: ["0", "bodyOutsideWidth", z], l: "+x", w: "+y", t: "-z" },
      ]),
    },
    {
      id: "end-strip",
      name: "End strip",
      role: "strip",
      material: "plastic",
      length: "foamWidth",
      width: "foam",
      thickness: "strip",
      features: [],
      places: ["jacketHigh + strip", "0*inch"].flatMap((z): PartRecipe["places"] => [
        { at: ["-foam", "-foam", z], l: "+y", w: "+x", t: "-z" },
        { at: ["bodyOutsideLength", "-foam", z], l: "+y", w: "+x", t: "-z" },
      ]),
    },
  ],
  hardware: [
    { id: "screws", name: "exterior screw, 2", count: "16", unit: "each", spare: 0.05, for: "cladding", mark: "mem" },
    { id: "foam-glue", name: "glue for foam, tube", count: "1/2", unit: "each", spare: 0, for: "foam", mark: "mem" },
  ],
  operations: [
    { id: "foam", name: "Cut and glue the foam round the box", station: "bench", setup: 6, each: 12, wait: 60, hazard: "foam", check: "no gap at the corners", mark: "mem" },
    { id: "cladding", name: "Screw the cladding on, strips over the edges", station: "bench", setup: 5, each: 12, check: "a cover to the new outside goes on", mark: "mem" },
  ],
  steps: [
    { text: "Glue the foam sides on, then the ends over them; use a glue that does not eat foam." },
    { text: "Close the foam's upper and lower edges with the strips: bees and ants eat bare foam." },
    { text: "Screw the cladding through the foam into the box. Mark the new outside on the cover's sheet." },
  ],
  mistakes: ["last year's cover: the outside has grown", "foam left bare at the edges"],
  figures: [
    { rule: "bare-r", label: "Wall without the jacket", formula: "bareR", unit: "m²·K/W", text: "wood and surface films", mark: WOOD },
    { rule: "wall-r", label: "Wall with the jacket", formula: "wallR", unit: "m²·K/W", text: "insulation keeps heat in and out, it makes none", mark: WOOD },
    { rule: "wall-loss", label: "Lost through the walls, a degree", formula: "wallArea / wallR", unit: "W/K", text: "the same walls bare lose more by the ratio of the two R", mark: WOOD },
  ],
  stands: { as: "jacket", height: "jacketHigh", outside: ["outsideLength", "outsideWidth"], under: "0*inch", over: "0*inch" },
  demands: [{ rule: "strip-edge", label: "Strip over the foam's edges", value: "strip", least: "1/64*inch", below: "stop", advice: "bare foam is eaten", mark: "mem" }],
};
