import { each, glue } from "../assembly";
import type { FeatureRecipe } from "@/core/feature/feature";
import type { PartRecipe, Recipe } from "../recipe";
import { FOR_BOX } from "../rims";
import { innerCover } from "./inner-cover";

const rimNotch = (at: string): FeatureRecipe => ({ name: "notch", kind: "notch", l: [`${at} - 1/2*inch`, `${at} + 1/2*inch`], w: ["0*inch", "rim"], t: ["0*inch", "rimHigh / 2"] });
const jars = (w: string): FeatureRecipe => ({ name: "jar hole", kind: "hole", l: "bodyOutsideLength / 4", w, diameter: "jar", count: "2", step: "bodyOutsideLength / 2" });

/** Holes for four jars in the panel, and in each wall of the rim a notch, in its left-hand half seen from outside. */
function quartered(p: PartRecipe): PartRecipe {
  if (p.id === "panel") return { ...p, features: [jars("bodyOutsideWidth / 4"), jars("3/4 * bodyOutsideWidth")] };
  return { ...p, features: [rimNotch(p.id === "rim-side" ? "bodyOutsideLength / 4" : "(bodyOutsideWidth - 2 * rim) / 4")] };
}

/** An inner cover over a divided body: a jar hole and a notch for each of its four chambers. */
export const innerCoverFourWay: Recipe = {
  ...innerCover,
  id: "inner-cover-four-way",
  name: "Four-way inner cover",
  called: ["four way crown board"],
  about: "Bars quarter its rim over a divided body; each quarter has a jar hole and a notch.",
  parameters: [
    ...innerCover.parameters.filter((p) => ["panel", "rim", "rimHigh"].includes(p.name)),
    { name: "jar", label: "Jar hole, across", group: "Hole", kind: "length", default: "2.75*inch", min: "1*inch", max: "4*inch", hint: "to fit the jar's lid" },
    { name: "barWide", label: "Bars, wide", group: "Wood", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "2*inch" },
    ...FOR_BOX,
  ],
  values: [
    { name: "base", label: "rim below the panel", formula: "0*inch", mark: "arithmetic" },
    { name: "above", label: "rim above the panel", formula: "rimHigh", mark: "arithmetic" },
    { name: "lengthwise", label: "lengthwise bar, long", formula: "bodyOutsideLength - 2 * rim", mark: "arithmetic" },
    { name: "cross", label: "cross bar, long", formula: "(bodyOutsideWidth - 2 * rim - barWide) / 2", mark: "arithmetic" },
  ],
  parts: [
    ...innerCover.parts.filter((p) => !p.id.startsWith("lower-")).map(quartered),
    {
      id: "lengthwise-bar",
      name: "Lengthwise bar",
      role: "bar",
      length: "lengthwise",
      width: "barWide",
      thickness: "rimHigh",
      features: [],
      places: [{ at: ["rim", "(bodyOutsideWidth - barWide) / 2", "panel + rimHigh"], l: "+x", w: "+y", t: "-z" }],
    },
    {
      id: "cross-bar",
      name: "Cross bar",
      role: "bar",
      length: "cross",
      width: "barWide",
      thickness: "rimHigh",
      features: [],
      places: [
        { at: ["(bodyOutsideLength - barWide) / 2", "rim", "panel + rimHigh"], l: "+y", w: "+x", t: "-z" },
        { at: ["(bodyOutsideLength - barWide) / 2", "(bodyOutsideWidth + barWide) / 2", "panel + rimHigh"], l: "+y", w: "+x", t: "-z" },
      ],
    },
  ],
  assembly: [
    {
      id: "assemble",
      name: "Glue and nail rim and bars on",
      text: "Glue and nail the rim on the panel, notches in the left-hand half of each wall seen from outside. Glue the bars in it, crossing over the middle; no gap a queen can pass.",
      station: "bench",
      joins: ["panel", "rim-side", "rim-end", "lengthwise-bar", "cross-bar"],
      uses: [each("brad", "28", 0.05, undefined, "3/4"), glue("(2 * (bodyOutsideLength + bodyOutsideWidth) + bodyOutsideLength + bodyOutsideWidth) * rim")],
      setup: 5,
      each: 8,
      wait: 30,
      hazard: "glue",
      check: "flat: no corner rocks; the flat face goes down on the partitions",
      mistakes: ["a jar hole larger than the lid: the jar falls through", "two notches in one quarter and none in the next"],
      mark: "mem",
    },
  ],
  stands: { as: "inner-cover", height: "panel + rimHigh", outside: ["bodyOutsideLength", "bodyOutsideWidth"], under: "0*inch", over: "rimHigh" },
  demands: [
    { rule: "jar-room", label: "Between two jars, along", value: "bodyOutsideLength / 2 - barWide - jar", least: "2*inch", below: "care", advice: "a smaller jar, or two quarters fed at a time", mark: "mem" },
    { rule: "jar-room-across", label: "Between two jars, across", value: "bodyOutsideWidth / 2 - barWide - jar", least: "2*inch", below: "care", advice: "a smaller jar, or two quarters fed at a time", mark: "mem" },
  ],
};
