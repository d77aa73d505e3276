/** What an act changed of a thing, as little as says it: a value (a setting of the workshop its own), or a stretch of a list. */
export type Change =
  | { of: string; within?: string; was?: unknown; is?: unknown }
  | { of: string; at: number; was: unknown[]; is: unknown[] };

/** What is changed setting by setting. */
const BY_SETTING = "workshop";

type Plain = Record<string, unknown>;

/** The changes that make one thing of another. */
export function changesBetween<T extends object>(earlier: T, later: T): Change[] {
  const [before, after] = [earlier, later] as Record<string, unknown>[] as [Plain, Plain];
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
  return keys.flatMap((of): Change[] => {
    const [was, is] = [before[of], after[of]];
    if (same(was, is)) return [];
    if (Array.isArray(was) && Array.isArray(is)) return [{ of, ...stretch(was, is) }];
    if (of !== BY_SETTING) return [{ of, was, is }];
    const [old, now] = [was, is] as [Plain, Plain];
    return Object.keys({ ...old, ...now })
      .filter((within) => !same(old[within], now[within]))
      .map((within) => ({ of, within, was: old[within], is: now[within] }));
  });
}

/** The part of two lists between what they begin and end with alike. */
export function stretch(
  was: readonly unknown[],
  is: readonly unknown[],
): { at: number; was: unknown[]; is: unknown[] } {
  const least = Math.min(was.length, is.length);
  let at = 0;
  while (at < least && same(was[at], is[at])) at++;
  let end = 0;
  while (end < least - at && same(was.at(-1 - end), is.at(-1 - end))) end++;
  return { at, was: was.slice(at, was.length - end), is: is.slice(at, is.length - end) };
}

/** A thing without those changes, whatever else was done since; undefined where what they made is not there any more. */
export function takenBack<T extends object>(thing: T, changes: Change[]): T | undefined {
  const next: Plain = { ...(thing as Plain) };
  for (const c of changes) {
    if ("at" in c) {
      const list = next[c.of] as unknown[];
      const at = placeOf(list, c);
      if (at === undefined) return undefined;
      next[c.of] = [...list.slice(0, at), ...c.was, ...list.slice(at + c.is.length)];
      continue;
    }
    const { of, within } = c;
    const home = within === undefined ? next : { ...(next[of] as Record<string, unknown>) };
    const name = within ?? of;
    if (!same(home[name], c.is)) return undefined;
    if (c.was === undefined) delete home[name];
    else home[name] = c.was;
    if (within !== undefined) next[of] = home;
  }
  return next as T;
}

/** Where a stretch stands now: where it was, or the one place it moved to. */
function placeOf(list: unknown[], { at, is }: { at: number; is: unknown[] }): number | undefined {
  const standsAt = (n: number) => n + is.length <= list.length && is.every((x, i) => same(list[n + i], x));
  if (standsAt(at)) return at;
  const places = is.length === 0 ? [] : list.flatMap((_, n) => (standsAt(n) ? [n] : []));
  return places.length === 1 ? places[0] : undefined;
}

/** Equal all the way down; a key that is not there is the same as one that is undefined. */
function same(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (!a || !b || typeof a !== "object" || typeof b !== "object" || Array.isArray(a) !== Array.isArray(b)) return false;
  if (Array.isArray(a) && a.length !== (b as unknown[]).length) return false;
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>];
  return [...new Set([...Object.keys(x), ...Object.keys(y)])].every((k) => same(x[k], y[k]));
}
