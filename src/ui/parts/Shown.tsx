"use client";
import { useDeferredValue, useEffect, useRef, useState } from "react";

/** So many lines stand on a page at once: a job of a thousand is drawn as fast as one of fifty. */
export const MOST_SHOWN = 50;
/** And so many as the page comes up: the others are drawn when it answers. */
const FIRST_SHOWN = 16;

export interface Shown {
  /** The first place that is shown. */
  from: number;
  /** So many from there are drawn. */
  drawn: number;
  count: number;
  show(from: number): void;
}

/** Which of many lines are shown; what is added, and what is chosen, comes into sight. */
export function useShown(count: number, chosen?: number): Shown {
  const [from, show] = useState(0);
  const before = useRef({ count, chosen });
  const page = (at: number) => Math.max(0, Math.floor(at / MOST_SHOWN) * MOST_SHOWN);
  useEffect(() => {
    if (count > before.current.count) show(page(count - 1));
    else if (chosen !== undefined && chosen !== before.current.chosen) show(page(chosen));
    before.current = { count, chosen };
  }, [count, chosen]);
  const drawn = useDeferredValue(MOST_SHOWN, FIRST_SHOWN);
  return { from: Math.min(from, page(count - 1)), drawn, count, show };
}

/** Says which lines are shown, and leads to the others; nothing where all are. */
export function WhichShown({ from, count, show }: Shown) {
  if (count <= MOST_SHOWN) return null;
  const after = count - from - MOST_SHOWN;
  return (
    <p className="flex flex-wrap items-baseline gap-x-4 py-2 text-[.93rem]">
      lines {from + 1} to {Math.min(count, from + MOST_SHOWN)} of {count}
      {from > 0 && (
        <button className="quiet" onClick={() => show(from - MOST_SHOWN)}>
          the {MOST_SHOWN} before
        </button>
      )}
      {after > 0 && (
        <button className="quiet" onClick={() => show(from + MOST_SHOWN)}>
          the {Math.min(MOST_SHOWN, after)} after
        </button>
      )}
    </p>
  );
}
