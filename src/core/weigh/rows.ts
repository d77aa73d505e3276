import { toCount } from "@/core/formula/formula";
import { frameFor, frameOf, lineOfHung, schoolOf, shapeOfLine } from "@/core/line/shapes";
import { emptyJob } from "@/core/job/job";
import { type WorkedJob, workJob } from "@/core/job/worked";
import { USUAL_BEGINNINGS } from "@/core/hive/hive";
import { stand } from "@/core/hive/stand";
import { warmth } from "@/core/hive/warmth";
import { combLitres, emptyWeight, openingOf, weigh } from "@/core/hive/weigh";
import { toMm } from "@/core/length/format";
import { type Length, nm, type Units } from "@/core/length/length";
import { type Standing, standingOf } from "@/core/line/standing";
import { JobFileError } from "@/core/problem/problem";
import type { Finding } from "@/core/fit/finding";
import { suits } from "@/core/job/find";
import { RECIPES } from "@/core/recipes";
import type { Recipe } from "@/core/recipes/recipe";
import { lengthOf, type Shape } from "@/core/shape/shape";
import type { Assume, Thing } from "./file";
import { BENCH, frameLift, type Lifted, lifted, liftedOff, liftOf } from "./lifts";
import { type Costs, costsOf, type Making, makingOf, makingOfAll, type Prices } from "./making";
import { remembered } from "./remembered";
import { climbs, extractorFor, FLOORS, sheetFor, standOn } from "./using";
import { whyOf } from "./why";

/** What is known of one thing; null is what does not apply to it. Lengths in nm, areas in nm². */
export interface Row {
  name: string;
  framesCount: number | null;
  opening: { length: Length; height: Length } | null;
  /** Both faces of one comb. */
  combArea: number | null;
  frameFullKg: number | null;
  boxEmptyKg: number | null;
  boxFullKg: number | null;
  /** What is lifted that is heaviest, and how that lift is judged. */
  lift: Lifted | null;
  /** Each box of it lifted from where it stands, from the ground up; of a box that stays a frame of it. */
  lifts: Lifted[];
  /** Where propolis grips a frame, cm². */
  contactCm2: number | null;
  litres: number | null;
  /** All its combs as so many deep Langstroth frames'. */
  deepEquivalents: number | null;
  /** R of the wall, m²·K/W. */
  wall: number | null;
  /** W/K through walls and lid of the lowest box. */
  loss: number | null;
  /** All that lies across a cluster's way up, and how many times. */
  climb: { total: Length; times: number } | null;
  /** How many stand on a pallet and on a trailer. */
  pallet: number | null;
  trailer: number | null;
  /** What extracts its frame, and which sheet it takes. */
  extractor: string | null;
  sheet: string | null;
  /** To make one; a whole hive with the frames of its boxes, a box by itself without. */
  making: Making | null;
  costs: Costs | null;
  /** How each figure comes about, by the figure's name. */
  why: Record<string, string[]>;
  notes: string[];
  /** How its frame is drawn: from the top bar's end, and down; nothing where it has none. */
  /** What stands there, each part by its long side, from the ground up; nothing of frames by themselves. */
  stack: { length: Length; height: Length; body: boolean }[] | null;
  drawn: { bar: Length; frame: Length; height: Length; thick: Length; free: boolean } | null;
}

/** Both faces of a comb in a deep Langstroth frame. */
const DEEP = areaOf(openingOf(shapeOfLine({ item: "frame", standard: "langstroth-10", size: "deep", quantity: 1, options: {} }, emptyJob("", "in")))!); // prettier-ignore
function areaOf({ length, height }: { length: Length; height: Length }): number {
  return 2 * length * height;
}

/** How rows are said, and what things cost where that is known. */
interface Said {
  units: Units;
  prices?: Prices | undefined;
}

/** Works out all rows of things set side by side. @throws JobFileError where one of them cannot be made */
export const weighRows = (things: Thing[], assume: Assume, said: Said = { units: "in" }): Row[] => things.map((t, k) => rowOf(t, k, assume, said)); // prettier-ignore

/** So many things are remembered: what is asked again with another fill was worked out already. */
const known = remembered<{
  worked: WorkedJob;
  standing: Standing[];
  making: Making | null;
  contact: Finding | undefined;
}>(100);

/** A thing's job worked out, what stands there, and what making it takes. */
const workedOut = ({ job, hive }: Thing) =>
  known(JSON.stringify([job, hive]), () => {
    const worked = workJob(job);
    return worked.faults.length > 0
      ? { worked, standing: [], making: null, contact: undefined }
      : { worked, standing: standingIn(worked, hive), making: (hive ? makingWithFrames(worked, standingIn(worked, hive)) : makingOf(worked)) ?? null, contact: contactIn(worked, hive ? undefined : frameIn(worked)) }; // prettier-ignore
  });

/** Making a frame is remembered by its job: most hives have the same. */
const knownFrames = remembered<Making | undefined>(50);

