import { glue, screws } from "../assembly";
import type { Recipe } from "../recipe";
import { RIM_NEEDS } from "../rims";
import { SHEET } from "../sheets";

/** A template that sets a router or a tilted blade to the same handhold every time. */
export const jigHandhold: Recipe = {
  id: "jig-handhold",
  name: "Handhold jig",
  family: "jigs",
  kind: "other",
  about: "A template with an opening for the handhold and two stops that seat on the board's edge and end.",
  needs: ["bodyDepth", ...RIM_NEEDS],
  parameters: [
    { name: "long", label: "Handhold, long", group: "Size", kind: "length", default: "4*inch", min: "3*inch", max: "6*inch" },
    { name: "high", label: "Handhold, high", group: "Size", kind: "length", default: "3/4*inch", min: "1/2*inch", max: "1.5*inch" },
    { name: "below", label: "Below the top edge", group: "Size", kind: "length", default: "2*inch", min: "1*inch", max: "4*inch" },
    { name: "guide", label: "Guide past the cutter, each side", group: "Size", kind: "length", default: "1/8*inch", min: "0*inch", max: "1/2*inch", hint: "what the router's guide ring stands outside the cutter" },
    { name: "ply", label: "Ply, thick", group: "Wood", kind: "length", default: SHEET.half, min: "1/4*inch", max: "3/4*inch" },
  ],
  values: [
    { name: "tall", label: "template, high", formula: "below + high + 3*inch", mark: "mem" },
    { name: "stop", label: "stop, square", formula: "3/4*inch", mark: "mem" },
  ],
  parts: [
    {
      id: "template",
      name: "Template",
      role: "template",
      material: "ply",
      length: "bodyOutsideWidth",
      width: "tall",
      thickness: "ply",
      features: [{ name: "opening", kind: "notch", l: ["(bodyOutsideWidth - long) / 2 - guide", "(bodyOutsideWidth + long) / 2 + guide"], w: ["below - guide", "below + high + guide"] }],
      places: [{ at: ["0", "bodyOutsideWidth", "0"], l: "-y", w: "-z", t: "+x" }],
    },
    { id: "edge-stop", name: "Edge stop", role: "stop", length: "bodyOutsideWidth", width: "stop", thickness: "stop", features: [], places: [{ at: ["ply", "bodyOutsideWidth", "stop"], l: "-y", w: "-z", t: "+x" }] },
    { id: "end-stop", name: "End stop", role: "stop", length: "tall", width: "stop", thickness: "stop", features: [], places: [{ at: ["ply", "bodyOutsideWidth", "0"], l: "-z", w: "+y", t: "+x" }] },
  ],
  assembly: [
    {
      id: "assemble",
      name: "Screw the stops on square",
      text: "Glue and screw the edge stop along the upper edge and the end stop square to it. Mark OUTSIDE on the face that meets the board: the handhold goes where that face lies. Clamp board and template together; make the cut in two depths. Never hold the board by hand.",
      station: "bench",
      joins: ["template", "edge-stop", "end-stop"],
      uses: [screws("6", "ply", "stop", "side", { light: true }), glue("(bodyOutsideWidth + tall) * stop")],
      setup: 6,
      each: 8,
      hazard: "router",
      check: "one in scrap, measured from the top edge",
      mistakes: ["the board laid the wrong face up: the handhold is inside"],
      mark: "mem",
    },
  ],
  demands: [{ rule: "template-left", label: "Wood over the opening", value: "below - guide", least: "3/4*inch", below: "care", advice: "move the handhold lower", mark: "mem" }],
};
