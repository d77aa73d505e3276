import { settle } from "./enumeration";
import { byLarge } from "./large";
import { generateColumns, type MasterAnswer } from "./master";
import { mend } from "./mend";
import { dive, type Diver, restrictedMaster } from "./primal";
import { added, type CutStock, type Rest, type Supply } from "./problem";
import { byParts } from "./staged";
import type { Sums } from "./sums";

/**
 * Branching on how many of each stock are cut: where boards have several prices, the relaxed programme mixes them in fractions.
 *
 * Boards at 14.20 and 8.60; relaxed, 30.4 and 21.2 of them cost 614. Either no more than 30 of the first are used, or 31 and more:
 * each costs a little more than 614, and so on, until every count is whole, say 33 and 17 for 614.80 and next to nothing to waste.
 * Whether so many boards can be cut into every piece is then tried by a dive that may use no others. Where it finds nothing, 30 and
 * 22 for 615.20 may be cut at once: only then the first are gone into, by further dives and with large pieces first, which may take
 * long.
 */

/** So many of each stock at the least and at the most, and what no cutting within is cheaper than. */
interface Node {
  needs: number[];
  supply: Supply;
  bound: number;
  /** How many of each the relaxed answer cuts, once it is solved. */
  counts?: number[];
}

/** Nodes gone into, and whole counts tried, before the search ends with what it has. */
const MOST_NODES = 200;
const MOST_TRIED = 12;
/** So many counts for which the first dive finds nothing are put off before one of them is gone into. */
const MOST_LATER = 4;
/** As many nodes are gone into even where the gap is small: many a proof takes no more. */
const FEW_NODES = 40;
/**
 * Dives for one set of counts; and for one whose boards leave less than this part of the cheapest to waste. Those that are `soon` come
 * before large pieces are looked at.
 */
const DIVES = { few: { most: 3, tight: 1, waste: 0.1, soon: 1 }, many: { most: 4, tight: 2, waste: 0.05, soon: 2 } };
/** With less to waste than this part of the cheapest, large pieces are looked at. */
const LARGE = 0.5;
/** With less than this the boards are full, and mostly too few: dives wait until large pieces are looked at. */
const FULL = 0.01;
/** Of so few boards each piece counts: what dives leave is mended. Of more, fractions are soon made whole. */
const FEW_BOARDS = 28;
/** Of many, a dive's last so many, by the dearest, are cut by parts too, in so many tries. */
const PARTS = { below: 40, tries: 8 };
/** Cells filled by pricing after which no further dive for one set of counts is begun; a small gap is let be; the search ends. */
const SPENT = { dives: 25e6, near: 50e6, all: 400e6 };
/** A count this near to a whole number is one. */
const WHOLE = 1e-6;

/** What the search is told of, and asks. */
export interface Counting {
  sums: Sums;
  /** What a cutting has to be cheaper than. */
  cost(): number;
  /** A better bound, for which so many whole counts were shown to be too few boards. */
  raise(bound: number, refuted: number): void;
  /** The gap is too small to be worth looking further. */
  isNear(): boolean;
}

/**
 * Branch and bound on the counts of each stock, least bound first. A bound holds whatever the solver answers, by the duals it is made
 * of (`boundOf`); the counts it answers only say where to branch.
 */
