import type { FeatureRecipe } from "@/core/feature/feature";
import { each, glue, screws, markFaces } from "../assembly";
import type { Recipe } from "../recipe";

/** The rods lie in notches up from the lower edge, at the middle of each: a hole there would break out of it. */
const rodNotches = (first: string): FeatureRecipe[] =>
  [0, 1, 2].map((n) => {
    const middle = `${first} + ${n} * (frameLength - 2 * rodInset) / 2`;
    return {
      name: "notch for a rod",
      kind: "notch",
      l: [`${middle} - rodDiameter / 2`, `${middle} + rodDiameter / 2`],
      w: ["clearHeight - rodDiameter", "clearHeight"],
      check: "a rod lies in it level, its top flush with a scrap of its own thickness",
    };
  });

/** One storey of a hive opened from the back: frames without ears stand on three rods and are slid in. Measure yours. */
export const cabinetStorey: Recipe = {
  id: "cabinet-storey",
  name: "Cabinet storey",
  called: ["cabinet hive", "back opening hive", "bee house storey"],
  family: "bodies",
  kind: "other",
  about: "A storey opened from the back; frames without ears stand on three rods.",
  standards: ["az"],
  needs: ["frameLength", "frameHeight", "pitch", "rodDiameter", "rodInset"],
  hangs: "no-ear-frame",
  parameters: [
    { name: "thickness", label: "Stock, measured", group: "Wood", kind: "length", default: "boardThickness", min: "12*mm", max: "45*mm" },
    { name: "gapAbove", label: "Gap above the frames", group: "Size", kind: "length", default: "8*mm", min: "5*mm", max: "12*mm" },
    { name: "door", label: "Door and its seat", group: "Size", kind: "length", default: "20*mm", min: "10*mm", max: "50*mm" },
  ],
  values: [
    { name: "clearHeight", label: "clear height", formula: "frameHeight + rodDiameter + gapAbove", mark: "mem" },
    { name: "clearDepth", label: "clear depth", formula: "frameLength + 2 * 8*mm + door", mark: "mem" },
    { name: "clearWidth", label: "clear width", formula: "frames * pitch + 10*mm", mark: "mem" },
    { name: "rodTouch", label: "width a flat bar touches of a round rod", formula: "1*mm", mark: "mem", why: "a line, and the wax and propolis beside it" },
    { name: "outsideDepth", label: "outside, front to back", formula: "clearDepth + thickness", mark: "arithmetic" },
    { name: "outsideWidth", label: "outside width", formula: "clearWidth + 2 * thickness", mark: "arithmetic" },
  ],
  parts: [
    {
      id: "side",
      name: "Side",
      role: "side",
      length: "outsideDepth",
      width: "clearHeight",
      thickness: "thickness",
      outside: "mark the outside face",
      features: rodNotches("outsideDepth - door - 8*mm - frameLength + rodInset"),
      places: [{ at: ["0", "0", "clearHeight"], l: "+x", w: "-z", t: "+y" }],
    },
    {
      id: "other-side",
      name: "Other side",
      role: "side",
      length: "outsideDepth",
      width: "clearHeight",
      thickness: "thickness",
      outside: "mark the outside face",
      features: rodNotches("door + 8*mm + rodInset"),
      places: [{ at: ["outsideDepth", "outsideWidth", "clearHeight"], l: "-x", w: "-z", t: "-y" }],
    },
    {
      id: "rod",
      name: "Rod",
      role: "rod",
      material: "metal",
      bought: true,
      length: "outsideWidth",
      width: "rodDiameter",
      thickness: "rodDiameter",
      features: [],
      places: [{ at: ["outsideDepth - door - 8*mm - frameLength + rodInset - rodDiameter / 2", "0", "rodDiameter"], l: "+y", w: "-z", t: "+x", times: "3", step: ["(frameLength - 2 * rodInset) / 2", "0*mm", "0*mm"] }],
    },
    {
      id: "front",
      name: "Front",
      role: "end",
      length: "clearWidth",
      width: "clearHeight",
      thickness: "thickness",
      outside: "mark the outside face",
      features: [{ name: "entrance", kind: "notch", l: ["clearWidth / 2 - 60*mm", "clearWidth / 2 + 60*mm"], w: ["clearHeight - 16*mm", "clearHeight - 8*mm"] }],
      places: [{ at: ["0", "thickness + clearWidth", "clearHeight"], l: "-y", w: "-z", t: "+x" }],
    },
  ],
  assembly: [
    markFaces(["side", "other-side", "front"]),
    {
      id: "glue-up",
      name: "Put the storey together",
      text: "Screw the front between the sides, flush below; glue the joint. Lay the three rods in their notches and pin them.",
      station: "clamps",
      joins: ["side", "other-side", "front"],
      uses: [screws("6", "thickness", "clearWidth / 2", "end"), glue("2 * clearHeight * thickness"), each("steel rod, 8 mm", "3")],
      setup: 10,
      each: 12,
      wait: 45,
      lot: 4,
      hazard: "glue",
      check: "a frame slides in on the rods and stops at the front by a bee space",
      mistakes: ["rod notches cut from the wrong end: the sides are a pair, not twins"],
      mark: "mem",
    },
    {
      id: "spacers",
      name: "Nail the spacer strips",
      text: "Nail the four spacer strips, two in front and two behind, at the frames' pitch.",
      station: "bench",
      uses: [each("spacer strip, AŽ", "4", 0.02)],
      setup: 3,
      each: 5,
      check: "frames stand at their pitch from the first to the last",
      mark: "mem",
    },
  ],
  figures: [
    { rule: "contact-area", label: "Where propolis grips a frame", formula: "3 * 2 * 5*mm * rodTouch", unit: "cm²", text: "the two edges beside the hollow on three rods; less is easier to work", mark: "mem" },
    { rule: "between-storeys", label: "Between the frames of two storeys", formula: "rodDiameter + gapAbove", unit: "length", text: "the rods of the upper one and the gap above the lower; an excluder lies in it", mark: "mem" },
  ],
  demands: [
    { rule: "side-play", label: "Side play", value: "clearWidth - frames * pitch", least: "6*mm", below: "care", advice: "make the storey wider: the last frame has to go in too", mark: "mem" },
    { rule: "end-gap", label: "Frame end to the front", value: "outsideDepth - thickness - door - 8*mm - frameLength", least: "6*mm", below: "care", advice: "make it deeper by as much as is missing", mark: "mem" },
    { rule: "gap-above", label: "Gap above the frames", value: "clearHeight - frameHeight - rodDiameter", least: "6*mm", below: "care", advice: "leave a bee space above frames that must slide", mark: "mem" },
  ],
};
