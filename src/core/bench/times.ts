import type { Tally } from "./events";

/** An operation that is done: what each of its pieces took, its set-ups taken off; minutes. */
export interface Timed {
  job: number;
  name: string;
  pieces: number;
  each: number;
  /** Somebody has said whether it counts. */
  counts?: boolean;
}

/** What a kind of operation takes each, by what it took. */
export interface Learned {
  kind: string;
  setup: number;
  /** Where it began. */
  guess: number;
  /** Moved from the guess by the runs that count. */
  each: number;
  runs: number;
  /** How far one run is from another: the sample standard deviation; nothing of fewer than two. */
  spread: number | null;
  /** Far from all others, and nobody has said yet whether they count. */
  odd: Timed[];
}

/** A guess weighs as much as so many runs. */
const WEIGHT = 2;
/** Of fewer runs none is odd; and so many of the spread that the middle ones have is far (Hampel 1974). */
const [FEW, FAR] = [4, 3];
/** The median deviation of what is normally spread, times this, is its standard deviation. */
const NORMAL = 1.4826;

/** What was learned of each kind of operation, from all that is done. */
export function learnedOf(tallies: Iterable<Tally>): Learned[] {
  const kinds = new Map<string, { setup: number; guess: number; runs: Timed[] }>();
  for (const { job, name, of, made, minutes, setUps, counts } of tallies) {
    if (!of || made < of.all || minutes <= 0) continue;
    const kind = kinds.get(of.kind) ?? { setup: of.setup, guess: of.each, runs: [] };
    kinds.set(of.kind, kind);
    const each = Math.max(0, minutes - setUps * of.setup) / made;
    kind.runs.push({ job, name, pieces: made, each, ...(counts === undefined ? {} : { counts }) });
  }
  return [...kinds].map(([kind, { setup, guess, runs }]) => {
    const all = runs.map((r) => r.each);
    const middle = median(all);
    const far = FAR * NORMAL * median(all.map((x) => Math.abs(x - middle)));
    const isOdd = (r: Timed) => runs.length >= FEW && Math.abs(r.each - middle) > far;
    const counted = runs.filter((r) => r.counts ?? !isOdd(r)).map((r) => r.each);
    const sum = counted.reduce((a, b) => a + b, 0);
    return {
      kind,
      setup,
      guess,
      each: (WEIGHT * guess + sum) / (WEIGHT + counted.length),
      runs: counted.length,
      spread: deviation(counted),
      odd: runs.filter((r) => r.counts === undefined && isOdd(r)),
    };
  });
}

function median(list: number[]): number {
  const sorted = list.toSorted((a, b) => a - b);
  const n = sorted.length;
  return n === 0 ? 0 : (sorted[Math.floor((n - 1) / 2)]! + sorted[Math.floor(n / 2)]!) / 2;
}

function deviation(list: number[]): number | null {
  if (list.length < 2) return null;
  const mean = list.reduce((a, b) => a + b, 0) / list.length;
  return Math.sqrt(list.reduce((s, x) => s + (x - mean) ** 2, 0) / (list.length - 1));
}
