/** Adds to the list of a key; the first begins it. */
export const push = <T>(lists: Map<string, T[]>, key: string, value: T): void => {
  const list = lists.get(key);
  if (list) list.push(value);
  else lists.set(key, [value]);
};
