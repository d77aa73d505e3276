import type { Order } from "@/core/boards/laid";
import { fill, nearBest } from "./knapsack";
import type { Plan, Variant } from "./plan";
import { given, type Pattern, type Section, type Strip } from "./problem";
import { groupsOf, mostOf, slices } from "./strips";

/**
 * All patterns of a stock whose value comes near the highest: those a cutting cheap enough can be made of.
 *
 * A board of price 10 whose best pattern has a value of 10, and a target 1 above the bound: a pattern in such a cutting has a
 * reduced cost of at most 1, so a value of at least 9. Every set of strips that loses no more than 1 against the best is walked,
 * each strip by its fillings that lose no more.
 */

/** What a pattern gives and its value; the pattern itself is made when it is wanted. */
export interface Near {
  stock: number;
  gives: number[];
  value: number;
  /** What pieces told together bring at the most, which it does not name: of the value, and by each further weighting. */
  beside: number[];
  pattern(): Pattern;
}

/** More fillings of strips than this are not gone through. */
const MOST_STRIPS = 4000;
/** Nor tables of more cells, 8 bytes each, kept while one kind of strip is walked. */
const MOST_CELLS = 4e7;

/** One clear stretch cut in one order. */
interface NearStretch {
  value: number;
  beside: number[];
  gives: number[];
  order: Order;
  strips(): Strip[];
}

/** A pattern with one more of its stretches cut; one that gives nothing stays whole. */
function joined(pattern: Pattern, clear: number, { order, strips, gives }: NearStretch): Pattern {
  if (!gives.some((g) => g > 0)) return pattern;
  return {
    ...pattern,
    stretches: [...pattern.stretches, { clear, order, strips: strips() }],
    gives: pattern.gives.map((g, i) => g + gives[i]!),
  };
}

/** What is priced: duals and quantities left of the pieces, those that count, and how many patterns are too many. */
export interface Wanted {
  duals: number[];
  left: number[];
  among: boolean[];
  limit: number;
  /** Pieces that are not told apart, and what else they are weighed by beside their duals. */
  together?: boolean[];
  weighed?: number[][];
}

/** Every pattern of value `least` or more to which nothing can be added; undefined when there are more than the limit. */
export function allNear(stock: number, plans: Plan[][], wanted: Wanted, least: number): Near[] | undefined {
  const { duals, left, limit, weighed = [] } = wanted;
  const pieces = plans.flat()[0]?.pieces;
  if (!pieces) return [];
  const mosts = plans.map((orders) => orders.map((plan) => mostOf(plan, duals, left)));
  const most = mosts.map((ns) => Math.max(0, ...ns));
  const spare = sum(most) - least;
  if (spare < 0) return [];
  let found: Near[] = [{ stock, value: 0, beside: [duals, ...weighed].map(() => 0), gives: pieces.map(() => 0), pattern: () => ({ stock, stretches: [], gives: pieces.map(() => 0) }) }]; // prettier-ignore
  for (const [clear, orders] of plans.entries()) {
    const own = new Kept<NearStretch>();
    for (const [k, plan] of orders.entries()) {
      const open = most[clear]! - spare;
      const all = mosts[clear]![k]! < open ? [] : nearOf(plan, mosts[clear]![k]!, open, wanted); // prettier-ignore
      if (!all) return undefined;
      for (const n of all) own.add(n);
    }
    // What the stretches after it bring at most.
    const after = sum(most.slice(clear + 1));
    const both = new Kept<Near>();
    for (const before of found)
      for (const n of own.all) {
        if (before.value + n.value + after < least) continue;
        const gives = before.gives.map((g, i) => g + n.gives[i]!);
        if (both.count > limit) return undefined;
        both.add({ stock, gives, value: before.value + n.value, beside: plus(before.beside, n.beside), pattern: () => joined(before.pattern(), clear, n) }); // prettier-ignore
      }
    found = both.all;
  }
  return found.filter((n) => n.beside.some((b) => b > 0) || n.gives.some((g) => g > 0));
}

const plus = (a: number[], b: number[]) => a.map((n, k) => n + b[k]!);

/** Of those that give the same only what another does not beat beside, by any weighting. */
class Kept<N extends { gives: number[]; beside: number[] }> {
  private readonly byGives = new Map<string, N[]>();
  count = 0;
  add(one: N): void {
    const key = one.gives.join();
    const known = this.byGives.get(key) ?? [];
    const beats = (a: N, b: N) => a.beside.every((n, k) => n >= b.beside[k]!);
    if (known.some((k) => beats(k, one))) return;
    const kept = [...known.filter((k) => !beats(one, k)), one];
    this.count += kept.length - known.length;
    this.byGives.set(key, kept);
  }
  get all(): N[] {
    return [...this.byGives.values()].flat();
  }
}

