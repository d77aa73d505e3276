/** Sizes along one axis as whole cells: every size grown by a kerf, so that things side by side just add up. */
export interface Raster {
  /** Cells of a size: exact, or the number a pattern must allow (rounded up). */
  cells(size: number): number;
  /** Cells rounded down, for bounds; the same as `cells` when exact. */
  least(size: number): number;
  /** Cells of a room. */
  room(size: number): number;
  exact: boolean;
}

/** More cells than this and sizes are rounded: up for patterns, down for bounds, so neither becomes false. */
const MOST_CELLS = 150_000;

/** The raster on which the sizes lie: one cell is what all sizes with their kerf share. */
export function rasterOf(sizes: number[], largest: number, kerf: number): Raster {
  const share = sizes.reduce((g, s) => gcd(g, s + kerf), 0) || 1;
  const exact = (largest + kerf) / share <= MOST_CELLS;
  const unit = exact ? share : Math.ceil((largest + kerf) / 40_000);
  return {
    exact,
    cells: (s) => Math.ceil((s + kerf) / unit),
    least: (s) => Math.floor((s + kerf) / unit),
    room: (s) => Math.floor((s + kerf) / unit),
  };
}

function gcd(a: number, b: number): number {
  while (b > 0) [a, b] = [b, a % b];
  return a;
}

/** One kind of thing that may be taken: cells, what each is worth (whole numbers), how many there are. */
export interface Thing {
  size: number;
  worth: number;
  most: number;
}

/** The best fillings of every room up to a largest, with the things taken in order: the first k of them, for every k. */
export interface Filled {
  /** Most worth of the whole room with the things up to and including k. */
  worth(k: number): number;
  /** How many of each thing up to k the best filling of the room takes. */
  counts(k: number, room?: number): number[];
}

/**
 * Fills a room with the most worth: an exact bounded knapsack over whole cells (dynamic programming, Bellman 1957).
 * `row` is shown the values for all rooms after each thing. Ties keep fewer things.
 */
export function fill(things: Thing[], room: number, row?: (k: number, values: Float64Array) => void): Filled {
  const values = new Float64Array(room + 1);
  const ends: number[] = [];
  // What each pass took: passes of a thing that is limited take 1, 2, 4 … of it at a time.
  const passes: { took: Uint16Array; times: number }[][] = [];
  things.forEach(({ size, worth, most }, k) => {
    const fits = size > 0 && worth > 0 ? Math.min(most, Math.floor(room / size)) : 0;
    const own: { took: Uint16Array; times: number }[] = [];
    if (fits > 1 && most >= Math.floor(room / size)) {
      const took = new Uint16Array(room + 1);
      own.push({ took, times: 1 });
      for (let c = size; c <= room; c++) {
        const v = values[c - size]! + worth;
        if (v > values[c]!) {
          values[c] = v;
          took[c] = took[c - size]! + 1;
        }
      }
    } else
      for (let times = 1, left = fits; left > 0; left -= times, times *= 2) {
        const n = Math.min(times, left);
        const took = new Uint16Array(room + 1);
        own.push({ took, times: n });
        for (let c = room, at = room - n * size; at >= 0; c--, at--) {
          const v = values[at]! + n * worth;
          if (v > values[c]!) {
            values[c] = v;
            took[c] = 1;
          }
        }
      }
    passes.push(own);
    ends.push(values[room]!);
    row?.(k, values);
  });
  return {
    worth: (k) => (k < 0 ? 0 : ends[k]!),
    counts: (last, from = room) => {
      const counts = things.map(() => 0);
      let c = from;
      for (let k = last; k >= 0; k--)
        for (const { took, times } of passes[k]!.toReversed()) {
          const n = took[c]! * times;
          counts[k]! += n;
          c -= n * things[k]!.size;
        }
      return counts;
    },
  };
}
