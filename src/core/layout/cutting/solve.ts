import { boardBound } from "../bound";
import type { LpSolver } from "../lp";
import { costOf, type CuttingProblem, type CutStock, type Reasons, type Room, type Style, type Used } from "./problem";
import { barByBar } from "./completion";
import { pricerOf } from "./pricing";
import { Pool, relax } from "./programme";
import { merge, split, trimmed } from "./reshape";
import { settle } from "./settle";
import { type Sums, sumsOf } from "./sums";
import { fewerPatterns, unbeaten } from "./tidy";
import { areaWorth, cheaper, construct, covers, dive, type Diver, type Rest, singles, wholeNumbers } from "./rounding";

export interface CuttingAnswer {
  /** Gives every piece exactly as often as wanted, less what is `short`. */
  used: Used;
  cost: number;
  /** No cutting could cost less: of the problem's style, or of any kind. */
  bound: number;
  boundStyle: "any" | "style";
  reasons: Reasons;
  proven: boolean;
  /** No cutting could use fewer boards or sheets, whichever they were. */
  fewest: number;
  /** Pieces left over when the stock ran out. */
  short: { piece: number; quantity: number }[];
  /** Layouts of the same pieces, none of which another beats in both cost and set-ups; cheapest first. */
  others: Used[];
}

/** Tells of every better layout with the bound so far, and is asked whether to go on. */
export interface Watcher {
  hear?(best: { cost: number; bound: number; count: number }): void;
  goOn?(): boolean;
}

export interface Wishes {
  /** How many set-ups a layout takes, and what one more is held to cost. */
  setUps(used: Used): number;
  price: number;
  /** What a layout's offcuts are held to be worth. */
  kept(used: Used): number;
}

const POWERS = [1, 1.15, 1.5, 0.95, 2];
/** Dives from the root end after so many, or so many programmes times their rows: a measure of work, not of time. */
const DIVES = 12;
/** Cells filled by pricing after which a search ends with what it has. */
const MOST_SPENT = 2e9;
/** How far from the bound to the best so far what is settled lies, one after another. */
const SHARES = [0, 1 / 8, 1 / 4, 1 / 2, 1];
/** With several prices nothing rounds up far: nearer the bound than this part of it, no further dive is worth its time. */
const NEAR = 3e-4;
const DIVE_WORK = { flat: 30_000, sheet: 1_500 };

/**
 * Solves a cutting problem: a layout, what it costs, and the least any could cost. First layouts built board by board,
 * then the relaxed programme with its bound, dives from it and whole numbers over all patterns met. `hear` is told of
 * every better layout with the bound so far and stops the search by returning false. The same problem gives the same
 * answer. Pieces alike are solved as one.
 */
export function solveCutting(
  problem: CuttingProblem,
  lp: LpSolver | undefined,
  watcher: Watcher = {},
  wishes?: Wishes,
): CuttingAnswer {
  const { merged, of } = merge(problem);
  const answer = solveMerged(merged, lp, watcher, wishes);
  const named = (used: Used) => split(problem, merged, of, used);
  return { ...answer, ...named(answer.used), others: answer.others.map((o) => named(o).used) };
}

