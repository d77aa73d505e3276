import { byCuts, type Row } from "./gomory";
import { ColumnPool, generateColumns, leastValue, type MasterAnswer, SCALE, wholeModelOf } from "./master";
import { mend } from "./mend";
import { type Near, undominated } from "./nearby";
import { dive, type Diver, homogeneous, randomOf } from "./primal";
import type { Pattern, Pricing, Rest, Used } from "./problem";

/**
 * Large pieces first, where it is said which boards there are: a decomposition after Benders (1962).
 *
 * Seven boards hold thirty large parts and a thousand slips. Ways to cut a board that differ in slips are too many to write down; ways
 * that differ in large parts are some dozens, each with what the slips beside them are worth at the most, by their duals. All slips
 * together are worth 21.3. When no seven of those ways give thirty parts and slips worth 21.3, no cutting gives all. Where seven do, the
 * slips are cut beside them. Where even fractions of slips do not go in, the duals of that programme weigh them in another way, by
 * which those seven bring too little: one row more, and seven other ways.
 */

/** A piece whose dual is a smaller part of the dearest board is told together with others such; or none is. */
const SMALL = { usual: [1 / 40, 0], full: [0, 1 / 40] };
/**
 * Ways to cut a stock after which nothing is concluded; how many go into one programme that is cut, how many of least reduced cost are
 * searched first, and how many then; and choices beside which all would go in fractions, but was not found whole, before it is given up.
 */
const MOST = { found: 20_000, cut: 500, nearest: 150, searched: 2000, vain: 2 };
/** What all pieces told together are worth is so many parts: few for cuts with small numbers; more where that loses too much by rounding. */
const PARTS = { few: 2000, many: 50_000 };
/** Rows times columns of the programmes with many parts. */
const WORK = 2_000_000;
/** Weighings, one after another. */
const ROUNDS = 6;
/** So much more than all of them is wished for, as whole pieces do not fill everything. */
const SPARE = 0.03;
const NODES = { ways: 20, beside: 100 };
/** Boards are filled by chance duals in so many ways, so often. */
const CHANCE = { ways: 6, times: 2 };
/** What lacks no more than so many pieces is mended. */
const FEW = 6;

/** A way to cut a board, by what it gives of each large piece and what the others bring at the most by each weighing. */
interface Way {
  near: Near;
  stock: number;
  of: number[];
}

/** What is asked of ways: so many of each large piece, and of the rest together so much by each weighing. */
interface Wanted {
  all: Way[];
  large: number[];
  worth: number[];
}

/**
 * Looks for a cutting of the boards of `within`, all of which there are so many of, that gives every piece; `price` is what they
 * cost together. The diver is told of it. Where the boards are `full` there are few ways, and they are soon shown not to do with every
 * piece told by itself. @returns true where there is none for certain: by reduced costs (`leastValue`), by what is left out of rows (a
 * piece whose dual is nothing may be missed; pieces told together may be had for their weights, a surrogate of their rows), and by
 * cuts in whole numbers (`byCuts`)
 */
export const byLarge = (
  d: Diver,
  within: Rest,
  root: MasterAnswer,
  { price, isFound, full }: { price: number; isFound(): boolean; full: boolean },
): boolean =>
  SMALL[full ? "full" : "usual"].some(
    (small) => d.going() && !isFound() && isTooFew(d, within, root, { price, small, isFound }),
  );

