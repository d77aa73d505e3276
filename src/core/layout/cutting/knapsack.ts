/**
 * Bounded knapsacks over whole lengths, as pricing needs them by the thousand.
 *
 * A strip 20 long, kerf 1; pieces of 9 (profit 5, two of them) and 6 (profit 3, four). Grown by the kerf they are 10 and 7, the
 * room 21. Two of 10 fill 20: profit 10; three of 7 fill 21: profit 9; one of 10 and one of 7: profit 8. `fill` answers 10, and
 * `counts` that it takes [2, 0]. `nearBest` with at least 9 gives the first two.
 */

/** One kind of thing that may be taken: what each brings (whole numbers), how many there are, and how it moves. */
export interface Thing {
  profit: number;
  most: number;
  /** Cells, where cells are alike. */
  size: number;
  /** For each place the place so many of it lead back to, −1 for none; where places are the sums the sizes can make. */
  back?(times: number): Int32Array;
}

/** The lengths that matter along one axis. Every size is grown by a kerf, so that things side by side just add up. */
export interface Raster {
  /** False when sizes are rounded: up for patterns, down for bounds, so neither becomes false. */
  exact: boolean;
  /** The place of a room: the last that is within it. */
  room(size: number): number;
  thing(size: number, profit: number, most: number, bound: boolean): Thing;
}

/** Above so many cells sizes are rounded, unless there are no more than so many sums the sizes can make. */
const MOST_CELLS = 40_000;
const MOST_SUMS = 12_000;
/** Sums take the place of cells where they are fewer than this part of them: a step over sums takes longer. */
const FEW_SUMS = 1 / 4;
/** With fewer cells it is not worth counting the sums. */
const FEW_CELLS = 500;

/** The raster on which sizes lie, with how many of each there are. */
export function rasterOf(sizes: { size: number; most: number }[], largest: number, kerf: number): Raster {
  const share = sizes.reduce((g, s) => gcd(g, s.size + kerf), 0) || 1;
  const cells = (largest + kerf) / share;
  const worth = cells > MOST_CELLS ? MOST_SUMS : Math.floor(cells * FEW_SUMS);
  const sums = cells > FEW_CELLS ? sumsOf(sizes, largest, kerf, worth) : undefined;
  if (sums) return rasterOfSums(sums, kerf);
  // What is long but few: still exact, if slower.
  const exact = cells <= 4 * MOST_CELLS;
  const unit = exact ? share : Math.ceil((largest + kerf) / MOST_CELLS);
  return {
    exact,
    room: (s) => Math.floor((s + kerf) / unit),
    thing: (size, profit, most, bound) => ({
      size: bound ? Math.floor((size + kerf) / unit) : Math.ceil((size + kerf) / unit),
      profit,
      most,
    }),
  };
}

/** Every sum the sizes can make within the largest room, ascending; undefined when there are more than `limit`. */
function sumsOf(
  sizes: { size: number; most: number }[],
  largest: number,
  kerf: number,
  limit: number,
): Float64Array | undefined {
  let sums = [0];
  for (const { size, most } of sizes) {
    const found = new Set(sums);
    for (const s of sums)
      for (let n = 1, at = s + size + kerf; n <= most && at <= largest + kerf; n++, at += size + kerf) {
        found.add(at);
        if (found.size > limit) return undefined;
      }
    sums = [...found];
  }
  return Float64Array.from(sums).sort();
}

function rasterOfSums(sums: Float64Array, kerf: number): Raster {
  const lastWithin = (room: number) => {
    let [low, high] = [0, sums.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (sums[middle]! <= room) low = middle;
      else high = middle - 1;
    }
    return low;
  };
  const backs = new Map<number, Int32Array>();
  const backOf = (grown: number) => {
    let back = backs.get(grown);
    if (!back) {
      back = Int32Array.from(sums, (s) => (s < grown ? -1 : lastWithin(s - grown)));
      backs.set(grown, back);
    }
    return back;
  };
  return {
    exact: true,
    room: (s) => lastWithin(s + kerf),
    thing: (size, profit, most) => ({
      size: size + kerf,
      back: (times) => backOf(times * (size + kerf)),
      profit,
      most,
    }),
  };
}

function gcd(a: number, b: number): number {
  while (b > 0) [a, b] = [b, a % b];
  return a;
}

/** The best fillings of every room up to a largest, with the things taken in order: the first k of them, for every k. */
export interface Filled {
  /** Most profit of the whole room with the things up to and including k. */
  profit(k: number): number;
  /** How many of each thing up to k the best filling of the room takes. */
  counts(k: number, room?: number): number[];
}

/**
 * Fills a room with the most profit: an exact bounded knapsack over whole cells (dynamic programming, Bellman 1957).
 * `row` is shown the values for all rooms after each thing. Ties keep fewer things.
 */
