import { each, glue } from "../assembly";
import type { Recipe } from "../recipe";
import { FOR_BOX, RIM_NEEDS } from "../rims";
import { SHEET } from "../sheets";

/** A sheet in a shallow rim between the top body and the lid, with a bee escape hole. */
export const innerCover: Recipe = {
  id: "inner-cover",
  name: "Inner cover",
  called: ["crown board", "quilt board", "clearer cover", "inner lid"],
  family: "covers",
  kind: "other",
  about: "A panel with a shallow rim under the lid; its space depends on which face is down.",
  needs: RIM_NEEDS,
  parameters: [
    { name: "panel", label: "Panel", group: "Wood", kind: "length", default: SHEET.quarter, min: "1/8*inch", max: "3/4*inch" },
    { name: "rim", label: "Rim wood, wide", group: "Wood", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "2*inch" },
    { name: "rimHigh", label: "Rim, high", group: "Size", kind: "length", default: "3/8*inch", min: "1/4*inch", max: "1*inch", mark: "trade" },
    {
      name: "sides",
      label: "Sides",
      group: "Size",
      kind: "choice",
      default: "one",
      choices: [
        { id: "one", label: "one rim" },
        { id: "two", label: "two-sided", note: "a deeper rim on the other face, turned over for winter feed" },
      ],
    },
    { name: "deepRim", label: "Deeper rim, high", group: "Size", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "2*inch", when: 'sides == "two"' },
    {
      name: "hole",
      label: "Hole",
      group: "Hole",
      kind: "choice",
      default: "round",
      choices: [
        { id: "round", label: '2" round' },
        { id: "oval", label: "3 × 1 1/2, for an escape" },
        { id: "three", label: "three holes", note: "with slides, one always meshed" },
        { id: "pails", label: "two pail holes", note: "two upturned pails stand on it: 1/2 ply" },
      ],
    },
    { name: "notch", label: "Notch in the rim", group: "Hole", kind: "flag", default: true },
    ...FOR_BOX,
  ],
  values: [
    { name: "faceDown", label: "space below with the flat face down", formula: "0*inch", mark: "arithmetic" },
    { name: "base", label: "rim below the panel", formula: 'sides == "two" ? rimHigh : 0*inch', mark: "arithmetic" },
    { name: "above", label: "rim above the panel", formula: 'sides == "two" ? deepRim : rimHigh', mark: "arithmetic" },
  ],
  parts: [
    {
      id: "panel",
      name: "Panel",
      role: "panel",
      material: "ply",
      length: "bodyOutsideLength",
      width: "bodyOutsideWidth",
      thickness: "panel",
      features: [
        { name: "pail holes", kind: "hole", when: 'hole == "pails"', l: "bodyOutsideLength / 4", w: "bodyOutsideWidth / 2", diameter: "2.75*inch", count: "2", step: "bodyOutsideLength / 2" },
        { name: "hole", kind: "hole", when: 'hole == "round" || hole == "three"', l: "bodyOutsideLength / 2", w: "bodyOutsideWidth / 2", diameter: "2*inch" },
        { name: "oval hole", kind: "notch", when: 'hole == "oval"', l: ["bodyOutsideLength / 2 - 3/2*inch", "bodyOutsideLength / 2 + 3/2*inch"], w: ["bodyOutsideWidth / 2 - 3/4*inch", "bodyOutsideWidth / 2 + 3/4*inch"] },
        { name: "outer holes", kind: "hole", when: 'hole == "three"', l: "bodyOutsideLength / 5", w: "bodyOutsideWidth / 2", diameter: "2*inch", count: "2", step: "3/5 * bodyOutsideLength" },
      ],
      places: [{ at: ["0", "0", "base + panel"], l: "+x", w: "+y", t: "-z" }],
    },
    ...[
      { id: "", name: "", z: "base + panel + above", high: "above", when: undefined },
      { id: "lower-", name: "Lower ", z: "base", high: "base", when: 'sides == "two"' },
    ].flatMap(({ id, name, z, high, when }): Recipe["parts"] => [
      {
        id: `${id}rim-side`,
        name: `${name}${name ? "rim" : "Rim"} side`,
        role: "rim",
        when,
        length: "bodyOutsideLength",
        width: "rim",
        thickness: high,
        features: [],
        places: [
          { at: ["0", "0", z], l: "+x", w: "+y", t: "-z" },
          { at: ["bodyOutsideLength", "bodyOutsideWidth", z], l: "-x", w: "-y", t: "-z" },
        ],
      },
      {
        id: `${id}rim-end`,
        name: `${name}${name ? "rim" : "Rim"} end`,
        role: "rim",
        when,
        length: "bodyOutsideWidth - 2 * rim",
        width: "rim",
        thickness: high,
        features: id === "" ? [{ name: "notch", kind: "notch", when: "notch", l: ["(bodyOutsideWidth - 2 * rim) / 2 - 1/2*inch", "(bodyOutsideWidth - 2 * rim) / 2 + 1/2*inch"], w: ["0*inch", "rim"], t: ["0*inch", `${high} / 2`] }] : [],
        places: [
          { at: ["0", "bodyOutsideWidth - rim", z], l: "-y", w: "+x", t: "-z" },
          { at: ["bodyOutsideLength", "rim", z], l: "+y", w: "-x", t: "-z" },
        ],
      },
    ]),
  ],
  assembly: [
    {
      id: "assemble",
      name: "Glue and nail the rim on",
      text: "Glue and nail the rim flush with the panel's edges, notch at the front. Top bee space: the flat face goes down on the hive. Bottom bee space: the rim goes down.",
      station: "bench",
      joins: ["panel", "rim-side", "rim-end", "lower-rim-side", "lower-rim-end"],
      uses: [each("brad", 'sides == "two" ? 32 : 16', 0.05, undefined, "3/4"), glue('(sides == "two" ? 2 : 1) * 2 * (bodyOutsideLength + bodyOutsideWidth) * rim')],
      setup: 5,
      each: 6,
      wait: 30,
      hazard: "glue",
      check: "flat: no corner rocks",
      mistakes: ["rim down over a body with top bee space: the rim and the gap above the frames are too wide together, bees bridge them"],
      mark: "mem",
    },
    {
      id: "holes",
      name: "Fit slides and mesh over the holes",
      text: "A slide over each outer hole; mesh over one that stays open for air.",
      station: "bench",
      uses: [each("slide for a hole", "2"), each("mesh disc", "1", 0, undefined, "3")],
      when: 'hole == "three"',
      setup: 2,
      each: 4,
      mark: "mem",
    },
  ],
  stands: { as: "inner-cover", height: "panel + base + above", outside: ["bodyOutsideLength", "bodyOutsideWidth"], under: 'standardBeeSpace == "bottom" ? above : base', over: 'standardBeeSpace == "bottom" ? base : above' },
  demands: [
    { rule: "pail-strength", label: "Panel under two pails", value: "panel", least: "1/2*inch", below: "care", when: 'hole == "pails"', advice: "two full pails want 1/2 ply", mark: "trade" },
    {
      rule: "flat-cover",
      label: "Over the frames with the right face down",
      value: 'standardBeeSpace == "bottom" ? above : 1/4*inch',
      least: "1/4*inch",
      below: "care",
      advice: "with bottom bee space the rim goes down, and makes the space",
      mark: "trade",
    },
  ],
};
