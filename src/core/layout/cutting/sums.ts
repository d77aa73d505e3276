/**
 * What a cutting can cost: a sum of prices, so that a bound rounds up to the next such sum.
 *
 * Boards at 8.60 and 14.20: nothing costs between 22.80 (one of each) and 25.80 (three of the first). A bound of 23.10 is therefore
 * one of 25.80, and a layout for 25.80 is proven.
 */

/** What a cutting can cost at all: sums of the prices, each taken any number of times. */
export interface Sums {
  /** The least sum that is not below; a hair above a sum is that sum. */
  up(cost: number): number;
  /** The next lower sum; undefined when the prices share nothing, or nothing is lower. */
  below(cost: number): number | undefined;
}

/** Most rests on division by the least price that are kept: a million is eight megabytes. */
const MOST_RESTS = 1_000_000;

/**
 * All sums of prices in hundredths: for every rest on division by the least price the least sum that leaves it (round
 * robin, Böcker and Lipták 2007). Prices finer than hundredths share nothing, and any cost may be.
 */
export function sumsOf(prices: number[]): Sums {
  const cents = [...new Set(prices.filter((p) => p > 0).map((p) => Math.round(p * 100)))].sort((a, b) => a - b);
  if (cents.length === 0 || prices.some((p) => Math.abs(p * 100 - Math.round(p * 100)) > 1e-9))
    return { up: (c) => c, below: () => undefined };
  // In the largest part they all are a multiple of; beyond so many the table would cost more than the rounding is worth.
  const part = cents.reduce(gcd, 0);
  const [unit, ...others] = cents.map((c) => c / part) as [number, ...number[]];
  if (unit > MOST_RESTS) return { up: (c) => c, below: () => undefined };
  const least = new Float64Array(unit).fill(Infinity);
  least[0] = 0;
  for (const p of others) {
    const rounds = gcd(unit, p);
    for (let first = 0; first < rounds; first++)
      // Twice around meets every rest after the least of its round.
      for (let i = (2 * unit) / rounds, at = first, n = Infinity; i > 0; i--, at = (at + p) % unit) {
        n = Math.min(n + p, least[at]!);
        least[at] = n;
      }
  }
  const is = (n: number) => least[n % unit]! <= n;
  return {
    up: (c) => {
      let n = Math.max(0, Math.ceil((c * 100 - 1e-6) / part));
      while (!is(n)) n++;
      return (n * part) / 100;
    },
    below: (c) => {
      let n = Math.ceil(Math.round(c * 100) / part) - 1;
      while (n > 0 && !is(n)) n--;
      return n < 0 ? undefined : (n * part) / 100;
    },
  };
}

function gcd(a: number, b: number): number {
  while (b > 0) [a, b] = [b, a % b];
  return a;
}
