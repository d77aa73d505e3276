"use client";
import { useState } from "react";
import { followed, keyed } from "@/core/keeping/places";

/**
 * A key for each thing of a list, the same as long as it is that thing, whoever takes out others meanwhile: what is typed at one
 * never goes to another.
 */
export function useKeys(list: readonly unknown[]): readonly number[] {
  const [held, hold] = useState(() => ({ list, of: keyed(list) }));
  if (held.list === list) return held.of.keys;
  const now = { list, of: followed(held.of, held.list, list) };
  hold(now);
  return now.of.keys;
}
