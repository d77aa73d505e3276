import { screws } from "../assembly";
import type { Recipe } from "../recipe";

/** Light metal strips, bent in steps, that hold a frame of one standard in a box of another. */
export const transferClip: Recipe = {
  id: "transfer-clip",
  name: "Transfer clips",
  called: ["frame clip"],
  family: "accessories",
  kind: "other",
  about: "Aluminium strips bent in steps that hang half-length frames in a full-length place until they are drawn.",
  standards: ["langstroth-10", "langstroth-8", "langstroth-5"],
  needs: ["topBarThickness"],
  parameters: [
    {
      name: "set",
      label: "For",
      group: "Size",
      kind: "choice",
      default: "pair",
      choices: [
        { id: "pair", label: "one pair of frames" },
        { id: "two", label: "two pairs" },
      ],
    },
    { name: "metal", label: "Sheet, thick", group: "Size", kind: "length", default: "1/32*inch", min: "1/64*inch", max: "1/16*inch", hint: "light aluminium, cut with snips" },
    { name: "flange", label: "Flange, for stiffness", group: "Size", kind: "length", default: "1/4*inch", min: "1/8*inch", max: "3/8*inch", mark: "mem" },
  ],
  values: [
    { name: "long", label: "clip, long", formula: 'set == "pair" ? 6.25*inch : 8*inch', mark: "mem" },
    { name: "wide", label: "clip, wide", formula: "1*inch", mark: "mem" },
    { name: "step", label: "step, the top bar's thickness", formula: "topBarThickness", mark: "mem" },
    { name: "clips", label: "clips", formula: 'set == "pair" ? 2 : 4', mark: "mem" },
  ],
  parts: [
    {
      id: "clip",
      name: "Clip, flat",
      role: "clip",
      material: "metal",
      length: "long",
      width: "wide",
      thickness: "metal",
      features: [
        { name: "flange fold", kind: "fold", run: "along", at: "wide - flange" },
        { name: "step down", kind: "fold", run: "across", at: "(long - step) / 2 - step / 2" },
        { name: "step out", kind: "fold", run: "across", at: "(long + step) / 2 + step / 2" },
      ],
      places: [{ at: ["0", "0", "metal"], l: "+x", w: "+y", t: "-z", times: "clips", step: ["0*inch", "2*inch", "0*inch"] }],
    },
  ],
  assembly: [
    {
      id: "bend",
      name: "Round the corners and bend",
      text: "Round the strip's corners and bend the flange along one edge. Bend the two steps over the edge of the bench, against a top bar, and screw it on.",
      station: "bench",
      uses: [screws("2 * clips", "metal", "topBarThickness", "side", { what: "round-head screw" })],
      setup: 6,
      each: 4,
      hazard: "metal",
      check: "corners rounded; the step fits a top bar",
      mistakes: ["bent to and fro until it cracks: bend once, over a block"],
      mark: "mem",
    },
  ],
  demands: [{ rule: "clip-face", label: "Flat beside the flange", value: "wide - flange", least: "5/8*inch", below: "care", advice: "a narrower flange: the screw needs room", mark: "mem" }],
};
