import type { Length } from "@/core/length/length";
import { nm } from "@/core/length/length";
import type { BoardStock } from "@/core/job/job";
import { boardBound, wholeBoards } from "./bound";
import type { LpSolver } from "./lp";
import { type Pattern, solvePatterns, totals } from "./patterns";
import { type Group, type Lying, type Saw, trims, usable } from "./request";

/** A piece on a board: its corner from the left end and the reference edge, in nm. */
export interface LaidPiece {
  blank: string;
  x: Length;
  y: Length;
  length: Length;
  width: Length;
}

export interface Offcut {
  x: Length;
  y: Length;
  length: Length;
  width: Length;
  keep: boolean;
}

/** One way to cut a board, and how many boards are cut so: rips across the whole length, then crosscuts. */
export interface Layout {
  stock: number;
  repeat: number;
  strips: { y: Length; width: Length; pieces: LaidPiece[] }[];
  offcuts: Offcut[];
}

export interface GroupLayout {
  layouts: Layout[];
  /** Pieces that were left when the stock ran out. */
  short: { blank: string; quantity: number }[];
  boundCount: number;
  boundCost: number;
  cost: number;
  count: number;
  /** What the bound holds for: any cutting at all, or ripping first. */
  boundStyle: "any" | "rip-first";
}

interface Row {
  pieces: number[];
  value: number;
}

/** How a try weighs its pieces: larger exponents lay long pieces first. */
const TRIES = [1, 1.02, 1.06, 1.12, 1.2, 1.35, 1.6, 2, 0.99, 0.97].flatMap((power) => [
  { power, lead: "widest" as const },
  { power, lead: "best" as const },
]);

/**
 * Rip-then-crosscut layouts for boards of one thickness. First patterns built one after another, each the fullest that
 * the pieces still wanted allow; then, with a solver at hand, the pattern linear programme over all of them, which also
 * says how little any rip-first layout could cost. `onTry` hears of each better one and may stop the search by
 * returning false.
 */
export function layBoards(
  group: Group,
  stock: BoardStock[],
  saw: Saw,
  onTry: (best: GroupLayout, done: number, of: number) => boolean = () => true,
  lp?: LpSolver,
): GroupLayout {
  const bounds = groupBound(group, stock, saw);
  const steps = TRIES.length + (lp ? 1 : 0);
  const found: Pattern[] = [];
  let best: GroupLayout | undefined;
  const proven = () => best!.short.length === 0 && best!.cost <= best!.boundCost + 1e-9;
  for (const [i, how] of TRIES.entries()) {
    const layouts = tryOnce(group, stock, saw, how, found);
    const made = summed(layouts, group, stock, bounds);
    if (!best || better(made, best)) best = made;
    if (!onTry(best, i + 1, steps)) return best;
    if (proven()) return best;
  }
  if (!lp || best!.short.length > 0) return best!;
  const answer = solvePatterns(group, stock, saw, distinct(found, group), lp, () => onTry(best!, TRIES.length, steps));
  if (!answer) return best!;
  const boundStyle = answer.bound > bounds.cost + 1e-9 ? "rip-first" : "any";
  const [only, ...others] = group.stock.map((i) => stock[i]!);
  // With one kind of board, so much money is so many boards.
  const count = only && others.length === 0 && only.price > 0 ? Math.ceil(answer.bound / only.price - 1e-6) : 0;
  const tighter = { count: Math.max(bounds.count, count), cost: Math.max(bounds.cost, answer.bound) };
  const layouts = exactly(answer.used ?? [], group).map(({ pattern, repeat }) =>
    place(pattern.stock, repeat, built(pattern), group.lying, stock[pattern.stock]!, saw),
  );
  const solved = summed(layouts, group, stock, tighter);
  const kept: GroupLayout = {
    ...(better(solved, best!) ? solved : best!),
    boundCost: tighter.cost,
    boundCount: tighter.count,
    boundStyle,
  };
  onTry(kept, steps, steps);
  return kept;
}

