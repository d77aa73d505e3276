import { worst } from "@/core/fit/finding";
import { layoutRequest } from "@/core/job/ask";
import type { Job } from "@/core/job/job";
import { takesOf, unsawn } from "@/core/job/sawn";
import { workJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import type { LayoutRequest } from "@/core/layout/request";
import { orderOf } from "@/core/order/order";
import { planOf } from "@/core/plan/plan";
import { thingKey, thingOf } from "@/core/purchase/thing";
import { type Want, wantsOf } from "@/core/purchase/wants";
import type { Work } from "@/core/plan/tasks";
import type { Operation } from "@/core/work/operation";
import { operations } from "@/core/work/operations";

/** Where a job stands, station by station: what its tabs say, worked out without anybody looking at it. */
export interface Standing {
  lines: number;
  /** What will not fit or cannot be made: how much, and the first of it in words. */
  stops: number;
  stop?: string;
  /** Parts no board gives. */
  missing: number;
  /** Boards still to be sawn, of the yard and bought; and those that are sawn. */
  yard: number;
  buy: number;
  sawn: number;
  /** Boards of the yard it needs that are not kept for it. */
  unkept: number;
  /** Things to buy, and those of them without a price. */
  toBuy: number;
  unpriced: number;
  /** What it has to have bought. */
  wants: Want[];
  /** The day it is ready by its plan, `YYYY-MM-DD`; undefined without a start. */
  ready?: string;
  /** Days after its due day; below nothing are days in hand. Undefined without a due day or a plan. */
  late?: number;
  readings: number;
  /** What has to be done, as the shop's plan wants to know it. */
  work: Work[];
}

const DAY = 24 * 60;
const dayOf = (minute: number) => new Date(minute * 60_000).toISOString().slice(0, 10);

/**
 * Works out where a job stands on a day. What has not been begun cannot be planned from a day that is past: it starts today. `kept`
 * is what of each lot of the yard is kept for it.
 */
export function standingOf(
  job: Job,
  today: string,
  kept: ReadonlyMap<number, number>,
  lay: (request: LayoutRequest) => LayoutResult,
): Standing {
  const started = job.start !== undefined && job.start < today ? { ...job, start: today } : job;
  const worked = workJob(started);
  const { faults, findings, lines } = worked;
  const stops = findings.filter((f) => f.state === "stop");
  const none = { lines: job.lines.length, stops: stops.length + faults.length, missing: 0, yard: 0, buy: 0, sawn: 0, unkept: 0, toBuy: 0, unpriced: 0, wants: [], readings: job.readings.length, work: [] }; // prettier-ignore
  const stop = faults[0]?.message ?? (worst(findings) === "stop" ? stops[0]?.text : undefined);
  const shaped = { ...none, ...(stop ? { stop } : {}) };
  if (lines.length === 0) return shaped;
  const result = lay(layoutRequest(worked));
  const left = unsawn(result);
  const of = (source: "yard" | "buy") => left.reduce((n, l) => n + (result.request.stock[l.stock]!.source === source ? l.repeat : 0), 0); // prettier-ignore
  const order = orderOf(worked, result);
  const plan = started.start ? planOf(worked, result) : undefined;
  const days = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / (DAY * 60_000));
  const ready = plan && dayOf(plan.finish);
  const firstUse = (what: string) => {
    const first = plan?.operations.find((o) => what === "sawing" || o.uses.some((u) => u.what === what));
    return first && dayOf(first.startsAt);
  };
  return {
    ...shaped,
    missing: result.missing.length,
    yard: of("yard"),
    buy: of("buy"),
    sawn: result.count - left.reduce((n, l) => n + l.repeat, 0),
    unkept: [...takesOf(left, result)].reduce((n, [lot, count]) => n + Math.max(0, count - (kept.get(lot) ?? 0)), 0),
    toBuy: order.lines.filter((l) => l.from === "buy").length,
    unpriced: order.unpriced.length,
    wants: wantsOf(order, firstUse),
    work: operations(worked, result).map((o) => workOf(o, result)),
    ...(ready ? { ready } : {}),
    ...(ready && job.due ? { late: days(job.due, ready) } : {}),
  };
}

/** An operation as the shop's plan wants to know it. */
function workOf(o: Operation, { request }: LayoutResult): Work {
  const { id, name, kind, station, line, lot, step, pieces, of, people, setup, each, share, wait, after, settings, guess } = o;
  const boards = o.boards.map((at) => thingKey(thingOf(request.stock[at]!)));
  const takes = [...boards, ...o.uses.map((u) => thingKey({ form: "pack", material: u.what }))];
  return { id, name, kind, station, line, lot, pieces, of, people, setup, each, share, wait, after, settings, guess, measure: o.measure.map(() => 0), ...(step ? { step } : {}), ...(takes.length > 0 ? { takes: [...new Set(takes)] } : {}), ...(o.caution ? { caution: o.caution } : {}) }; // prettier-ignore
} // prettier-ignore
