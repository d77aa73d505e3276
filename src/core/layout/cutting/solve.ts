import { type LpModel, type LpSolver, openWith } from "../lp";
import { leastOf } from "./bysize";
import { barByBar } from "./completion";
import { byCounts } from "./counts";
import { settle } from "./enumeration";
import { generateColumns, type MasterAnswer } from "./master";
import { areaDuals, construct, dive, type Diver, homogeneous, restrictedMaster } from "./primal";
import { type Pricer, pricerOf } from "./pricing";
import { costOf, type CuttingProblem, type Reasons, type Rest, type Style, type Used } from "./problem";
import { merge, renamed, split } from "./reshape";
import { Solving, type Watcher } from "./solving";
import { byParts } from "./staged";
import { fewerSetUps, unbeaten } from "./tidy";

/**
 * Cutting stock by column generation, with an incumbent and a bound that meet where they can.
 *
 * 80 sides of 19 1/8 out of boards with 95 1/2 to use: by size alone 80 · (19 1/8 + 1/8) / (95 1/2 + 1/8) says 17 boards. The
 * sequential heuristic cuts four a board, 20 boards: the incumbent. The relaxed programme has one column, four a board, and says 20:
 * the bound. They meet, the gap is nothing, and the layout is proven. Where they do not meet, dives look for a better incumbent,
 * and enumeration for a better one or a higher bound.
 */

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
  /** Layouts of the same pieces that none beats in cost and in all that is wished beside it, the one used among them; cheapest first. */
  others: Used[];
}

/** What a maker may weigh beside the cost, of layouts whose alike pieces all have the name of the first. */
export interface Wishes {
  /** How many set-ups a layout takes. */
  setUps(used: Used): number;
  /** No layout takes fewer. */
  fewest: number;
  /** What else is weighed, each the less the better. */
  beside(used: Used): number[];
}

/** Area to these powers stands in for duals when the first layouts are built. */
const POWERS = [1, 1.15, 1.5, 0.95, 2];
/** Dives from the root end after so many, or so many programmes times their rows: a measure of work, not of time. */
const DIVES = {
  flat: { most: 12, work: 100_000 },
  several: { most: 12, work: 1_500 },
  sheet: { most: 40, work: 6_000 },
};
/** Of wide stock of one price, a dive's last so many boards are cut by parts too, in so many tries. */
const PARTS = { below: 40, tries: 20 };
/** Cells filled by pricing for the first layouts of bars: with more, building one takes long. */
const LONG_BUILT = 1e8;
/**
 * Three stages, where pricing takes long: dives; cells filled by pricing after which those after the first end; boards between what the
 * relaxed programme costs and its bound at which it is near enough solved to dive from; boards left below which columns fit what is left.
 */
const HEAVY = { dives: 5, spent: 55e6, near: 0.2, fitting: 6 };
/** Cells filled by pricing after which a search ends with what it has. */
const MOST_SPENT = 2e9;
/** How far from the bound to the incumbent the targets of an enumeration lie, one after another. */
const SHARES = [0, 1 / 8, 1 / 4, 1 / 2, 1];
/** With several prices nothing rounds up far: a gap smaller than this part of the bound is worth no further dive. */
const GAP = 3e-4;

/** As `Watcher`, and is shown the best so far when that is wanted. */
export interface Viewer extends Watcher {
  show?(soFar: CuttingAnswer): void;
}

/**
 * Solves a cutting problem: a layout, what it costs, and the least any could cost. First layouts built board by board,
 * then the relaxed programme with its bound; of stock of several prices, counts of each; dives, the restricted master in whole
 * numbers, and enumeration. `hear` is told of every better layout with the bound so far; `goOn` stops the search by returning false.
 * The same problem gives the same answer. Pieces alike are solved as one.
 */
export function solveCutting(
  problem: CuttingProblem,
  lp: LpSolver | undefined,
  { show, ...watcher }: Viewer = {},
  wishes?: Wishes,
): CuttingAnswer {
  const { merged, of } = merge(problem);
  const named = (answer: CuttingAnswer): CuttingAnswer => {
    const renamedTo = (used: Used) => split(problem, merged, of, used);
    return { ...answer, ...renamedTo(answer.used), others: answer.others.map((o) => renamedTo(o).used) };
  };
  return named(solveMerged(merged, lp, { ...watcher, show: (soFar) => show?.(named(soFar)) }, wishes));
}

