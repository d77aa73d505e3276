import { type Bound, boundOf, tailsOf } from "./bound";
import { compare, generate, type Order, type Timetable, type Worth, worthOf } from "./generate";
import { type Instance, type Lots, stretchOf, sublotsOf } from "./tasks";
import { DAY } from "./calendar";

/** A plan that was found, and how good it is. */
export interface Found {
  instance: Instance;
  table: Timetable;
  worth: Worth;
  bound: Bound;
}

/** How far behind another a task may be and still be taken because its set-up stands: not at all, half a day, always. */
const HOLDS = [0, 4 * 60, 1e7];

/**
 * The lots a plan is tried in: everything at once, in parts of the job, and in sublots that grow from two hours of work. Where one person
 * saws and glues, lots no longer than the glue waits leave no clamp empty.
 */
export const LOTS: readonly Lots[] = [
  { first: 120, growth: 1, parts: 1, most: 240 },
  { first: 120, growth: 1, parts: 4, most: 60 },
  { first: 120, growth: 2, parts: 8, most: 60 },
  { first: 120, growth: 1, parts: 12, most: 30 },
  { first: 120, growth: 1, parts: 3, most: 30 },
  { first: 120, growth: 2, parts: 12, most: 120 },
  { first: 120, growth: 1, parts: 1, most: 60 },
];

/** What ranks are made of: when a job is due, or all could be done at the earliest, how much work it is, how much comes after a task. */
interface Ranked {
  instance: Instance;
  tail: Float64Array;
  due: (job: number) => number;
  /** Clock minutes of a job's work. */
  span: number[];
  /** Where its sublots end. */
  cuts: number[][];
}

function rankedOf(instance: Instance, bound: Bound): Ranked {
  const { jobs, families } = instance;
  const stretch = stretchOf(instance);
  const span = jobs.map((_, j) => families.reduce((n, f) => n + (f.job === j ? f.minutes : 0), 0) * stretch);
  return { instance, tail: tailsOf(instance), due: (j) => Math.min(jobs[j]!.due ?? Infinity, bound.finish), span, cuts: sublotsOf(jobs, instance.lots) }; // prettier-ignore
}

/** Whether what has more after it goes first within a sublot, or what is nearer to its end. */
type Flow = 1 | -1;

/** A task's rank: by when its sublot has to be begun for the job to be in time. */
function rankIn({ instance: { families, tasks }, cuts, tail, due, span }: Ranked, t: number, flow: Flow): number {
  const { family, from } = tasks[t]!;
  const { job, pieces } = families[family]!;
  const part = from / Math.max(1, pieces);
  const begun = cuts[job]!.findLast((c) => c <= part + 1e-9) ?? 0;
  return due(job) - span[job]! * (1 - begun) - (flow * tail[t]!) / 100;
}

/** The dispatching rules a search begins with: sublot by sublot either way, and what has the longest rest. */
export function ranksOf(instance: Instance, bound: Bound): Float64Array[] {
  const ranked = rankedOf(instance, bound);
  const fullest = fullestOf(instance);
  const after = afterOf(instance, fullest);
  const rank = (of: (t: number) => number) => Float64Array.from(instance.tasks, (_, t) => of(t));
  const rules = [
    rank((t) => rankIn(ranked, t, 1)),
    rank((t) => rankIn(ranked, t, -1)),
    rank((t) => ranked.due(instance.families[instance.tasks[t]!.family]!.job) - ranked.tail[t]!),
    rank((t) => -ranked.tail[t]!),
    rank((t) => inTurn(ranked, after, t, 1)),
    rank((t) => inTurn(ranked, after, t, -1)),
  ];
  // What the fullest station stands idle is lost: it is given work before any other.
  return rules.flatMap((of) => [of, rank((t) => of[t]! - (instance.families[instance.tasks[t]!.family]!.station === fullest ? AHEAD : 0))]); // prettier-ignore
}

/** Job by job, as they have to leave the fullest station to be in time (Jackson's rule, with tails). */
function inTurn(
  { instance: { families, tasks }, cuts, tail, due }: Ranked,
  after: number[],
  t: number,
  flow: Flow,
): number {
  const { family, from } = tasks[t]!;
  const { job, pieces } = families[family]!;
  const begun = cuts[job]!.findLast((c) => c <= from / Math.max(1, pieces) + 1e-9) ?? 0;
  return due(job) - after[job]! + begun * 100 - (flow * tail[t]!) / 10_000;
}

