import { stretch } from "./change";

/** Which thing is which in a list whose things are known only by their place: each has a key that no other ever has. */
export interface Keyed {
  keys: readonly number[];
  /** No key yet. */
  next: number;
}

/** A list that is seen for the first time. */
export const keyed = (list: readonly unknown[]): Keyed => ({ keys: list.map((_, i) => i), next: list.length });

/**
 * The keys after a list became another: what moved keeps its key, and so does one thing changed in its place. Where more than one
 * changed at once, each of those counts as new, so that no key ever goes to another thing.
 * @example followed(keyed(["a", "b"]), ["a", "b"], ["b"]).keys // [1]
 */
export function followed({ keys, next }: Keyed, was: readonly unknown[], is: readonly unknown[]): Keyed {
  const changed = stretch(was, is);
  const { at } = changed;
  const end = at + changed.was.length;
  if (changed.was.length === 1 && changed.is.length === 1) return { keys, next };
  /** Those that went from their place, by what they say. */
  const loose = new Map<string, number[]>();
  changed.was.forEach((x, i) => {
    const text = JSON.stringify(x);
    loose.set(text, [...(loose.get(text) ?? []), keys[at + i]!]);
  });
  const within = changed.is.map((x) => loose.get(JSON.stringify(x))?.shift() ?? next++);
  return { keys: [...keys.slice(0, at), ...within, ...keys.slice(end)], next };
}
