import { featureCuts } from "@/core/feature/say";
import { emptyJob } from "@/core/job/job";
import { inch, type Length, nm, NM_PER_MM, type Units } from "@/core/length/length";
import { lengthText, lengthWithUnit } from "@/core/length/format";
import type { JobLine } from "@/core/line/line";
import { shapeOfLine } from "@/core/line/shapes";
import { type Currency, moneyText } from "@/core/money/money";
import { JobFileError } from "@/core/problem/problem";
import type { Shape } from "@/core/shape/shape";
import { findStandard } from "@/core/standards";
import { mem } from "@/core/standards/marks";
import type { Standard } from "@/core/standards/standard";
import { type Fault, measureText } from "./book";

/** What is measured of a box before a part is cut for it, nm. */
export const MEASURES = ["outsideLength", "outsideWidth", "insideLength", "insideWidth", "depth", "restToRest", "restDepth"] as const; // prettier-ignore
export type MeasuredBox = Record<(typeof MEASURES)[number], Length>;

/** Corners a new side or end is made for, as recipes call them. */
export const CORNERS = ["rabbet-ends", "butt-ends-inside", "finger"] as const;
export type Corner = (typeof CORNERS)[number];

/** A part that is let in, as long, wide and thick as it is cut; with its cuts. */
export interface RepairPart {
  name: string;
  l: Length;
  w: Length;
  t: Length;
  cuts: string[];
  /** It is a whole end of the box; or it has a rabbet at its outer end. */
  as?: "end" | { across: Length; deep: Length };
  /** How a size comes about. */
  working: string;
}

/** How a fault is mended. Minutes are starting guesses. [mem] */
export interface Repair {
  fault: Fault;
  method: string[];
  parts: RepairPart[];
  buys: { quantity: number; unit: "of" | "g of"; what: string }[];
  minutes: number;
  check: string;
  caution: string;
}

/** As it is bought, by the gram. */
const GLUE_NAME = "waterproof wood glue";
const SAW =
  "Guard where the cut lets it, push stick, hands clear; follow the machine's manual, local rules and licensed practice.";
const GLUE = "Air the room; keep glue off skin and eyes. Follow the maker's instructions."; // prettier-ignore

/** Walls and rests that follow from what was measured. @throws JobFileError naming the size that cannot be */
export function wallsOf(box: MeasuredBox): { end: Length; side: Length; rest: Length } {
  const half = (out: Length, within: Length) => nm(Math.round((out - within) / 2));
  const walls = { end: half(box.outsideLength, box.insideLength), side: half(box.outsideWidth, box.insideWidth), rest: half(box.restToRest, box.insideLength) }; // prettier-ignore
  /** In both, as it is not known here what the shop measures in. */
  const both = (l: Length) => `${lengthWithUnit(l, "in")} (${lengthWithUnit(l, "mm")})`;
  const wrong = (what: keyof MeasuredBox, message: string) => new JobFileError([{ path: measureText(what), message }]);
  const [thin, thick] = [inch(0, 1, 4), inch(3)];
  const wall = (what: "insideLength" | "insideWidth", out: Length, is: Length) => {
    if (is < thin || is > thick)
      throw wrong(what, `read ${both(box[what])} inside of ${both(out)} outside: that is a wall of ${both(is)}; wanted ${both(thin)} to ${both(thick)}`); // prettier-ignore
  };
  wall("insideLength", box.outsideLength, walls.end);
  wall("insideWidth", box.outsideWidth, walls.side);
  if (walls.rest <= 0 || walls.rest >= walls.end) throw wrong("restToRest", `read ${both(box.restToRest)}: the rest would be ${both(walls.rest)} of a wall of ${both(walls.end)}`); // prettier-ignore
  return walls;
}

/** The options a body is made with to these measures, in a standard of `measuredStandard`. */
export function measuredOptions(box: MeasuredBox, corner: Corner): JobLine["options"] {
  const { end, side } = wallsOf(box);
  return { thickness: side, endThickness: end, hold: "inside", joint: corner };
}

/** A standard of which a body comes out as this box was measured. @throws JobFileError naming the size that cannot be */
export function measuredStandard(box: MeasuredBox, standardId: string, id = "measured"): Standard {
  const { rest } = wallsOf(box);
  const usual = findStandard("langstroth-10")!;
  const like = findStandard(standardId) ?? usual;
  const text = (l: Length) => `${l / NM_PER_MM} mm`;
  return {
    ...like,
    id,
    name: "as measured",
    short: "measured",
    basedOn: "langstroth-10",
    values: { ...usual.values, ...like.values, boxInsideLength: mem(text(box.insideLength)), boxInsideWidth: mem(text(box.insideWidth)), restWidth: mem(text(rest)), restDepth: mem(text(box.restDepth)) }, // prettier-ignore
    sizes: {
      box: { name: "box", values: { ...Object.values(like.sizes)[0]!.values, bodyDepth: mem(text(box.depth)) } },
    },
    defaultSize: "box",
  };
}

