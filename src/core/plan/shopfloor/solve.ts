import { chanceOf } from "../chance";
import { boundOf } from "./bounds";
import { branchAndBound } from "./branch";
import { Building, decode, worthOf } from "./decode";
import { flowOf, iteratedGreedy } from "./flow";
import { isPlain, tabuSearch } from "./tabu";
import { type Chain, chainsOf, EPS, type Placed, type Schedule, type Shop, type Task } from "./shop";

export interface Solved extends Schedule {
  chains: Chain[];
  /** Nothing aimed at can be less. */
  bound: number;
  proven: boolean;
}

/** So few tasks are gone through whole before anything is searched; a plain job shop of so many is proved afterwards where it can be. */
const FEW = 14;
const PLAIN = 50;
const NODES = 3_000_000;

/** The order of next tasks at each moment: several rules, the best of which is where the search begins. */
const RULES: ((p: Placed, task: Task, due: number) => number)[] = [
  (p, t) => p.start * 1000 - (t.minutes + t.tail),
  (p, t) => -(t.minutes + t.tail) + p.start / 1000,
  (p) => p.end,
  (p, _, due) => due + p.start / 1000,
  (p, t, due) => p.start * 10 + due - t.tail + p.setUp,
];

/**
 * The best schedule found: dispatching rules, then simulated annealing on the list of chains (permutation with repetition); flow shops by
 * iterated greedy, plain job shops by tabu search; few tasks, and small plain job shops, by branch and bound. `going` is asked how long; chance comes from a seed.
 */
export function solveShop(shop: Shop, seed: number, going: () => boolean): Solved {
  const chains = chainsOf(shop);
  const bound = boundOf(shop, chains);
  const random = chanceOf(seed);
  const tasks = chains.reduce((n, c) => n + c.tasks.length, 0);
  const isBest = (s: Schedule) => worthOf(shop, s) <= bound + EPS;
  const done = (s: Schedule, whole: boolean): Solved => {
    const proven = whole || isBest(s);
    return { ...s, chains, bound: proven ? worthOf(shop, s) : bound, proven };
  };
  let [list, best] = RULES.map((rule) => dispatched(shop, chains, rule)).reduce((a, b) => (worthOf(shop, b[1]) < worthOf(shop, a[1]) ? b : a)); // prettier-ignore
  if (isBest(best)) return done(best, false);
  if (tasks <= FEW) {
    const found = branchAndBound(shop, chains, best, NODES, going);
    if (found.whole) return done(found.best, true);
    best = found.best;
  }
  const flow = flowOf(shop, chains);
  if (flow) {
    const order = iteratedGreedy(flow, random, going, bound);
    const found = decode(
      shop,
      chains,
      flow[0]!.flatMap(() => order),
    );
    if (worthOf(shop, found) < worthOf(shop, best)) best = found;
    return done(best, false);
  }
  if (tasks > PLAIN && isPlain(shop, chains)) return done(sharpened(shop, chains, best, random, going, bound), false);
  // Half of the time to find a good one, half to prove it or to better it.
  let asked = 0;
  const found = anneal(shop, chains, list, best, random, () => going() && ++asked < tasks * 400, bound);
  [list, best] = [found.list, found.best];
  if (isBest(best)) return done(best, false);
  if (tasks <= PLAIN) {
    const proved = branchAndBound(shop, chains, best, NODES, going);
    if (proved.whole) return done(proved.best, true);
    best = proved.best;
  }
  while (going() && !isBest(best)) {
    asked = 0;
    const again = anneal(shop, chains, list, best, random, () => going() && ++asked < tasks * 1600, bound);
    if (worthOf(shop, again.best) < worthOf(shop, best) - EPS) [list, best] = [again.list, again.best];
  }
  return done(best, false);
}