export function fill(things: Thing[], room: number, row?: (k: number, values: Float64Array) => void): Filled {
  const values = new Float64Array(room + 1);
  const ends: number[] = [];
  // Of these there are as many as fit: in the place of one that brings no more than so many of them, they do as well (dominance).
  const free: Thing[] = [];
  // What each pass took: passes of a thing that is limited take 1, 2, 4 … of it at a time.
  const passes: Pass[][] = [];
  things.forEach((thing, k) => {
    const own: Pass[] = [];
    const worth = thing.profit > 0 && !free.some((f) => Math.floor(thing.size / f.size) * f.profit >= thing.profit);
    const fits = worth ? fitting(thing, room) : 0;
    const isFree = fits > 0 && thing.most >= fits;
    if (isFree) free.push(thing);
    if (thing.back && isFree) takeAnySum(values, own, thing.back(1), thing.profit);
    else if (thing.back) takeSums(values, own, thing, Math.min(fits, thing.most));
    else if (isFree) takeAny(values, own, thing.size, thing.profit);
    else takeCells(values, own, thing.size, thing.profit, Math.min(fits, thing.most));
    passes.push(own);
    ends.push(values[room]!);
    row?.(k, values);
  });
  return {
    profit: (k) => (k < 0 ? 0 : ends[k]!),
    counts: (last, from = room) => {
      const counts = things.map(() => 0);
      let c = from;
      for (let k = last; k >= 0; k--)
        for (const { took, times } of passes[k]!.toReversed()) {
          const n = took[c]! * times;
          counts[k]! += n;
          const { back, size } = things[k]!;
          if (!back) c -= n * size;
          else for (let i = took[c]!; i > 0; i--) c = back(times)[c]!;
        }
      return counts;
    },
  };
}

/**
 * The same for one room and all things, where cells are many and things too: only fillings that no other beats in size and profit
 * are kept, and of those only what could still come to be the best (dominance, Nemhauser and Ullmann 1969; bounded by the
 * continuous knapsack, Dantzig 1957). `states` is how many were looked at.
 */
export function fillLong(things: Thing[], room: number): { profit: number; counts: number[]; states: number } {
  const units = things
    .flatMap(({ size, profit, most }, k) => {
      const own: { k: number; times: number; size: number; profit: number }[] = [];
      if (profit <= 0 || size > room) return own;
      for (let times = 1, left = Math.min(most, Math.floor(room / size)); left > 0; left -= times, times *= 2) {
        const n = Math.min(times, left);
        own.push({ k, times: n, size: n * size, profit: n * profit });
      }
      return own;
    })
    .sort((a, b) => b.profit / b.size - a.profit / a.size);
  const sizes = [0];
  const profits = [0];
  for (const u of units) {
    sizes.push(sizes.at(-1)! + u.size);
    profits.push(profits.at(-1)! + u.profit);
  }
  // A filling: its size and profit, the last it took and the filling before that.
  const state = { size: [0], profit: [0], unit: [-1], before: [-1] };
  let best = 0;
  let list = [0];
  for (const [j, u] of units.entries()) {
    const next: number[] = [];
    // What the units after this one bring at most in the room that is left: the fuller, the fewer of them fit.
    let end = units.length;
    const isOpen = (size: number, profit: number) => {
      const free = room - size;
      while (end > j + 1 && sizes[end]! - sizes[j + 1]! > free) end--;
      const rest =
        end < units.length ? ((free - sizes[end]! + sizes[j + 1]!) * units[end]!.profit) / units[end]!.size : 0;
      return profit + profits[end]! - profits[j + 1]! + rest > state.profit[best]! + 1 - 1e-6;
    };
    let highest = -1;
    const keep = (size: number, profit: number, make: () => number) => {
      if (profit <= highest) return;
      highest = profit;
      if (isOpen(size, profit)) next.push(make());
    };
    // Those without it and those with it, merged by size.
    let [a, b] = [0, 0];
    while (a < list.length || b < list.length) {
      const without = list[a];
      const from = list[b];
      const size = from === undefined ? Infinity : state.size[from]! + u.size;
      const own = without === undefined ? Infinity : state.size[without]!;
      const isFirst = own < size || (own === size && state.profit[without!]! >= state.profit[from!]! + u.profit);
      if (without !== undefined && isFirst) {
        keep(own, state.profit[without]!, () => without);
        a++;
        continue;
      }
      b++;
      if (size > room) {
        b = list.length;
        continue;
      }
      const profit = state.profit[from!]! + u.profit;
      const make = () => {
        state.size.push(size);
        state.profit.push(profit);
        state.unit.push(j);
        state.before.push(from!);
        return state.size.length - 1;
      };
      if (profit > state.profit[best]!) {
        best = make();
        const made = best;
        keep(size, profit, () => made);
      } else keep(size, profit, make);
    }
    list = next;
  }
  const counts = things.map(() => 0);
  for (let at = best; state.unit[at]! >= 0; at = state.before[at]!) {
    const u = units[state.unit[at]!]!;
    counts[u.k]! += u.times;
  }
  return { profit: state.profit[best]!, counts, states: state.size.length };
}

/** One way to fill a room: which things it takes, each as often as it is named, and what those told together bring beside them, by each of their profits. */
export interface Filling {
  taken: number[];
  profit: number;
  beside: number[];
}

