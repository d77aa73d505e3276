import type { CutPiece, Room } from "../cutting/problem";

/**
 * What every set of strips and pieces off them gives, in two stages and a trim, each piece as often as it is wanted at the
 * most: by trying everything, in both orders. What is shorter than `hold` is not ripped.
 */
export function everyPattern(pieces: CutPiece[], kerf: number, room: Room, hold = 0): number[][] {
  const quantities = pieces.map((p) => p.quantity);
  const found = new Map<string, number[]>();
  const one = (length: number, width: number, flip: boolean) => {
    const ways = pieces.flatMap((p, i) =>
      [[p.length, p.width], ...(p.turn ? [[p.width, p.length]] : [])].map(([x, y]) =>
        flip ? { i, along: y!, across: x! } : { i, along: x!, across: y! },
      ),
    );
    const strip = (size: number, room: number, left: number[], take: (left: number[]) => void) => {
      take(left);
      for (const w of ways)
        if (w.across <= size && w.along <= room && left[w.i]! > 0 && (flip || w.across === size || w.along >= hold))
          strip(size, room - w.along - kerf, left.map((n, k) => (k === w.i ? n - 1 : n)), take); // prettier-ignore
    };
    const strips = (room: number, left: number[]) => {
      const gives = quantities.map((n, i) => n - left[i]!);
      found.set(gives.join(), gives);
      for (const size of new Set([...ways.map((w) => w.across), hold]))
        if (size <= room && size >= (flip ? hold : 1))
          strip(size, length, left, (after) => {
            if (after.some((n, i) => n < left[i]!)) strips(room - size - kerf, after);
          });
    };
    strips(width, quantities);
  };
  one(room.length, room.width, false);
  one(room.width, room.length, true);
  return [...found.values()];
}

/** The least that so many pieces cost, each sheet cut in one of the ways; Infinity when there are too few. */
export function cheapestOf(
  wanted: number[],
  sheets: { price: number; available: number | null; ways: number[][] }[],
): number {
  const known = new Map<string, number>();
  const of = (left: number[], supply: number[]): number => {
    if (left.every((n) => n === 0)) return 0;
    const key = `${left.join()} ${supply.join()}`;
    if (!known.has(key)) {
      // The first piece that is left has to come off some sheet.
      const first = left.findIndex((n) => n > 0);
      let least = Infinity;
      sheets.forEach(({ price, ways }, s) => {
        if (supply[s] === 0) return;
        const after = supply.map((n, k) => (k === s ? n - 1 : n));
        for (const gives of ways)
          if (gives[first]! > 0)
            least = Math.min(least, price + of(left.map((n, i) => Math.max(0, n - gives[i]!)), after)); // prettier-ignore
      });
      known.set(key, least);
    }
    return known.get(key)!;
  };
  return of(
    wanted,
    sheets.map((s) => s.available ?? Infinity),
  );
}
