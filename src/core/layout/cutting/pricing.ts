import type { Order } from "@/core/boards/laid";
import { fill, nearBest, type Raster, rasterOf, type Thing } from "./knapsack";
import {
  type CuttingProblem,
  given,
  type Item,
  type Pattern,
  type Room,
  type Section,
  type Stretch,
  type Strip,
} from "./problem";

/** A pattern worth having, and what it gives at the worths asked. */
export interface Offer {
  pattern: Pattern;
  gives: number;
}

export interface Pricer {
  /** Cells filled so far: a measure of the work done that does not depend on the machine. */
  spent(): number;
  /** The best pattern of each order on a stock; `most`: no pattern of the style gives more. It may give more of a piece than is left. */
  best(stock: number, worth: number[], left: number[]): { offers: Offer[]; most: number };
  /** A full pattern that gives no more than is left, built strip by strip; undefined when nothing fits. */
  fitting(stock: number, worth: number[], left: number[]): Offer | undefined;
  /**
   * Every pattern of a stock that is worth at least so much and to which nothing can be added, told apart by what it
   * gives; of the pieces in `among`, and no others. Undefined when there are more than `limit`, or where they cannot all
   * be found: in three stages, around bad stretches, on rounded sizes.
   */
  near(
    stock: number,
    worth: number[],
    left: number[],
    least: number,
    among: boolean[],
    limit: number,
  ): Near[] | undefined;
}

/** What a pattern gives and is worth; the pattern itself is made when it is wanted. */
export interface Near {
  stock: number;
  gives: number[];
  worth: number;
  pattern(): Pattern;
}

/** More fillings of strips than this are not gone through. */
const MOST_STRIPS = 4000;

