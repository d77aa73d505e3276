import { glue, screws, markFaces } from "../assembly";
import type { Recipe } from "../recipe";

/** The trough under top bars: trapezoid ends, sides leaning out with both long edges bevelled; bars lie on the edges. */
export const topBarTrough: Recipe = {
  id: "top-bar-trough",
  name: "Top-bar trough",
  called: ["top bar hive", "kenya hive", "trough hive"],
  family: "bodies",
  kind: "other",
  about: "A trough with leaning sides; bars lie across its edges and touch.",
  standards: ["kenya"],
  needs: ["troughBottom", "troughHeight", "topBarLength", "pitch"],
  hangs: "top-bar",
  parameters: [
    { name: "thickness", label: "Stock, measured", group: "Wood", kind: "length", default: "boardThickness", min: "1/2*inch", max: "2*inch" },
    { name: "bars", label: "Bars", group: "Size", kind: "count", default: "28", min: 10, max: 40 },
    { name: "slopeDegrees", label: "Sides, from upright", group: "Size", kind: "number", default: "30", min: 15, max: 40 },
  ],
  values: [
    { name: "insideLength", label: "inside length", formula: "bars * pitch", mark: "arithmetic" },
    { name: "topInside", label: "inside width at the top", formula: "troughBottom + 2 * troughHeight * tan(slopeDegrees)", mark: "arithmetic" },
    { name: "sideAcross", label: "side, across the slope", formula: "troughHeight / cos(slopeDegrees)", mark: "arithmetic" },
    { name: "edgeBevel", label: "bevel across the edge", formula: "thickness * tan(slopeDegrees)", mark: "arithmetic" },
    { name: "sideFoot", label: "side's outer face past its inner, level", formula: "thickness / cos(slopeDegrees)", mark: "arithmetic" },
    { name: "outsideTop", label: "outside width at the top", formula: "topInside + 2 * sideFoot", mark: "arithmetic" },
    { name: "barLength", label: "bar length", formula: "outsideTop + 1/2*inch", mark: "mem" },
  ],
  parts: [
    {
      id: "end",
      name: "End, trapezoid",
      role: "end",
      length: "topInside",
      width: "troughHeight",
      thickness: "thickness",
      outside: "mark the outside face",
      features: [
        { name: "sloped side", kind: "taper", end: "left", edge: "bottom", along: "(topInside - troughBottom) / 2", across: "troughHeight" },
        { name: "sloped side", kind: "taper", end: "right", edge: "bottom", along: "(topInside - troughBottom) / 2", across: "troughHeight" },
        { name: "entrance", kind: "hole", l: "topInside / 2", w: "troughHeight - 1.5*inch", diameter: "1*inch" },
      ],
      places: [
        { at: ["0", "sideFoot + topInside", "troughHeight"], l: "-y", w: "-z", t: "+x" },
        { at: ["insideLength + 2 * thickness", "sideFoot", "troughHeight"], l: "+y", w: "-z", t: "-x" },
      ],
    },
    {
      id: "side",
      name: "Side, both long edges bevelled",
      role: "side",
      length: "insideLength + 2 * thickness",
      width: "sideAcross + edgeBevel",
      thickness: "thickness",
      outside: "mark the outside face",
      features: [
        { name: "bevel, upper edge", kind: "bevel", edge: "top", face: "far", across: "edgeBevel", deep: "thickness" },
        { name: "bevel, lower edge", kind: "bevel", edge: "bottom", face: "reference", across: "edgeBevel", deep: "thickness" },
      ],
      places: [
        { at: ["0", "0", "troughHeight"], l: "+x", w: "-z", t: "+y", lean: "slopeDegrees" },
        { at: ["insideLength + 2 * thickness", "outsideTop", "troughHeight"], l: "-x", w: "-z", t: "-y", lean: "slopeDegrees" },
      ],
    },
  ],
  assembly: [
    markFaces(["end", "side"]),
    {
      id: "glue-up",
      name: "Glue and screw the sides to the ends",
      text: "Stand the ends upside down, wide edge on the bench. Lean a side against each slope; its bevelled edge lies flat on the bench. Glue, pilot and screw through the sides into the ends.",
      station: "clamps",
      joins: ["end", "side"],
      uses: [screws("4 * 5", "thickness", "topInside / 2", "end"), glue("4 * sideAcross * thickness")],
      setup: 10,
      each: 15,
      wait: 45,
      lot: 4,
      hazard: "glue",
      check: "a bar lies flat on both edges along the whole length",
      mistakes: ["both bevels of a side cut the same way, so it will not sit", "slope measured from level instead of upright"],
      mark: "mem",
    },
  ],
  demands: [{ rule: "bar-length", label: "Bar past the outside", value: "topBarLength - outsideTop", least: "-1/2*inch", below: "care", advice: "cut the bars to the length this trough wants", mark: "mem" }],
};
