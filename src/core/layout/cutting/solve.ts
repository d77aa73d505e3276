import { boardBound } from "../bound";
import type { LpSolver } from "../lp";
import {
  costOf,
  type CuttingProblem,
  type CutPiece,
  type CutStock,
  given,
  type Item,
  type Pattern,
  type Room,
  type Section,
  type Strip,
  type Style,
  type Used,
} from "./problem";
import { complete } from "./completion";
import { gathered, pricerOf } from "./pricing";
import { Pool, relax, upToPrices } from "./programme";
import { fewerPatterns, unbeaten } from "./tidy";
import { areaWorth, cheaper, construct, covers, dive, type Diver, type Rest, singles, wholeNumbers } from "./rounding";

export interface CuttingAnswer {
  /** Gives every piece exactly as often as wanted, less what is `short`. */
  used: Used;
  cost: number;
  /** No cutting could cost less: of the problem's style, or of any kind. */
  bound: number;
  boundStyle: "any" | "style";
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
/** So many pieces at most are filled in bar by bar. */
const FEW_PIECES = 150;
/** Cells filled by pricing after which a search ends with what it has. */
const MOST_SPENT = 3e9;
/** With several prices nothing rounds up far: nearer the bound than this part of it, no further dive is worth its time. */
const NEAR = 5e-5;
const DIVE_WORK = { flat: 30_000, sheet: 2_500 };

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
  const prices = stock.map((s) => s.price);
  const rounded = (b: number) => upToPrices(b, prices);
  const pool = new Pool();
  let best: Used | undefined;
  let left: number[] = [];
  const plain = anyBound(problem);
  let bound = plain;
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
    const raise = (b: number) => {
      goal = Math.max(goal, rounded(b));
      if (bounding && goal > bound) {
        bound = goal;
        tell();
      }
    };
    const root = relax(stock, pricer, rest.left, rest.supply, pool, lp, {
      rounds: bounding ? 1000 : 60,
      going: goOn,
      // With whole prices a bound that rounds up to what the programme costs is as good as it gets.
      enough: (cost, b) => {
        raise(b);
        return goal >= rounded(cost - 1e-7 * cost) - 1e-9 || reaches(goal);
      },
    });
    if (!root) return;
    raise(root.bound);
    // Where one size at one price is all there is, dives find what whole numbers over the patterns met do not.
    const wholeToo = bounding && !(flat && stock.length === 1);
    // One size at one price, few pieces: bar by bar, with no more waste than the goal leaves.
    const filled = () => {
      const [only] = stock;
      const total = sum(rest.left);
      if (
        !flat ||
        pieces.some((p) => p.block) ||
        stock.length > 1 ||
        only!.clear.length > 1 ||
        only!.price <= 0 ||
        total > FEW_PIECES
      )
        return;
      const { length, width } = only!.clear[0]!;
      if (2 * pieces[0]!.width + problem.kerf <= width) return;
      const bars = Math.min(Math.round(goal / only!.price), only!.available ?? Infinity);
      const sizes = pieces.map((p) => p.length + problem.kerf);
      const all = complete(sizes, rest.left, length + problem.kerf, bars);
      if (!all) return;
      const strips = (taken: number[]): Strip[] => [
        {
          size: pieces[0]!.width,
          count: 1,
          sections: taken.flatMap((count, piece) =>
            count > 0 ? [{ size: pieces[piece]!.length, count, items: [{ piece, turned: false, count: 1 }] }] : [],
          ),
        },
      ];
      const alike = new Map<string, Used[number]>();
      for (const taken of all) {
        const pattern: Pattern = {
          stock: 0,
          stretches: [{ clear: 0, order: "rip", strips: strips(taken) }],
          gives: taken,
        };
        const known = alike.get(taken.join());
        if (known) known.repeat++;
        else alike.set(taken.join(), { repeat: 1, pattern });
      }
      found([...alike.values()]);
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
      mayBeat: (cost) => !best || sum(left) > 0 || rounded(cost - 1e-7 * cost) < costOf(best, stock) - 1e-9,
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
      !reaches(i > 0 && stock.length > 1 ? goal * (1 + NEAR) : goal);
      i++
    ) {
      dive(diver, rest, root, i);
      if (i === 1 && !reaches(goal)) filled();
      if (wholeToo && i === (flat ? 0 : 2) && !reaches(goal))
        wholeNumbers(diver, rest, root, flat ? 300 : 250, flat ? 200 : 200);
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
function anyBound(problem: CuttingProblem): number {
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
  return upToPrices(
    cost - 1e-9 * cost,
    stock.map((s) => s.price),
  );
}

/** Pieces alike in size and turning become one; `of` says which each was. */
function merge(problem: CuttingProblem): { merged: CuttingProblem; of: number[] } {
  const at = new Map<string, number>();
  const pieces: CutPiece[] = [];
  const of = problem.pieces.map((p) => {
    const key = `${p.length} ${p.width} ${p.turn} ${p.block ?? false}`;
    let i = at.get(key);
    if (i === undefined) {
      i = pieces.length;
      at.set(key, i);
      pieces.push({ ...p });
    } else pieces[i] = { ...pieces[i]!, quantity: pieces[i]!.quantity + p.quantity };
    return i;
  });
  return { merged: { ...problem, pieces }, of };
}

/** Gives merged pieces their own names back, in order; a pattern whose pieces go over into the next becomes two. */
function split(
  problem: CuttingProblem,
  merged: CuttingProblem,
  of: number[],
  answered: Used,
): Pick<CuttingAnswer, "used" | "short"> {
  const queue = merged.pieces.map((_, m) =>
    of.flatMap((k, piece) => (k === m ? [{ piece, left: problem.pieces[piece]!.quantity }] : [])),
  );
  const next = (m: number) => queue[m]!.find((q) => q.left > 0)!;
  const used: Used = [];
  for (const { pattern, repeat } of answered) {
    for (let open = repeat; open > 0;) {
      const plain = pattern.gives.every((n, m) => n === 0 || next(m).left >= n);
      if (plain) {
        const times = Math.min(open, ...pattern.gives.flatMap((n, m) => (n > 0 ? [Math.floor(next(m).left / n)] : [])));
        const named = pattern.gives.map((n, m) => (n > 0 ? next(m).piece : -1));
        pattern.gives.forEach((n, m) => n > 0 && (next(m).left -= n * times));
        used.push({
          repeat: times,
          pattern: renamed(pattern, (item) => [{ ...item, piece: named[item.piece]! }], problem.pieces.length),
        });
        open -= times;
      } else {
        const naming = (item: Item): Item[] => {
          const out: Item[] = [];
          for (let n = item.count; n > 0;) {
            const q = next(item.piece);
            const count = Math.min(n, q.left);
            q.left -= count;
            n -= count;
            out.push({ ...item, piece: q.piece, count });
          }
          return out;
        };
        used.push({ repeat: 1, pattern: renamed(unfolded(pattern), naming, problem.pieces.length) });
        open--;
      }
    }
  }
  const short = queue.flat().flatMap(({ piece, left }) => (left > 0 ? [{ piece, quantity: left }] : []));
  return { used, short };
}

const unfolded = (p: Pattern): Pattern => ({
  ...p,
  stretches: p.stretches.map((t) => ({
    ...t,
    strips: t.strips.flatMap((s) =>
      Array.from({ length: s.count }, (): Strip => ({
        ...s,
        count: 1,
        sections: s.sections.flatMap((x) => Array.from({ length: x.count }, (): Section => ({ ...x, count: 1 }))),
      })),
    ),
  })),
});

function renamed(pattern: Pattern, name: (item: Item) => Item[], pieces: number): Pattern {
  const section = (x: Section): Section => ({ ...x, items: x.items.flatMap(name) });
  const stretches = pattern.stretches.map((t) => ({
    ...t,
    strips: folded(t.strips.map((s) => ({ ...s, sections: gathered(s.sections.map(section)) }))),
  }));
  return { ...pattern, stretches, gives: given(stretches, pieces) };
}

/** Takes out what patterns give above what is wanted, from as few of them as possible; empty ones are left out. */
function trimmed(used: Used, wanted: number[]): Used {
  let all = used;
  wanted.forEach((n, i) => {
    let over = all.reduce((s, u) => s + u.repeat * u.pattern.gives[i]!, 0) - n;
    if (over <= 0) return;
    all = [...all]
      .sort((a, b) => a.repeat - b.repeat)
      .flatMap(({ pattern, repeat }) => {
        const each = pattern.gives[i]!;
        if (over <= 0 || each === 0) return [{ pattern, repeat }];
        const empty = Math.min(repeat, Math.floor(over / each));
        over -= empty * each;
        const part = empty < repeat && over > 0 ? over : 0;
        over -= part;
        return [
          { pattern, repeat: repeat - empty - (part > 0 ? 1 : 0) },
          { pattern: without(pattern, i, each), repeat: empty },
          { pattern: without(pattern, i, part), repeat: part > 0 ? 1 : 0 },
        ].filter((u) => u.repeat > 0 && u.pattern.stretches.length > 0);
      });
  });
  return all;
}

/** A pattern with `n` fewer of one piece; what is then empty is left out. */
function without(pattern: Pattern, piece: number, n: number): Pattern {
  let over = n;
  const stretches = unfolded(pattern).stretches.flatMap((t) => {
    const strips = t.strips.flatMap((s): Strip[] => {
      const sections = s.sections.flatMap((x): Section[] => {
        const items = x.items.flatMap((it): Item[] => {
          const taken = it.piece === piece ? Math.min(over, it.count) : 0;
          over -= taken;
          return it.count > taken ? [{ ...it, count: it.count - taken }] : [];
        });
        return items.length > 0 ? [{ ...x, items }] : [];
      });
      return sections.length > 0 ? [{ ...s, sections: gathered(sections) }] : [];
    });
    return strips.length > 0 ? [{ ...t, strips: folded(strips) }] : [];
  });
  return { ...pattern, stretches, gives: given(stretches, pattern.gives.length) };
}

function folded(strips: Strip[]): Strip[] {
  const out = new Map<string, Strip>();
  for (const s of strips) {
    const key = JSON.stringify([s.size, s.sections]);
    const before = out.get(key);
    out.set(key, before ? { ...before, count: before.count + s.count } : s);
  }
  return [...out.values()];
}

/** Numbers with decimals as whole ones: all multiplied by the same power of ten. @throws RangeError beyond six decimals */
export function wholeScale(numbers: number[]): number {
  for (let scale = 1; scale <= 1e6; scale *= 10)
    if (numbers.every((n) => Math.abs(n * scale - Math.round(n * scale)) < 1e-9 * Math.max(1, n * scale))) return scale;
  throw new RangeError("more than six decimals");
}
