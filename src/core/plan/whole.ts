import type { Block, WholeAsk } from "./block";
import { asItStands, dayFrom } from "./begun";
import { chanceOf } from "./chance";
import type { Timetable, Worth } from "./generate";
import { Hands } from "./hands";
import { construct, type Found, improve, LOTS } from "./search";
import { type Instance, instanceOf, type Lots } from "./tasks";

/** Where a job comes out. */
export interface JobPlanned {
  job: number;
  ready: number;
  due: number | null;
  /** Minutes late. */
  late: number;
  /** Alone in the shop it could not be ready earlier. */
  bound: number;
}

/** A plan of all that is open; clock minutes. */
export interface WholePlan {
  /** When it was made for: nothing it moves begins earlier. */
  now: number;
  blocks: Block[];
  jobs: JobPlanned[];
  finish: number;
  /** No plan ends earlier, and what holds it; nor is any less late in all. */
  bound: number;
  boundBy: string;
  lateBound: number;
  setUps: number;
  lots: Lots;
}

/** Of the best sizes of lot so many are gone on with, each for so many tries, before the best of them is. */
const [GONE_ON, TRIES] = [3, 60];

/**
 * The best plan found of all jobs together: due days kept, then the finish, then few set-ups, then early. `going` is asked how long, `hear`
 * is told of each that is better; chance comes from a seed. What was made stands where an earlier plan had it.
 */
export function planWhole(
  ask: WholeAsk,
  seed: number,
  going: () => boolean,
  hear: (f: Worth) => void = () => {},
  was: Block[] = [],
): WholePlan {
  // prettier-ignore
  const hands = new Hands(ask.shop, dayFrom(ask.now, was));
  // Only what was counted is known to have begun: of the rest all is planned.
  const counted = was.filter((b) => ask.made?.[b.job]);
  const built = construct(
    LOTS.map((lots) => asItStands(instanceOf(ask.jobs, ask.shop, hands, ask.now, lots), ask, counted)),
    undefined,
    undefined,
    going,
  );
  hear(built[0]!.worth);
  return planOfFound(improved(built, seed, going, hear));
}

/** The best of several that were constructed, gone on with. */
export function improved(
  built: ReturnType<typeof construct>,
  seed: number,
  going: () => boolean,
  hear: (f: Worth) => void,
): Found {
  // prettier-ignore
  const random = chanceOf(seed);
  const tried = built.slice(0, GONE_ON).map((from) => {
    let left = TRIES;
    return { from, to: improve(from, random, () => left-- > 0 && going(), () => {}) }; // prettier-ignore
  });
  const { from, to } = tried.toSorted((a, b) => worse(a.to, b.to))[0]!;
  hear(to.worth);
  return improve({ ...to, order: { rank: Float64Array.from(to.table.start), hold: from.order.hold } }, random, going, (f) => hear(f.worth)); // prettier-ignore
}

const worse = (a: Found, b: Found): number => a.worth.late - b.worth.late || a.worth.finish - b.worth.finish;

/** What was found as it is kept. */
export function planOfFound({ instance, table, worth, bound }: Found): WholePlan {
  return {
    now: instance.now,
    blocks: blocksOf(instance, table),
    jobs: instance.jobs.map(({ job, due }, i) => ({ job, ready: worth.ready[i]!, due, late: due === null ? 0 : Math.max(0, worth.ready[i]! - due), bound: bound.ready[i]! })), // prettier-ignore
    finish: worth.finish,
    bound: bound.finish,
    boundBy: bound.by,
    lateBound: bound.late,
    setUps: worth.setUps,
    lots: instance.lots,
  };
}

function blocksOf({ jobs, families, tasks, stations, begun }: Instance, table: Timetable): Block[] {
  return tasks
    .map(({ op, family, lot, pieces, all, minutes }, t): Block => {
      const { job, name, station, work, setUp } = families[family]!;
      const set = table.setUp[t] ? setUp : 0;
      return { job: jobs[job]!.job, op, name, lot, pieces, station: stations[station]!.name, unit: table.unit[t]!, who: table.who[t]!, startsAt: table.start[t]!, endsAt: table.end[t]!, minutes: (begun.has(t) ? all : minutes) + set, setUp: set, wait: work.wait }; // prettier-ignore
    })
    .toSorted((a, b) => a.startsAt - b.startsAt || a.endsAt - b.endsAt);
}