export function byCounts(d: Diver, rest: Rest, root: MasterAnswer, { sums, cost, raise, isNear }: Counting): void {
  let open: Node[] = [{ needs: rest.supply.map(() => 0), supply: rest.supply, bound: root.bound }];
  // Counts for which a first dive found nothing: others are often found at once, and cost next to nothing more.
  let later: Trial[] = [];
  // The least of what is not gone into, or was tried in vain and not shown to be impossible.
  let unsettled = Infinity;
  let refuted = 0;
  const isBeaten = (bound: number) => sums.up(bound) >= cost() - 1e-9;
  const before = d.pricer.spent();
  const heard = (outcome: Outcome, price: number) => {
    if (outcome === "too few") refuted++;
    if (outcome === "open") unsettled = Math.min(unsettled, price);
  };
  const leave = () => {
    unsettled = Math.min(unsettled, ...open.map((n) => n.bound));
    open = [];
  };
  for (let nodes = 0, tried = 0; d.going();) {
    const spent = d.pricer.spent() - before;
    if (nodes >= MOST_NODES) leave();
    open = open.filter((n) => !isBeaten(n.bound));
    later = later.filter((t) => !isBeaten(t.price));
    raise(Math.min(cost(), unsettled, ...later.map((t) => t.price), ...open.map((n) => n.bound)), refuted);
    if (open.length + later.length === 0 || (isNear() && (tried > 0 || nodes > FEW_NODES || spent > SPENT.near)))
      return;
    if (spent > SPENT.all) return;
    if (later.length > 0 && (open.length === 0 || later.length >= MOST_LATER)) {
      // The one with most room is found soonest.
      const trial = later.reduce((a, b) => (roomOf(b) > roomOf(a) + 1e-9 ? b : a));
      heard(thoroughly(d, trial, cost), trial.price);
      later = later.filter((t) => t !== trial);
      continue;
    }
    const node = open.reduce((a, b) => (b.bound < a.bound ? b : a));
    if (!node.counts) {
      const answer = generateColumns(d.stock, d.pricer, rest.left, node.supply, d.pool, d.lp, {
        rounds: 200,
        going: d.going,
        needs: node.needs,
        enough: (_, bound) => isBeaten(bound),
      });
      // Nothing is known of it but its bound.
      if (!answer) {
        leave();
        continue;
      }
      // Others may be less by what is known of them: this one is gone into when its turn comes.
      node.bound = Math.max(node.bound, answer.bound);
      node.counts = countsOf(answer, node);
      nodes++;
      continue;
    }
    open = open.filter((n) => n !== node);
    const { bound, counts } = node;
    const at = counts.reduce((far, n, s) => (offWhole(n) > offWhole(counts[far]!) ? s : far), 0);
    if (offWhole(counts[at]!) > WHOLE) {
      open.push(
        { needs: node.needs, bound, supply: node.supply.with(at, Math.floor(counts[at]!)) },
        { supply: node.supply, bound, needs: node.needs.with(at, Math.ceil(counts[at]!)) },
      );
      continue;
    }
    const exact = counts.map(Math.round);
    const price = priceOf(exact, d.stock);
    // Whole, but with pieces missing: so many boards are too few.
    if (price > bound - 1e-6) {
      if (tried++ >= MOST_TRIED) {
        open.push(node);
        leave();
        continue;
      }
      const trial = soon(d, { left: rest.left, supply: exact }, price, cost);
      if (typeof trial === "string") heard(trial, price);
      else later.push(trial);
    }
    // Its bound is that of any other counts too: only what is dearer is done with.
    open.push(...around(exact, node));
  }
}

/** Whether a cutting with no more boards was found, shown to be impossible, or neither. */
type Outcome = "found" | "too few" | "open";

/** So many of each board and what they cost, with the relaxed programme of no others. */
interface Trial {
  within: Rest;
  price: number;
  relaxed: MasterAnswer;
}

const roomOf = ({ price, relaxed }: Trial) => price - relaxed.bound;
const areFew = ({ supply }: Rest) => supply.reduce<number>((sum, n) => sum + (n ?? Infinity), 0) <= FEW_BOARDS;

/** One dive with no more boards than `within`, where there is room. @returns what is still to be tried when it finds nothing */
function soon(d: Diver, within: Rest, price: number, cost: () => number): Outcome | Trial {
  const relaxed = generateColumns(d.stock, d.pricer, within.left, within.supply, d.pool, d.lp, {
    rounds: 200,
    going: d.going,
  });
  if (!relaxed) return "open";
  if (relaxed.bound > price + 1e-6) return "too few";
  const trial = { within, price, relaxed };
  if (!isTight(d, trial, FULL)) dive(diverFor(d, trial, cost, 0), within, relaxed, 0);
  return cost() <= price + 1e-9 ? "found" : trial;
}