const built = (p: Pattern): Built[] => p.strips.map((s) => ({ width: s.width, row: { pieces: s.counts, value: 0 } }));

function distinct(patterns: Pattern[], group: Group): Pattern[] {
  const key = (p: Pattern) => `${p.stock} ${totals(p, group.lying.length).join(" ")}`;
  return [...new Map(patterns.map((p) => [key(p), p])).values()];
}

/** Takes out what patterns give above what is wanted, from as few boards as possible. */
function exactly(used: { pattern: Pattern; repeat: number }[], group: Group): { pattern: Pattern; repeat: number }[] {
  let all = used;
  group.lying.forEach((l, i) => {
    let over = all.reduce((s, u) => s + u.repeat * totals(u.pattern, group.lying.length)[i]!, 0) - l.blank.quantity;
    all = all
      .toSorted((a, b) => a.repeat - b.repeat)
      .flatMap(({ pattern, repeat }) => {
        const each = totals(pattern, group.lying.length)[i]!;
        if (over <= 0 || each === 0) return [{ pattern, repeat }];
        const empty = Math.min(repeat, Math.floor(over / each));
        over -= empty * each;
        const part = empty < repeat && over > 0 ? over : 0;
        over -= part;
        return [
          { pattern, repeat: repeat - empty - (part > 0 ? 1 : 0) },
          { pattern: without(pattern, i, each), repeat: empty },
          { pattern: without(pattern, i, part), repeat: part > 0 ? 1 : 0 },
        ].filter((u) => u.repeat > 0 && u.pattern.strips.length > 0);
      });
  });
  return all;
}

/** A pattern with `n` fewer of one blank, empty strips left out. */
function without(pattern: Pattern, blank: number, n: number): Pattern {
  let left = n;
  const strips = pattern.strips.map((s) => {
    const taken = Math.min(left, s.counts[blank]!);
    left -= taken;
    return { ...s, counts: s.counts.map((c, i) => (i === blank ? c - taken : c)) };
  });
  return { ...pattern, strips: strips.filter((s) => s.counts.some((c) => c > 0)) };
}

function better(a: GroupLayout, b: GroupLayout): boolean {
  const short = (g: GroupLayout) => g.short.reduce((s, x) => s + x.quantity, 0);
  return (
    short(a) - short(b) < 0 ||
    (short(a) === short(b) &&
      (a.cost - b.cost < -1e-9 || (Math.abs(a.cost - b.cost) < 1e-9 && a.layouts.length < b.layouts.length)))
  );
}

function summed(
  layouts: Layout[],
  group: Group,
  stock: BoardStock[],
  bounds: { count: number; cost: number },
): GroupLayout {
  const made = new Map<string, number>();
  for (const l of layouts)
    for (const s of l.strips) for (const p of s.pieces) made.set(p.blank, (made.get(p.blank) ?? 0) + l.repeat);
  const short = group.lying
    .map(({ blank }) => ({ blank: blank.id, quantity: blank.quantity - (made.get(blank.id) ?? 0) }))
    .filter((s) => s.quantity > 0);
  const count = layouts.reduce((s, l) => s + l.repeat, 0);
  const cost = layouts.reduce((s, l) => s + l.repeat * stock[l.stock]!.price, 0);
  return { layouts, short, count, cost, boundCount: bounds.count, boundCost: bounds.cost, boundStyle: "any" };
}

