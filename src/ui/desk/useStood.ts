"use client";
import { useEffect, useState } from "react";
import type { Stood } from "./moves";

/**
 * How things stood before the last change, for telling what it moved. `change` counts what was done; while something is only tried
 * (`trying`) it is held against what stands. `now` is undefined until it is worked out.
 */
export function useStood(change: number, trying: boolean, now: Stood | undefined): Stood | undefined {
  const [known, setKnown] = useState<{ change: number; now?: Stood; before?: Stood }>({ change });
  useEffect(() => {
    if (trying) return;
    setKnown((k) => {
      if (k.change !== change) return { change, now, before: k.now ?? k.before };
      return now ? { ...k, now } : k;
    });
  }, [change, trying, now]);
  return trying ? known.now : known.before;
}