function solveMerged(
  problem: CuttingProblem,
  lp: LpSolver | undefined,
  { show, ...watcher }: Viewer,
  wishes?: Wishes,
): CuttingAnswer {
  const { pieces, style } = problem;
  const s = new Solving(problem, watcher, wishes !== undefined, () => show?.(answerOf(s, wishes, true)));
  if (pieces.length > 0) {
    // What is easier to cut goes first, and stays when nothing is cheaper.
    const easier: Style | undefined =
      style.stages === 3
        ? { ...style, stages: 2 }
        : style.trim && style.plainFirst
          ? { ...style, trim: false, ripOnly: true }
          : undefined;
    // Boards of several prices are seldom cut as cheaply in an easier way, and counts of them soon come to the least.
    const isLast = s.stock.length > 1 && style.stages === 2;
    if (easier && !isLast && s.goesOn()) new Search(s, easier, false, lp).run();
    if (s.goesOn() && !(s.isWhole && s.reaches(s.bound))) new Search(s, style, true, lp).run();
    if (easier && isLast && s.goesOn() && s.isWhole) cutEasier(s, easier, lp);
    if (s.stopped && !s.isWhole) s.consider(...anyhow(problem, s.rest));
  }
  return answerOf(s, wishes, s.stopped);
}

/** A layout of an easier style takes the incumbent's place, where one that costs no more is soon found. */
function cutEasier(s: Solving, style: Style, lp: LpSolver | undefined): void {
  const t = new Solving(s.problem, { goOn: () => s.goesOn() }, false);
  new Search(t, style, false, lp, s.cost).run();
  if (t.isWhole && t.cost <= s.cost + 1e-9) s.incumbent = t.incumbent;
}

/** What is known so far; the rest of what is wished is looked for too, unless nobody waits for it. */
function answerOf(s: Solving, wishes: Wishes | undefined, isBrief: boolean): CuttingAnswer {
  const used = s.incumbent ?? [];
  const others = wishes && s.isWhole ? toChoose(s, wishes, isBrief) : [used];
  const cost = costOf(used, s.stock);
  const short = s.left.flatMap((quantity, piece) => (quantity > 0 ? [{ piece, quantity }] : []));
  return {
    used,
    cost,
    bound: s.bound,
    fewest: Math.ceil(leastOf(s.problem) - 1e-6),
    reasons: s.reasons,
    boundStyle: s.bound > s.plain + 1e-9 ? "style" : "any",
    proven: short.length === 0 && cost <= s.bound + 1e-9,
    short,
    others,
  };
}

/** Of all whole layouts met those the maker may choose from, and of few set-ups more are looked for unless it `isBrief`. */
function toChoose(s: Solving, wishes: Wishes, isBrief: boolean): Used[] {
  const used = s.incumbent!;
  if (used.length === 0) return [used];
  const plainest = isBrief ? undefined : pieceByPiece(s.problem, s.rest);
  if (plainest) s.seen.push(plainest);
  const isLeast = (u: Used) => costOf(u, s.stock) <= s.bound + 1e-9 && wishes.setUps(u) <= wishes.fewest;
  const fewer = isBrief || isLeast(used) ? [] : fewerSetUps(s.problem, s.rest, () => s.goesOn(), isLeast);
  return unbeaten([used, ...s.seen, ...fewer], (u) => [costOf(u, s.stock), wishes.setUps(u), ...wishes.beside(u)]);
}

/** Looks for layouts of one style; `bounding` when it is the style the bound is for. */
class Search {
  private readonly pricer: Pricer;
  private readonly heavy: boolean;
  /** Every piece is as wide as the others: bars. */
  private readonly flat: boolean;
  /** Boards of several prices. */
  private readonly several: boolean;
  /** What no layout of this style is known to be cheaper than. */
  private target: number;
  /** Rows of the programmes solved by dives. */
  private work = 0;

  constructor(
    private readonly s: Solving,
    style: Style,
    private readonly bounding: boolean,
    private readonly lp: LpSolver | undefined,
    /** What costs more is not looked for; what costs as much is good enough. */
    private readonly most = Infinity,
  ) {
    const { pieces, stock } = s.problem;
    this.pricer = pricerOf({ ...s.problem, style });
    this.heavy = style.stages === 3;
    this.flat = new Set(pieces.map((p) => p.width)).size === 1 && !pieces.some((p) => p.turn);
    this.several = stock.length > 1;
    this.target = most < Infinity ? most : s.bound;
  }

  run(): void {
    const { s, lp } = this;
    if (this.firstLayouts() || !lp) return;
    for (const p of homogeneous({ stock: s.stock, pricer: this.pricer }, s.rest)) s.pool.add(p);
    const dearest = Math.max(...s.stock.map((x) => x.price));
    const root = this.generate({
      rounds: this.bounding ? 1000 : 60,
      // With whole prices a bound that rounds up to what the programme costs is as good as it gets.
      enough: (cost, bound) => {
        this.raise(bound);
        const isNear = !this.heavy || cost - bound <= HEAVY.near * dearest;
        return (
          (isNear && this.target >= s.sums.up(cost - 1e-7 * cost) - 1e-9) || s.reaches(this.target) || this.isTooDear()
        );
      },
    });
    if (!root) return;
    this.raise(root.bound);
    if (this.isTooDear()) return;
    this.dives(root, lp);
  }

