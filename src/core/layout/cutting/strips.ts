import { fill, fillLong, type Thing } from "./knapsack";
import { distinct, type Plan, type Variant } from "./plan";
import { given, type Item, type Section, type Strip } from "./problem";
import { fit } from "./reshape";

/**
 * The strips a clear stretch can be cut into, each filled as well as it can be by the duals of the pieces: the inner knapsack of
 * two-stage pricing (Gilmore and Gomory 1965).
 *
 * A board 100 long, kerf 0; A is 60 × 10 with a dual of 6, B is 40 × 10 with a dual of 3, C is 50 × 20 with a dual of 9. A strip 10
 * wide holds A and B: profit 9. One 20 wide holds two of C: profit 18; or, with a trim, A and B, which it does not take. So the
 * candidates are (10, 9) and (20, 18), and the outer knapsack across the board chooses how many of each.
 */

/** A strip that may be taken any number of times, and how it is filled (worked out only when taken). */
export interface Candidate {
  size: number;
  profit: number;
  fillings(): Section[];
}

/** So many of one piece along a strip. */
export const slices = (v: Variant, count: number): Section[] => [
  { size: v.along, count, items: [{ piece: v.piece, turned: v.turned, count: 1 }] },
];
/**
 * Every strip worth having, by the duals, of no more of a piece than is left. With `bound` sizes that are rounded are rounded down, so
 * that no strip there is has more profit.
 */
export function candidates(plan: Plan, duals: number[], left: number[], bound: boolean): Candidate[] {
  const { kerf, style } = plan;
  const room = plan.along.room(plan.roomAlong);
  const thing = (v: Variant): Thing => plan.along.thing(v.along, duals[v.piece]!, left[v.piece]!, bound);
  const blocks = plan.variants
    .filter((v) => v.alone && left[v.piece]! > 0)
    .map((v): Candidate => {
      const n = Math.min(left[v.piece]!, Math.floor((plan.roomAlong + kerf) / (v.along + kerf)));
      return { size: v.strip, profit: n * duals[v.piece]!, fillings: () => slices(v, n) };
    });
  const others = plan.variants.filter((v) => !v.alone && left[v.piece]! > 0 && duals[v.piece]! > 0);
  const open =
    style.stages === 3
      ? threeStage(plan, others, duals, left, bound)
      : groupsOf(plan, others).flatMap((group) => {
          const things = group.map(thing);
          const widest = group.at(-1)?.strip;
          if (group.ends.size === 1 && isLong(things, room) && widest !== undefined && group.ends.has(widest)) {
            const { profit, counts, states } = fillLong(things, room);
            plan.meter.spent += states * STATE;
            return [{ size: widest, profit, fillings: () => counts.flatMap((n, i) => (n > 0 ? slices(group[i]!, n) : [])) }]; // prettier-ignore
          }
          plan.meter.spent += room * things.length;
          const filled = fill(things, room);
          // The widest of its pieces says how wide a strip is; with a trim narrower ones may lie in it.
          return group.flatMap((v, k): Candidate[] =>
            group[k + 1]?.strip === v.strip || !group.ends.has(v.strip)
              ? []
              : [
                  {
                    size: v.strip,
                    profit: filled.profit(k),
                    fillings: () => filled.counts(k).flatMap((n, i) => (n > 0 ? slices(group[i]!, n) : [])),
                  },
                ],
          );
        });
  return [...blocks, ...open];
}

/** More cells than this, where sizes do not share them, are not gone through one by one. */
const LONG = 20_000;
/** A filling that is kept takes as long as so many cells. */
const STATE = 20;
const isLong = (things: Thing[], room: number) => room > LONG && things.every((t) => !t.back);

/** Which pieces may share a strip, narrowest first, and the widths their knapsack answers for. */
export function groupsOf(plan: Plan, all: Variant[]): (Variant[] & { ends: Set<number> })[] {
  const { hold, style } = plan;
  const group = (vs: Variant[], ends: number[]) => Object.assign([...vs], { ends: new Set(ends) });
  if (!style.trim)
    return plan.sizes.map((a) =>
      group(
        all.filter((v) => v.strip === a),
        [a],
      ),
    );
  // A piece too short to hold cannot be trimmed by a rip: its strip is as wide as it is.
  const short = plan.order === "rip" && hold > 0 ? distinct(all.filter((v) => v.along < hold).map((v) => v.strip)) : [];
  if (short.length === 0) return [group(all, plan.sizes)];
  const long = all.filter((v) => v.along >= hold);
  return [
    group(
      long,
      distinct(long.map((v) => v.strip)).filter((a) => !short.includes(a)),
    ),
    ...short.map((a) =>
      group(
        all.filter((v) => v.strip <= a && (v.strip === a || v.along >= hold)),
        [a],
      ),
    ),
  ];
}