const divesOf = ({ within }: Trial) => DIVES[areFew(within) ? "few" : "many"];
const isTight = (d: Diver, trial: Trial, part: number) =>
  roomOf(trial) < part * Math.min(...d.stock.map((s) => s.price).filter((p) => p > 0));

/** Of many boards a dive's last are cut by parts too. */
function diverFor(d: Diver, { within, price }: Trial, cost: () => number, attempt: number): Diver {
  if (areFew(within)) return { ...d, parts: undefined };
  const cut: NonNullable<Diver["parts"]>["cut"] = (left, fixed, then) => {
    const found = byParts(d, left, then, priceOf(left.supply, d.stock), { attempt, tries: PARTS.tries });
    if (found) d.consider([...fixed, ...found]);
    return cost() <= price + 1e-9;
  };
  return { ...d, parts: { below: PARTS.below, cut } };
}

/** What comes after the first dive. */
function thoroughly(d: Diver, trial: Trial, cost: () => number): Outcome {
  const { within, price, relaxed } = trial;
  const isFound = () => cost() <= price + 1e-9;
  const isFew = areFew(within);
  const dives = divesOf(trial);
  const most = isTight(d, trial, dives.waste) ? dives.tight : dives.most;
  const before = d.pricer.spent();
  const full = isTight(d, trial, FULL);
  const dived = full ? 0 : dives.soon;
  for (let i = 1; i < dived && !isFound(); i++) dive(diverFor(d, trial, cost, i), within, relaxed, i);
  if (!isFound() && isTight(d, trial, LARGE) && byLarge(d, within, relaxed, { price, isFound, full })) return "too few";
  for (let i = 0; i < most && (i < 2 || d.pricer.spent() - before < SPENT.dives) && !isFound() && d.going(); i++) {
    if (i >= dived) dive(diverFor(d, trial, cost, i), within, relaxed, i);
    if (isFound() || (i > 0 && !isFew)) continue;
    const lacking = restrictedMaster(d, within, relaxed, price);
    if (lacking && isFew && !isFound()) mend(d, within, lacking, i, isFound);
  }
  if (isFound()) return "found";
  if (!d.going()) return "open";
  const { stock, pricer, lp, going } = d;
  const settled = settle({ stock, pricer, lp, going, prove: true, soon: true }, within, relaxed, price);
  if (settled?.used) d.consider(settled.used);
  if (isFound()) return "found";
  return settled !== undefined && settled.least > price + 1e-9 ? "too few" : "open";
}

const priceOf = (counts: Supply, stock: CutStock[]) => added(counts.map((n, s) => n! * stock[s]!.price));

/** All counts of a node but these, in parts that do not overlap. */
function around(exact: number[], { needs, supply, bound }: Node): Node[] {
  return exact.flatMap((n, s): Node[] => {
    const part: Node = {
      bound,
      needs: needs.map((m, k) => (k < s ? exact[k]! : m)),
      supply: supply.map((m, k) => (k < s ? exact[k]! : m)),
    };
    return [
      ...(n > needs[s]! ? [{ ...part, supply: part.supply.with(s, n - 1) }] : []),
      ...(n < (supply[s] ?? Infinity) ? [{ ...part, needs: part.needs.with(s, n + 1) }] : []),
    ];
  });
}

/** How many of each stock the relaxed answer cuts; within the node, whatever the solver says. */
function countsOf({ patterns, values }: MasterAnswer, { needs, supply }: Node): number[] {
  const counts = supply.map(() => 0);
  patterns.forEach((p, i) => (counts[p.stock]! += values[i]!));
  return counts.map((n, s) => Math.min(supply[s] ?? Infinity, Math.max(needs[s]!, n)));
}

const offWhole = (n: number) => Math.abs(n - Math.round(n));