/** The least boards and the least money any layout of these pieces could take. */
export function groupBound(group: Group, stock: BoardStock[], saw: Saw): { count: number; cost: number } {
  const pieces = group.lying.map((l) => ({ length: l.blank.length, width: l.width, quantity: l.blank.quantity }));
  const entries = group.stock.map((i) => stock[i]!);
  const rooms = entries.map((s) => usable(s, saw));
  const around = { length: Math.max(...rooms.map((r) => r.length)), width: Math.max(...rooms.map((r) => r.width)) };
  const count = wholeBoards(boardBound(pieces, around, saw.kerf));
  const free = entries.filter((s) => s.price === 0);
  if (free.some((s) => s.available === null)) return { count, cost: 0 };
  const bought = entries.filter((s) => s.price > 0);
  const need = boardBound(pieces, around, saw.kerf) - free.reduce((n, s) => n + s.available!, 0);
  if (bought.length === 1) {
    const room = usable(bought[0]!, saw);
    // Boards in the yard that fit within a bought one count as at most one of it each.
    const within = free.every((s) => usable(s, saw).length <= room.length && usable(s, saw).width <= room.width);
    return { count, cost: within ? wholeBoards(need) * bought[0]!.price : 0 };
  }
  const area = (r: { length: number; width: number }) => (r.length + saw.kerf) * (r.width + saw.kerf);
  let left =
    pieces.reduce((s, p) => s + p.quantity * (p.length + saw.kerf) * (p.width + saw.kerf), 0) -
    free.reduce((s, e) => s + e.available! * area(usable(e, saw)), 0);
  let cost = 0;
  for (const s of bought.sort((a, b) => a.price / area(usable(a, saw)) - b.price / area(usable(b, saw)))) {
    if (left <= 0) break;
    const taken = Math.min(left, s.available === null ? Infinity : s.available * area(usable(s, saw)));
    cost += (taken / area(usable(s, saw))) * s.price;
    left -= taken;
  }
  return { count, cost };
}

function tryOnce(
  group: Group,
  stock: BoardStock[],
  saw: Saw,
  how: { power: number; lead: "widest" | "best" },
  found: Pattern[],
): Layout[] {
  const left = group.lying.map((l) => l.blank.quantity);
  const supply = new Map(group.stock.map((i) => [i, stock[i]!.available ?? Infinity]));
  const layouts: Layout[] = [];
  while (left.some((n) => n > 0)) {
    const open = group.stock.filter((i) => supply.get(i)! > 0);
    // What costs nothing is used up first; among the rest the most wood for the money.
    const free = open.filter((i) => stock[i]!.price === 0);
    let pick: { index: number; rows: Built[]; score: number } | undefined;
    for (const pool of free.length > 0 ? [free, open] : [open]) {
      for (const index of pool) {
        const rows = fillBoard(group.lying, left, usable(stock[index]!, saw), saw.kerf, how);
        const value = rows.reduce((s, r) => s + r.row.value, 0);
        const room = usable(stock[index]!, saw);
        const score = value / (stock[index]!.price || 1e-6 * room.length * room.width);
        if (value > 0 && (!pick || score > pick.score)) pick = { index, rows, score };
      }
      if (pick) break;
    }
    if (!pick) break;
    const used = group.lying.map((_, i) => pick.rows.reduce((n, r) => n + r.row.pieces[i]!, 0));
    const repeat = Math.min(
      supply.get(pick.index)!,
      ...used.flatMap((n, i) => (n > 0 ? [Math.floor(left[i]! / n)] : [])),
    );
    used.forEach((n, i) => (left[i] = left[i]! - n * repeat));
    supply.set(pick.index, supply.get(pick.index)! - repeat);
    found.push({ stock: pick.index, strips: pick.rows.map((r) => ({ width: r.width, counts: r.row.pieces })) });
    layouts.push(place(pick.index, repeat, pick.rows, group.lying, stock[pick.index]!, saw));
  }
  return layouts;
}

interface Built {
  width: number;
  row: Row;
}

/** Chooses the strips of one board: the leading width first, then the best of what fits beside it. */
function fillBoard(
  lying: Lying[],
  wanted: number[],
  room: { length: number; width: number },
  kerf: number,
  how: { power: number; lead: "widest" | "best" },
): Built[] {
  const left = [...wanted];
  const rows: Built[] = [];
  let width = room.width;
  for (;;) {
    const open = [
      ...new Set(
        lying.flatMap((l, i) => (left[i]! > 0 && l.width <= width && l.blank.length <= room.length ? [l.width] : [])),
      ),
    ].sort((a, b) => b - a);
    if (open.length === 0) return rows;
    const tried = (how.lead === "widest" && rows.length === 0 ? open.slice(0, 1) : open).map((w) => ({
      width: w,
      row: fillStrip(lying, left, w, room.length, kerf, how.power),
    }));
    const best = tried.reduce((a, b) =>
      b.row.value / (b.width + kerf) > a.row.value / (a.width + kerf) + 1e-12 ? b : a,
    );
    best.row.pieces.forEach((n, i) => (left[i] = left[i]! - n));
    rows.push(best);
    width -= best.width + kerf;
  }
}