/** With pieces told together whose dual is less than `small` of the dearest board. */
function isTooFew(
  d: Diver,
  within: Rest,
  { proof }: MasterAnswer,
  { price, small, isFound }: { price: number; small: number; isFound(): boolean },
): boolean {
  const { left, supply } = within;
  const { duals } = proof;
  const dearest = Math.max(...d.stock.map((s) => s.price));
  const among = duals.map((w) => w > 0);
  const together = duals.map((w) => w > 0 && w < small * dearest * SCALE);
  const large = left.flatMap((n, i) => (n > 0 && among[i] && !together[i] ? [i] : []));
  const least = leastValue(d.stock, within, proof, price);
  const weights = [duals];
  for (let round = 0, vain = 0; round < ROUNDS && d.going(); round++) {
    const ways: Near[] = [];
    for (const s of d.stock.keys()) {
      if (supply[s] === 0) continue;
      const wanted = { duals, left, among, limit: MOST.found, together, weighed: weights.slice(1) };
      const near = d.pricer.near(s, wanted, least[s]!);
      if (!near) return false;
      ways.push(...near);
    }
    const wanted: Wanted = {
      all: undominated(
        ways.map((near) => ({ near, stock: near.stock, of: [...large.map((i) => near.gives[i]!), ...weights.map((_, k) => near.beside[k]!)] })), // prettier-ignore
      ),
      large: large.map((i) => left[i]!),
      worth: weights.map((w) => left.reduce((sum, n, i) => sum + (together[i] ? n * w[i]! : 0), 0)),
    };
    const isCut = wanted.all.length <= MOST.cut;
    if (round === 0 && isCut && cutDown(d, supply, wanted, PARTS.few).isNone) return true;
    if (small === 0 || wanted.all.length > MOST.searched) return false;
    const above = ({ near }: Way) => near.value - least[near.stock]!;
    const nearest = wanted.all.toSorted((a, b) => above(b) - above(a)).slice(0, MOST.nearest);
    let chosen = searched(d, supply, { ...wanted, all: nearest });
    if (!chosen && wanted.all.length > MOST.nearest) chosen = searched(d, supply, wanted);
    if (!chosen && isCut) {
      const cut = cutDown(d, supply, wanted, PARTS.many, WORK);
      if (cut.isNone) return true;
      chosen = cut.chosen;
    }
    const weighed = chosen && cutBeside(d, within, chosen, large, isFound);
    if (!weighed || (!weighed.isSure && ++vain === MOST.vain)) return false;
    for (const [i, w] of weighed.weights.entries()) if (w > 0 && !among[i]) among[i] = together[i] = true;
    weights.push(weighed.weights.map((w, i) => (together[i] ? w : 0)));
  }
  return false;
}

const usedOf = (all: Way[], values: number[] = []): Used | undefined => {
  const used = all.flatMap(({ near }, i) => {
    const repeat = Math.round(values[i] ?? 0);
    return repeat > 0 ? [{ pattern: near.pattern(), repeat }] : [];
  });
  return used.length > 0 ? used : undefined;
};

/** By cuts: ways that give what is wanted, or that there are none for certain. Worth is rounded up to so many parts. */
function cutDown(
  { stock, lp, going }: Diver,
  supply: Rest["supply"],
  { all: exact, large, worth }: Wanted,
  parts: number,
  work?: number,
): { isNone: boolean; chosen?: Used } {
  const part = [...large.map(() => 1), ...worth.map((w) => Math.max(1, Math.floor(w / parts)))];
  const up = (n: number, r: number) => Math.ceil(n / part[r]!);
  const all = undominated(exact.map((w) => ({ ...w, of: w.of.map(up) })));
  const wanted = [...large, ...worth].map(up);
  const rows: Row[] = [
    // What is missed costs 1, whatever it is: an answer for nothing misses nothing.
    ...wanted.map((n, r) => ({ of: [...all.map((w) => w.of[r]!), ...wanted.map((_, k) => (k === r ? Math.max(1, n) : 0))], least: n })), // prettier-ignore
    ...stock.map((_, s) => ({ of: [...all.map((w) => (w.stock === s ? -1 : 0)), ...wanted.map(() => 0)], least: -supply[s]! })), // prettier-ignore
  ];
  const programme = {
    costs: [...all.map(() => 0), ...wanted.map(() => 1)],
    rows,
    target: 0,
    kinds: [...all.map((w) => w.stock), ...wanted.map(() => stock.length)],
    most: [...supply.map((n) => n!), 0],
  };
  const { values, least } = byCuts(programme, lp, going, work);
  return { isNone: least > 0, chosen: usedOf(all, values) };
}

