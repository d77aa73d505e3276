import { areaDuals } from "./primal";
import { pricerOf } from "./pricing";
import { type CuttingProblem, type CutStock, type Pattern, type Rest, type Style, type Used } from "./problem";

/**
 * Fewer set-ups for the same pieces: each pattern, fence and stop is one, and a chance to get it wrong.
 *
 * Wanted are 60 of A and 30 of B; a board takes three of either. Cut as full as can be: A alone on twenty boards, then B alone on ten.
 * A pattern that goes thirty times takes no more than two of A and one of B a board: as full, and one pattern for two. Had it been
 * a little less full it would still be told of: a board more, a set-up less, and the price the maker gives a set-up decides.
 */

/** Ways of cutting, tried one after another: what is plainer takes more wood and fewer fences and stops. */
const plainer = (style: Style): Style[] => [
  { ...style, stages: 2 },
  { ...style, stages: 2, trim: false },
  { ...style, stages: 2, trim: false, ripOnly: true },
];
/** So much less full than the fullest a pattern may be, when it goes oftener; area to these powers stands in for duals. */
const LESS_FULL = [0.05, 0.12, 0.2, 0.02];
const POWERS = [1, 1.15, 1.5];
/** How much oftener a pattern is asked for at each step, and how often in vain before the one that is known is taken. */
const OFTENER = 1.4;
const IDLE = 2;
/** Cells filled by pricing after which it ends with what it has; asking for a pattern takes as long as so many. */
const MOST_SPENT = 6e6;
const ASKING = 400;

/**
 * Whole layouts of few set-ups, each tried in another way. So much work, not so much time; ends with what it has when not `going`, or
 * with one that `isLeast`: nothing is cheaper nor has fewer set-ups.
 */
export function fewerSetUps(
  problem: CuttingProblem,
  rest: Rest,
  going: () => boolean,
  isLeast: (used: Used) => boolean,
): Used[] {
  const pricers = plainer(problem.style).map((style) => pricerOf({ ...problem, style }));
  const found: Used[] = [];
  let asked = 0;
  const goesOn = () => going() && pricers.reduce((n, p) => n + p.spent(), asked * ASKING) < MOST_SPENT;
  for (const lessFull of LESS_FULL)
    for (const pricer of pricers)
      for (const power of POWERS) {
        const duals = areaDuals(problem.pieces, power);
        const fitting = (stock: number, left: number[]) => {
          asked++;
          return pricer.fitting(stock, duals, left)?.pattern;
        };
        const used = repeating(problem.stock, fitting, rest, duals, lessFull, goesOn);
        if (used) found.push(used);
        if (used && isLeast(used)) return found;
      }
  return found;
}

/**
 * The sequential heuristic procedure for few patterns (Haessler 1975): at each step the pattern that goes most often, of those that
 * are full enough. Undefined where the stock runs out, or nobody waits.
 */
function repeating(
  stock: CutStock[],
  fitting: (stock: number, left: number[]) => Pattern | undefined,
  from: Rest,
  duals: number[],
  lessFull: number,
  going: () => boolean,
): Used | undefined {
  const left = [...from.left];
  const supply = [...from.supply];
  const used: Used = [];
  // What costs nothing is still told apart by how full it is.
  const priceOf = (k: number) => stock[k]!.price || 1e-9;
  const valueOf = (gives: number[]) => gives.reduce((v, n, i) => v + n * duals[i]!, 0);
  const fullness = (p: Pattern) => valueOf(p.gives) / priceOf(p.stock);
  const goes = (p: Pattern) =>
    Math.min(supply[p.stock] ?? Infinity, ...p.gives.flatMap((n, i) => (n > 0 ? [Math.floor(left[i]! / n)] : [])));
  const most = (of: Pattern[], by: (p: Pattern) => number) => of.reduce((a, b) => (by(b) > by(a) ? b : a));
  /** Of each stock the fullest pattern that goes so often. */
  const whichGo = (times: number): Pattern[] => {
    const share = left.map((n) => Math.floor(n / times));
    return stock.flatMap((_, k) => ((supply[k] ?? Infinity) < times ? [] : (fitting(k, share) ?? [])));
  };
  const next = (): Pattern | undefined => {
    const once = whichGo(1);
    // Of boards that take all there is left the cheapest.
    const last = once.filter((p) => p.gives.every((n, i) => n === left[i]));
    if (last.length > 0) return most(last, (p) => -stock[p.stock]!.price);
    if (once.length === 0) return undefined;
    let best = most(once, fullness);
    const enough = fullness(best) * (1 - lessFull);
    // Oftener than this none goes that is full enough: all there is left would not do.
    const cheapest = Math.min(...stock.flatMap((_, k) => (supply[k] === 0 ? [] : [priceOf(k)])));
    const ceiling = Math.min(Math.max(...left), Math.floor(valueOf(left) / (enough * cheapest)));
    for (let idle = 0, times = goes(best); idle < IDLE && times < ceiling;) {
      times = Math.min(ceiling, Math.max(times + 1, Math.floor(times * OFTENER)));
      const found = whichGo(times).filter((p) => fullness(p) >= enough);
      if (found.length === 0) {
        idle++;
        continue;
      }
      best = most(found, fullness);
      times = Math.max(times, goes(best));
      idle = 0;
    }
    return best;
  };
  while (left.some((n) => n > 0)) {
    const pattern = going() ? next() : undefined;
    if (!pattern) return undefined;
    const repeat = goes(pattern);
    used.push({ pattern, repeat });
    pattern.gives.forEach((n, i) => (left[i]! -= n * repeat));
    if (supply[pattern.stock] !== null) supply[pattern.stock]! -= repeat;
  }
  return used;
}

/** Those of the things that no other is as good as in all that is measured of them, the less the better; least of the first first. */
export function unbeaten<T>(all: T[], measured: (one: T) => number[]): T[] {
  const sorted = all
    .map((one) => ({ one, by: measured(one) }))
    .sort((a, b) => a.by.map((n, k) => n - b.by[k]!).find((d) => d !== 0) ?? 0);
  const out: typeof sorted = [];
  // Who comes before is no worse in the first.
  for (const s of sorted) if (!out.some((o) => o.by.every((n, k) => n <= s.by[k]! + 1e-9))) out.push(s);
  return out.map((s) => s.one);
}