function solveMerged(
  problem: CuttingProblem,
  lp: LpSolver | undefined,
  watcher: Watcher,
  wishes?: Wishes,
): CuttingAnswer {
  const { pieces, stock, style } = problem;
  const rest: Rest = { left: pieces.map((p) => p.quantity), supply: stock.map((s) => s.available) };
  const sums = sumsOf(stock.map((s) => s.price));
  const pool = new Pool();
  let best: Used | undefined;
  let left: number[] = [];
  const plain = anyBound(problem, sums);
  let bound = plain;
  const reasons: Reasons = { size: plain };
  let going = true;
  const goingOn = () => (going &&= watcher.goOn?.() ?? true);
  const tell = () => {
    if (best) watcher.hear?.({ cost: costOf(best, stock), bound, count: best.reduce((n, u) => n + u.repeat, 0) });
  };
  const reaches = (b: number) =>
    !goingOn() || (best !== undefined && sum(left) === 0 && costOf(best, stock) <= b + 1e-9);
  const found = (used: Used, over: number[] = []): void => {
    if (wishes && sum(over) === 0 && seen.length < MOST_SEEN) seen.push(trimmed(used, rest.left));
    // Whatever found it, what is overdrawn or gives too little is no layout.
    if (sum(over) === 0 && !covers(used, rest)) return;
    const fewer = sum(over) < sum(left) || !best;
    if (!fewer && (sum(over) > sum(left) || !cheaper(used, best, stock))) return;
    best = trimmed(used, rest.left);
    left = over;
    tell();
  };
  /** Whole layouts met, for the maker's other wishes. */
  const seen: Used[] = [];

  /** Looks for layouts of one style; `bounding` when it is the style the bound is for. */
  const search = (own: Style, bounding: boolean) => {
    const pricer = pricerOf({ ...problem, style: own });
    let goal = bound;
    const heavy = own.stages === 3;
    const goOn = () => goingOn() && pricer.spent() < MOST_SPENT;
    const flat = new Set(pieces.map((p) => p.width)).size === 1 && !pieces.some((p) => p.turn);
    for (const power of heavy ? POWERS.slice(0, 1) : POWERS) {
      const built = construct(stock, pricer, rest, areaWorth(pieces, power));
      for (const u of built.used) pool.add(u.pattern);
      found(built.used, built.left);
      if (reaches(goal)) return;
      if (pricer.spent() > MOST_SPENT / 8) break;
    }
    if (!lp) return;
    for (const p of singles({ stock, pricer }, rest)) pool.add(p);
    const raise = (b: number, why?: Reasons["tried"]) => {
      if (bounding && !why) reasons.fractions = Math.max(b, reasons.fractions ?? 0);
      goal = Math.max(goal, sums.up(b));
      if (!bounding || goal <= bound) return;
      if (why) reasons.tried = why;
      bound = goal;
      tell();
    };
    const root = relax(stock, pricer, rest.left, rest.supply, pool, lp, {
      rounds: bounding ? 1000 : 60,
      going: goOn,
      // With whole prices a bound that rounds up to what the programme costs is as good as it gets.
      enough: (cost, b) => {
        raise(b);
        return goal >= sums.up(cost - 1e-7 * cost) - 1e-9 || reaches(goal);
      },
    });
    if (!root) return;
    raise(root.bound);
    const several = stock.length > 1;
    const nearly = () => (several ? goal * (1 + NEAR) : goal);
    /**
     * Finds cheaper cuttings, or counts out that there are any: first for the least that could be, then for more and more,
     * up to what is next cheaper than the best. @returns true when it seems that nothing is, and looking on is idle
     */
    const settling = (): boolean => {
      if (!best || sum(left) > 0 || reaches(goal)) return false;
      const converged = relax(stock, pricer, rest.left, rest.supply, pool, lp, { rounds: 1000, going: goOn });
      if (!converged) return false;
      let tried = -Infinity;
      let prove = true;
      for (const share of SHARES) {
        const most = sums.below(costOf(best, stock));
        if (most === undefined || most < goal - 1e-9 || !goOn()) return false;
        const target = Math.min(most, sums.up(goal + share * (most - goal)));
        if (target <= tried + 1e-9) continue;
        tried = target;
        const settled = settle({ stock, pricer, lp, going: goOn, prove }, rest, converged, target);
        if (!settled) return false;
        const { used, least, patterns, vain } = settled;
        if (sums.up(least) > goal + 1e-9) raise(least, { patterns, upTo: sums.below(sums.up(least)) ?? 0 });
        if (used) found(used);
        if (vain && target === most) return true;
        // What is not proven for so much is not for more.
        prove &&= least > target;
      }
      return false;
    };
    let work = 0;
    const diver: Diver = {
      stock,
      pieces,
      pricer,
      pool,
      lp: (model) => {
        work += model.rows.length;
        return lp(model);
      },
      going: goOn,
      mayBeat: (cost) => !best || sum(left) > 0 || sums.up(cost - 1e-7 * cost) < costOf(best, stock) - 1e-9,
      buildEvery: heavy ? 6 : flat ? 1 : 3,
      found: (used) => {
        found(used);
        return reaches(goal);
      },
    };
    for (
      let i = 0;
      i < (bounding && !heavy ? DIVES : 1) &&
      work < DIVE_WORK[flat ? "flat" : "sheet"] &&
      goOn() &&
      !reaches(i > 0 ? nearly() : goal);
      i++
    ) {
      dive(diver, rest, root, i);
      if (i === 1 && flat && !reaches(goal)) found(barByBar(problem, goal) ?? []);
      if (i > 0 || !bounding || heavy || reaches(goal)) continue;
      if (several && !reaches(nearly())) wholeNumbers(diver, rest, root);
      if (settling()) return;
      if (!several && !flat && !reaches(goal)) wholeNumbers(diver, rest, root);
    }
  };
  if (pieces.length > 0) {
    // What is easier to cut goes first, and stays when nothing is cheaper.
    if (style.stages === 3) search({ ...style, stages: 2 }, false);
    else if (style.trim && style.plainFirst) search({ ...style, trim: false, ripOnly: true }, false);
    // Told to stop before it began, it still answers with a whole layout.
    if (!best || sum(left) > 0 || !reaches(bound)) search(style, true);
  }

  let used = best ?? [];
  let others: Used[] = [];
  if (wishes && used.length > 0 && sum(left) === 0) {
    const exact = (u: Used) => trimmed(u, rest.left);
    const plainest = pieceByPiece(problem, rest);
    if (plainest) seen.push(plainest);
    const tidier = lp && going ? fewerPatterns(used, stock, rest, exact, lp) : [];
    others = unbeaten([used, ...seen, ...tidier], stock, wishes.setUps);
    const value = (u: Used) => costOf(u, stock) + wishes.price * wishes.setUps(u) - wishes.kept(u);
    used = [...others, ...seen].reduce((a, b) => (value(b) < value(a) - 1e-9 ? b : a), others[0]!);
  }
  const cost = costOf(used, stock);
  const short = left.flatMap((quantity, piece) => (quantity > 0 ? [{ piece, quantity }] : []));
  return {
    used,
    cost,
    bound,
    fewest: Math.ceil(leastOf(problem) - 1e-6),
    reasons,
    boundStyle: bound > plain + 1e-9 ? "style" : "any",
    proven: short.length === 0 && cost <= bound + 1e-9,
    short,
    others,
  };
}