/** Making a hive with all the frames that hang in it; undefined where no board gives a part. */
function makingWithFrames(worked: WorkedJob, standing: Standing[]): Making | undefined {
  const own = makingOf(worked);
  const frames = standing.flatMap((s) => {
    if (!s.frame || s.frames === 0) return [];
    const job = { ...worked.job, name: "", lines: [lineOfHung(s.frame)] };
    return [{ of: knownFrames(JSON.stringify(job), () => makingOf(workJob(job))), times: s.frames }];
  });
  const all = [{ of: own, times: 1 }, ...frames];
  // Set-ups of frames that are alike are made once.
  const seen = new Set<Making>();
  return all.every((m): m is { of: Making; times: number } => m.of !== undefined)
    ? makingOfAll(all.map(({ of, times }) => ({ of: seen.has(of) ? { ...of, setUps: 0 } : (seen.add(of), of), times })))
    : undefined;
} // prettier-ignore

function rowOf(thing: Thing, k: number, assume: Assume, { units, prices }: Said): Row {
  const { honeyFill, honeyKgPerL } = assume;
  const { name, hive, frames } = thing;
  const { worked, making, contact, standing: found } = workedOut(thing);
  if (worked.faults.length > 0)
    throw new JobFileError(worked.faults.map((f) => ({ path: `things[${k}]${hive ? `.hive[${f.at}]` : ""}`, message: f.message }))); // prettier-ignore
  const standing = found.map((s) => (frames && s.frame ? { ...s, frames } : s));
  const boxes = standing.filter((s) => s.as === "body");
  const line = worked.lines[0]!;
  const { kind, hangs } = line.shape.recipe;
  // Frames by themselves; or in a box that is no body of a stack: a storey opened from the back, a trough.
  const inStorey = !hive && kind === "other" && hangs !== undefined;
  const loose = hive ? undefined : (frameIn(worked) ?? (inStorey ? frameFor(line, worked.lines) : undefined));
  const many = frames ?? (inStorey ? hungIn(line.shape) : 1);
  const frame = loose ?? boxes.find((b) => b.frame)?.frame;
  const opening = frame && openingOf(frame, loose ? undefined : boxes[0]);
  const weights = weigh(standing, honeyFill, honeyKgPerL);
  const frameFullKg = frame && opening ? emptyWeight(frame) + combLitres(frame, opening) * honeyKgPerL * honeyFill : null; // prettier-ignore
  const combs = loose
    ? many * (opening ? areaOf(opening) : 0)
    : boxes.reduce((n, b) => {
        const own = b.frame && openingOf(b.frame, b);
        return n + (own ? b.frames * areaOf(own) : 0);
      }, 0);
  const heavy = weights.levels.filter((l) => boxes.some((b) => b.at === l.at)).toSorted((a, b) => b.fullKg - a.fullKg)[0]; // prettier-ignore
  const lift = loose && frameFullKg !== null ? lifted(`a frame of it`, frameFullKg, frameLift(frameOf(loose).frameHeight, BENCH)) : liftOf(weights, standing); // prettier-ignore
  const costs = making && prices ? (costsOf(making, prices, units) ?? null) : null;
  const warm = warmth(standing);
  const steps = climbs(standing);
  const climb = hive && boxes.length > 0 ? { total: nm(steps.reduce((n, s) => n + s.gap, 0)), times: steps.length } : null; // prettier-ignore
  const foot = standing.reduce<Standing["outside"] | undefined>((most, s) => (!most || s.outside.length * s.outside.width > most.length * most.width ? s.outside : most), undefined); // prettier-ignore
  const stands = boxes.length > 0 && foot ? foot : undefined;
  return {
    name,
    framesCount: loose ? many : boxes.length > 0 ? boxes.reduce((n, b) => n + b.frames, 0) : null,
    opening: opening ? { length: opening.length, height: opening.height } : null,
    combArea: opening ? areaOf(opening) : null,
    frameFullKg,
    boxEmptyKg: heavy?.emptyKg ?? null,
    boxFullKg: heavy?.fullKg ?? null,
    lift,
    lifts: boxes.map((b) => liftedOff(b, weights)),
    contactCm2: contact?.figure ? contact.figure.mm / 100 : null,
    litres: boxes.length > 0 ? weights.litres : null,
    deepEquivalents: combs > 0 ? combs / DEEP : null,
    wall: warm?.wall ?? null,
    loss: warm?.loss ?? null,
    climb,
    pallet: stands ? standOn(stands, FLOORS.pallet) : null,
    trailer: stands ? standOn(stands, FLOORS.trailer) : null,
    extractor: frame && opening ? extractorFor(frame, opening.free) : null,
    sheet: frame ? sheetFor(frame, units) : null,
    stack: loose ? null : standing.filter((s) => s.as !== "jacket").map((s) => ({ length: nm(Math.max(s.outside.length, s.outside.width)), height: s.height, body: s.as === "body" })), // prettier-ignore
    making,
    costs,
    why: whyOf({ units, assume, frame, opening, loose: loose !== undefined, boxes, weights, lift, steps, stands, warm, making, costs, combs, deep: DEEP, contact: contact?.working }), // prettier-ignore
    drawn: frame ? drawnAs(frame, opening?.free ?? true) : null,
    notes: [...(inStorey ? ["its frames are lifted, never the box"] : []), ...notesOf(boxes, opening)],
  };
}

