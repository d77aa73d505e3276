"use client";
import type { Length, Units } from "@/core/length/length";
import { moveText } from "@/ui/desk/moves";

/** How far a number moved with the last change. */
export function Moved({ by, units }: { by: Length | undefined; units: Units }) {
  if (by === undefined) return null;
  return <span className="no-print ml-1 font-mono text-[.78rem] text-blue">{moveText(by, units)}</span>;
}
