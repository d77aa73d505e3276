"use client";
import { useEffect, useRef, useState } from "react";

/** Who types no key for so long has paused, ms. */
const PAUSE = 500;

/** Whether who types has paused: not from one key (`begin`) to a moment after the last, or to when they say so (`now`). */
export function usePause(): { is: boolean; begin(): void; now(): void } {
  const [is, setIs] = useState(true);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  const set = (paused: boolean) => {
    clearTimeout(timer.current);
    setIs(paused);
  };
  return {
    is,
    begin: () => {
      set(false);
      timer.current = setTimeout(() => setIs(true), PAUSE);
    },
    now: () => set(true),
  };
}
