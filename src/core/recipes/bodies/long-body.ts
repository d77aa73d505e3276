import { CORNER_GRAIN, WALLS_OUTSIDE, finished } from "../finish";
import { each, screws } from "../assembly";
import { parseLength } from "@/core/length/parse";
import { STANDARDS } from "@/core/standards";
import type { Standard } from "@/core/standards/standard";
import type { Recipe } from "../recipe";
import { FOLLOWER_VALUES, followerBar, followerBoard } from "../accessories/followers";
import { body } from "./body";
import { wallAssembly, wallParts } from "./walls";

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
export const longBody: Recipe = finished(
  {
    ...body,
    stacks: undefined,
    stays: true,
    id: "long-body",
    name: "Long body",
    called: ["long hive", "horizontal hive", "long langstroth", "chest hive"],
    about: "A horizontal hive: many frames side by side in one box, with followers and legs.",
    hangs: { by: "height", is: { double: "extra-deep-frame" } },
    measuredAt: { x: "outsideLength / 2", y: "thickness + longFrames * pitch / 4" },
    needs: ["boxInsideLength", "bodyDepth", "restWidth", "restDepth", "topBarLength", "topBarWidth", "topBarThickness", "earThickness", "frameHeight", "pitch"],
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
      { name: "boxes", label: "frames hang through", formula: 'height == "double" ? "deep-deep" : "deep-medium"', mark: "arithmetic" },
      ...FOLLOWER_VALUES('(height == "double" ? depth - (restDepth - earThickness) - 1/4*inch : frameHeight)'),
      { name: "farFollower", label: "far follower's outer face", formula: 'arrangement == "converter" ? zoneStart - thickness - followerMiddle + 3/8*inch : outsideWidth - thickness - followerMiddle + 3/8*inch', mark: "arithmetic" },
      { name: "followerCount", label: "followers", formula: 'followers == "none" ? 0 : followers == "one" ? 1 : 2', mark: "arithmetic" },
    ],
    parts: [
      ...wallParts({
        // A grip at the middle of an end would meet the excluder's groove inside.
        endGrips: [
          { middle: "endLength / 2", when: 'arrangement != "pair"' },
          { middle: "endLength / 4", when: 'arrangement == "pair"' },
          { middle: "3 * endLength / 4", when: 'arrangement == "pair"' },
        ],
        ends: [{ name: "groove for the excluder", kind: "groove", when: 'arrangement == "pair"', run: "across", face: "far", at: "(endLength - excluderGroove) / 2", width: "excluderGroove", deep: "excluderGroove" }],
      }),
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
      followerBar(
        [
          { at: ["(outsideLength - topBarLength) / 2", "thickness + followerMiddle - topBarWidth / 2", "depth - restDepth + earThickness"], l: "+x", w: "+y", t: "-z" },
          { at: ["(outsideLength - topBarLength) / 2", "farFollower - 3/8*inch - topBarWidth / 2", "depth - restDepth + earThickness"], l: "+x", w: "+y", t: "-z", times: 'followers == "two" ? 1 : 0' },
        ],
        'followers != "none"',
      ),
      followerBoard(
        [
          { at: ["(outsideLength - followerLength) / 2", "thickness + followerMiddle - 3/8*inch", "depth - restDepth + earThickness - followerBarThick"], l: "+x", w: "-z", t: "+y" },
          { at: ["(outsideLength + followerLength) / 2", "farFollower", "depth - restDepth + earThickness - followerBarThick"], l: "-x", w: "-z", t: "-y", times: 'followers == "two" ? 1 : 0' },
        ],
        { when: 'followers != "none"' },
      ),
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
    assembly: wallAssembly({
      next: [
        {
          id: "zone",
          name: "Set the second zone's walls in",
          text: "Screw the partition between the zones square across, its top level with the rests. Set the converter walls square to the second zone and screw them through the end walls over packing.",
          station: "bench",
          joins: ["zone-partition", "converter-wall"],
          uses: [screws("4 * 2", "endThickness", "insideLength / 2", "end"), screws("2 * 6", "endThickness + zoneWall", "thickness")],
          when: 'arrangement == "converter"',
          setup: 6,
          each: 20,
          check: "a frame of each standard hangs and slides in its zone",
          mark: "mem",
        },
        {
          id: "excluder",
          name: "Hang the excluder and the winter board",
          text: "Slide the excluder down between the two sides; the winter board takes its place when it comes out. Each lid sheds water away from the middle: bevel it, or nail a drip bar over the joint.",
          station: "bench",
          joins: ["winter-board"],
          uses: [each("excluder sheet", "1")],
          when: 'arrangement == "pair"',
          setup: 2,
          each: 4,
          check: "excluder and board slide by hand",
          mark: "mem",
        },
        {
          id: "followers",
          name: "Put the followers together",
          text: "Screw each board on edge under the middle of its bar, an equal bit of the bar past each end: pilot first, three screws down through the bar.",
          station: "bench",
          joins: ["follower", "follower-bar"],
          uses: [screws('followers == "two" ? 6 : 3', "followerBarThick", "followerHeight")],
          when: 'followers != "none"',
          setup: 3,
          each: 4,
          check: "hangs free in the box and touches nothing",
          mistakes: ["two ordinary frames meant one above the other, though a top bar cannot be lowered past the inside length"],
          mark: "mem",
        },
        {
          id: "legs",
          name: "Bolt the legs on",
          text: "Bolt a leg at each corner from outside, clear of the rests.",
          station: "bench",
          joins: ["leg"],
          uses: [each("coach bolt", "8", 0, undefined, "2 1/2")],
          when: "legs",
          setup: 4,
          each: 10,
          check: "does not rock",
          mark: "mem",
        },
      ],
    }),
    demands: [
      ...body.demands,
      {
        rule: "follower-room",
        label: "Room for the followers beside all the frames",
        value: "spare - followerCount * topBarWidth",
        least: "1/8*inch",
        below: "care",
        when: 'followers != "none"',
        advice: "a follower takes a frame's place: hang a frame fewer for each, or add to the spare across",
        mark: "arithmetic",
      },
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
  },
  WALLS_OUTSIDE,
  CORNER_GRAIN,
);