/** The fullest strip of one width: a bounded knapsack over lengths, each piece taking one kerf. */
function fillStrip(lying: Lying[], left: number[], width: number, length: number, kerf: number, power: number): Row {
  const pieces = left.map(() => 0);
  const items = lying.flatMap((l, i) =>
    l.width === width && left[i]! > 0 && l.blank.length <= length
      ? [
          {
            i,
            size: l.blank.length + kerf,
            most: Math.min(left[i]!, Math.floor((length + kerf) / (l.blank.length + kerf))),
          },
        ]
      : [],
  );
  const step = Math.max(
    items.reduce((g, it) => gcd(g, it.size), 0),
    Math.ceil((length + kerf) / 60_000),
  );
  const cap = Math.floor((length + kerf) / step);
  const value = new Float64Array(cap + 1);
  const taken = items.map(() => new Uint16Array(cap + 1));
  items.forEach((item, k) => {
    const size = Math.ceil(item.size / step);
    const worth = (item.size / (length + kerf)) ** power * width;
    // Bounded: `taken[k][c]` pieces of item k in the best filling of c with items up to k.
    for (let c = cap; c >= size; c--)
      for (let n = 1; n <= item.most && n * size <= c; n++) {
        const v = value[c - n * size]! + n * worth;
        if (v > value[c]! + 1e-9) {
          value[c] = v;
          taken[k]![c] = n;
        }
      }
  });
  let c = cap;
  for (let k = items.length - 1; k >= 0; k--) {
    const n = taken[k]![c]!;
    pieces[items[k]!.i] = n;
    c -= n * Math.ceil(items[k]!.size / step);
  }
  return { pieces, value: items.reduce((s, it) => s + pieces[it.i]! * it.size, 0) * width };
}

function gcd(a: number, b: number): number {
  while (b > 0) [a, b] = [b, a % b];
  return a;
}

function place(index: number, repeat: number, rows: Built[], lying: Lying[], board: BoardStock, saw: Saw): Layout {
  const room = usable(board, saw);
  const offcuts: Offcut[] = [];
  const offcut = (x: number, y: number, length: number, width: number) => {
    if (length > 0 && width > 0)
      offcuts.push({
        x: nm(x),
        y: nm(y),
        length: nm(length),
        width: nm(width),
        keep: length >= saw.keepOffcut && width >= KEEP_WIDTH,
      });
  };
  const { end, edge } = trims(board, saw);
  let y: number = edge;
  const strips = [...rows]
    .sort((a, b) => b.width - a.width)
    .map(({ width, row }) => {
      let x: number = end;
      const order = lying.map((l, i) => ({ l, i })).sort((a, b) => b.l.blank.length - a.l.blank.length);
      const pieces = order.flatMap(({ l, i }) =>
        Array.from({ length: row.pieces[i]! }, (): LaidPiece => {
          const piece = { blank: l.blank.id, x: nm(x), y: nm(y), length: l.blank.length, width: nm(width) };
          x += l.blank.length + saw.kerf;
          return piece;
        }),
      );
      offcut(x, y, end + room.length - x, width);
      const strip = { y: nm(y), width: nm(width), pieces };
      y += width + saw.kerf;
      return strip;
    });
  offcut(end, y, room.length, edge + room.width - y);
  return { stock: index, repeat, strips, offcuts };
}

/** Narrower strips are not worth a place in the rack. */
const KEEP_WIDTH = 19_050_000;
