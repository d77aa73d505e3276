import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import { each, glue } from "../assembly";
import type { Recipe } from "../recipe";
import { body } from "./body";
import { WALL_VALUES, wallAssembly, wallParts } from "./walls";

/**
 * A standard body divided into four bee-tight mating chambers for half-length frames. The cross partition is three
 * layers: the middle one stands up as a rest for both sides and ends in dados in the sides.
 */
const CENTRED = "nick the edge, turn the board end for end with the same side down, compare; move the fence by half the difference";
const hole = (l: string, when?: string) => ({ name: "entrance", kind: "hole" as const, l, w: "depth - 1*inch", diameter: "1*inch", ...(when ? { when } : {}) });

export const dividedBody: Recipe = finished(
  {
    ...body,
    stacks: undefined,
    id: "divided-body",
    name: "Divided body",
    called: ["mating nuc", "mating hive", "queen castle", "four way nuc", "mating box"],
    about: "Four mating chambers in a standard body, each with its own entrance and half-length frames.",
    standards: ["langstroth-10"],
    hangs: "half-frame",
    measuredAt: { x: "endThickness + (insideLength - 3 * ply) / 4", y: "thickness + (insideWidth - thinPly) / 4" },
    parameters: [
      // A grip cut at the middle of an end meets the dado inside.
      ...body.parameters.map((p) => (p.kind === "choice" && p.name === "handholds" ? { ...p, default: "cleats" } : p)),
      { name: "ply", label: "Ply layer, measured", group: "Partitions", kind: "length", default: "3/8*inch", min: "1/4*inch", max: "3/4*inch", hint: "a 3/8 sheet may read 9 mm" },
      { name: "thinPly", label: "Thin ply, measured", group: "Partitions", kind: "length", default: "1/8*inch", min: "1/16*inch", max: "1/4*inch" },
      { name: "tongue", label: "Tongue in the sides", group: "Partitions", kind: "length", default: "1/4*inch", min: "1/8*inch", max: "thickness / 2" },
    ],
    values: [
      { name: "chambers", label: "chambers", formula: "4", mark: "trade" },
      { name: "frames", label: "half-length frames a chamber", formula: "5", mark: "trade" },
      ...body.values.filter((v) => !WALL_VALUES.includes(v)),
      ...WALL_VALUES.map((v) => (v.name === "pocketDeep" ? { ...v, formula: "max(1/8*inch, min(3/8*inch, thickness - 1/4*inch))", why: "3/8 deep where a dado passes behind" } : v)),
      { name: "chamberLength", label: "chamber length", formula: "(insideLength - 3 * ply) / 2", mark: "trade" },
      { name: "chamberWidth", label: "chamber width", formula: "(insideWidth - thinPly) / 2", mark: "trade" },
      { name: "partitionHeight", label: "outer layer height", formula: "depth - restDepth", mark: "trade", why: "the middle layer stands above it by the rest's depth" },
      { name: "partitionStart", label: "cross partition starts", formula: "(outsideLength - 3 * ply) / 2", mark: "arithmetic" },
      { name: "lengthwise", label: "lengthwise partition length", formula: "chamberLength + restWidth + ply", mark: "trade", why: "from the dado in the end through the outer layer of the cross partition" },
      { name: "coverLength", label: "inspection cover length", formula: "outsideLength / 2", mark: "trade" },
      { name: "coverWidth", label: "inspection cover width", formula: "outsideWidth / 2", mark: "trade" },
    ],
    parts: [
      ...wallParts({
        // Two short grips clear of the middle, where the dados run inside.
        sideGrips: ["sideLength / 4", "3 * sideLength / 4"].map((middle) => ({ middle, long: "3*inch" })),
        endGrips: ["endLength / 4", "3 * endLength / 4"].map((middle) => ({ middle, long: "3*inch" })),
        sides: [
          { name: "dado for the cross partition", check: CENTRED, kind: "groove", run: "across", face: "far", at: "(sideLength - ply) / 2", width: "ply", deep: "tongue" },
          hole("2*inch + thickness - (outsideLength - sideLength) / 2"),
        ],
        ends: [
          { name: "dado for the lengthwise partition", check: CENTRED, kind: "groove", run: "across", face: "far", at: "(endLength - thinPly) / 2", width: "thinPly", deep: "restWidth" },
          hole("2*inch + thickness - (outsideWidth - endLength) / 2"),
        ],
      }),
      {
        id: "cross-outer",
        name: "Cross partition, outer layer",
        role: "partition",
        material: "ply",
        length: "insideWidth",
        width: "partitionHeight",
        thickness: "ply",
        features: [
          {
            name: "slot for the lengthwise partition",
            after: "laminate",
            check: "the lengthwise partition pushes in, bee-tight",
            kind: "notch",
            l: ["(insideWidth - thinPly) / 2", "(insideWidth + thinPly) / 2"],
            w: ["0", "partitionHeight"],
          },
        ],
        places: [
          { at: ["partitionStart", "(outsideWidth + insideWidth) / 2", "partitionHeight"], l: "-y", w: "-z", t: "+x" },
          { at: ["partitionStart + 3 * ply", "(outsideWidth - insideWidth) / 2", "partitionHeight"], l: "+y", w: "-z", t: "-x" },
        ],
      },
      {
        id: "cross-middle",
        name: "Cross partition, middle layer",
        role: "partition",
        material: "ply",
        length: "insideWidth + 2 * tongue",
        width: "depth",
        thickness: "ply",
        features: [],
        places: [{ at: ["partitionStart + ply", "(outsideWidth + insideWidth) / 2 + tongue", "depth"], l: "-y", w: "-z", t: "+x" }],
      },
      {
        id: "lengthwise",
        name: "Lengthwise partition",
        role: "partition",
        material: "ply",
        length: "lengthwise",
        width: "depth",
        thickness: "thinPly",
        features: [],
        places: [
          { at: ["endThickness - restWidth", "(outsideWidth - thinPly) / 2", "depth"], l: "+x", w: "-z", t: "+y" },
          { at: ["outsideLength - endThickness + restWidth", "(outsideWidth + thinPly) / 2", "depth"], l: "-x", w: "-z", t: "-y" },
        ],
      },
      {
        id: "inspection-cover",
        name: "Inspection cover",
        role: "cover",
        material: "ply",
        length: "coverLength",
        width: "coverWidth",
        thickness: "thinPly",
        features: [],
        places: [
          { at: ["0", "0", "depth"], l: "+x", w: "+y", t: "+z" },
          { at: ["coverLength", "0", "depth"], l: "+x", w: "+y", t: "+z" },
          { at: ["0", "coverWidth", "depth"], l: "+x", w: "+y", t: "+z" },
          { at: ["coverLength", "coverWidth", "depth"], l: "+x", w: "+y", t: "+z" },
        ],
      },
    ],
    assembly: wallAssembly({
      dados: true,
      more: [
        {
          id: "laminate",
          name: "Glue up the cross partition, three layers",
          text: "Glue the middle layer between the two outer ones, lower edges flush: the middle stands above them by the rest's depth, and past them by a tongue at each end. The slots are cut through both outer layers once the glue is hard.",
          station: "clamps",
          on: ["cross-outer", "cross-middle"],
          uses: [glue("2 * insideWidth * partitionHeight")],
          setup: 5,
          each: 6,
          wait: 60,
          lot: 8,
          hazard: "glue",
          check: "middle layer stands up by the rest's depth, the same on both faces",
          mark: "mem",
        },
      ],
      next: [
        {
          id: "partitions",
          name: "Slide the partitions in",
          text: "Slide the cross partition down into its dados, then the lengthwise ones through the slots, each into the dado of its end.",
          station: "bench",
          joins: ["cross-outer", "cross-middle", "lengthwise"],
          setup: 2,
          each: 3,
          check: "a half-length frame hangs in each of the four chambers; no light between them",
          mistakes: ["a staple in the dado line", "dados off centre, so half-length frames fit one side only"],
          mark: "mem",
        },
        { id: "discs", name: "Screw the entrance discs on", text: "A rotating disc over each entrance, one in each wall going round.", station: "bench", uses: [each("entrance disc", "4")], setup: 2, each: 3, mark: "trade" },
        {
          id: "covers",
          name: "Lay the inspection covers on",
          text: "A thin cover over each chamber: one is opened at a time.",
          station: "bench",
          joins: ["inspection-cover"],
          setup: 1,
          each: 1,
          check: "each lies flat on the walls and meets its neighbours over the partitions",
          mark: "trade",
        },
      ],
    }),
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
