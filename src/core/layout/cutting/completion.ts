import type { CuttingProblem, Strip, Used } from "./problem";

/**
 * Bin completion: few bars, each filled nearly or wholly.
 *
 * Bars of 10, pieces 6, 5, 4, 4, 1 in two bars: 20 of 20, nothing to waste. The first bar takes the 6 and is filled by 4 (or by 1,
 * which wastes 3 and so is no way); the other takes 5, 4 and 1. A relaxed programme would have to be rounded to that.
 */

/** So many pieces at most are filled in bar by bar. */
const FEW_PIECES = 150;
/** Bars looked at, and fillings of one bar kept, before the search is given up. */
const MOST_BARS = 60_000;
const MOST_FILLINGS = 80;

/**
 * Fills so many equal bars with everything there is, one bar after another: each takes the largest piece left and what
 * fills it up best, and no more waste than can be spared (bin completion, Korf 2002). For few pieces that fill their
 * bars nearly or wholly, where rounding a relaxed programme goes wrong. Sizes are grown by the kerf, as the room is.
 * @returns how many of each piece every bar takes; undefined when none was found in time
 */
export function complete(sizes: number[], counts: number[], room: number, bars: number): number[][] | undefined {
  const order = sizes.map((_, i) => i).sort((a, b) => sizes[b]! - sizes[a]!);
  const left = [...counts];
  const done: number[][] = [];
  let looked = 0;
  const spare = bars * room - sizes.reduce((s, size, i) => s + size * counts[i]!, 0);

  /** Fillings with the largest piece left, those with least waste first. */
  const fillings = (waste: number): { taken: number[]; waste: number }[] => {
    const found: { taken: number[]; waste: number }[] = [];
    const taken = sizes.map(() => 0);
    const first = order.findIndex((i) => left[i]! > 0);
    const grow = (at: number, open: number) => {
      if (found.length >= MOST_FILLINGS * 8) return;
      let tight = true;
      for (let k = at; k < order.length; k++) {
        const i = order[k]!;
        if (taken[i]! >= left[i]! || sizes[i]! > open) continue;
        tight = false;
        taken[i]!++;
        grow(k, open - sizes[i]!);
        taken[i]!--;
      }
      if (tight && open <= waste) found.push({ taken: [...taken], waste: open });
    };
    const largest = order[first]!;
    taken[largest]!++;
    grow(first, room - sizes[largest]!);
    return found.sort((a, b) => a.waste - b.waste).slice(0, MOST_FILLINGS);
  };
  const fill = (waste: number): boolean => {
    if (left.every((n) => n === 0)) return true;
    if (done.length === bars || looked++ > MOST_BARS) return false;
    for (const f of fillings(waste)) {
      f.taken.forEach((n, i) => (left[i]! -= n));
      done.push(f.taken);
      if (fill(waste - f.waste)) return true;
      done.pop();
      f.taken.forEach((n, i) => (left[i]! += n));
      if (looked > MOST_BARS) return false;
    }
    return false;
  };
  return spare >= 0 && fill(spare) ? done : undefined;
}

/**
 * A cutting that costs no more than `goal`, bar by bar, with no more waste than that leaves. For pieces of one width out
 * of bars of one size and price that take one strip of them; undefined for anything else, or when none was found.
 */
export function barByBar({ pieces, stock, kerf }: CuttingProblem, goal: number): Used | undefined {
  const [only, another] = stock;
  const [room, ...stretches] = only?.clear ?? [];
  const width = pieces[0]?.width ?? 0;
  const total = pieces.reduce((n, p) => n + p.quantity, 0);
  if (!only || !room || another || stretches.length > 0 || only.price <= 0 || total > FEW_PIECES) return undefined;
  if (pieces.some((p) => p.block || p.width !== width) || 2 * width + kerf <= room.width) return undefined;
  const bars = Math.min(Math.round(goal / only.price), only.available ?? Infinity);
  const sizes = pieces.map((p) => p.length + kerf);
  const all = complete(
    sizes,
    pieces.map((p) => p.quantity),
    room.length + kerf,
    bars,
  );
  const alike = new Map<string, Used[number]>();
  for (const taken of all ?? []) {
    const sections = taken.flatMap((count, piece) =>
      count > 0 ? [{ size: pieces[piece]!.length, count, items: [{ piece, turned: false, count: 1 }] }] : [],
    );
    const strips: Strip[] = [{ size: width, count: 1, sections }];
    const known = alike.get(taken.join());
    if (known) known.repeat++;
    else {
      const pattern = { stock: 0, stretches: [{ clear: 0, order: "rip" as const, strips }], gives: taken };
      alike.set(taken.join(), { repeat: 1, pattern });
    }
  }
  return all && [...alike.values()];
}
