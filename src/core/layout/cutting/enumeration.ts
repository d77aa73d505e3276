import type { LpSolver } from "../lp";
import { byCuts, type Row, type WholeProgramme } from "./gomory";
import { added, type CutStock, type Rest, type Supply, type Used } from "./problem";
import { leastValue, type MasterAnswer, modelOf, wholeModelOf } from "./master";
import { type Near, undominated } from "./nearby";
import type { Pricer } from "./pricing";
import { covers } from "./primal";

/**
 * Closing the gap by enumeration: every column that can be part of a cutting for the target is written down, and the whole-number
 * programme over them is solved by cuts.
 *
 * The bound is 29.2, the incumbent costs 31, boards are 1 each: is there a cutting for 30? Each of its patterns has a reduced cost of
 * at most 30 − 29.2 = 0.8. Say 140 patterns have. If the programme over those 140 has no answer of 30 or less, none has, and 31 is
 * proven.
 */

/** So many patterns go into one programme with every piece; of more, so many of least reduced cost are searched first. */
const FEW = 300;
/** So many, when pieces whose dual is nothing are left out; with more nothing is concluded. */
const MOST_SETTLED = 2000;
/** More than this are not gone through. */
const MOST_FOUND = 5000;
/** So many are cut down in a moment, and so many searched. */
const SOON = { cut: 40, searched: 300 };
/** Nodes a search for one may branch into: the cuts at its root do nearly all the work. Where it is the last try, more. */
const NODES = { usual: 100, last: 300 };

type Chosen = { near: Near; repeat: number }[];

/** What the enumeration works with. */
export interface Settling {
  stock: CutStock[];
  pricer: Pricer;
  lp: LpSolver;
  going(): boolean;
  /** Or only look for a cutting. */
  prove: boolean;
  /** Look no longer than a moment. */
  soon?: boolean;
}

/** What is known of the target now. */
export interface Settled {
  used?: Used;
  /** Nothing costs less, in money: more than the target when nothing costs so little. */
  least: number;
  patterns: number;
  /** HiGHS found that there is no cutting for the target. */
  vain: boolean;
}

/**
 * Settles whether any cutting of the style costs no more than `target`, a sum of prices a little above the bound. Only
 * columns whose reduced cost is no more than the gap between can be part of one (their reduced costs add up to no more), and often
 * they are few enough to write down every one. Cuts over them find the cheapest cutting, or show that there is none (`byCuts`);
 * where they do neither, HiGHS looks for one, and what it does not find is not held to be proven. Pieces whose dual is
 * nothing are left out first where patterns are many: what is then counted out is so with them too. Undefined when
 * there are too many even so.
 */