  private isTooDear = () => this.target > this.most + 1e-9;
  private goOn = (): boolean => this.s.goesOn() && this.pricer.spent() < MOST_SPENT;

  /** @returns true when the incumbent is at the target already */
  private firstLayouts(): boolean {
    const { s, pricer } = this;
    for (const power of this.heavy ? POWERS.slice(0, 1) : POWERS) {
      const built = construct(s.stock, pricer, s.rest, areaDuals(s.problem.pieces, power), () => s.goesOn());
      if (built.stopped) return true;
      for (const u of built.used) s.pool.add(u.pattern);
      s.consider(built.used, built.left);
      if (s.reaches(this.target)) return true;
      if (pricer.spent() > MOST_SPENT / 8) break;
    }
    return false;
  }

  private generate(how: {
    rounds: number;
    enough?: (cost: number, bound: number) => boolean;
  }): MasterAnswer | undefined {
    const { s, pricer, goOn: going } = this;
    return generateColumns(s.stock, pricer, s.rest.left, s.rest.supply, s.pool, this.lp!, { ...how, going });
  }

  private raise(bound: number, by: { tried?: Reasons["tried"]; refuted?: number } = {}): void {
    const { s } = this;
    const isPlain = !by.tried && by.refuted === undefined;
    if (this.bounding && isPlain) s.reasons.fractions = Math.max(bound, s.reasons.fractions ?? 0);
    this.target = Math.max(this.target, s.sums.up(bound));
    if (!this.bounding || this.target <= s.bound) return;
    if (by.tried) s.reasons.tried = by.tried;
    if (by.refuted !== undefined) Object.assign(s.reasons, { counts: this.target, refuted: by.refuted });
    s.raise(this.target);
  }

  /** The solver, with what it does added up. */
  private counted(lp: LpSolver): LpSolver {
    const add = (model: LpModel) => (this.work += model.rows.length);
    const solve = (model: LpModel) => {
      add(model);
      return lp(model);
    };
    const open = (model: LpModel) => {
      const programme = openWith(lp, model);
      return {
        ...programme,
        solve: () => {
          add(model);
          return programme.solve();
        },
      };
    };
    return Object.assign(solve, { open });
  }

  /** The gap is nothing, or too small to be worth looking further. */
  private isNear(): boolean {
    return this.s.reaches(this.several ? this.target * (1 + GAP) : this.target);
  }

  private dives(first: MasterAnswer, lp: LpSolver): void {
    const { s, heavy, flat, several, bounding } = this;
    let root = first;
    let isFirst = true;
    const diver: Diver = {
      stock: s.stock,
      pieces: s.problem.pieces,
      pricer: this.pricer,
      pool: s.pool,
      lp: this.counted(lp),
      going: () => this.goOn() && (!heavy || isFirst || this.pricer.spent() < HEAVY.spent),
      mayBeat: (cost) => !s.isWhole || s.sums.up(cost - 1e-7 * cost) < s.cost - 1e-9,
      // Where one layout takes long to build, dives do without.
      buildEvery: heavy ? 6 : !flat ? 3 : this.pricer.spent() > LONG_BUILT ? 8 : 1,
      fittingBelow: heavy ? HEAVY.fitting : Infinity,
      ...(flat || several ? {} : { parts: { below: PARTS.below, cut: (...left) => this.byParts(diver, lp, ...left) } }),
      consider: (used) => {
        s.consider(used);
        return s.reaches(this.target);
      },
    };
    const { most, work } = DIVES[flat ? "flat" : several ? "several" : "sheet"];
    const times = bounding ? (heavy ? HEAVY.dives : most) : 1;
    const countsFirst = bounding && several && !flat && !heavy && s.isWhole;
    if (countsFirst) {
      const before = s.cost;
      this.byCounts(diver, root);
      if (s.cost < before || this.isNear()) return;
    }
    for (let i = 0; i < times && this.work < work && this.goOn(); i++) {
      if (i > 0 ? this.isNear() : s.reaches(this.target)) return;
      // In three stages the other root is a chance of its own.
      dive(diver, s.rest, heavy && i % 2 ? first : root, i);
      isFirst = false;
      if (i === 1 && flat && !s.reaches(this.target)) s.consider(barByBar(s.problem, this.target) ?? []);
      if (i > 0 || !bounding || s.reaches(this.target)) continue;
      // The first is to be soon: it dives from where the bound is met. What the programme can still save leaves later ones more room.
      if (!several) root = this.generate({ rounds: 1000 }) ?? root;
      if (heavy) {
        restrictedMaster(diver, s.rest, root);
        continue;
      }
      if (several && s.isWhole && !countsFirst) this.byCounts(diver, root);
      // Bars are soon settled as a whole too.
      if (several && s.isWhole && !flat) return;
      if (several && !this.isNear()) restrictedMaster(diver, s.rest, root);
      if (this.settles(lp)) return;
      if (!several && !flat && !s.reaches(this.target)) restrictedMaster(diver, s.rest, root);
    }
  }