/** One clear stretch cut in one order. */
interface NearStretch {
  worth: number;
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

/** A piece lying one way, seen along the strips. */
interface Variant {
  piece: number;
  turned: boolean;
  along: number;
  across: number;
  /** Its strip holds nothing else. */
  alone: boolean;
}

/** One clear stretch cut in one order: its variants and rooms in cells. */
interface Plan {
  order: Order;
  variants: Variant[];
  /** Distinct sizes across, and along, ascending. */
  acrosses: number[];
  alongs: number[];
  along: Raster;
  across: Raster;
  roomAlong: number;
  roomAcross: number;
}

/** A strip that may be taken any number of times, and how it is filled (worked out only when taken). */
interface Candidate {
  size: number;
  worth: number;
  fillings(): Section[];
}

/**
 * Prices patterns exactly: the best filling of every strip width is a knapsack along it, the best set of strips a
 * knapsack across (Gilmore and Gomory 1965). For three stages a knapsack more, across each section of a strip.
 */
export function pricerOf(problem: CuttingProblem): Pricer {
  const { pieces, kerf, style } = problem;
  const hold = style.hold ?? 0;
  const variants = (order: Order, room: { length: number; width: number }, stock: number): Variant[] =>
    pieces.flatMap((p, piece) =>
      (p.from?.[stock] === false ? [] : p.turn && p.length !== p.width ? [false, true] : [false]).flatMap(
        (turned): Variant[] => {
          const [x, y] = turned ? [p.width, p.length] : [p.length, p.width];
          const alone = p.block === true && x >= hold;
          // A block is crosscut before it is sliced.
          if (order === "crosscut" && style.ripOnly && !alone) return [];
          if (x > room.length || y > room.width || (alone && order === "rip" && style.orders.includes("crosscut")))
            return [];
          return [{ piece, turned, alone, ...(order === "rip" ? { along: x, across: y } : { along: y, across: x }) }];
        },
      ),
    );
  const planOf = (order: Order, clear: Room, stock: number): Plan => {
    const all = variants(order, clear, stock).sort((a, b) => a.across - b.across || a.along - b.along);
    const [roomAlong, roomAcross] = order === "rip" ? [clear.length, clear.width] : [clear.width, clear.length];
    const alongs = distinct(all.map((v) => v.along));
    const acrosses = distinct(all.map((v) => v.across));
    const wanted = (size: number) => all.reduce((n, v) => n + (v.along === size ? pieces[v.piece]!.quantity : 0), 0);
    const along = rasterOf(
      // Sections of three stages may be taken more often than there are pieces.
      alongs.map((size) => ({ size, most: style.stages === 3 ? Infinity : wanted(size) })),
      roomAlong,
      kerf,
    );
    const across = rasterOf(
      acrosses.map((size) => ({ size, most: Infinity })),
      roomAcross,
      kerf,
    );
    return { order, variants: all, acrosses, alongs, along, across, roomAlong, roomAcross };
  };
  const plans = problem.stock.map((s, k) =>
    s.clear.map((clear) => style.orders.map((order) => planOf(order, clear, k))),
  );

  const slices = (v: Variant, count: number): Section[] => [
    { size: v.along, count, items: [{ piece: v.piece, turned: v.turned, count: 1 }] },
  ];
  let spent = 0;
  const candidates = (plan: Plan, worth: number[], left: number[], bound: boolean): Candidate[] => {
    const room = plan.along.room(plan.roomAlong);
    spent += room * plan.variants.reduce((n, v) => n + (left[v.piece]! > 0 ? 1 : 0), 0);
    const thing = (v: Variant): Thing => plan.along.thing(v.along, worth[v.piece]!, left[v.piece]!, bound);
    const blocks = plan.variants
      .filter((v) => v.alone)
      .map((v): Candidate => {
        const n = Math.min(left[v.piece]!, Math.floor((plan.roomAlong + kerf) / (v.along + kerf)));
        return { size: v.across, worth: n * worth[v.piece]!, fillings: () => slices(v, n) };
      });
    const others = plan.variants.filter((v) => !v.alone);
    const open =
      style.stages === 3
        ? threeStage(plan, others, worth, left, bound)
        : groupsOf(plan, others).flatMap((group) => {
            const filled = fill(group.map(thing), room);
            // The widest of its pieces says how wide a strip is; with a trim narrower ones may lie in it.
            return group.flatMap((v, k): Candidate[] =>
              group[k + 1]?.across === v.across || !group.ends.has(v.across)
                ? []
                : [
                    {
                      size: v.across,
                      worth: filled.worth(k),
                      fillings: () => filled.counts(k).flatMap((n, i) => (n > 0 ? slices(group[i]!, n) : [])),
                    },
                  ],
            );
          });
    // What is shorter than the saw can hold is not ripped.
    return [...blocks, ...open].filter((c) => plan.order === "rip" || c.size >= hold);
  };

  /** Which pieces may share a strip, narrowest first, and the widths their knapsack answers for. */
  const groupsOf = (plan: Plan, all: Variant[]): (Variant[] & { ends: Set<number> })[] => {
    const group = (vs: Variant[], ends: number[]) => Object.assign([...vs], { ends: new Set(ends) });
    if (!style.trim)
      return plan.acrosses.map((a) =>
        group(
          all.filter((v) => v.across === a),
          [a],
        ),
      );
    // A piece too short to hold cannot be trimmed by a rip: its strip is as wide as it is.
    const short =
      plan.order === "rip" && hold > 0 ? distinct(all.filter((v) => v.along < hold).map((v) => v.across)) : [];
    if (short.length === 0) return [group(all, plan.acrosses)];
    const long = all.filter((v) => v.along >= hold);
    return [
      group(
        long,
        distinct(long.map((v) => v.across)).filter((a) => !short.includes(a)),
      ),
      ...short.map((a) =>
        group(
          all.filter((v) => v.across <= a && (v.across === a || v.along >= hold)),
          [a],
        ),
      ),
    ];
  };

  const threeStage = (plan: Plan, others: Variant[], worth: number[], left: number[], bound: boolean): Candidate[] => {
    const room = plan.across.room(plan.roomAcross);
    const stack = [...others].sort((a, b) => a.along - b.along || a.across - b.across);
    // rows[s][c]: the most worth of a section as long as the s-th length, with c cells across it.
    const rows: Float64Array[] = [];
    const lasts: number[] = [];
    const stacked = fill(
      stack.map((v) => plan.across.thing(v.across, worth[v.piece]!, left[v.piece]!, bound)),
      room,
      (k, values) => {
        if (stack[k + 1]?.along === stack[k]!.along) return;
        rows.push(values.slice());
        lasts.push(k);
      },
    );
    const alongs = distinct(others.map((v) => v.along));
    return distinct(others.map((v) => v.across)).map((size) => {
      const within = plan.across.room(size);
      const filled = fill(
        alongs.map((a, s) => plan.along.thing(a, rows[s]![within]!, Infinity, bound)),
        plan.along.room(plan.roomAlong),
      );
      const last = alongs.length - 1;
      return {
        size,
        worth: filled.worth(last),
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
  };

  const side = (plan: Plan, all: Candidate[], bound: boolean, roomAcross: number) => {
    const room = plan.across.room(roomAcross);
    const filled = fill(
      all.map((c) => plan.across.thing(c.size, c.worth, Infinity, bound)),
      room,
    );
    return { worth: filled.worth(all.length - 1), counts: () => filled.counts(all.length - 1) };
  };

  const mostOf = (plan: Plan, worth: number[], left: number[]) =>
    side(plan, candidates(plan, worth, left, false), false, plan.roomAcross).worth;

  const exact = (plan: Plan) => plan.along.exact && plan.across.exact;

  const bestOf = (plan: Plan, worth: number[], left: number[]) => {
    const all = candidates(plan, worth, left, false);
    const chosen = side(plan, all, false, plan.roomAcross);
    const strips = () =>
      chosen
        .counts()
        .flatMap((count, k): Strip[] =>
          count > 0 ? [{ size: all[k]!.size, count, sections: all[k]!.fillings() }] : [],
        );
    const most = exact(plan)
      ? chosen.worth
      : side(plan, candidates(plan, worth, left, true), true, plan.roomAcross).worth;
    return { order: plan.order, worth: chosen.worth, most, strips };
  };
  const offer = (stock: number, stretches: Stretch[], worth: number[]): Offer => {
    const gives = given(stretches, pieces.length);
    return { pattern: { stock, stretches, gives }, gives: gives.reduce((sum, n, i) => sum + n * worth[i]!, 0) };
  };

  /** Strips of one order, one after another, out of what is left; takes them from `rest`. */
  const fitInto = (plan: Plan, worth: number[], rest: number[]): Strip[] => {
    const strips: Strip[] = [];
    let room = plan.roomAcross;
    while (plan.variants.some((v) => v.across <= room && rest[v.piece]! > 0)) {
      const all = candidates(plan, worth, rest, false).filter((c) => c.size <= room && c.worth > 0);
      if (all.length === 0) break;
      const counts = side(plan, all, false, room).counts();
      // The strip that brings most for its width, as often as the pieces left allow.
      const dense = (k: number) => all[k]!.worth / all[k]!.size;
      const k = counts.reduce((b, n, i) => (n > 0 && (b < 0 || dense(i) > dense(b)) ? i : b), -1);
      if (k < 0) break;
      const sections = fit(all[k]!.fillings(), rest);
      const one = given([{ strips: [{ size: 0, count: 1, sections }] }], pieces.length);
      const times = Math.min(counts[k]!, ...one.flatMap((n, i) => (n > 0 ? [Math.floor(rest[i]! / n)] : [])));
      one.forEach((n, i) => (rest[i]! -= n * times));
      strips.push({ size: all[k]!.size, count: times, sections });
      room -= times * (all[k]!.size + kerf);
    }
    return strips;
  };

  /** The sets of strips of one clear stretch, cut in one order, that are worth at least so much. */
  const nearOf = (
    plan: Plan,
    most: number,
    least: number,
    { worth, left, among, limit }: { worth: number[]; left: number[]; among: boolean[]; limit: number },
  ): NearStretch[] | undefined => {
    const spare = most - least;
    const room = plan.across.room(plan.roomAcross);
    const open = plan.variants.filter((v) => among[v.piece] && left[v.piece]! > 0);
    const strips: { size: number; worth: number; loss: number; sections: Section[]; gives: number[] }[] = [];
    const add = (size: number, at: number, sections: Section[]) => {
      const gives = given([{ strips: [{ size, count: 1, sections }] }], pieces.length);
      const own = gives.reduce((sum, n, i) => sum + n * worth[i]!, 0);
      strips.push({ size, worth: own, loss: at - own, sections, gives });
    };
    for (const v of open.filter((o) => o.alone)) {
      const n = Math.min(left[v.piece]!, Math.floor((plan.roomAlong + kerf) / (v.along + kerf)));
      add(v.across, n * worth[v.piece]!, slices(v, n));
    }
    for (const group of groupsOf(
      plan,
      open.filter((v) => !v.alone),
    ))
      // prettier-ignore
      for (const size of group.ends) {
        const within = group.filter((v) => v.across <= size);
        if (plan.order !== "rip" && size < hold) continue;
        const things = within.map((v) => plan.along.thing(v.along, worth[v.piece]!, left[v.piece]!, false));
        const along = plan.along.room(plan.roomAlong);
        const top = fill(things, along).worth(things.length - 1);
        const all = nearBest(things, along, top - spare, limit);
        if (!all) return undefined;
        for (const { taken } of all) {
          // Without a piece of its own width it is a narrower strip.
          if (!taken.some((k) => within[k]!.across === size)) continue;
          const counts = within.map((_, k) => taken.filter((t) => t === k).length);
          add(size, top, counts.flatMap((n, k) => (n > 0 ? slices(within[k]!, n) : []))); // prettier-ignore
        }
      }
    if (strips.length > MOST_STRIPS) return undefined;
    // Those that lose nothing come last, and so are taken first: the others then end early.
    strips.sort((a, b) => b.loss - a.loss);
    const things = strips.map((s) => plan.across.thing(s.size, s.worth, Infinity, false));
    return nearBest(things, room, least, limit)?.map(({ taken, worth: own }): NearStretch => {
      const counts = new Map<number, number>();
      for (const k of taken) counts.set(k, (counts.get(k) ?? 0) + 1);
      return {
        worth: own,
        gives: pieces.map((_, i) => taken.reduce((sum, k) => sum + strips[k]!.gives[i]!, 0)),
        order: plan.order,
        strips: () =>
          [...counts].map(([k, count]) => ({ size: strips[k]!.size, count, sections: strips[k]!.sections })),
      };
    });
  };

  return {
    spent: () => spent,
    near(stock, worth, left, least, among, limit) {
      const plansOf = plans[stock]!;
      if (style.stages === 3 || !plansOf.flat().every(exact)) return undefined;
      const mosts = plansOf.map((orders) => orders.map((plan) => mostOf(plan, worth, left)));
      const most = mosts.map((ns) => Math.max(0, ...ns));
      const spare = sum(most) - least;
      if (spare < 0) return [];
      let found: Near[] = [{ stock, worth: 0, gives: pieces.map(() => 0), pattern: () => ({ stock, stretches: [], gives: pieces.map(() => 0) }) }]; // prettier-ignore
      for (const [clear, orders] of plansOf.entries()) {
        const own = new Map<string, NearStretch>();
        for (const [k, plan] of orders.entries()) {
          const open = most[clear]! - spare;
          const all = mosts[clear]![k]! < open ? [] : nearOf(plan, mosts[clear]![k]!, open, { worth, left, among, limit }); // prettier-ignore
          if (!all) return undefined;
          for (const n of all) if (!own.has(n.gives.join())) own.set(n.gives.join(), n);
        }
        // What the stretches after it bring at most.
        const after = sum(most.slice(clear + 1));
        const both = new Map<string, Near>();
        for (const before of found)
          for (const n of own.values()) {
            if (before.worth + n.worth + after < least) continue;
            const gives = before.gives.map((g, i) => g + n.gives[i]!);
            if (both.size > limit) return undefined;
            if (!both.has(gives.join()))
              both.set(gives.join(), { stock, gives, worth: before.worth + n.worth, pattern: () => joined(before.pattern(), clear, n) }); // prettier-ignore
          }
        found = [...both.values()];
      }
      return found.filter((n) => n.gives.some((g) => g > 0));
    },
    best(stock, worth, left) {
      const priced = plans[stock]!.map((orders) =>
        orders.map((plan) => bestOf(plan, worth, left)).sort((a, b) => b.worth - a.worth),
      );
      const stretches = (pick: number) =>
        priced.flatMap((orders, clear): Stretch[] => {
          const b = orders[Math.min(pick, orders.length - 1)];
          return b && b.worth > 0 ? [{ clear, order: b.order, strips: b.strips() }] : [];
        });
      const tries = style.orders.length > 1 ? [0, 1] : [0];
      return {
        offers: tries.map((pick) => offer(stock, stretches(pick), worth)).filter((o) => o.gives > 0),
        most: priced.reduce((sum, orders) => sum + Math.max(0, ...orders.map((o) => o.most)), 0),
      };
    },
    fitting(stock, worth, left) {
      const rest = [...left];
      const stretches = plans[stock]!.flatMap((orders, clear): Stretch[] => {
        const made = orders.map((plan) => {
          const after = [...rest];
          const strips = fitInto(plan, worth, after);
          return {
            order: plan.order,
            strips,
            after,
            gives: rest.reduce((sum, n, i) => sum + (n - after[i]!) * worth[i]!, 0),
          };
        });
        const best = made.reduce((a, b) => (b.gives > a.gives ? b : a));
        rest.splice(0, rest.length, ...best.after);
        return best.strips.length > 0 ? [{ clear, order: best.order, strips: best.strips }] : [];
      });
      return stretches.length > 0 ? offer(stock, stretches, worth) : undefined;
    },
  };
}

/** A pattern without what it gives above what is left; undefined when nothing remains. */
export function clipped(pattern: Pattern, left: number[]): Pattern | undefined {
  const rest = [...left];
  const stretches = pattern.stretches.flatMap((t): Stretch[] => {
    const strips = t.strips.flatMap((s) =>
      Array.from({ length: s.count }, (): Strip => {
        const sections = fit(s.sections, rest);
        given([{ strips: [{ size: 0, count: 1, sections }] }], rest.length).forEach((n, i) => (rest[i]! -= n));
        return { ...s, count: 1, sections };
      }).filter((x) => x.sections.length > 0),
    );
    return strips.length > 0 ? [{ ...t, strips }] : [];
  });
  return stretches.length > 0 ? { ...pattern, stretches, gives: given(stretches, left.length) } : undefined;
}

/** Leaves out of a strip's sections what is more than is left. */
function fit(sections: Section[], left: number[]): Section[] {
  const rest = [...left];
  const out: Section[] = [];
  for (const section of sections) {
    for (let n = 0; n < section.count; n++) {
      const items = section.items.flatMap((i): Item[] => {
        const count = Math.min(i.count, rest[i.piece]!);
        rest[i.piece]! -= count;
        return count > 0 ? [{ ...i, count }] : [];
      });
      if (items.length > 0) out.push({ ...section, count: 1, items });
    }
  }
  return gathered(out);
}

/** Sections that are alike, one after another, as one with a count. */
export function gathered(sections: Section[]): Section[] {
  const out = new Map<string, Section>();
  for (const s of sections) {
    const key = `${s.size} ${s.items.map((i) => `${i.piece}${i.turned}${i.count}`).join()}`;
    const before = out.get(key);
    out.set(key, before ? { ...before, count: before.count + s.count } : s);
  }
  return [...out.values()];
}

const sum = (ns: number[]) => ns.reduce((a, b) => a + b, 0);
const distinct = (sizes: number[]) => [...new Set(sizes)].sort((a, b) => a - b);
