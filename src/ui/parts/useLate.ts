"use client";
import { useEffect, useState } from "react";

/** What is over sooner is not worth a word, ms. */
const LATE = 500;

/** True once something has been so for a while. */
export function useLate(is: boolean): boolean {
  const [isLate, setIsLate] = useState(false);
  useEffect(() => {
    if (!is) return;
    const timer = setTimeout(() => setIsLate(true), LATE);
    return () => {
      clearTimeout(timer);
      setIsLate(false);
    };
  }, [is]);
  return is && isLate;
}