export function settle(
  { stock, pricer, lp, going, prove, soon }: Settling,
  rest: Rest,
  { proof }: MasterAnswer,
  target: number,
): Settled | undefined {
  const { left, supply } = rest;
  const least = leastValue(stock, rest, proof, target);
  const near = (among: boolean[]): Near[] | undefined => {
    const all: Near[] = [];
    for (const s of stock.keys()) {
      const found =
        supply[s] === 0 ? [] : pricer.near(s, { duals: proof.duals, left, among, limit: MOST_FOUND }, least[s]!);
      if (!found || all.length + found.length > MOST_FOUND) return undefined;
      all.push(...found);
    }
    // Those of least reduced cost first.
    return undominated(all.map((n) => ({ n, stock: n.stock, of: n.gives })))
      .map(({ n }) => ({ n, above: n.value - least[n.stock]! }))
      .sort((a, b) => b.above - a.above)
      .map(({ n }) => n);
  };
  const chosenOf = (patterns: Near[], values: number[]): Chosen =>
    patterns.map((near, i) => ({ near, repeat: Math.round(values[i]!) })).filter((c) => c.repeat > 0);
  /** By cuts, over patterns that are all there are. */
  const cutDown = (patterns: Near[], among: boolean[]): { chosen?: Chosen; least: number } => {
    const wanted = left.map((n, i) => (among[i] ? n : 0));
    const { values, least } = byCuts(programmeOf(patterns, stock, wanted, supply, target), lp, going);
    return { chosen: values && chosenOf(patterns, values), least: least / 100 };
  };
  const lookFor = (patterns: Near[], among: boolean[], nodes = NODES.usual): { chosen?: Chosen; vain: boolean } => {
    const wanted = left.map((n, i) => (among[i] ? n : 0));
    const solved = lp({ ...wholeModelOf(patterns, stock, wanted, supply), nodes, target, going });
    if (!solved || solved.objective > target + 1e-6) return { vain: !solved || solved.optimal };
    return { chosen: chosenOf(patterns, solved.values), vain: false };
  };
  /** With the whole boards of the relaxed answer fixed, so that few are left to search. */
  const lookRound = (patterns: Near[], among: boolean[]): Chosen | undefined => {
    const wanted = left.map((n, i) => (among[i] ? n : 0));
    const relaxed = lp(modelOf(patterns, stock, wanted, supply));
    if (!relaxed) return undefined;
    const fixed = patterns.map((_, i) => Math.floor(relaxed.values[i]! + 1e-6));
    const [open, stocks] = [[...wanted], [...supply]];
    patterns.forEach((p, i) => {
      p.gives.forEach((g, k) => (open[k] = Math.max(0, open[k]! - g * fixed[i]!)));
      if (stocks[p.stock] !== null) stocks[p.stock]! -= fixed[i]!;
    });
    const paid = added(patterns.map((p, i) => fixed[i]! * stock[p.stock]!.price));
    const solved = lp({
      ...wholeModelOf(patterns, stock, open, stocks),
      nodes: NODES.usual,
      target: target - paid + 1e-9,
      going,
    });
    if (!solved || solved.objective > target - paid + 1e-6) return undefined;
    return chosenOf(
      patterns,
      fixed.map((n, i) => n + Math.round(solved.values[i]!)),
    );
  };
  const cut = (chosen: Chosen): Used | undefined => {
    const used = chosen.map(({ near: n, repeat }) => ({ pattern: n.pattern(), repeat }));
    return covers(used, { left, supply }) ? used : undefined;
  };
  const settled = (patterns: Near[], among: boolean[]): { chosen?: Chosen } & Settled => {
    if (soon) {
      const round = lookRound(patterns, among);
      const last = () => (patterns.length > SOON.searched ? undefined : lookFor(patterns, among, NODES.last).chosen);
      const { chosen, least } =
        round || patterns.length > SOON.cut ? { chosen: round ?? last(), least: 0 } : cutDown(patterns, among);
      return { chosen, least, patterns: patterns.length, vain: false, used: chosen && cut(chosen) };
    }
    // A cutting is sooner found among those of least reduced cost; where boards are alike, sooner than by cuts.
    const lists = patterns.length > FEW ? [patterns.slice(0, FEW), patterns] : [patterns];
    let chosen: Chosen | undefined;
    let vain = false;
    let proven: ReturnType<typeof cutDown> = { least: 0 };
    const steps = lists.map((some) => () => {
      const found = lookFor(some, among);
      chosen = found.chosen;
      vain = found.vain && some === patterns;
    });
    steps.splice(stock.length === 1 ? 1 : 0, 0, () => {
      if (prove) proven = cutDown(patterns, among);
      chosen = proven.chosen;
    });
    for (const step of steps) if (!chosen && proven.least <= target && going()) step();
    return { chosen, least: proven.least, patterns: patterns.length, vain, used: chosen && cut(chosen) };
  };

  const every = left.map(() => true);
  const all = near(every);
  if (all && all.length <= FEW) return settled(all, every);
  const counted = proof.duals.map((w) => w > 0);
  const valued = going() ? near(counted) : undefined;
  if (!valued || valued.length > MOST_SETTLED) return undefined;
  const { chosen, ...answer } = settled(valued, counted);
  if (answer.used || !chosen || !all) return answer;
  // The same patterns with whatever fits in beside.
  const key = ({ gives }: Near) => gives.filter((_, i) => counted[i]).join();
  const keys = new Set(chosen.map((c) => key(c.near)));
  const beside = lookFor(
    all.filter((n) => keys.has(key(n))),
    every,
  ).chosen;
  return { ...answer, used: beside && cut(beside) };
}

/** Which patterns how often, for every piece wanted and at most the target, in hundredths of a price. */
function programmeOf(
  patterns: Near[],
  stock: CutStock[],
  left: number[],
  supply: Supply,
  target: number,
): WholeProgramme {
  const cents = (money: number) => Math.round(money * 100);
  const wanted = left.flatMap((n, i) => (n > 0 ? [{ i, n }] : []));
  const limited = supply.flatMap((n, s) => (n === null ? [] : [{ s, n }]));
  const pieces = wanted.reduce((sum, { n }) => sum + n, 0);
  const prices = stock.map((s) => cents(s.price));
  const usable = stock.map((_, s) =>
    Math.min(supply[s] ?? Infinity, pieces, prices[s]! > 0 ? Math.floor(cents(target) / prices[s]!) : Infinity),
  );
  // With several stocks, how many of each are used is a number of its own, which carries the cost.
  const counts = stock.length > 1 ? [...stock.keys()] : [];
  // A piece may be missed, dearer than any board, so that there is always an answer.
  const missed = 10 * Math.max(...prices) + 1;
  const row = (of: { p(n: Near): number; missed?: number; count?: number }, least: number): Row => ({
    of: [
      ...patterns.map(of.p),
      ...wanted.map(({ i }) => (i === of.missed ? 1 : 0)),
      ...counts.map((s) => (s === of.count ? 1 : 0)),
    ],
    least,
  });
  const drawn = (s: number) => (p: Near) => (p.stock === s ? -1 : 0);
  return {
    costs: [
      ...patterns.map((p) => (counts.length > 0 ? 0 : prices[p.stock]!)),
      ...wanted.map(() => missed),
      ...counts.map((s) => prices[s]!),
    ],
    rows: [
      ...wanted.map(({ i, n }) => row({ p: (p) => p.gives[i]!, missed: i }, n)),
      ...limited.map(({ s, n }) => row({ p: drawn(s) }, -n)),
      ...counts.map((s) => row({ p: drawn(s), count: s }, 0)),
    ],
    target: cents(target),
    kinds: [
      ...patterns.map((p) => p.stock),
      ...wanted.map(() => stock.length),
      ...counts.map((s) => stock.length + 1 + s),
    ],
    most: [...usable, 0, ...counts.map((s) => usable[s]!)],
  };
}
