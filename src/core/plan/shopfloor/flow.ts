import type { Chain, Shop } from "./shop";

/** The minutes of each job at each machine, where the shop is a flow shop: every job takes the same machines in the same order, and nothing else holds it up. */
export function flowOf(shop: Shop, chains: Chain[]): number[][] | undefined {
  const route = shop.jobs[0]?.steps.map((s) => s.station) ?? [];
  const isFlow =
    shop.people === null && shop.aim === "finish" && new Set(route).size === route.length && shop.counts.every((n) => n === 1) &&
    shop.jobs.every((j) => j.release === 0 && j.steps.length === route.length && j.steps.every((s, i) => s.station === route[i] && s.wait === 0 && (s.key < 0 || s.setUp === 0))); // prettier-ignore
  return isFlow ? chains.map((c) => c.tasks.map((t) => t.minutes)) : undefined;
}

/** When a permutation of jobs is through all machines. */
function makespan(minutes: number[][], order: number[]): number {
  const done = minutes[0]!.map(() => 0);
  for (const job of order)
    for (let m = 0; m < done.length; m++) done[m] = Math.max(done[m]!, m > 0 ? done[m - 1]! : 0) + minutes[job]![m]!;
  return done.at(-1)!;
}

/** Puts a job where it lengthens the permutation least. */
function insertBest(minutes: number[][], order: number[], job: number): number {
  let [best, place] = [Infinity, 0];
  for (let at = 0; at <= order.length; at++) {
    order.splice(at, 0, job);
    const span = makespan(minutes, order);
    order.splice(at, 1);
    if (span < best) [best, place] = [span, at];
  }
  order.splice(place, 0, job);
  return best;
}

/** Jobs a round takes out of the permutation, and how ready it is to go on from a worse one (Ruiz and Stützle 2007). */
const TAKEN_OUT = 4;
const TEMPERATURE = 0.4;

/** The best permutation found by NEH and iterated greedy; all machines in the same order. */
export function iteratedGreedy(
  minutes: number[][],
  random: () => number,
  going: () => boolean,
  target: number,
): number[] {
  // prettier-ignore
  const total = minutes.map((m) => m.reduce((s, n) => s + n, 0));
  let now: number[] = [];
  for (const job of minutes.map((_, i) => i).sort((a, b) => total[b]! - total[a]!)) insertBest(minutes, now, job);
  let span = makespan(minutes, now);
  let [best, least] = [[...now], span];
  const warm = (TEMPERATURE * total.reduce((s, n) => s + n, 0)) / (total.length * minutes[0]!.length * 10);
  while (least > target && going()) {
    const next = [...now];
    const out = Array.from({ length: Math.min(TAKEN_OUT, next.length - 1) }, () => next.splice(Math.floor(random() * next.length), 1)[0]!); // prettier-ignore
    for (const job of out) insertBest(minutes, next, job);
    const found = makespan(minutes, next);
    if (found < least) [best, least] = [[...next], found];
    if (found <= span || random() < Math.exp((span - found) / warm)) [now, span] = [next, found];
  }
  return best;
}