  private byCounts(diver: Diver, root: MasterAnswer): void {
    const { s } = this;
    if (this.isNear()) return;
    byCounts(diver, s.rest, root, {
      sums: s.sums,
      cost: () => s.cost,
      raise: (bound, refuted) => this.raise(bound, { refuted }),
      isNear: () => this.isNear(),
    });
  }

  /** Cuts what a dive has left by parts for less than the incumbent costs. Its programmes are larger, and counted by themselves. */
  private byParts(
    diver: Diver,
    lp: LpSolver,
    rest: Rest,
    fixed: Used,
    relaxed: MasterAnswer,
    attempt: number,
  ): boolean {
    const { s } = this;
    const most = s.isWhole ? s.sums.below(s.cost) : undefined;
    const found =
      most !== undefined &&
      byParts({ ...diver, lp }, rest, relaxed, most - costOf(fixed, s.stock), { attempt, tries: PARTS.tries });
    return found ? diver.consider([...fixed, ...found]) : false;
  }

  /**
   * Finds cheaper cuttings, or counts out that there are any: first for the least that could be, then for more and more,
   * up to what is next cheaper than the incumbent. @returns true when it seems that nothing is, and looking on is idle
   */
  private settles(lp: LpSolver): boolean {
    const { s } = this;
    if (!s.isWhole || s.reaches(this.target)) return false;
    const converged = this.generate({ rounds: 1000 });
    if (!converged) return false;
    let tried = -Infinity;
    let prove = true;
    for (const share of SHARES) {
      const most = s.sums.below(s.cost);
      if (most === undefined || most < this.target - 1e-9 || !this.goOn()) return false;
      const upTo = Math.min(most, s.sums.up(this.target + share * (most - this.target)));
      if (upTo <= tried + 1e-9) continue;
      tried = upTo;
      const settled = settle(
        { stock: s.stock, pricer: this.pricer, lp, going: this.goOn, prove },
        s.rest,
        converged,
        upTo,
      );
      if (!settled) return false;
      const { used, least, patterns, vain } = settled;
      if (s.sums.up(least) > this.target + 1e-9)
        this.raise(least, { tried: { patterns, upTo: s.sums.below(s.sums.up(least)) ?? 0 } });
      if (used) s.consider(used);
      if (vain && upTo === most) return true;
      // What is not proven for so much is not for more.
      prove &&= least > upTo;
    }
    return false;
  }
}

/** Every piece on boards of its own: the most wood, and the fewest settings. Undefined when the stock does not allow it. */
function pieceByPiece(problem: CuttingProblem, rest: Rest): Used | undefined {
  const supply = [...rest.supply];
  const used: Used = [];
  for (const [i, n] of rest.left.entries()) {
    if (n === 0) continue;
    // Of one piece there is little to choose from: all of it is built in a fraction of what one board of many kinds takes.
    const pieces = [problem.pieces[i]!];
    const pricer = pricerOf({ ...problem, pieces, style: { ...problem.style, stages: 2, trim: false, ripOnly: true } });
    const built = construct(problem.stock, pricer, { left: [n], supply }, [1]);
    if (built.left[0]! > 0) return undefined;
    for (const { pattern, repeat } of built.used) {
      if (supply[pattern.stock] !== null) supply[pattern.stock]! -= repeat;
      used.push({ pattern: renamed(pattern, (item) => [{ ...item, piece: i }], rest.left.length), repeat });
    }
  }
  return used;
}

/** Nobody waits for a good layout: one that is whole, in a fraction of the time; or, where the stock is too small for that, a full one. */
function anyhow(problem: CuttingProblem, rest: Rest): [Used, number[]?] {
  const plainest = pieceByPiece(problem, rest);
  if (plainest) return [plainest];
  const pricer = pricerOf({ ...problem, style: { ...problem.style, stages: 2 } });
  const { used, left } = construct(problem.stock, pricer, rest, areaDuals(problem.pieces, POWERS[0]!));
  return [used, left];
}

/** Numbers with decimals as whole ones: all multiplied by the same power of ten. @throws RangeError beyond six decimals */
export function wholeScale(numbers: number[]): number {
  for (let scale = 1; scale <= 1e6; scale *= 10)
    if (numbers.every((n) => Math.abs(n * scale - Math.round(n * scale)) < 1e-9 * Math.max(1, n * scale))) return scale;
  throw new RangeError("more than six decimals");
}
