/** Remembers the last so many things that were made, by what they were made from. */
export function remembered<V>(most: number): (key: string, make: () => V) => V {
  const kept = new Map<string, V>();
  return (key, make) => {
    const value = kept.has(key) ? kept.get(key)! : make();
    kept.delete(key);
    kept.set(key, value);
    if (kept.size > most) kept.delete(kept.keys().next().value!);
    return value;
  };
}
