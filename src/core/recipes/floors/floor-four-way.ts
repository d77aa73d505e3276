import { finished } from "../finish";
import { screws } from "../assembly";
import type { FeatureRecipe } from "@/core/feature/feature";
import type { PartRecipe, Recipe } from "../recipe";
import { floorScreened } from "./floor-screened";

const entrance = (from: string): FeatureRecipe => ({ name: "entrance", kind: "notch", when: "gates", l: [from, `${from} + entranceLong`], w: ["0*inch", "above / 2"] });

/** In each wall, at its left-hand end seen from outside: one for each chamber, going round. */
function walled(p: PartRecipe): PartRecipe {
  if (p.id === "front") return { ...p, width: "sideHigh", places: [{ at: ["0", "bodyOutsideWidth - thickness", "sideHigh"], l: "-y", w: "-z", t: "+x" }], features: [entrance("1*inch")] };
  if (p.id === "back") return { ...p, features: [entrance("1*inch")] };
  if (p.id === "mesh") return { ...p, length: "innerLength", places: [{ at: ["thickness", "thickness", "below + ledgeHigh + mesh"], l: "+x", w: "+y", t: "-z" }] };
  return p.role === "side" ? { ...p, features: [...p.features, entrance("1*inch + thickness")] } : p;
}

/** A mesh floor for a divided body: bars under both partitions keep its four chambers bee-tight. */
export const floorFourWay: Recipe = finished(
  {
    ...floorScreened,
    id: "floor-four-way",
    name: "Four-way floor",
    called: ["four way bottom board"],
    about: "A mesh floor under a divided body, with a bar under each partition and an entrance for each chamber.",
    parameters: [
      ...floorScreened.parameters,
      { name: "ply", label: "Ply layer of the body's partition", group: "Bars", kind: "length", default: "3/8*inch", min: "1/4*inch", max: "3/4*inch", hint: "as measured; three make the cross partition" },
      { name: "lengthwise", label: "Lengthwise bar, wide", group: "Bars", kind: "length", default: "3/4*inch", min: "3/8*inch", max: "2*inch", mark: "trade" },
      { name: "gates", label: "Gated entrances", group: "Bars", kind: "flag", default: false, hint: "for a body without its own" },
    ],
    values: [
      ...floorScreened.values,
      { name: "cross", label: "cross bar, wide", formula: "3 * ply + 1/4*inch", mark: "trade", why: "three layers of ply, and a little each side" },
      { name: "barHigh", label: "bars, high", formula: "above - mesh", mark: "arithmetic", why: "from the mesh to the tops of the rails" },
      { name: "half", label: "lengthwise bar, long", formula: "(innerLength - cross) / 2", mark: "arithmetic" },
      { name: "entranceLong", label: "entrance, long", formula: "2*inch", mark: "mem" },
      { name: "gateLong", label: "gate, long", formula: "entranceLong + 1*inch", mark: "mem" },
      { name: "gateThick", label: "gate, thick", formula: "1/4*inch", mark: "mem" },
      { name: "gateHigh", label: "gate, high", formula: "above", mark: "mem" },
    ],
    parts: [
      ...floorScreened.parts.map(walled),
      { id: "cross-bar", name: "Cross bar", role: "bar", length: "between", width: "cross", thickness: "barHigh", features: [], places: [{ at: ["(bodyOutsideLength - cross) / 2", "thickness", "sideHigh"], l: "+y", w: "+x", t: "-z" }] },
      {
        id: "lengthwise-bar",
        name: "Lengthwise bar",
        role: "bar",
        length: "half",
        width: "lengthwise",
        thickness: "barHigh",
        features: [],
        places: [
          { at: ["thickness", "(bodyOutsideWidth - lengthwise) / 2", "sideHigh"], l: "+x", w: "+y", t: "-z" },
          { at: ["(bodyOutsideLength + cross) / 2", "(bodyOutsideWidth - lengthwise) / 2", "sideHigh"], l: "+x", w: "+y", t: "-z" },
        ],
      },
      {
        id: "gate",
        name: "Gate",
        role: "gate",
        when: "gates",
        length: "gateLong",
        width: "gateHigh",
        thickness: "gateThick",
        features: [],
        places: [
          { at: ["1/2*inch + thickness", "-gateThick", "sideHigh"], l: "+x", w: "-z", t: "+y" },
          { at: ["bodyOutsideLength - thickness - 1/2*inch", "bodyOutsideWidth + gateThick", "sideHigh"], l: "-x", w: "-z", t: "-y" },
          { at: ["-gateThick", "bodyOutsideWidth - thickness - 1/2*inch", "sideHigh"], l: "-y", w: "-z", t: "+x" },
          { at: ["bodyOutsideLength + gateThick", "thickness + 1/2*inch", "sideHigh"], l: "+y", w: "-z", t: "-x" },
        ],
      },
    ],
    assembly: [
      ...floorScreened.assembly,
      {
        id: "bars",
        name: "Fit the bars over the mesh",
        text: "Fit the cross bar and the lengthwise bars over the mesh, tops flush with the rails, two screws a joint. Set the divided body on: every partition stands on a bar, bee-tight.",
        station: "bench",
        joins: ["cross-bar", "lengthwise-bar"],
        uses: [screws("8", "thickness", "half", "end")],
        setup: 5,
        each: 6,
        check: "a straight edge over rails and bars shows no light",
        mistakes: ["bars a hair low: queens meet under the partition", "the bars set before the mesh, so that the mesh cannot be changed"],
        mark: "mem",
      },
      {
        id: "gates",
        name: "Hang the gates",
        text: "Hang a gate over each entrance on one screw, so that it turns.",
        station: "bench",
        joins: ["gate"],
        uses: [screws("4", "gateThick", "thickness", "side", { what: "round-head screw" })],
        when: "gates",
        setup: 2,
        each: 3,
        mark: "mem",
      },
    ],
    stands: { as: "floor", height: "sideHigh", outside: ["bodyOutsideLength", "bodyOutsideWidth"], under: "0*inch", over: "0*inch" },
    demands: [
      { rule: "bar-under", label: "Cross bar past the partition, in all", value: "cross - 3 * ply", least: "1/8*inch", below: "stop", advice: "make the bar wider: the partition must stand on it", mark: "trade" },
      { rule: "bar-under-lengthwise", label: "Lengthwise bar, wide", value: "lengthwise", least: "1/2*inch", below: "care", advice: "a narrow bar is missed by the partition", mark: "trade" },
      ...floorScreened.demands.filter((d) => d.rule === "tray-groove"),
    ],
  },
  "2 * (bodyOutsideLength + bodyOutsideWidth) * sideHigh",
);
