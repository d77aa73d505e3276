import { worst } from "@/core/fit/finding";
import type { BoardStock } from "@/core/boards/stock";
import { type Layout, piecesOf } from "@/core/boards/laid";
import type { Spoiled } from "@/core/job/spoiled";
import { layoutRequest } from "@/core/job/ask";
import type { Job } from "@/core/job/job";
import { takesOf, unsawn } from "@/core/job/sawn";
import { type WorkedJob, workJob } from "@/core/job/worked";
import type { Units } from "@/core/length/length";
import { cutList, nameIn } from "@/core/line/cutlist";
import { type PartId, partKey } from "@/core/line/line";
import { lotText } from "@/core/yard/lot";
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
  /** What is cut again because it was spoiled, and from what; no `from` where no board gives it. */
  again?: Again[];
  /** What has to be done, as the shop's plan wants to know it. */
  work: Work[];
}

/** Pieces of a part that are cut again. */
export interface Again {
  name: string;
  pieces: number;
  from?: string;
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
  const named = namedParts(worked);
  const order = orderOf(worked, result);
  const plan = started.start ? planOf(worked, result) : undefined;
  const days = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / (DAY * 60_000));
  // Without all its wood it is ready on no day.
  const ready = plan && result.missing.length === 0 ? dayOf(plan.finish) : undefined;
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
    work: operations(worked, result).map((o) => workOf(o, result, named, job.units)),
    ...(job.spoiled ? { again: againOf(job.spoiled, result, named, job.units) } : {}),
    ...(ready ? { ready } : {}),
    ...(ready && job.due ? { late: days(job.due, ready) } : {}),
  };
}

/** An operation as the shop's plan and its bench want to know it. */
function workOf(o: Operation, { request }: LayoutResult, named: ReadonlyMap<string, { of: PartId; name: string }>, units: Units): Work {
  const { id, name, kind, station, line, lot, step, pieces, of, people, setup, each, share, wait, after, settings, guess } = o;
  const boards = [...o.boards].map(([at, count]) => ({ count, board: request.stock[at]! }));
  const takes = [...boards.map(({ board }) => thingKey(thingOf(board))), ...o.uses.map((u) => thingKey({ form: "pack", material: u.what }))];
  const ofBoard = new Map<string, number>();
  for (const { count, board } of boards) ofBoard.set(boardText(board, units), (ofBoard.get(boardText(board, units)) ?? 0) + Math.ceil(count / (board.resawn ?? 1)));
  const from = [...ofBoard].map(([text, count]) => `${count} of ${text}`);
  const through = o.joins.length > 0 ? o.joins.map((j) => partKey(j.part)) : [...o.parts.keys()];
  const ofParts = [...new Set(through)].flatMap((key) => named.get(key) ?? []);
  return {
    id, name, kind, station, line, lot, pieces, of, people, setup, each, share, wait, after, settings, guess,
    measure: o.measure.map(() => 0),
    ...(step ? { step } : {}),
    ...(takes.length > 0 ? { takes: [...new Set(takes)] } : {}),
    ...(from.length > 0 ? { from } : {}),
    ...(ofParts.length > 0 ? { ofParts } : {}),
    ...(o.centred ? { centred: true } : {}),
    ...(o.caution ? { caution: o.caution } : {}),
  };
} // prettier-ignore

const boardText = (board: BoardStock, units: Units) => `${lotText(thingOf(board), units)}${board.lot === undefined ? "" : `, no. ${board.lot} of the yard`}`; // prettier-ignore

/** Where what was spoiled is cut again: on the boards that were laid out for it, as long as those are not sawn. */
function againOf(spoiled: Spoiled[], result: LayoutResult, named: ReturnType<typeof namedParts>, units: Units): Again[] {
  const left = unsawn(result);
  return [...new Set(spoiled.map((s) => partKey(s.of)))].flatMap((key): Again[] => {
    const pieces = spoiled.reduce((n, s) => n + (partKey(s.of) === key ? s.pieces : 0), 0);
    const name = named.get(key)?.name ?? key;
    const gives = (l: Layout) => l.repeat * piecesOf(l).filter((p) => partKey(p.of) === key).length;
    const some = left.filter((l) => gives(l) > 0);
    const fresh = some.filter((l) => l.pin === undefined);
    // When all else is sawn, what is left is for these.
    const on = fresh.length > 0 ? fresh : some.reduce((n, l) => n + gives(l), 0) <= pieces ? some : [];
    const gone = result.missing.find((m) => partKey(m.blank.of) === key);
    const short = Math.min(pieces, gone ? (gone.short ?? gone.blank.quantity) : 0);
    const from = [...new Set(on.map((l) => boardText(result.request.stock[l.stock]!, units)))].join("; ");
    return [...(pieces > short && from ? [{ name, pieces: pieces - short, from }] : []), ...(short > 0 ? [{ name, pieces: short }] : [])];
  });
} // prettier-ignore

/** Parts of a job by their keys, as they are called in it. */
function namedParts(worked: WorkedJob): Map<string, { of: PartId; name: string }> {
  const name = nameIn(worked.lines);
  return new Map(cutList(worked.lines).map((c) => [c.id, { of: c.of, name: name(c) }]));
}