/**
 * Every full filling of a room whose profit is at least so much: nothing more would fit. Undefined when there are more than
 * `limit`. Walks the table of `fill` backwards, taking only what can still end at the profit asked. The first `together` things are
 * not told apart: a filling, then also one that is not full, is said to take what brings most of them in the room it leaves; and what
 * would bring most by each of the `other` profits of theirs.
 */
export function nearBest(
  things: Thing[],
  room: number,
  least: number,
  limit: number,
  together = 0,
  other: number[][] = [],
): Filling[] | undefined {
  const tables: Float64Array[] = [];
  fill(things, room, (_, values) => tables.push(values.slice()));
  const last = (profits: number[]) => {
    const own = things.slice(0, together).map((t, k) => ({ ...t, profit: profits[k]! }));
    let row = new Float64Array(room + 1);
    fill(own, room, (_, values) => (row = values.slice()));
    return row;
  };
  const rows = [tables[together - 1] ?? new Float64Array(room + 1), ...other.map(last)];
  const found: Filling[] = [];
  const taken: number[] = [];
  const counts = things.map(() => 0);
  let steps = 0;
  const backs = things.map((t) => t.back?.(1));
  const after = (k: number, c: number) => (backs[k] ? backs[k][c]! : c - things[k]!.size);
  const opens = (k: number, c: number) => counts[k]! < things[k]!.most && after(k, c) >= 0;
  const walk = (last: number, c: number, profit: number): boolean => {
    if (found.length > limit || steps > STEPS * limit) return false;
    const beside = rows.map((r) => r[c]!);
    if (profit + beside[0]! >= least && (together > 0 || !things.some((_, k) => opens(k, c))))
      found.push({ taken: [...taken], profit, beside });
    for (let k = last; k >= together && profit + tables[k]![c]! >= least; k--) {
      steps++;
      const thing = things[k]!;
      if (!opens(k, c)) continue;
      const next = after(k, c);
      if (profit + thing.profit + tables[k]![next]! < least) continue;
      counts[k]!++;
      taken.push(k);
      const going = walk(k, next, profit + thing.profit);
      taken.pop();
      counts[k]!--;
      if (!going) return false;
    }
    return true;
  };
  return walk(things.length - 1, room, 0) ? found : undefined;
}

/** Steps of a walk for every filling that may be found, before it counts as too many. */
const STEPS = 200;

/** One pass over the places: where it took so many times something. */
interface Pass {
  took: Uint8Array | Uint16Array;
  times: number;
}

/** How many of a thing alone fit in a room. */
function fitting({ size, back }: Thing, room: number): number {
  if (!back) return size > 0 ? Math.floor(room / size) : 0;
  const one = back(1);
  let n = 0;
  for (let c = one[room]!; c >= 0; c = one[c]!) n++;
  return n;
}

/** As many as fit: one pass upwards. */
function takeAny(values: Float64Array, passes: Pass[], size: number, profit: number): void {
  const took = new Uint16Array(values.length);
  passes.push({ took, times: 1 });
  for (let c = size; c < values.length; c++) {
    const v = values[c - size]! + profit;
    if (v > values[c]!) {
      values[c] = v;
      took[c] = took[c - size]! + 1;
    }
  }
}

/** At most so many: passes downwards that take 1, 2, 4 … at once. */
function takeCells(values: Float64Array, passes: Pass[], size: number, profit: number, most: number): void {
  for (let times = 1, left = most; left > 0; left -= times, times *= 2) {
    const n = Math.min(times, left);
    const took = new Uint8Array(values.length);
    passes.push({ took, times: n });
    for (let c = values.length - 1, at = c - n * size; at >= 0; c--, at--) {
      const v = values[at]! + n * profit;
      if (v > values[c]!) {
        values[c] = v;
        took[c] = 1;
      }
    }
  }
}

/** As many as fit, over sums: one pass upwards. */
function takeAnySum(values: Float64Array, passes: Pass[], back: Int32Array, profit: number): void {
  const took = new Uint16Array(values.length);
  passes.push({ took, times: 1 });
  for (let c = 1; c < values.length; c++) {
    const before = back[c]!;
    if (before < 0) continue;
    const v = values[before]! + profit;
    if (v > values[c]!) {
      values[c] = v;
      took[c] = took[before]! + 1;
    }
  }
}

/** At most so many, over sums: passes downwards that take 1, 2, 4 … at once. */
function takeSums(values: Float64Array, passes: Pass[], { back, profit }: Thing, most: number): void {
  for (let times = 1, left = most; left > 0; left -= times, times *= 2) {
    const n = Math.min(times, left);
    const took = new Uint8Array(values.length);
    const before = back!(n);
    passes.push({ took, times: n });
    for (let c = values.length - 1; c > 0 && before[c]! >= 0; c--) {
      const v = values[before[c]!]! + n * profit;
      if (v > values[c]!) {
        values[c] = v;
        took[c] = 1;
      }
    }
  }
}
