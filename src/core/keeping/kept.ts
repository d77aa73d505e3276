/** What is known of a thing that is kept, beside the thing: a job, the shop. */
export interface Kept {
  /** Counts everything ever done to it. */
  revision: number;
  /** Counts on whenever it would be shown otherwise: by what is done to it, or to what it stands in. */
  version: number;
  /** What the next undo would take back, if anything. */
  undo: string | null;
}

/** So many acts are done in one request: with more, others would wait for it. */
export const MOST_AT_ONCE = 20;

/** The screen a key comes from: `3f2a.17` is the seventeenth thing done on screen `3f2a`. */
export const screenOf = (key: string): string => key.slice(0, Math.max(0, key.lastIndexOf(".")));

const within = (a: string, b: string) => a === b || a.startsWith(`${b} `);

/** True when what two acts touch is the same, or one lies within the other: `line 3` and `line 3 thickness`. */
export const meet = (a: string[], b: string[]): boolean => a.some((x) => b.some((y) => within(x, y) || within(y, x)));
