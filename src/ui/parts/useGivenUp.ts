"use client";
import { useEffect, useRef } from "react";

/** A field that goes away while something is typed gives up what it told: nobody settled it. */
export function useGivenUp(typing: boolean, onGiveUp: (() => void) | undefined): void {
  const last = useRef({ typing, onGiveUp });
  useEffect(() => {
    last.current = { typing, onGiveUp };
  });
  useEffect(
    () => () => {
      if (last.current.typing) last.current.onGiveUp?.();
    },
    [],
  );
}
