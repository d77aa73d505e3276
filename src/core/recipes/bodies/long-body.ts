import { parseLength } from "@/core/length/parse";
import { STANDARDS } from "@/core/standards";
import type { Standard } from "@/core/standards/standard";
import type { Recipe } from "../recipe";
import { body } from "./body";
import { wallParts } from "./walls";

/** Standards whose frames a converter's second zone may hang, by what their data give. */
const ZONE_NEEDS = ["boxInsideLength", "restWidth", "restDepth", "topBarLength", "pitch", "earThickness", "frameHeight"] as const;
const valueOf = (s: Standard, name: string) => s.sizes[s.defaultSize]!.values[name] ?? s.values[name];
const ZONES = STANDARDS.filter((s) => ZONE_NEEDS.every((n) => valueOf(s, n)) && (s.hangs ?? "frame") !== "top-bar");
const zoned = (name: (typeof ZONE_NEEDS)[number]) => ({
  by: "zone",
  is: Object.fromEntries(
    ZONES.map((s) => {
      const nm = parseLength(String(valueOf(s, name)!.value), s.units);
      return [s.id, s.units === "in" ? `${nm / 25.4e6}*inch` : `${nm / 1e6}*mm`];
    }),
  ),
});

/**
 * One long box of many frames: as wide across as the frames need. Extra-deep carries frames two boxes high; followers
 * close off what the colony does not use yet.
 */