/** By a search: ways that give what is wanted, and of what is told together some to spare where that can be. */
function searched(
  { stock, lp, going }: Diver,
  supply: Rest["supply"],
  { all, large, worth }: Wanted,
): Used | undefined {
  // What is told together is worth 1 in all.
  const part = [...large.map(() => 1), ...worth.map((w) => Math.max(1, w))];
  const spare = worth.map((_, k) => large.length + k);
  const [boards, wished] = [part.length, part.length + stock.length];
  const given = (w: Way, r: number) => w.of[r]! / part[r]!;
  const solved = lp({
    columns: [
      ...all.map((w) => ({
        cost: 0,
        entries: [
          ...part.map((_, r): [number, number] => [r, given(w, r)]),
          [boards + w.stock, -1] as [number, number],
          ...spare.map((r, k): [number, number] => [wished + k, given(w, r)]),
        ],
      })),
      // What is missed of the wish.
      ...spare.map((_, k) => ({ cost: 1, entries: [[wished + k, 1 / PARTS.few]] as [number, number][] })),
    ],
    rows: [
      ...part.map((_, r) => ({ sense: ">=" as const, rhs: large[r] ?? 1 })),
      ...supply.map((n) => ({ sense: ">=" as const, rhs: -n! })),
      ...spare.map(() => ({ sense: ">=" as const, rhs: 1 + SPARE })),
    ],
    whole: true,
    nodes: NODES.ways,
    going,
  });
  return usedOf(all, solved?.values);
}

/**
 * Cuts all but the large pieces beside those on the boards chosen, by column generation and dives in which each of these boards is a
 * stock. @returns undefined when that is found; else weights by which what is left brings more than there is room for: for sure, or only
 * what was lacking where fractions would do
 */
function cutBeside(
  d: Diver,
  within: Rest,
  chosen: Used,
  large: number[],
  isFound: () => boolean,
): { weights: number[]; isSure: boolean } | undefined {
  const { lp, going } = d;
  const pricer = d.pricer.beside(chosen.map((c) => c.pattern));
  // They are used already.
  const stock = chosen.map((c) => ({ ...d.stock[c.pattern.stock]!, price: 0 }));
  const rest: Rest = {
    left: within.left.map((n, i) => (large.includes(i) ? 0 : n)),
    supply: chosen.map((c) => c.repeat),
  };
  if (rest.left.every((n) => n === 0)) d.consider(chosen);
  if (isFound()) return undefined;
  const pool = new ColumnPool();
  const whole = (used: Used): Used => [
    ...used.map(({ pattern, repeat }) => ({ pattern: pricer.whole(pattern), repeat })),
    ...chosen.flatMap(({ pattern, repeat }, s) => {
      const bare = repeat - used.reduce((n, u) => n + (u.pattern.stock === s ? u.repeat : 0), 0);
      return bare > 0 ? [{ pattern, repeat: bare }] : [];
    }),
  ];
  const diver: Diver<Pricing> = {
    ...d,
    stock,
    pricer,
    pool,
    parts: undefined,
    buildEvery: 1,
    fittingBelow: Infinity,
    // What costs something misses a piece.
    mayBeat: (cost) => cost < 1e-6,
    consider: (used) => {
      d.consider(whole(used));
      return isFound();
    },
  };
  for (const p of homogeneous(diver, rest)) pool.add(p);
  const relaxed = generateColumns(stock, pricer, rest.left, rest.supply, pool, lp, { rounds: 200, going });
  if (!relaxed) return undefined;
  const most = Math.max(...relaxed.duals);
  if (relaxed.cost > 1e-6) return { weights: relaxed.duals.map((w) => Math.round((w / most) * SCALE)), isSure: true };
  dive(diver, rest, relaxed, 0);
  const random = randomOf(1);
  let lacks = rest.left;
  for (let i = 0; i < CHANCE.times && !isFound() && going(); i++) {
    for (let t = 0; t < CHANCE.ways; t++) {
      const duals = d.pieces.map((p) => Math.round(p.length * p.width * (0.5 + random())));
      for (const s of stock.keys()) {
        const offer = pricer.fitting(s, duals, rest.left);
        if (offer) pool.add(offer.pattern);
      }
    }
    const patterns: Pattern[] = pool.patterns;
    const solved = lp({ ...wholeModelOf(patterns, stock, rest.left, rest.supply), nodes: NODES.beside, target: 1e-6, going }); // prettier-ignore
    const used = patterns.flatMap((pattern, j) => {
      const repeat = Math.round(solved?.values[j] ?? 0);
      return repeat > 0 ? [{ pattern, repeat }] : [];
    });
    lacks = rest.left.map((n, k) => Math.max(0, n - used.reduce((s, u) => s + u.repeat * u.pattern.gives[k]!, 0)));
    const lacking = lacks.reduce((a, b) => a + b, 0);
    if (lacking === 0) diver.consider(used);
    else if (lacking <= FEW) mend(d, within, whole(used), i, isFound);
  }
  return isFound() ? undefined : { weights: lacks.map((n) => (n > 0 ? SCALE : 0)), isSure: false };
}
