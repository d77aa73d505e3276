import type { ReactElement } from "react";

/** Of more lines than these only those in sight are drawn: a job of a thousand is drawn as fast as one of twenty. */
export const MOST_DRAWN = 20;

export interface LongListProps<T> {
  lines: readonly T[];
  keyOf(at: number): string | number;
  /** With more lines the list is scrolled in a box of its own. */
  few: number;
  /** How high that box is. */
  box: string;
  /** Comes into sight; so does what is added. */
  chosen?: number;
  children(line: T, at: number): ReactElement;
}

/** A box that is scrolled, on paper as long as it is. */
export const boxOf = (box: string) => `${box} overflow-y-auto border-b border-rule print:max-h-none`;