/** Ways of a stock that give more of something than any other that gives as much of the rest. */
export function undominated<W extends { stock: number; of: number[] }>(all: W[]): W[] {
  const sized = all.map((w) => ({ w, size: w.of.reduce((a, b) => a + b, 0) })).sort((a, b) => b.size - a.size);
  const out: W[] = [];
  for (const { w } of sized)
    if (!out.some((o) => o.stock === w.stock && w.of.every((g, i) => g <= o.of[i]!))) out.push(w);
  return out;
}

/** The sets of strips of one clear stretch, cut in one order, that are worth at least so much. */
function nearOf(
  plan: Plan,
  most: number,
  least: number,
  { duals, left, among, limit, together, weighed = [] }: Wanted,
): NearStretch[] | undefined {
  const { kerf, pieces } = plan;
  const spare = most - least;
  const room = plan.across.room(plan.roomAcross);
  const open = plan.variants.filter((v) => among[v.piece] && left[v.piece]! > 0);
  const strips: {
    size: number;
    profit: number;
    beside: number[];
    loss: number;
    sections: Section[];
    gives: number[];
  }[] = [];
  // Strips of nothing but pieces told together.
  const others: { size: number; profits: number[] }[] = [];
  const weights = [duals, ...weighed];
  const isTogether = (v: Variant) => together?.[v.piece] === true;
  const add = (size: number, at: number, sections: Section[], beside = weights.map(() => 0)) => {
    const gives = given([{ strips: [{ size, count: 1, sections }] }], pieces.length);
    const profit = gives.reduce((sum, n, i) => sum + n * duals[i]!, 0) + beside[0]!;
    strips.push({ size, profit, beside, loss: at - profit, sections, gives });
  };
  for (const v of open.filter((o) => o.alone)) {
    const n = Math.min(left[v.piece]!, Math.floor((plan.roomAlong + kerf) / (v.along + kerf)));
    if (isTogether(v)) others.push({ size: v.strip, profits: weights.map((w) => n * w[v.piece]!) });
    else add(v.strip, n * duals[v.piece]!, slices(v, n));
  }
  for (const group of groupsOf(
    plan,
    open.filter((v) => !v.alone),
  ))
    // prettier-ignore
    for (const size of group.ends) {
      const within = group.filter((v) => v.strip <= size).sort((a, b) => Number(isTogether(b)) - Number(isTogether(a)));
      const first = within.filter(isTogether).length;
      const things = within.map((v) => plan.along.thing(v.along, duals[v.piece]!, left[v.piece]!, false));
      const along = plan.along.room(plan.roomAlong);
      if (things.length * along > MOST_CELLS) return undefined;
      const filled = fill(things, along);
      const top = filled.profit(things.length - 1);
      const own = weighed.map((w) => within.slice(0, first).map((v) => w[v.piece]!));
      const mostOf = (profits: number[]) => fill(profits.map((profit, k) => ({ ...things[k]!, profit })), along).profit(first - 1); // prettier-ignore
      if (first > 0) others.push({ size, profits: [filled.profit(first - 1), ...own.map(mostOf)] });
      const all = nearBest(things, along, top - spare, limit, first, own);
      if (!all) return undefined;
      for (const { taken, beside } of all) {
        // Without a piece that wants its width it is a narrower strip.
        if (taken.length === 0 || ![...taken, ...Array(first).keys()].some((k) => within[k]!.strip === size)) continue;
        const counts = within.map((_, k) => taken.filter((t) => t === k).length);
        add(size, top, counts.flatMap((n, k) => (n > 0 ? slices(within[k]!, n) : [])), beside); // prettier-ignore
      }
    }
  if (strips.length > MOST_STRIPS) return undefined;
  // Those that lose nothing come last, and so are taken first: the others then end early.
  strips.sort((a, b) => b.loss - a.loss);
  const things = [...others.map((o) => ({ ...o, profit: o.profits[0]! })), ...strips].map((s) =>
    plan.across.thing(s.size, s.profit, Infinity, false),
  );
  const beside = weighed.map((_, k) => others.map((o) => o.profits[k + 1]!));
  return nearBest(things, room, least, limit, others.length, beside)?.map((filling): NearStretch => {
    const taken = filling.taken.map((k) => k - others.length);
    const counts = new Map<number, number>();
    for (const k of taken) counts.set(k, (counts.get(k) ?? 0) + 1);
    return {
      value: filling.profit + filling.beside[0]!,
      beside: taken.reduce((sum, k) => plus(sum, strips[k]!.beside), filling.beside),
      gives: pieces.map((_, i) => taken.reduce((sum, k) => sum + strips[k]!.gives[i]!, 0)),
      order: plan.order,
      strips: () => [...counts].map(([k, count]) => ({ size: strips[k]!.size, count, sections: strips[k]!.sections })),
    };
  });
}

const sum = (ns: number[]) => ns.reduce((a, b) => a + b, 0);
