import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import { each, glue } from "../assembly";
import type { Recipe } from "../recipe";
import { FOR_BOX, OVER_BODY, RIM_NEEDS, RIM_VALUES, rimAssembly, rimParameters, rimParts } from "../rims";

/** A rim of shavings or burlap on mesh: a wick in winter. */
export const quiltBox: Recipe = finished(
  {
    id: "quilt-box",
    name: "Quilt box",
    called: ["quilt", "moisture box", "winter quilt"],
    family: "covers",
    kind: "other",
    about: "A rim with a mesh bottom on ledges, filled with shavings that take up winter damp.",
    needs: RIM_NEEDS,
    parameters: [
      ...rimParameters("5*inch"),
      {
        name: "bottom",
        label: "Bottom of",
        group: "Size",
        kind: "choice",
        default: "mesh",
        choices: [
          { id: "mesh", label: "mesh" },
          { id: "cloth", label: "cloth", note: "burlap, under shavings" },
        ],
      },
      { name: "ventBelow", label: "Vents below the top edge", group: "Size", kind: "length", default: "3.25*inch", min: "1*inch", max: "5*inch", hint: "lower than the roof's skirt reaches" },
      ...FOR_BOX,
    ],
    values: [
      ...OVER_BODY,
      ...RIM_VALUES,
      { name: "ledge", label: "ledge", formula: "3/8*inch", mark: "trade" },
      { name: "fillingDepth", label: "depth of the filling", formula: "max(0*inch, depth - ledge - 1*inch)", mark: "mem", why: "shavings on the mesh, an inch of air over them" },
    ],
    parts: [
      ...rimParts({ ends: [{ name: "vent", kind: "hole", l: "endLength / 2", w: "ventBelow", diameter: "1*inch", check: "lower than the roof's skirt will reach" }] }),
      {
        id: "side-ledge",
        name: "Side ledge",
        role: "ledge",
        length: "insideLength",
        width: "ledge",
        thickness: "ledge",
        features: [],
        places: [
          { at: ["endThickness", "thickness", "ledge"], l: "+x", w: "-z", t: "+y" },
          { at: ["outsideLength - endThickness", "outsideWidth - thickness", "ledge"], l: "-x", w: "-z", t: "-y" },
        ],
      },
      {
        id: "end-ledge",
        name: "End ledge",
        role: "ledge",
        length: "insideWidth - 2 * ledge",
        width: "ledge",
        thickness: "ledge",
        features: [],
        places: [
          { at: ["endThickness", "outsideWidth - thickness - ledge", "ledge"], l: "-y", w: "-z", t: "+x" },
          { at: ["outsideLength - endThickness", "thickness + ledge", "ledge"], l: "+y", w: "-z", t: "-x" },
        ],
      },
      {
        id: "mesh",
        name: "Mesh",
        role: "mesh",
        material: "mesh",
        when: 'bottom == "mesh"',
        length: "insideLength",
        width: "insideWidth",
        thickness: "1/32*inch",
        features: [],
        places: [{ at: ["endThickness", "thickness", "ledge + 1/32*inch"], l: "+x", w: "+y", t: "-z" }],
      },
    ],
    assembly: rimAssembly({
      next: [
        {
          id: "ledges",
          name: "Fasten the ledges",
          text: "Glue and pin the ledges inside, flush with the lower edge.",
          station: "bench",
          joins: ["side-ledge", "end-ledge"],
          uses: [each("brad", "16", 0.05, undefined, "3/4"), glue("2 * (insideLength + insideWidth) * ledge")],
          setup: 2,
          each: 5,
          hazard: "glue",
          mark: "mem",
        },
        {
          id: "bottom",
          name: "Staple the bottom on",
          text: "Staple the mesh or cloth on the ledges every inch; staple a scrap of mesh over each vent from inside.",
          station: "bench",
          joins: ["mesh"],
          uses: [{ what: "burlap", count: "(insideLength + 2*inch) * (insideWidth + 2*inch)", unit: "m2", spare: 0.05, when: 'bottom == "cloth"', mark: "mem" }, each("staple", "40", 0.05, undefined, "3/8")],
          setup: 4,
          each: 6,
          hazard: "metal",
          check: "no wire end stands out",
          mistakes: ["vents so high that the roof's skirt closes them"],
          mark: "mem",
        },
      ],
    }),
    stands: { as: "sheet", tight: true, height: "depth", outside: ["outsideLength", "outsideWidth"], under: "ledge", over: "depth - ledge", entrance: "ventBelow - 1/2*inch" },
    demands: [{ rule: "vent-place", label: "Vent below the top edge", value: "ventBelow - 1/2*inch", least: "5/8*inch", below: "care", advice: "bore the vents lower", mark: "trade" }],
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
