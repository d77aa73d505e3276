import { toCount } from "@/core/formula/formula";
import { frameFor, frameOf, schoolOf, shapeOfLine } from "@/core/line/shapes";
import { anyStock } from "@/core/layout/anystock";
import { layoutRequest } from "@/core/job/ask";
import { layOut } from "@/core/layout/layout";
import { emptyJob } from "@/core/job/job";
import { type WorkedJob, workJob } from "@/core/job/worked";
import { USUAL_BEGINNINGS } from "@/core/hive/hive";
import { stand } from "@/core/hive/stand";
import { warmth } from "@/core/hive/warmth";
import { combLitres, emptyWeight, heaviest, openingOf, weigh, type Weights } from "@/core/hive/weigh";
import { toMm } from "@/core/length/format";
import { inch, type Length, nm } from "@/core/length/length";
import { type Standing, standingOf } from "@/core/line/standing";
import { JobFileError } from "@/core/problem/problem";
import { lengthOf, type Shape } from "@/core/shape/shape";
import { minutesByLine } from "@/core/order/cost";
import { operations } from "@/core/work/operations";
import type { Assume, Thing } from "./file";
import { type Grip, type Judged, judgeLift, type Lift } from "./lifting";

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
  lift: { what: string; kg: number; judged: Judged } | null;
  /** Where propolis grips a frame, cm². */
  contactCm2: number | null;
  litres: number | null;
  /** All its combs as so many deep Langstroth frames'. */
  deepEquivalents: number | null;
  /** R of the wall, m²·K/W. */
  wall: number | null;
  /** To make one, without set-ups. */
  minutes: number | null;
  notes: string[];
  /** How its frame is drawn: from the top bar's end, and down; nothing where it has none. */
  drawn: { bar: Length; frame: Length; height: Length; thick: Length; free: boolean } | null;
}

/** Both faces of a comb in a deep Langstroth frame. */
const DEEP = areaOf(openingOf(shapeOfLine({ item: "frame", standard: "langstroth-10", size: "deep", quantity: 1, options: {} }, emptyJob("", "in")))!); // prettier-ignore
function areaOf({ length, height }: { length: Length; height: Length }): number {
  return 2 * length * height;
}

/** Works out all rows of things set side by side. @throws JobFileError where one of them cannot be made */
export const weighRows = (things: Thing[], assume: Assume): Row[] => things.map((t, k) => rowOf(t, k, assume));

function rowOf({ name, job, hive, frames }: Thing, k: number, { honeyFill, honeyKgPerL }: Assume): Row {
  const worked = workJob(job);
  if (worked.faults.length > 0)
    throw new JobFileError(worked.faults.map((f) => ({ path: `things[${k}]${hive ? `.hive[${f.at}]` : ""}`, message: f.message }))); // prettier-ignore
  const standing = standingIn(worked, hive).map((s) => (frames && s.frame ? { ...s, frames } : s));
  const boxes = standing.filter((s) => s.as === "body");
  const line = worked.lines[0]!;
  const { kind, hangs } = line.shape.recipe;
  // Frames by themselves; or in a box that is no body of a stack: a storey opened from the back, a trough.
  const inStorey = !hive && kind === "other" && hangs !== undefined;
  const loose = hive ? undefined : kind === "frame" ? line.shape : inStorey ? frameFor(line, worked.lines) : undefined;
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
  return {
    name,
    framesCount: loose ? many : boxes.length > 0 ? boxes.reduce((n, b) => n + b.frames, 0) : null,
    opening: opening ? { length: opening.length, height: opening.height } : null,
    combArea: opening ? areaOf(opening) : null,
    frameFullKg,
    boxEmptyKg: heavy?.emptyKg ?? null,
    boxFullKg: heavy?.fullKg ?? null,
    lift: loose && frameFullKg !== null ? lifted(`a frame of it`, frameFullKg, frameLift(frameOf(loose).frameHeight, BENCH)) : liftOf(weights, standing), // prettier-ignore
    contactCm2: contactOf(worked),
    litres: boxes.length > 0 ? weights.litres : null,
    deepEquivalents: combs > 0 ? combs / DEEP : null,
    wall: warmth(standing)?.wall ?? null,
    minutes: minutesOf(worked),
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

/** Frames are handed about at the height of a bench. */
const BENCH = inch(34);

/** A frame is drawn straight up by its ears, clear of the box: hands at its top, arms out over half of it. */
const frameLift = (height: Length, top: Length): Omit<Lift, "kg"> => ({ out: inch(15), up: top, travel: nm(height + inch(1)), turn: 0, often: 1, hours: 1, grip: "good" }); // prettier-ignore

/**
 * A box is lifted off by its short ends, hands two thirds up it, turned by an eighth and set down on the ground beside the hive. Hands are as
 * far out as the manual reckons: 8 inches and half the box, 10 where they are lower than 10 inches.
 */
function boxLift(s: Standing): Omit<Lift, "kg"> {
  const up = nm(Math.round(s.foot + (2 / 3) * s.height));
  const out = nm((up < inch(10) ? inch(10) : inch(8)) + Math.round(s.outside.width / 2));
  return {
    out,
    up,
    travel: nm(Math.round(Math.max(0, s.foot))),
    turn: 45,
    often: 0.2,
    hours: 1,
    grip: gripOf(s.shape),
  };
}

/** Handholds and cleats are held as by an edge the fingers go round; a plain wall is not. */
const gripOf = (shape: Shape | undefined): Grip =>
  shape?.parts.some((p) => /cleat/.test(p.id) || p.features.some((f) => f.kind === "handhold")) ? "fair" : "poor";

const lifted = (what: string, kg: number, lift: Omit<Lift, "kg">) => ({ what, kg, judged: judgeLift({ ...lift, kg }) });

/** The heaviest thing that is really lifted of what stands there. */
function liftOf(weights: Weights, standing: Standing[]): Row["lift"] {
  const found = heaviest(weights.levels, standing);
  if (!found) return null;
  const box = standing.find((s) => s.at === found.at)!;
  if (!box.stays) return lifted(found.title, found.kg, boxLift(box));
  return lifted(found.title, found.kg, frameLift(frameOf(box.frame!).frameHeight, nm(box.foot + box.height)));
}

/** cm² where propolis grips a frame, by the rule of the fit chapter. */
function contactOf({ findings }: WorkedJob): number | null {
  const found = findings.find((f) => f.rule === "contact-area");
  return found?.figure ? found.figure.mm / 100 : null;
}

/** Minutes to make one of all its parts, set-ups left out. */
function minutesOf({ job }: WorkedJob): number | null {
  const stocked = workJob({ ...job, stock: anyStock(workJob(job).lines) });
  const layout = layOut(layoutRequest(stocked), () => 0, { goOn: () => false });
  if (layout.missing.length > 0) return null;
  const lines = stocked.lines.map((l) => l.at);
  const minutes = minutesByLine(operations(stocked, layout), lines, new Map(lines.map((l) => [l, 1])));
  return [...minutes.values()].reduce((n, m) => n + m.work, 0);
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
      minutes: round(r.minutes, 1),
      // Nothing in a weigh file has a price.
      materials: null,
      notes: [...(r.lift ? [`heaviest lift: ${r.lift.what.toLowerCase()}`] : []), ...r.notes],
    })),
    assume,
  };
}