/** The box as the recipe of a body makes it to these measures: its parts are what a new one for it has to be. */
export const bodyTo = (box: MeasuredBox, standardId: string, corner: Corner): Shape =>
  shapeOfLine({ item: "body", standard: "measured", size: "box", quantity: 1, options: measuredOptions(box, corner) }, { ...emptyJob("", "mm"), standards: [measuredStandard(box, standardId)] }); // prettier-ignore

/** How a fault of a measured box is mended, to the rules of fit: what is cut fits the box as it is. `ear` is its frames' ears. */
export function repairOf(fault: Fault, box: MeasuredBox, how: { standard: string; corner: Corner; ear: Length; units: Units; rot?: Rot | undefined }): Repair {
  const { end, side, rest } = wallsOf(box);
  const say = (l: Length) => lengthText(l, how.units);
  const row = Math.max(2, Math.ceil(box.depth / inch(3)));
  switch (fault) {
    case "joint loose":
      return { fault, method: ["pull loose nails or set them", "open the joint, scrape it clean, glue it and clamp it square", "a screw a size larger, dipped in glue, beside each old hole or in it"], parts: [], buys: [{ unit: "of", what: "exterior screw, no. 10 × 2", quantity: row }, { what: GLUE_NAME, unit: "g of", quantity: 5 }], minutes: 15, check: "both diagonals equal, the joint shut from top to bottom", caution: GLUE };
    case "split":
      return { fault, method: ["work glue into the split from both faces and clamp it shut", "a screw across it, with a pilot hole, every 4 inches"], parts: [], buys: [{ unit: "of", what: "exterior screw, no. 8 × 2", quantity: Math.max(1, Math.ceil(box.outsideLength / inch(4)) - 2) }, { what: GLUE_NAME, unit: "g of", quantity: 5 }], minutes: 15, check: "no light through it, the edges flush", caution: GLUE };
    case "corner rotten": {
      if (how.rot && isPatched(how.rot, box)) return patched(how.rot, { end, side }, how.corner, say);
      const part = bodyTo(box, how.standard, how.corner).parts.find((p) => p.id === "end")!;
      const cuts = featureCuts(part.features, how.units, part.sides).map(({ what, how: where }) => `${what}, ${where}`);
      return {
        fault,
        method: ["take the rotten end off: pull its nails, cut through screws that do not turn", "cut a new end to the box as it measures, not to the plan", "glue it, clamp the box square, fasten it with screws a size larger", "move the old mark over, or burn it in again"],
        parts: [{ name: "new end", as: "end", l: part.cut.l, w: part.cut.w, t: part.cut.t, cuts, working: `as wide outside as measured, ${say(box.outsideWidth)}; as deep, ${say(box.depth)}; as thick as the wall that comes off, (${say(box.outsideLength)} − ${say(box.insideLength)}) / 2 = ${say(end)}` }],
        buys: [{ unit: "of", what: "exterior screw, no. 10 × 2", quantity: 2 * row }, { what: GLUE_NAME, unit: "g of", quantity: 10 }],
        minutes: 40,
        check: "both diagonals equal; a frame hangs, slides and drops free",
        caution: `${SAW} ${GLUE}`,
      };
    }
    case "rest broken":
      return {
        fault,
        method: ["cut what is left of the thin lip down clean, to the floor of the rest", "glue the strip on as the lip was, clamp it, and screw it every 3 inches with a pilot hole: the lip is thin"],
        parts: [{ name: "lip strip", l: box.insideWidth, w: box.restDepth, t: nm(end - rest), cuts: [], working: `wall ${say(end)} less rest ${say(rest)}; as high as the rest is deep, ${say(box.restDepth)}; between the sides, ${say(box.insideWidth)}` }],
        buys: [{ unit: "of", what: "exterior screw, no. 6 × 1 1/4", quantity: Math.ceil(box.insideWidth / inch(3)) }, { what: GLUE_NAME, unit: "g of", quantity: 3 }],
        minutes: 20,
        check: "the strip flush with the top edge and the outside; a frame's ear drops in",
        caution: `${SAW} ${GLUE}`,
      };
    case "rest too deep": {
      // As deep as the ear and the bee space above it.
      const wanted = nm(how.ear + inch(0, 1, 4));
      const over = nm(box.restDepth - wanted);
      const isOver = over > 0;
      return {
        fault,
        method: isOver ? ["plane the floor of both rests clean", "glue a strip in each: it carries the ears again at the right height"] : ["the rest is not too deep: leave it"],
        parts: isOver ? [1, 2].map((n) => ({ name: `rest strip ${n}`, l: box.insideWidth, w: rest, t: over, cuts: [], working: `rest ${say(box.restDepth)} less ear ${say(how.ear)} and 1/4 inch of bee space = ${say(over)}; as wide as the rest, ${say(rest)}` })) : [],
        buys: isOver ? [{ unit: "of", what: "brad, 3/4", quantity: 8 }, { what: GLUE_NAME, unit: "g of", quantity: 3 }] : [],
        minutes: isOver ? 20 : 0,
        check: "a frame lies 1/4 inch under the top edge at both ends",
        caution: `${SAW} ${GLUE}`,
      };
    }
    case "warped":
      return { fault, method: ["open the worst corner, glue it", "clamp across the long diagonal until both diagonals are equal, and let it set so", "two screws a corner a size larger"], parts: [], buys: [{ unit: "of", what: "exterior screw, no. 10 × 2", quantity: 8 }, { what: GLUE_NAME, unit: "g of", quantity: 10 }], minutes: 25, check: "both diagonals equal, it stands on a flat table without rocking", caution: GLUE };
  }
} // prettier-ignore

