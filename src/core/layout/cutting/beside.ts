import { fill } from "./knapsack";
import type { Plan } from "./plan";
import { given, type Offer, type Pattern, type Pricing, type Stretch, type Strip } from "./problem";
import { fit, folded, gathered, unfolded } from "./reshape";
import { fitInto, groupsOf, slices } from "./strips";

/**
 * Small pieces cut beside large ones that lie where they are.
 *
 * A board 100 × 24, kerf 0, has a strip of 20 that holds a lid of 60. It leaves 40 × 20 at the end of that strip and 100 × 4 beside it.
 * Slips of 30 × 3: one goes at the end and three beside, so as a stock of slips such a board gives four.
 */

/** Boards told apart by the large pieces on them, seen as stock whose clear stretches are what those leave open. */
export interface Beside extends Pricing {
  /** A board with its large pieces and what a pattern cuts beside them. */
  whole(beside: Pattern): Pattern;
}

/** What is open on such a board: the end of a strip, or the width beside all strips. */
interface Open {
  clear: number;
  plans: Plan[];
  strip?: Strip;
  /** Across, with a kerf for each strip. */
  taken: number;
}

/** Prices what goes beside the large pieces of each board, by the plans of its stock. It is filled place by place, so not always best. */
export function besidePricer(plans: Plan[][][], boards: Pattern[], spent: () => number): Beside {
  const bare = boards.map(unfolded);
  const open = bare.map((b) => openOf(plans[b.stock]!, b));
  const fitting = (stock: number, duals: number[], left: number[]): Offer | undefined => {
    const rest = [...left];
    const stretches = open[stock]!.flatMap(({ plans: orders, strip, taken }, clear): Stretch[] => {
      const made = orders.map((plan) => {
        const after = [...rest];
        const strips = strip ? endOf(plan, strip, duals, after) : fitInto(plan, duals, after, plan.roomAcross - taken);
        return { order: plan.order, strips, after, value: rest.reduce((sum, n, i) => sum + (n - after[i]!) * duals[i]!, 0) }; // prettier-ignore
      });
      const best = made.reduce((a, b) => (b.value > a.value ? b : a));
      rest.splice(0, rest.length, ...best.after);
      return best.strips.length > 0 ? [{ clear, order: best.order, strips: best.strips }] : [];
    });
    const gives = left.map((n, i) => n - rest[i]!);
    const value = gives.reduce((sum, n, i) => sum + n * duals[i]!, 0);
    return value > 0 ? { pattern: { stock, stretches, gives }, value } : undefined;
  };
  return {
    spent,
    fitting,
    best: (stock, duals, left) => {
      const offer = fitting(stock, duals, left);
      return { offers: offer ? [offer] : [], most: offer?.value ?? 0 };
    },
    whole: ({ stock, stretches }) => {
      const { stock: of, stretches: before, gives } = bare[stock]!;
      const beside = stretches.map((t) => ({ ...t, ...open[stock]![t.clear]! }));
      const all = plans[of]!.flatMap((_, clear): Stretch[] => {
        const cut = before.find((t) => t.clear === clear);
        const own = beside.filter((b) => b.clear === clear);
        const ends = (s: Strip) => own.flatMap((b) => (b.strip === s ? b.strips.flatMap((x) => x.sections) : []));
        const strips = [
          ...(cut?.strips ?? []).map((s) => ({ ...s, sections: gathered([...s.sections, ...ends(s)]) })),
          ...own.flatMap((b) => (b.strip ? [] : b.strips)),
        ];
        return strips.length > 0 ? [{ clear, order: (cut ?? own[0]!).order, strips: folded(strips) }] : [];
      });
      return { stock: of, stretches: all, gives: given(all, gives.length) };
    },
  };
}

/** The places a board leaves open, each cut the way its strips run; a clear stretch nothing lies on may be cut any way. */
function openOf(plans: Plan[][], { stretches }: Pattern): Open[] {
  return plans.flatMap((orders, clear): Open[] => {
    const cut = stretches.find((t) => t.clear === clear);
    if (!cut) return [{ clear, plans: orders, taken: 0 }];
    const own = orders.filter((p) => p.order === cut.order);
    const taken = cut.strips.reduce((n, s) => n + s.size + own[0]!.kerf, 0);
    return [...cut.strips.map((strip) => ({ clear, plans: own, strip, taken: 0 })), { clear, plans: own, taken }];
  });
}

/** A strip of what has room at the end of another and may lie in it; takes it from `rest`. */
function endOf(plan: Plan, { size, sections: before }: Strip, duals: number[], rest: number[]): Strip[] {
  const { kerf, meter } = plan;
  const group = groupsOf(
    plan,
    plan.variants.filter((v) => !v.alone),
  ).find((g) => g.ends.has(size));
  const within = (group ?? []).filter((v) => v.strip <= size && rest[v.piece]! > 0 && duals[v.piece]! > 0);
  const room = plan.roomAlong - before.reduce((n, x) => n + x.count * (x.size + kerf), 0);
  if (within.length === 0 || room <= 0) return [];
  const things = within.map((v) => plan.along.thing(v.along, duals[v.piece]!, rest[v.piece]!, false));
  meter.spent += plan.along.room(room) * things.length;
  const full = fill(things, plan.along.room(room))
    .counts(things.length - 1)
    .flatMap((n, k) => (n > 0 ? slices(within[k]!, n) : []));
  // One piece may lie both ways.
  const sections = fit(full, rest);
  given([{ strips: [{ size, count: 1, sections }] }], rest.length).forEach((n, i) => (rest[i]! -= n));
  return sections.length > 0 ? [{ size, count: 1, sections }] : [];
}