export const longBody: Recipe = {
  ...body,
  id: "long-body",
  name: "Long body",
  about: "A horizontal hive: many frames side by side in one box, with followers and legs.",
  measuredAt: { x: "outsideLength / 2", y: "thickness + longFrames * pitch / 4" },
  needs: ["boxInsideLength", "bodyDepth", "restWidth", "restDepth", "topBarLength", "pitch"],
  parameters: [
    { name: "longFrames", label: "Frames", group: "Size", kind: "count", default: "28", min: 10, max: 60 },
    { name: "spare", label: "Spare across", group: "Size", kind: "length", default: "3/4*inch", min: "1/8*inch", max: "4*inch" },
    {
      name: "height",
      label: "Height",
      group: "Size",
      kind: "choice",
      default: "single",
      choices: [
        { id: "single", label: "one body deep" },
        { id: "double", label: "two bodies deep", note: "for extra-deep frames" },
      ],
    },
    {
      name: "followers",
      label: "Followers",
      group: "Size",
      kind: "choice",
      default: "two",
      choices: [
        { id: "none", label: "none" },
        { id: "one", label: "one" },
        { id: "two", label: "two" },
      ],
    },
    {
      name: "arrangement",
      label: "Arrangement",
      group: "Size",
      kind: "choice",
      default: "one",
      choices: [
        { id: "one", label: "one room" },
        { id: "pair", label: "side-by-side pair", note: "brood side and honey side, an upright excluder between; the brood side opens without lifting supers" },
        { id: "converter", label: "converter, two standards", note: "frames of a second standard in a zone of their own, facing the same way" },
      ],
    },
    { name: "zone", label: "Second standard", group: "Size", kind: "choice", default: "layens", choices: ZONES.map((s) => ({ id: s.id, label: s.short })), when: 'arrangement == "converter"' },
    { name: "zoneFrames", label: "Frames of the second standard", group: "Size", kind: "count", default: "10", min: 3, max: 20, when: 'arrangement == "converter"' },
    { name: "legs", label: "Legs", group: "Size", kind: "flag", default: true },
    ...body.parameters.map((p) => (p.kind === "length" && p.name === "depth" ? { ...p, default: 'height == "double" ? 2 * bodyDepth : bodyDepth' } : p)),
  ],
  values: [
    { name: "frames", label: "frames", formula: "longFrames", mark: "trade" },
    { name: "legLength", label: "leg length", formula: "24*inch", mark: "mem" },
    ...body.values.map((v) => (v.name === "nominalInsideWidth" ? { ...v, formula: 'arrangement == "converter" ? frames * pitch + spare + thickness + zoneWidth : frames * pitch + spare' } : v)),
    { name: "zonePitch", label: "second standard, pitch", formula: zoned("pitch"), mark: "mem" },
    { name: "zoneInside", label: "second standard, inside length", formula: zoned("boxInsideLength"), mark: "mem" },
    { name: "zoneBar", label: "second standard, top bar", formula: zoned("topBarLength"), mark: "mem" },
    { name: "zoneRest", label: "second standard, rest width", formula: zoned("restWidth"), mark: "mem" },
    { name: "zoneRestDepth", label: "second standard, rest depth", formula: zoned("restDepth"), mark: "mem" },
    { name: "zoneEar", label: "second standard, ear", formula: zoned("earThickness"), mark: "mem" },
    { name: "zoneHeight", label: "second standard, frame height", formula: zoned("frameHeight"), mark: "mem" },
    { name: "zoneWidth", label: "second zone, across", formula: "zoneFrames * zonePitch + 1/2*inch", mark: "mem" },
    { name: "zoneStart", label: "second zone starts", formula: "outsideWidth - thickness - zoneWidth", mark: "arithmetic" },
    { name: "zoneWall", label: "converter wall stands in from the end", formula: "(insideLength - zoneInside) / 2 - thickness", mark: "arithmetic" },
    { name: "excluderGroove", label: "excluder groove", formula: "3/8*inch", mark: "mem" },
    { name: "followerHeight", label: "follower height", formula: "depth - restDepth - 3/8*inch", mark: "mem" },
  ],
  parts: [
    ...wallParts({ ends: [{ name: "groove for the excluder", kind: "groove", when: 'arrangement == "pair"', run: "across", face: "far", at: "(endLength - excluderGroove) / 2", width: "excluderGroove", deep: "excluderGroove" }] }),
    {
      id: "winter-board",
      name: "Winter board, in the excluder's place",
      role: "partition-board",
      material: "ply",
      when: 'arrangement == "pair"',
      length: "insideLength + 2 * excluderGroove - 1/16*inch",
      width: "depth",
      thickness: "excluderGroove - 1/16*inch",
      features: [],
      places: [{ at: ["endThickness - excluderGroove + 1/32*inch", "(outsideWidth - excluderGroove) / 2 + 1/32*inch", "depth"], l: "+x", w: "-z", t: "+y" }],
    },
    {
      id: "zone-partition",
      name: "Partition between the zones",
      role: "partition",
      when: 'arrangement == "converter"',
      length: "insideLength",
      width: "depth - restCut",
      thickness: "thickness",
      features: [],
      places: [{ at: ["endThickness", "zoneStart - thickness", "depth - restCut"], l: "+x", w: "-z", t: "+y" }],
    },
    {
      id: "converter-wall",
      name: "Converter wall, carries the Layens bars",
      role: "converter-wall",
      when: 'arrangement == "converter"',
      length: "zoneWidth",
      width: "depth",
      thickness: "thickness",
      features: [{ name: "rest", kind: "rabbet", edge: "top", face: "far", across: "zoneRestDepth", deep: "zoneRest" }],
      places: [
        { at: ["endThickness + zoneWall", "outsideWidth - thickness", "depth"], l: "-y", w: "-z", t: "+x" },
        { at: ["outsideLength - endThickness - zoneWall", "zoneStart", "depth"], l: "+y", w: "-z", t: "-x" },
      ],
    },
    {
      id: "follower",
      name: "Follower",
      role: "follower",
      when: 'followers != "none"',
      length: "insideLength - 1/2*inch",
      width: "followerHeight",
      thickness: "3/4*inch",
      features: [],
      places: [{ at: ["endThickness + 1/4*inch", "thickness + 1/4*inch", "depth - restDepth"], l: "+x", w: "-z", t: "+y" }],
    },
    {
      id: "second-follower",
      name: "Second follower",
      role: "follower",
      when: 'followers == "two"',
      length: "insideLength - 1/2*inch",
      width: "followerHeight",
      thickness: "3/4*inch",
      features: [],
      places: [{ at: ["outsideLength - endThickness - 1/4*inch", 'arrangement == "converter" ? zoneStart - thickness - 1/4*inch : outsideWidth - thickness - 1/4*inch', "depth - restDepth"], l: "-x", w: "-z", t: "-y" }],
    },
    {
      id: "leg",
      name: "Leg",
      role: "leg",
      when: "legs",
      length: "legLength",
      width: "3.5*inch",
      thickness: "thickness",
      features: [],
      places: [
        { at: ["-thickness", "thickness", "2*inch"], l: "-z", w: "+y", t: "+x" },
        { at: ["-thickness", "outsideWidth - thickness - 3.5*inch", "2*inch"], l: "-z", w: "+y", t: "+x" },
        { at: ["outsideLength + thickness", "thickness + 3.5*inch", "2*inch"], l: "-z", w: "-y", t: "-x" },
        { at: ["outsideLength + thickness", "outsideWidth - thickness", "2*inch"], l: "-z", w: "-y", t: "-x" },
      ],
    },
  ],
  hardware: [...body.hardware, { id: "excluder", name: "excluder sheet", count: "1", unit: "each", spare: 0, for: "the pair", when: 'arrangement == "pair"', mark: "mem" }],
  steps: [
    ...body.steps,
    { text: "Slide the excluder down between the two sides; the winter board takes its place when it comes out.", when: 'arrangement == "pair"' },
    { text: "Each lid sheds water away from the middle: bevel it, or nail a drip bar over the joint; covers are made to the box as measured.", when: 'arrangement == "pair"' },
    { text: "Set the converter walls square to the second zone and screw them through the end walls over packing.", when: 'arrangement == "converter"' },
    { text: "Bolt a leg at each corner, clear of the rests.", when: "legs" },
  ],
  demands: [
    ...body.demands,
    {
      rule: "zone-play",
      label: "Second standard's bars, play end to end",
      value: "zoneInside + 2 * zoneRest - zoneBar",
      least: "1/16*inch",
      below: "stop",
      when: 'arrangement == "converter"',
      advice: "the converter walls stand too close",
      mark: "mem",
    },
    {
      rule: "zone-depth",
      label: "Under the second standard's frames",
      value: "depth - zoneRestDepth + zoneEar - zoneHeight",
      least: "1/4*inch",
      below: "stop",
      when: 'arrangement == "converter"',
      advice: "choose two bodies deep, or a shallower second standard",
      mark: "mem",
    },
    { rule: "zone-room", label: "Room behind the converter walls", value: "zoneWall", least: "0*inch", below: "stop", when: 'arrangement == "converter"', advice: "thinner stock, or a longer box", mark: "arithmetic" },
  ],
  mistakes: [...body.mistakes, "two ordinary frames meant one above the other, though a top bar cannot be lowered past the inside length"],
};