const drawnAs = (frame: Shape, free: boolean): NonNullable<Row["drawn"]> => {
  const { topBarLength, frameLength = topBarLength, frameHeight } = frameOf(frame);
  const thick = frame.scope.has("topBarThickness") ? lengthOf(frame, "topBarThickness") : nm(0);
  return { bar: topBarLength, frame: frameLength, height: frameHeight, thick, free };
};

/** How many frames or bars a box says it holds. */
const hungIn = ({ scope }: Shape): number => {
  const name = ["frames", "bars"].find((n) => scope.has(n));
  return name === undefined ? 1 : toCount(scope.working(name).value, name);
};

/** What stands there: a hive's levels one on another, otherwise the item on the ground. */
function standingIn(worked: WorkedJob, hive: boolean): Standing[] {
  if (!hive) return worked.lines.flatMap((l) => standingOf(l, 0, worked.lines) ?? []);
  const levels = worked.job.lines.map(({ quantity: _one, ...level }) => level);
  return stand({ name: "", count: 1, levels, begins: USUAL_BEGINNINGS }, worked.job);
}

/** Where propolis grips a frame, by the rule of the fit chapter; of a frame by itself in the box that it hangs in. */
function contactIn(worked: WorkedJob, loose: Shape | undefined): Finding | undefined {
  const host = loose && boxOf(loose);
  const inBox = host ? workJob({ ...worked.job, lines: [{ item: host, standard: loose.standard.id, size: loose.size, quantity: 1, options: {} }, ...worked.job.lines] }) : worked; // prettier-ignore
  return inBox.findings.find((f) => f.rule === "contact-area");
}

/** The first line, where that hangs in a box as a frame or a bar does. */
const frameIn = ({ lines: [first] }: WorkedJob): Shape | undefined => {
  const { recipe, standard } = first!.shape;
  const isHung = recipe.kind === "frame" || standard.hangs === recipe.id || RECIPES.some((r) => r.hangs === recipe.id);
  return isHung ? first!.shape : undefined;
};

/** The box a frame hangs in: one that is made for it, otherwise the standard's own. */
function boxOf({ recipe, standard, size }: Shape): string | undefined {
  const takes = (r: Recipe) => (typeof r.hangs === "string" ? r.hangs : r.hangs ? undefined : (standard.hangs ?? "frame")); // prettier-ignore
  const boxes = RECIPES.filter((r) => (r.kind === "body" || r.hangs) && suits(r, standard, size));
  return (boxes.find((r) => takes(r) === recipe.id) ?? boxes.find((r) => r.hangs === undefined))?.id;
}

function notesOf(boxes: Standing[], opening: { free: boolean } | undefined): string[] {
  const sizes = new Set(boxes.flatMap((b) => (b.frame ? [JSON.stringify(openingOf(b.frame, b))] : [])));
  return [
    ...(boxes.some((b) => b.stays) ? ["no box is lifted: a frame at a time"] : []),
    ...(opening?.free ? ["combs hang free from their bars"] : []),
    ...(sizes.size > 1 ? [`frames of ${sizes.size} sizes: the figures of a frame are the lowest box's`] : []),
    ...(boxes.some((b) => b.shape && schoolOf(b.shape) === "closed") ? ["bars close the box: bees do not come above them"] : []),
  ];
} // prettier-ignore

const round = (n: number | null, digits: number) => (n === null ? null : Number(n.toFixed(digits)));

/** The rows as the contract's document. */
export function weighDocument(things: Thing[], assume: Assume) {
  return {
    rows: weighRows(things, assume).map((r) => ({
      name: r.name,
      framesCount: r.framesCount,
      openingMm: r.opening && [toMm(r.opening.length), toMm(r.opening.height)],
      combAreaCm2: round(r.combArea === null ? null : r.combArea / 1e14, 1),
      frameFullKg: round(r.frameFullKg, 3),
      boxEmptyKg: round(r.boxEmptyKg, 3),
      boxFullKg: round(r.boxFullKg, 3),
      heaviestLiftKg: round(r.lift?.kg ?? null, 3),
      liftingIndex: round(r.lift?.judged.index ?? null, 3),
      contactAreaCm2: round(r.contactCm2, 2),
      innerVolumeL: round(r.litres, 2),
      deepEquivalents: round(r.deepEquivalents, 2),
      rWallSi: round(r.wall, 4),
      minutes: round(r.making?.work ?? null, 1),
      // Nothing in a weigh file has a price.
      materials: null,
      notes: [...(r.lift ? [`heaviest lift: ${r.lift.what.toLowerCase()}`] : []), ...r.notes],
    })),
    assume,
  };
}
