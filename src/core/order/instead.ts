import { piecesOf } from "@/core/boards/laid";
import { kindOf } from "@/core/boards/stock";
import type { Material } from "@/core/feature/material";
import { type Act, carryOut } from "@/core/job/acts";
import type { Job } from "@/core/job/job";
import { type WorkedJob, workJob } from "@/core/job/worked";
import { lengthNamed } from "@/core/line/follow";
import { BOARDS } from "@/core/shape/shape";
import { cubicMetres, densityOf } from "@/core/judge/weight";
import { allLayouts, type LayoutResult } from "@/core/layout/layout";
import { inch, type Length } from "@/core/length/length";
import type { Minor } from "@/core/money/money";
import { JobFileError } from "@/core/problem/problem";
import { operations } from "@/core/work/operations";
import { costOf } from "@/core/order/cost";
import { orderOf } from "@/core/order/order";

/** Something else a job could be made from, and what is done for it; nothing is as it is. */
export interface Alternative {
  wood?: string;
  /** Of the boards; where `sheet` is said, of that sheet in the place of one so thick. */
  thickness?: Length;
  sheet?: { material: string; instead: Length };
  acts: Act[];
}

/** Boards a body can be made from; thinner ones are for other things, thicker ones rails and stands. */
const [THIN, THICK] = [inch(0, 5, 8), inch(1, 1, 8)];
/** More are not set side by side. */
const MOST_WOODS = 4;
const MOST_THICK = 3;

/** The woods and thicknesses of board that the yard and the catalogue have beside what the job is made from now. */
export function alternativesOf(job: Job, inShop: Job): Alternative[] {
  // A wood that was chosen hides the others from the job: all are looked at.
  const boards = inShop.stock.flatMap((s) => (s.form === "board" && kindOf(s) === "wood" ? [s] : []));
  const woods = [...new Map(boards.map((b) => [b.material.toLowerCase(), b.material])).values()];
  const others = woods.length > 1 ? woods.filter((w) => w.toLowerCase() !== job.wood?.toLowerCase()) : [];
  const worked = workJob(job);
  const now = worked.lines.map((l) => lengthNamed(l, BOARDS));
  const suited = boards.filter((b) => b.thickness >= THIN && b.thickness <= THICK && (!job.wood || b.material.toLowerCase() === job.wood.toLowerCase()));
  const thick = [...new Set(suited.map((b) => b.thickness))].filter((t) => !now.includes(t)).toSorted((a, b) => a - b);
  return [
    { acts: [] },
    ...others.slice(0, MOST_WOODS).map((wood): Alternative => ({ wood, acts: [{ do: "wood", wood }] })),
    ...thick.slice(0, MOST_THICK).map((t): Alternative => ({ thickness: t, acts: [{ do: "thickness", thickness: t }] })),
    ...otherSheets(worked, inShop),
  ];
} // prettier-ignore

/** Of each sheet that is used, the next thinner and thicker there is: where a part is as thick as a size that is asked for, that is changed. */
function otherSheets(worked: WorkedJob, inShop: Job): Alternative[] {
  const used = new Map<string, { material: Material; now: Length; acts: { at: number; name: string }[] }>();
  for (const { shape, at } of worked.lines)
    for (const part of shape.recipe.parts) {
      const { material = "wood", thickness } = part;
      if (material === "wood" || typeof thickness !== "string") continue;
      if (!shape.recipe.parameters.some((p) => p.kind === "length" && p.name === thickness)) continue;
      const now = lengthNamed({ shape }, thickness) as Length;
      const found = used.get(`${material} ${now}`) ?? { material, now, acts: [] };
      if (!found.acts.some((a) => a.at === at && a.name === thickness)) found.acts.push({ at, name: thickness });
      used.set(`${material} ${now}`, found);
    }
  return [...used.values()].flatMap(({ material, now, acts }) => {
    const there = inShop.stock.flatMap((s) => (s.form !== "pack" && s.form !== "board" && kindOf(s) === material ? [s] : []));
    const [thinner, thicker] = [there.filter((s) => s.thickness < now), there.filter((s) => s.thickness > now)];
    const next = [thinner.toSorted((a, b) => b.thickness - a.thickness)[0], thicker.toSorted((a, b) => a.thickness - b.thickness)[0]];
    return next.flatMap((s) => (s ? [{ thickness: s.thickness, sheet: { material: s.material, instead: now }, acts: acts.map((a): Act => ({ do: "option", ...a, value: s.thickness })) }] : []));
  });
} // prettier-ignore

/** The job after an alternative; undefined where it would not hold. */
export function jobWith(job: Job, { acts }: Alternative): Job | undefined {
  try {
    return acts.reduce((j, act) => carryOut(j, act), job);
  } catch (e) {
    if (e instanceof JobFileError) return undefined;
    throw e;
  }
}

/** What a job comes to as it is laid out: does it fit, what does it cost, what do its parts weigh, how much is set up for it. */
export interface Weighed {
  stops: number;
  /** The first thing that will not fit, in words. */
  stop?: string;
  looks: number;
  /** Parts no board gives. */
  missing: number;
  cost: Minor;
  /** What has no price counts for nothing in the cost. */
  unpriced: number;
  /** Boards and sheets. */
  boards: number;
  /** Parts of wood and ply, at 12 % moisture; null where a wood's weight is not known. */
  kg: number | null;
  setUps: number;
  minutes: number;
}

/** A job as it is laid out, to be set beside another. */
export function weighedUp(worked: WorkedJob, layout: LayoutResult): Weighed {
  const { findings, faults } = worked;
  const stops = findings.filter((f) => f.state === "stop");
  const order = orderOf(worked, layout);
  const ops = operations(worked, layout);
  const stop = faults[0]?.message ?? stops[0]?.text;
  return {
    stops: stops.length + faults.length,
    ...(stop ? { stop } : {}),
    looks: findings.filter((f) => f.state !== "stop" && f.state !== "ok").length,
    missing: layout.missing.length,
    cost: costOf(worked, layout, order).total,
    unpriced: order.unpriced.length,
    boards: layout.count,
    kg: weightOf(layout),
    setUps: ops.filter((o) => o.setup > 0).length,
    minutes: Math.round(ops.reduce((sum, o) => sum + o.minutes * o.people, 0)),
  };
}

function weightOf(layout: LayoutResult): number | null {
  let kg = 0;
  for (const { layout: l } of allLayouts(layout)) {
    const board = layout.request.stock[l.stock]!;
    if (!["wood", "ply"].includes(kindOf(board))) continue;
    const density = densityOf(board.material);
    if (density === undefined) return null;
    for (const p of piecesOf(l)) kg += l.repeat * cubicMetres(p.length, p.width, board.thickness) * density;
  }
  return Math.round(kg * 10) / 10;
}