/** How far rot reaches from a lower corner of an end: up, and along it. */
export interface Rot {
  up: Length;
  along: Length;
}

/** Sound wood is taken with the rot all round; and what reaches further than a third of the end wants a new one. [trade] */
const [SOUND, THIRD] = [inch(1), 3];
const isPatched = ({ up, along }: Rot, box: MeasuredBox): boolean =>
  up > 0 && along > 0 && up + SOUND <= box.depth / THIRD && along + SOUND <= box.outsideWidth / THIRD;

/** A patch let into a lower corner, through the whole wall. */
function patched({ up, along }: Rot, { end, side }: { end: Length; side: Length }, corner: Corner, say: (l: Length) => string): Repair {
  const half = nm(Math.round(end / 2));
  const rabbet = { across: side, deep: half };
  const cuts = { "rabbet-ends": [`rabbet ${say(side)} wide × ${say(half)} deep at its outer end, in the inside face`], "butt-ends-inside": [], finger: ["fingers by hand, to those of the side"] }[corner];
  return {
    fault: "corner rotten",
    method: ["mark the rot and an inch of sound wood round it, square", "saw and chisel it out through the wall, the upper edge sloped down and outwards: water then runs off the joint", "cut the patch to the hole, grain as the wall's, and slope its upper edge to it", "glue it in and clamp it; screws with pilot holes through the patch into sound wood and into the side"],
    parts: [{ name: "patch", l: nm(along + SOUND), w: nm(up + SOUND), t: end, cuts, ...(corner === "rabbet-ends" ? { as: rabbet } : {}), working: `rot ${say(along)} along and ${say(up)} up, an inch of sound wood more each way; as thick as the wall, ${say(end)}` }],
    buys: [{ unit: "of", what: "exterior screw, no. 8 × 2", quantity: 4 }, { unit: "g of", what: GLUE_NAME, quantity: 5 }],
    minutes: 30,
    check: "flush inside and outside, no light through it, both diagonals equal",
    caution: `${SAW} ${GLUE}`,
  };
} // prettier-ignore

/** What a new one costs and takes; money where the shop's rate and prices are known. */
export interface New {
  minutes: number;
  /** All of it, the work too. */
  money?: number;
  /** Of an hour, and of a cubic metre of wood. */
  rate?: number;
  wood?: number;
  currency: Currency;
}

/** What a new one like it measures, what it costs, and its frames' ears. */
export interface AsNew {
  box: MeasuredBox;
  cost: New;
  standard: string;
  ear: Length;
}

/** Whether mending is worth it against a new one, with the sum. */
export interface Worth {
  worth: boolean;
  minutes: number;
  said: string;
}

/** Mending pays while it takes less than this part of a new one: what is left is old wood. [mem] */
const PART = 0.6;

/** Adds up what mending takes against making one anew: money, where work and wood have a price, otherwise minutes of people. */
export function worthIt(repairs: Repair[], anew: New): Worth {
  const minutes = repairs.reduce((n, r) => n + r.minutes, 0);
  const sum = `${repairs.map((r) => `${r.fault} ${r.minutes}`).join(" + ")}${repairs.length > 1 ? ` = ${minutes}` : ""} min`;
  const verdict = (part: number) => (part <= PART ? "worth it" : `not worth it, over ${Math.round(PART * 100)} % of a new one`);
  if (anew.money === undefined || anew.rate === undefined) {
    const part = minutes / anew.minutes;
    return { worth: part <= PART, minutes, said: `${sum}; a new one ${anew.minutes.toFixed(0)} min: ${verdict(part)}` };
  }
  const say = (n: number) => moneyText(n, anew.currency);
  const work = (minutes * anew.rate) / 60;
  const cubic = repairs.flatMap((r) => r.parts).reduce((n, p) => n + (p.l * p.w * p.t) / 1e27, 0);
  const wood = cubic * (anew.wood ?? 0);
  const part = (work + wood) / anew.money;
  return { worth: part <= PART, minutes, said: `${sum}, ${say(work)} of work${wood > 0 ? ` and ${say(wood)} of wood` : ""}; a new one ${anew.minutes.toFixed(0)} min, ${say(anew.money)} in all: ${verdict(part)}` };
} // prettier-ignore