/** A plain job shop's schedule bettered by tabu search from its machines' sequences. */
function sharpened(
  shop: Shop,
  chains: Chain[],
  from: Schedule,
  random: () => number,
  going: () => boolean,
  bound: number,
): Schedule {
  // prettier-ignore
  const place = new Map(chains.flatMap((c) => c.tasks).map((t, i) => [t, i]));
  const byStart = from.placed.toSorted((a, b) => a.start - b.start || a.end - b.end);
  const machines = shop.counts.map((_, m) =>
    byStart.filter((p) => p.task.station === m).map((p) => place.get(p.task)!),
  );
  const found = tabuSearch(chains, machines, random, going, bound);
  // In a list every task stands behind what is before it in its chain and on its machine.
  const left = found.map((m) => [...m]);
  const list: number[] = [];
  const at = chains.map(() => 0);
  while (list.length < place.size)
    for (const [m, tasks] of left.entries()) {
      const task = tasks[0] === undefined ? undefined : taskAt(chains, tasks[0]);
      if (!task || task.step !== at[task.chain]) continue;
      left[m]!.shift();
      at[task.chain]!++;
      list.push(task.chain);
    }
  const made = decode(shop, chains, list);
  return worthOf(shop, made) < worthOf(shop, from) ? made : from;
}

/** The task at a place in the row of all chains' tasks. */
function taskAt(chains: Chain[], place: number): Task {
  let left = place;
  for (const { tasks } of chains) {
    if (left < tasks.length) return tasks[left]!;
    left -= tasks.length;
  }
  throw new Error(`there is no task ${place}`);
}

/** One schedule by a rule: of all next tasks that which it says least of. */
function dispatched(shop: Shop, chains: Chain[], rule: (typeof RULES)[number]): [list: number[], schedule: Schedule] {
  const building = new Building(shop, chains);
  const list: number[] = [];
  for (;;) {
    const next = chains.flatMap((_, i) => building.at(i) ?? []);
    if (next.length === 0) break;
    let [best, least] = [undefined as Placed | undefined, Infinity];
    for (const t of next) {
      const p = building.best(t);
      const { due } = shop.jobs[chains[t.chain]!.job]!;
      const said = rule(p, t, due ?? 1e6);
      if (said < least) [best, least] = [p, said];
    }
    building.put(best!);
    list.push(best!.task.chain);
  }
  return [list, decode(shop, chains, list)];
}

/** Of the aim, in the beginning and at the end: how much worse a list may be and still be gone on from. */
const [WARM, COLD] = [0.02, 0.0004];

/** Simulated annealing on a list of chains: an entry is moved, or two change places. */
function anneal(
  shop: Shop,
  chains: Chain[],
  from: number[],
  start: Schedule,
  random: () => number,
  going: () => boolean,
  target: number,
): { list: number[]; best: Schedule } {
  let list = [...from];
  // A tie of the aim goes to what ends sooner.
  const cost = (s: Schedule) => worthOf(shop, s) + (shop.aim === "lateness" ? s.finish / 1e4 : 0);
  let now = cost(decode(shop, chains, list));
  let [bestList, best, least] = [list, start, cost(start)];
  const scale = Math.max(1, start.finish);
  const steps = list.length * 400;
  for (let n = 0; going() && worthOf(shop, best) > target + EPS; n++) {
    const heat = scale * WARM * (COLD / WARM) ** (Math.min(n, steps) / steps);
    const i = Math.floor(random() * list.length);
    const reach = 1 + Math.floor(random() * Math.min(list.length - 1, 4 + list.length / 6));
    const j = random() < 0.5 ? Math.max(0, i - reach) : Math.min(list.length - 1, i + reach);
    if (list[i] === list[j]) continue;
    const next = [...list];
    if (random() < 0.6) next.splice(j, 0, next.splice(i, 1)[0]!);
    else [next[i], next[j]] = [next[j]!, next[i]!];
    const made = decode(shop, chains, next);
    const found = cost(made);
    if (found < least - EPS) [bestList, best, least] = [next, made, found];
    if (found <= now || random() < Math.exp((now - found) / heat)) [list, now] = [next, found];
  }
  return { list: bestList, best };
}
