"use client";
import { useEffect } from "react";

/** Marks the moment from which every control of the page answers (user timing, `usable`). */
export function Usable() {
  useEffect(() => {
    performance.mark("usable");
  }, []);
  return null;
}
