import { boundOf, tailsOf } from "./bound";
import { DAY } from "./calendar";
import { asItStands, dayFrom, earlierOf } from "./begun";
import { compare, generate, type Order, type Timetable, type Worth, worthOf } from "./generate";
import { Hands } from "./hands";
import { fullestOf } from "./search";
import { type Instance, instanceOf, stretchOf } from "./tasks";
import type { WholeAsk } from "./block";
import { planOfFound, type WholePlan } from "./whole";

/** Lots of an operation that somebody put somewhere: they begin then or as soon after as they can, before whatever else could. */
export interface Put {
  job: number;
  name: string;
  /** The first of them among the operation's lots, and how many. */
  lot: number;
  lots: number;
  at: number;
}

/** Lots of an operation that moved together. */
export interface Moved {
  job: number;
  /** What the operation is known by, and the first of what moved. */
  name: string;
  op: string;
  lots: number;
  from: number;
  to: number;
}

/** A plan after something slipped, and what of the earlier one moved. */
export interface Replanned {
  plan: WholePlan;
  moved: Moved[];
  /** Lots that stay where they were, and lots that were not in the earlier plan. */
  stayed: number;
  added: number;
  /** Lots that are done by others than they were to be. */
  hands: number;
}

/**
 * The plan that moves least: what has begun stays, everything else stands where it stood and moves later only where what it needs is not
 * there any more; what is new goes where it hurts least (right-shift repair: Abumaizar and Svestka 1997, with the positions of what is
 * new tried one after another).
 */
export function replan(ask: WholeAsk, was: WholePlan, puts: Put[] = []): Replanned {
  const hands = new Hands(ask.shop, dayFrom(ask.now, was.blocks));
  const instance = asItStands(instanceOf(ask.jobs, ask.shop, hands, ask.now, was.lots), ask, was.blocks);
  const { begun } = instance;
  const earlier = earlierOf(instance, was.blocks);
  const stood = instance.tasks.map((_, t) => earlier[t]?.startsAt);
  const putAt = instance.tasks.map(({ family, lot }) => {
    const { job, name } = instance.families[family]!;
    return puts.find((p) => p.job === ask.jobs[job]!.job && p.name === name && lot >= p.lot && lot < p.lot + p.lots)
      ?.at;
  });
  const notBefore = Float64Array.from(instance.tasks, (_, t) => putAt[t] ?? stood[t] ?? 0);
  const fresh = instance.tasks.flatMap((_, t) => (stood[t] === undefined && putAt[t] === undefined ? [t] : []));
  const unit = Int16Array.from(instance.tasks, (_, t) => earlier[t]?.unit ?? 0);
  const who = instance.tasks.map((_, t) => earlier[t]?.who ?? []);
  let best: { table: Timetable; worth: Worth; shift: number } | undefined;
  // What the fullest station loses moves all that comes after it there: it may be served first by a day.
  const fullest = fullestOf(instance);
  const isFullest = (t: number) => instance.families[instance.tasks[t]!.family]!.station === fullest;
  const ways = placesOf(instance, fresh).flatMap((rankOfNew) => [0, DAY].map((first) => ({ rankOfNew, first })));
  for (const { rankOfNew, first } of ways) {
    const rank = Float64Array.from(instance.tasks, (_, t) => (putAt[t] !== undefined ? putAt[t]! - 1e6 : (stood[t] ?? rankOfNew(t)) - (isFullest(t) ? first : 0))); // prettier-ignore
    const order: Order = { rank, hold: 0, notBefore, was: { unit, who } };
    const table = generate(instance, order);
    const worth = worthOf(instance, table);
    const shift = stood.reduce<number>((n, s, t) => n + (s === undefined ? 0 : Math.abs(table.start[t]! - s)), 0);
    if (!best || (worth.late - best.worth.late || shift - best.shift || compare(worth, best.worth)) < 0) best = { table, worth, shift }; // prettier-ignore
  }
  const { table, worth } = best!;
  const moves = new Map<string, Moved>();
  let [stayed, others] = [0, 0];
  for (const [t, from] of stood.entries()) {
    if (from === undefined) continue;
    const to = table.start[t]!;
    if (!begun.has(t) && table.who[t]!.toSorted().join() !== who[t]!.toSorted().join()) others++;
    if (to === from || begun.has(t)) {
      stayed++;
      continue;
    }
    const { job, name } = instance.families[instance.tasks[t]!.family]!;
    const key = `${job} ${name}`;
    const m = moves.get(key) ?? { job: ask.jobs[job]!.job, name, op: instance.tasks[t]!.op, lots: 0, from, to };
    moves.set(key, { ...m, lots: m.lots + 1, from: Math.min(m.from, from), to: Math.min(m.to, to) });
  }
  return {
    plan: planOfFound({ instance, table, worth, bound: boundOf(instance) }),
    moved: [...moves.values()].toSorted((a, b) => a.from - b.from),
    stayed,
    added: fresh.length,
    hands: others,
  };
}

/** What is new: as urgent as anything, by when it has to begin, or after everything that stands. */
function placesOf(instance: Instance, fresh: number[]): ((t: number) => number)[] {
  if (fresh.length === 0) return [() => 0];
  const tail = tailsOf(instance);
  const span = instance.families.reduce((n, f) => n + f.minutes, 0) * stretchOf(instance);
  const due = (t: number) => instance.jobs[instance.families[instance.tasks[t]!.family]!.job]!.due ?? instance.now + span;
  return [(t) => instance.now - 1e7 - tail[t]!, (t) => due(t) - tail[t]!, (t) => due(t) + 1e7 - tail[t]!];
} // prettier-ignore