/** How long a job still keeps its other stations when the fullest is done with it: the most it asks of one of them; clock minutes. */
function afterOf(instance: Instance, fullest: number): number[] {
  const { jobs, families, stations, tasks } = instance;
  const stretch = stretchOf(instance);
  return jobs.map((_, j) =>
    Math.max(
      0,
      ...stations.map(({ count, held }, s) => {
        if (s === fullest) return 0;
        const own = families.filter((f) => f.job === j && f.station === s);
        const waits = held ? own.reduce((n, f) => n + f.work.wait * f.tasks.length, 0) : Math.max(0, ...own.map((f) => f.work.wait)); // prettier-ignore
        const lots = own.flatMap((f) => f.tasks.map((t) => tasks[t]!.minutes));
        return (lots.reduce((a, b) => a + b, 0) * stretch) / count + (held ? (waits * stretch) / count : waits);
      }),
    ),
  );
}

/** Further ahead than anything is planned, minutes. */
const AHEAD = 1e7;

/** The station with the most work for each there is of it. */
export function fullestOf({ families, stations }: Instance): number {
  const load = stations.map(({ count }, s) => families.reduce((n, f) => n + (f.station === s ? f.minutes : 0), 0) / count); // prettier-ignore
  return load.indexOf(Math.max(...load));
}

/** A plan by a rule, and what it was made by. */
export type Constructed = Found & { order: Order };

/** Of the rules, those that did best with the first size of lot are tried with the others: so many. */
const BEST_RULES = 6;

/** The best of the dispatching rules over each size of lot, the best size first; `going` is asked how long. */
export function construct(instances: Instance[], holds = HOLDS, rules = 12, going = () => true): Constructed[] {
  let ways = Array.from({ length: rules }, (_, rule) => holds.map((hold) => ({ rule, hold }))).flat();
  const found: Constructed[] = [];
  for (const instance of instances) {
    if (found.length > 0 && !going()) break;
    const bound = boundOf(instance);
    const ranks = ranksOf(instance, bound);
    const tried: { way: (typeof ways)[0]; made: Constructed }[] = [];
    for (const way of ways) {
      if (tried.length > 0 && !going()) break;
      const order = { rank: ranks[way.rule]!, hold: way.hold };
      const table = generate(instance, order);
      tried.push({ way, made: { instance, table, worth: worthOf(instance, table), bound, order } });
    }
    tried.sort((a, b) => compare(a.made.worth, b.made.worth));
    ways = tried.slice(0, BEST_RULES).map((t) => t.way);
    found.push(tried[0]!.made);
  }
  return found.toSorted((a, b) => compare(a.worth, b.worth));
}

/**
 * Iterated local search over the ranks (Lourenço, Martin and Stützle 2003), from the best of the rules: the beginnings of the best plan
 * are its ranks, and some of them move, those of a job, of an operation or of a stretch of time.
 */
export function improve(from: Constructed, random: () => number, going: () => boolean, hear: (f: Found) => void): Found {
  const { instance, bound } = from;
  const { tasks, families, jobs } = instance;
  let best: Found = from;
  let [hold, rank] = [from.order.hold, Float64Array.from(from.table.start)];
  const isBest = () => best.worth.late <= bound.late && best.worth.finish <= bound.finish;
  const one = (n: number) => Math.floor(random() * n);
  const ranked = rankedOf(instance, bound);
  while (going() && !isBest() && tasks.length > 1) {
    const next = Float64Array.from(rank);
    const long = Math.max(DAY / 2, best.worth.finish - instance.now);
    const by = (random() < 0.6 ? -1 : 1) * random() ** 2 * long * 0.5;
    const kind = random();
    if (kind < 0.15) {
      const job = one(jobs.length);
      for (const f of families) if (f.job === job) for (const t of f.tasks) next[t]! += by;
    } else if (kind < 0.35) {
      const [job, flow] = [one(jobs.length), random() < 0.5 ? 1 : -1] as const;
      for (const f of families) if (f.job === job) for (const t of f.tasks) next[t] = rankIn(ranked, t, flow) + by;
    } else if (kind < 0.7) for (const t of families[one(families.length)]!.tasks) next[t]! += by;
    else if (kind < 0.9) {
      const at = best.table.start[one(tasks.length)]!;
      const wide = DAY * (0.5 + 3 * random());
      for (let t = 0; t < tasks.length; t++) if (Math.abs(next[t]! - at) < wide) next[t]! += (random() - 0.5) * wide;
    } else next[one(tasks.length)]! += by;
    const held = random() < 0.1 ? HOLDS[one(HOLDS.length)]! : hold;
    const table = generate(instance, { rank: next, hold: held });
    const worth = worthOf(instance, table);
    const better = compare(worth, best.worth);
    if (better < 0) {
      best = { instance, table, worth, bound };
      hear(best);
    }
    if (better <= 0) [rank, hold] = [next, held];
  }
  return best;
} // prettier-ignore
