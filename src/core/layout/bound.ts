/**
 * The least boards any cutting could use, by dual feasible functions on width and length (Fekete and Schepers 2001;
 * the plain area bound is the pair of identities). A bound on every layout, guillotine or not: pieces and board are
 * enlarged by one kerf, which no layout can beat.
 */
export interface BoundPiece {
  length: number;
  width: number;
  quantity: number;
}

type Dff = (x: number, whole: number) => number;

const identity: Dff = (x, whole) => x / whole;
/** u(k): rounds x to k-ths when k + 1 of it is not whole. */
const rounded =
  (k: number): Dff =>
  (x, whole) =>
    ((k + 1) * x) % whole === 0 ? x / whole : Math.floor(((k + 1) * x) / whole) / k;
/** U(e): more than 1 − e counts as all, less than e as nothing. */
const stepped =
  (e: number): Dff =>
  (x, whole) =>
    x > whole - e ? 1 : x < e ? 0 : x / whole;

function functions(sizes: number[], whole: number): Dff[] {
  const small = [...new Set(sizes.map((s) => Math.min(s, whole - s)).filter((s) => s > 0 && 2 * s <= whole))].slice(
    0,
    12,
  );
  const ks = [...new Set(sizes.map((s) => Math.floor(whole / s)).flatMap((k) => [k, k - 1, k + 1]))].filter(
    (k) => k >= 1 && k <= 60,
  );
  return [identity, ...ks.map(rounded), ...small.map(stepped)];
}

/** How many whole boards of `length` × `width` (usable, nm) the pieces fill at the least; a fraction, never too high. */
export function boardBound(pieces: BoundPiece[], board: { length: number; width: number }, kerf: number): number {
  const [wholeL, wholeW] = [board.length + kerf, board.width + kerf];
  const along = functions(
    pieces.map((p) => p.length + kerf),
    wholeL,
  );
  const across = functions(
    pieces.map((p) => p.width + kerf),
    wholeW,
  );
  let best = 0;
  for (const f of along)
    for (const g of across)
      best = Math.max(
        best,
        pieces.reduce((sum, p) => sum + p.quantity * f(p.length + kerf, wholeL) * g(p.width + kerf, wholeW), 0),
      );
  return best;
}

/** Whole boards: a bound of 20.000000000000007 is 20. */
export const wholeBoards = (bound: number) => Math.max(0, Math.ceil(bound - 1e-6));