/** Strips whose sections are stacked across first: one knapsack more. */
function threeStage(plan: Plan, others: Variant[], duals: number[], left: number[], bound: boolean): Candidate[] {
  const room = plan.across.room(plan.roomAcross);
  plan.meter.spent += plan.along.room(plan.roomAlong) * others.length;
  const stack = [...others].sort((a, b) => a.along - b.along || a.across - b.across);
  // rows[s][c]: the most profit of a section as long as the s-th length, with c cells across it.
  const rows: Float64Array[] = [];
  const lasts: number[] = [];
  const stacked = fill(
    stack.map((v) => plan.across.thing(v.across, duals[v.piece]!, left[v.piece]!, bound)),
    room,
    (k, values) => {
      if (stack[k + 1]?.along === stack[k]!.along) return;
      rows.push(values.slice());
      lasts.push(k);
    },
  );
  const alongs = distinct(others.map((v) => v.along));
  return distinct(others.map((v) => v.strip)).map((size) => {
    const within = plan.across.room(size);
    const filled = fill(
      alongs.map((a, s) => plan.along.thing(a, rows[s]![within]!, Infinity, bound)),
      plan.along.room(plan.roomAlong),
    );
    const last = alongs.length - 1;
    return {
      size,
      profit: filled.profit(last),
      fillings: () =>
        filled.counts(last).flatMap((count, s): Section[] => {
          if (count === 0) return [];
          const items = stacked.counts(lasts[s]!, within).flatMap((n, i): Item[] => {
            const v = stack[i]!;
            return n > 0 ? [{ piece: v.piece, turned: v.turned, count: n }] : [];
          });
          return items.length > 0 ? [{ size: alongs[s]!, count, items }] : [];
        }),
    };
  });
}

/** The set of strips with most profit across a stretch: the outer knapsack. */
export function setOfStrips(plan: Plan, all: Candidate[], bound: boolean, roomAcross: number) {
  const room = plan.across.room(roomAcross);
  const filled = fill(
    all.map((c) => plan.across.thing(c.size, c.profit, Infinity, bound)),
    room,
  );
  return { profit: filled.profit(all.length - 1), counts: () => filled.counts(all.length - 1) };
}

/** No set of strips of no more than is left brings more. */
export const mostOf = (plan: Plan, duals: number[], left: number[]): number =>
  setOfStrips(plan, candidates(plan, duals, left, false), false, plan.roomAcross).profit;

/** Strips of one order, one after another, out of what is left; takes them from `rest`. */
export function fitInto(plan: Plan, duals: number[], rest: number[], within = plan.roomAcross): Strip[] {
  const { kerf, pieces } = plan;
  const strips: Strip[] = [];
  let room = within;
  while (plan.variants.some((v) => v.strip <= room && rest[v.piece]! > 0)) {
    const all = candidates(plan, duals, rest, false).filter((c) => c.size <= room && c.profit > 0);
    if (all.length === 0) break;
    const counts = setOfStrips(plan, all, false, room).counts();
    // Those that bring most for their width first, as long as what is left fills them as it should.
    const dense = (k: number) => all[k]!.profit / all[k]!.size;
    const chosen = counts.flatMap((n, k) => (n > 0 ? [k] : [])).sort((a, b) => dense(b) - dense(a));
    if (chosen.length === 0) break;
    for (const k of chosen) {
      const full = all[k]!.fillings();
      const sections = fit(full, rest);
      const one = given([{ strips: [{ size: 0, count: 1, sections }] }], pieces.length);
      const whole =
        k === chosen[0] || (sections.length === full.length && sections.every((x, i) => x.count === full[i]!.count));
      if (!whole) break;
      const times = Math.min(counts[k]!, ...one.flatMap((n, i) => (n > 0 ? [Math.floor(rest[i]! / n)] : [])));
      one.forEach((n, i) => (rest[i]! -= n * times));
      strips.push({ size: all[k]!.size, count: times, sections });
      room -= times * (all[k]!.size + kerf);
      if (times < counts[k]!) break;
    }
  }
  return strips;
}
