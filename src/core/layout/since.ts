import { type Layout, piecesOf } from "@/core/boards/laid";
import { pieceKey } from "@/core/line/line";
import { allLayouts, type LayoutResult } from "./layout";

/**
 * What a change made of the ways to cut. Five boards were cut into sides and two into ends; now six are into sides and one into sides and
 * an end: there were 5 of the first, none of the second, which is new, and one way, that of the ends, is gone.
 */
export interface Since {
  /** For each layout there is now how many boards were cut so; undefined where that is as it was. */
  were: (number | undefined)[];
  /** Ways to cut that there are no longer. */
  gone: number;
}

/**
 * Holds a layout against an earlier one, by what a saw does: the same pieces in the same places on boards alike. Pieces go by their
 * names, as lines move up where one is taken out. In the order of `allLayouts`.
 */
export function since(was: LayoutResult, now: LayoutResult): Since {
  const [before, after] = [waysOf(was), waysOf(now)];
  const boards = (ways: Way[]) =>
    // Some boards cut alike may be pinned and others not.
    ways.reduce((all, { key, repeat }) => all.set(key, (all.get(key) ?? 0) + repeat), new Map<string, number>());
  const [were, are] = [boards(before), boards(after)];
  return {
    were: after.map(({ key }) => (were.get(key) === are.get(key) ? undefined : (were.get(key) ?? 0))),
    gone: [...were.keys()].filter((key) => !are.has(key)).length,
  };
}

interface Way {
  key: string;
  repeat: number;
}

function waysOf(result: LayoutResult): Way[] {
  const { blanks, stock } = result.request;
  const names = new Map(blanks.map((b) => [pieceKey(b.of), b.name]));
  const key = (l: Layout) => {
    const { form, material, thickness, width, length, source, lot } = stock[l.stock]!;
    const places = piecesOf(l).map((p) => [names.get(pieceKey(p.of)), p.x, p.y, p.length, p.width]);
    return JSON.stringify([form, material, thickness, width, length, source, lot, places]);
  };
  return allLayouts(result).map(({ layout }) => ({ key: key(layout), repeat: layout.repeat }));
}
