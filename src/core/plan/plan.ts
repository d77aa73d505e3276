import type { WorkedJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import { toMm } from "@/core/length/format";
import { partKey } from "@/core/line/line";
import type { Operation } from "@/core/work/operation";
import { operations } from "@/core/work/operations";
import { clockText, DAY, dayStart } from "./calendar";
import { Hands } from "./hands";
import { construct, LOTS } from "./search";
import { type Instance, instanceOf } from "./tasks";

/** A lot of an operation with its place in the calendar; clock minutes, local. Its pieces, and what it makes, joins and takes, are the lot's. */
export interface Planned extends Operation {
  /** The operation it is a lot of. */
  whole: string;
  startsAt: number;
  endsAt: number;
  /** Who does it, by their places among those who work here. */
  who: number[];
}

export interface Plan {
  operations: Planned[];
  /** When the last piece is done and dry. */
  finish: number;
  /** No plan in these hours with these people can finish earlier, and what holds it. */
  bound: number;
  boundBy: string;
  due?: string;
  late: boolean;
}

/** A job without a start date cannot be planned. */
export class PlanError extends Error {
  override name = "PlanError";
}

/** A job alone is planned while somebody types: so many sizes of lot, rules and ways to hold a set-up are tried. */
const [SIZES, RULES, WAYS] = [3, 2, [0, 4 * 60]];

/** The end of a day that something is due, clock minutes. */
export const dueEnd = (due: string | undefined): number | null => (due ? dayStart(due) + DAY : null);

/** Plans a job alone from its start date. @throws PlanError when it has none. */
export function planOf(worked: WorkedJob, layout: LayoutResult): Plan {
  const { start, due, workshop } = worked.job;
  if (!start) throw new PlanError('start: missing; a plan needs the day work starts, like "2027-02-08"');
  const work = operations(worked, layout);
  const hands = new Hands(workshop, start);
  const jobs = [{ job: 0, from: dayStart(start), due: dueEnd(due), work }];
  const sizes = LOTS.slice(0, SIZES).map((lots) => instanceOf(jobs, workshop, hands, dayStart(start), lots));
  const { instance, table, worth, bound } = construct(sizes, WAYS, RULES)[0]!;
  const byId = new Map(work.map((o) => [o.id, o]));
  const lots = lotsOf(instance);
  const planned = lots.map(({ id, after, place, of }, t): Planned => {
    const task = instance.tasks[t]!;
    const whole = byId.get(task.op)!;
    const setup = table.setUp[t] ? whole.setup : instance.families[task.family]!.key >= 0 || place > 1 ? 0 : whole.setup;
    return {
      ...part(whole, ...task.pieces),
      id,
      whole: whole.id,
      after,
      setup,
      minutes: task.minutes + (instance.families[task.family]!.key >= 0 ? setup : 0),
      ...(of > 1 ? { lot: `lot ${place} of ${of}` } : {}),
      startsAt: table.start[t]!,
      endsAt: table.end[t]!,
      who: table.who[t]!,
    };
  });
  return {
    operations: planned.toSorted((a, b) => a.startsAt - b.startsAt || a.endsAt - b.endsAt),
    finish: worth.finish,
    bound: bound.finish,
    boundBy: bound.by,
    due,
    late: worth.late > 0,
  };
} // prettier-ignore

/** What each task of one job is called on paper: its operation where that is one lot, otherwise the operation and which lot of how many. */
function lotsOf({ tasks, families }: Instance): { id: string; after: string[]; place: number; of: number }[] {
  const own = families.map((f) => f.tasks.map((t) => tasks[t]!.op));
  const named = tasks.map(({ op, family, lot }) => {
    const of = own[family]!.filter((o) => o === op).length;
    const place = of > 1 ? lot - own[family]!.indexOf(op) + 1 : 1;
    return { id: of > 1 ? `${op}/${place}` : op, place, of };
  });
  return named.map((n, t) => ({ ...n, after: tasks[t]!.after.map((a) => named[a]!.id) }));
}

/** The pieces of an operation from one number up to another, with their part of all it makes, joins and takes. */
function part(o: Operation, from: number, to: number): Operation {
  if (o.pieces === 0 || (from === 0 && to === o.pieces)) return o;
  const upTo = (n: number, of: number) => Math.ceil((n * of) / o.pieces - 1e-9);
  const share = <T extends { pieces: number }>(list: T[]) =>
    list.map((x) => ({ ...x, pieces: upTo(to, x.pieces) - upTo(from, x.pieces) })).filter((x) => x.pieces > 0);
  return {
    ...o,
    pieces: to - from,
    makes: share(o.makes),
    joins: share(o.joins),
    uses: o.uses.map((u) => ({ ...u, quantity: (u.quantity * (to - from)) / o.pieces })),
  };
}

/** The plan as the contract's document; times ISO 8601, local. */
export function planDocument(plan: Plan) {
  return {
    operations: plan.operations.map((o) => ({
      id: o.id,
      name: o.name,
      station: o.station,
      lot: o.lot,
      of: o.of,
      pieces: o.pieces,
      minutes: o.minutes,
      people: o.people,
      start: clockText(o.startsAt),
      end: clockText(o.endsAt),
      after: o.after,
      makes: o.makes.map((m) => ({ ...m, part: partKey(m.part) })),
      joins: o.joins.map((j) => ({ ...j, part: partKey(j.part) })),
      // To a thousandth: sums of areas are no counts.
      uses: o.uses.map(({ what, quantity, unit }) => ({ what, quantity: Math.round(quantity * 1000) / 1000, unit })),
      settings: o.settings.map((s) => (s.kind === "angle" ? s : { kind: s.kind, valueMm: toMm(s.value) })),
      how: o.how,
      ...(o.measure.length > 0 ? { measure: o.measure.map((m) => ({ ...m, part: partKey(m.part) })) } : {}),
      ...(o.check ? { check: o.check } : {}),
      ...(o.caution ? { caution: o.caution } : {}),
    })),
    finish: clockText(plan.finish),
    bound: clockText(plan.bound),
    due: plan.due ?? null,
    late: plan.late,
  };
}