const MOST_SEEN = 200;

/** Every piece on boards of its own: the most wood, and the fewest settings. Undefined when the stock does not allow it. */
function pieceByPiece(problem: CuttingProblem, rest: Rest): Used | undefined {
  const pricer = pricerOf({ ...problem, style: { ...problem.style, stages: 2, trim: false, ripOnly: true } });
  const supply = [...rest.supply];
  const used: Used = [];
  for (const [i, n] of rest.left.entries()) {
    const only = rest.left.map((_, k) => (k === i ? n : 0));
    const built = construct(
      problem.stock,
      pricer,
      { left: only, supply },
      only.map((m) => (m > 0 ? 1 : 0)),
    );
    if (built.left[i]! > 0) return undefined;
    for (const u of built.used) if (supply[u.pattern.stock] !== null) supply[u.pattern.stock]! -= u.repeat;
    used.push(...built.used);
  }
  return used;
}

const sum = (ns: number[]) => ns.reduce((a, b) => a + b, 0);

/** How many of the largest board the pieces fill at the least, whatever the cutting; a fraction. */
function leastOf({ pieces, stock, kerf }: CuttingProblem): number {
  const rooms = stock.flatMap((s) => s.clear);
  if (rooms.length !== stock.length || rooms.length === 0) return 0;
  const around = { length: Math.max(...rooms.map((r) => r.length)), width: Math.max(...rooms.map((r) => r.width)) };
  if (!pieces.some((p) => p.turn && p.length !== p.width)) return boardBound(pieces, around, kerf);
  const area = pieces.reduce((n, p) => n + p.quantity * (p.length + kerf) * (p.width + kerf), 0);
  return area / ((around.length + kerf) * (around.width + kerf));
}

/** The least any cutting at all could cost, by dual feasible functions; 0 when nothing simple can be said. */
function anyBound(problem: CuttingProblem, sums: Sums): number {
  const { pieces, stock, kerf } = problem;
  const free = stock.filter((s) => s.price === 0);
  if (free.some((s) => s.available === null)) return 0;
  const bought = stock.filter((s) => s.price > 0);
  if (bought.length === 0) return 0;
  const rooms = stock.flatMap((s) => s.clear);
  if (rooms.length > stock.length) return 0;
  const grown = (r: Room) => (r.length + kerf) * (r.width + kerf);
  const area = (s: CutStock) => s.clear.reduce((n, r) => n + grown(r), 0);
  const boards = leastOf(problem);
  const need = boards - free.reduce((n, s) => n + s.available!, 0);
  if (bought.length === 1) return Math.max(0, Math.ceil(need - 1e-6)) * bought[0]!.price;
  // The cheapest area first.
  let open =
    pieces.reduce((n, p) => n + p.quantity * grown(p), 0) - free.reduce((n, s) => n + s.available! * area(s), 0);
  let cost = 0;
  for (const s of [...bought].sort((a, b) => a.price / area(a) - b.price / area(b))) {
    const taken = Math.max(0, Math.min(open, (s.available ?? Infinity) * area(s)));
    cost += (taken / area(s)) * s.price;
    open -= taken;
  }
  return sums.up(cost - 1e-9 * cost);
}

/** Numbers with decimals as whole ones: all multiplied by the same power of ten. @throws RangeError beyond six decimals */
export function wholeScale(numbers: number[]): number {
  for (let scale = 1; scale <= 1e6; scale *= 10)
    if (numbers.every((n) => Math.abs(n * scale - Math.round(n * scale)) < 1e-9 * Math.max(1, n * scale))) return scale;
  throw new RangeError("more than six decimals");
}
