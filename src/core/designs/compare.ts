import type { Part } from "@/core/shape/part";
import type { Recipe } from "@/core/recipes/recipe";
import type { Length } from "@/core/length/length";
import type { Shape } from "@/core/shape/shape";

/** One field that is not as it was: `parts → side → length`. */
export interface Change {
  where: string;
  was?: string;
  now?: string;
}

type Data = unknown;
const isList = (v: Data): v is Data[] => Array.isArray(v);
const isRecord = (v: Data): v is Record<string, Data> => typeof v === "object" && v !== null && !isList(v);
const nameOf = (v: Data): string | undefined => {
  if (!isRecord(v)) return undefined;
  const name = v.id ?? v.name ?? v.rule;
  return typeof name === "string" ? name : undefined;
};
const text = (v: Data): string => (typeof v === "string" ? v : JSON.stringify(v));

/** Everything that differs between two marks of a recipe; things are matched by their name or id, not by their place. */
export function changesBetween(was: Recipe, now: Recipe): Change[] {
  return walk(was, now, []);
}

function walk(was: Data, now: Data, path: string[]): Change[] {
  if (was === undefined && now === undefined) return [];
  if (was === undefined || now === undefined)
    return [
      {
        where: path.join(" → "),
        ...(was === undefined ? {} : { was: text(was) }),
        ...(now === undefined ? {} : { now: text(now) }),
      },
    ];
  if (isList(was) && isList(now)) {
    const keys = (list: Data[]) => list.map((x, i) => nameOf(x) ?? String(i + 1));
    const unique = [...new Set([...keys(was), ...keys(now)])];
    const at = (list: Data[], key: string) => list[keys(list).indexOf(key)];
    return unique.flatMap((k) => walk(at(was, k), at(now, k), [...path, k]));
  }
  if (isRecord(was) && isRecord(now))
    return [...new Set([...Object.keys(was), ...Object.keys(now)])].flatMap((k) => walk(was[k], now[k], [...path, k]));
  return Object.is(was, now) ? [] : [{ where: path.join(" → "), was: text(was), now: text(now) }];
}

/** A part of the cut list at one mark beside the other. */
export interface PartChange {
  id: string;
  name: string;
  was?: { count: number; size: Record<"l" | "w" | "t", Length> };
  now?: { count: number; size: Record<"l" | "w" | "t", Length> };
  /** The same blank, cut otherwise. */
  cuts: boolean;
}

/** What the cut list shows of it: blanks that came, went or moved, and blanks that are cut otherwise. */
export function partsBetween(was: Shape, now: Shape): PartChange[] {
  const find = (s: Shape, id: string) => s.parts.find((p) => p.id === id);
  const said = (p: Part | undefined) => p && { count: p.places.length, size: p.cut };
  return [...new Set([...was.parts, ...now.parts].map((p) => p.id))].flatMap((id) => {
    const [a, b] = [find(was, id), find(now, id)];
    const same = JSON.stringify(said(a)) === JSON.stringify(said(b));
    const cuts = JSON.stringify(a?.features) !== JSON.stringify(b?.features);
    if (same && !cuts && JSON.stringify(a?.places) === JSON.stringify(b?.places)) return [];
    return [
      {
        id,
        name: (b ?? a)!.name,
        ...(a ? { was: said(a)! } : {}),
        ...(b ? { now: said(b)! } : {}),
        cuts: same && cuts,
      },
    ];
  });
}
