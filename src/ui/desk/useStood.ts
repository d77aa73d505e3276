"use client";
import { useEffect, useRef, useState } from "react";
import type { Stood } from "./moves";

/**
 * How things stood before the last change, for telling what it moved. `change` counts what was done; while something is only tried
 * (`trying`) it is held against what stands. `now` is undefined until it is worked out.
 */
export function useStood(change: number, trying: boolean, now: Stood | undefined): Stood | undefined {
  // What stands comes often and is seen only when something moves it: it draws nothing anew.
  const latest = useRef({ change, now });
  const [was, setWas] = useState<{ stands?: Stood; before?: Stood }>({});
  useEffect(() => {
    const { now: stands } = latest.current;
    if (trying) setWas((w) => (w.stands === stands ? w : { ...w, stands }));
    else if (latest.current.change !== change) {
      latest.current = { change, now };
      if (stands) setWas((w) => ({ ...w, before: stands }));
    } else if (now) latest.current.now = now;
  }, [change, trying, now]);
  return trying ? was.stands : was.before;
}
