import type { CutPiece, CutStock, CuttingProblem, Style } from "../cutting/problem";

/**
 * Test instances made by published schemes: uniform and triplets after Falkenauer (1996), long pieces after Scholl,
 * Klein and Jürgens (1997, their hard set), and workshop-like ones. The same seed gives the same instance.
 */
export type Random = () => number;

/** Numbers in 0–1 that are the same for the same seed: a linear congruential generator (Knuth's MMIX constants). */
export function randomOf(seed: number): Random {
  let state = BigInt(seed) * 2654435761n + 1n;
  return () => {
    state = (state * 6364136223846793005n + 1442695040888963407n) & 0xffffffffffffffffn;
    return Number(state >> 11n) / 2 ** 53;
  };
}

const int = (r: Random, from: number, to: number) => from + Math.floor(r() * (to - from + 1));
const many = <T>(n: number, make: (i: number) => T) => Array.from({ length: n }, (_, i) => make(i));
const lone = (length: number, width: number, price = 1, available: number | null = null): CutStock => ({
  clear: [{ length, width }],
  price,
  available,
});
const RIP: Style = { orders: ["rip"], stages: 2, trim: true };
const sheets = (stages: 2 | 3): Style => ({ orders: ["rip", "crosscut"], stages, trim: true });
const bar = (length: number, quantity = 1): CutPiece => ({ length, width: 1, quantity, turn: false });
const bars = (lengths: number[], room: number, kerf = 0): CuttingProblem => ({
  kerf,
  pieces: lengths.map((l) => bar(l)),
  stock: [lone(room, 1)],
  style: RIP,
});
/** So many pieces in all, spread unevenly over so many lengths. */
const batch = (r: Random, kinds: number, total: number, from: number, to: number): CutPiece[] => {
  const shares = many(kinds, () => r() + 0.05);
  const whole = shares.reduce((a, b) => a + b, 0);
  return shares.map((s) => bar(int(r, from, to), Math.max(1, Math.round((total * s) / whole))));
};

export const uniform = (n: number) => (r: Random) =>
  bars(
    many(n, () => int(r, 20, 100)),
    150,
  );

/** Three pieces fill each bar exactly, so the optimum is a third of their number. */
export const triplets = (n: number) => (r: Random) =>
  bars(
    many(n / 3, () => {
      const a = int(r, 380, 490);
      const b = int(r, 250, Math.floor((1000 - a) / 2));
      return [a, b, 1000 - a - b];
    }).flat(),
    1000,
  );

export const hard = (n: number) => (r: Random) =>
  bars(
    many(n, () => int(r, 20_000, 35_000)),
    100_000,
  );

/** Sixteenths of an inch: one 8' board less its trims, a kerf of 1/8. */
export const workshop = (r: Random): CuttingProblem => ({
  kerf: 2,
  pieces: batch(r, int(r, 8, 20), int(r, 500, 20_000), 60, 700),
  stock: [lone(1528, 1)],
  style: RIP,
});

/** Millimetres: bars of two to five lengths, dearer by the metre or cheaper, some of them limited. */
export const priced = (r: Random): CuttingProblem => ({
  kerf: 3,
  pieces: batch(r, int(r, 8, 20), int(r, 500, 20_000), 300, 2300),
  stock: [2400, 3000, 3600, 4200, 4800]
    .slice(0, int(r, 2, 5))
    .map((l, i) => lone(l, 1, Math.round(l * (0.9 + 0.2 * r())) / 100, i > 0 && r() < 0.4 ? int(r, 5, 200) : null)),
  style: RIP,
});

const panels = (r: Random, kinds: number, most: number, least = 1) =>
  many(kinds, (): CutPiece => ({
    length: int(r, 150, 1200),
    width: int(r, 80, 700),
    quantity: int(r, least, most),
    turn: true,
  }));

export const sheetJob =
  (stages: 2 | 3) =>
  (r: Random): CuttingProblem => ({
    kerf: 3,
    pieces: panels(r, int(r, 8, 25), 400, 5),
    stock: [lone(2440, 1220)],
    style: sheets(stages),
  });

/** Sixteenths: 11 1/4 × 96 boards less end trims, nothing turned. */
export const boardJob = (r: Random): CuttingProblem => ({
  kerf: 2,
  pieces: many(int(r, 8, 25), () => ({
    length: int(r, 64, 640),
    width: int(r, 16, 160),
    quantity: int(r, 5, 400),
    turn: false,
  })),
  stock: [lone(1528, 180)],
  style: sheets(2),
});

export const smallBars = (r: Random): CuttingProblem => ({
  kerf: 3,
  pieces: many(int(r, 3, 12), () => bar(int(r, 150, 1200), int(r, 1, 12))),
  stock: [lone(2400, 1)],
  style: RIP,
});

export const smallSheets = (r: Random): CuttingProblem => ({
  kerf: 3,
  pieces: panels(r, int(r, 3, 12), 12),
  stock: [lone(2440, 1220)],
  style: sheets(2),
});
