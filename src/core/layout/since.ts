import { type Layout, type Pinned, piecesOf } from "@/core/boards/laid";
import type { BoardStock } from "@/core/boards/stock";
import { pieceKey } from "@/core/line/line";
import { placesText } from "./byhand";
import { allLayouts, type LayoutResult } from "./layout";
import { blanksByKey, layoutTrouble, pinnedCounts } from "./pinned";
import type { LayoutRequest } from "./request";

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

/** Boards of the same text are cut alike. */
const boardKey = ({ form, material, thickness, width, length, source, lot }: BoardStock): string =>
  JSON.stringify([form, material, thickness, width, length, source, lot]);

interface Way {
  key: string;
  repeat: number;
}

function waysOf(result: LayoutResult): Way[] {
  const { blanks, stock } = result.request;
  const names = new Map(blanks.map((b) => [pieceKey(b.of), b.name]));
  const key = (l: Layout) => {
    const places = piecesOf(l).map((p) => [names.get(pieceKey(p.of)), p.x, p.y, p.length, p.width]);
    return `${boardKey(stock[l.stock]!)} ${JSON.stringify(places)}`;
  };
  return allLayouts(result).map(({ layout }) => ({ key: key(layout), repeat: layout.repeat }));
}

/**
 * The ways to cut of an earlier layout as pins, for whoever has them on paper: of each as many boards as there were, as far as its
 * pieces are still wanted and there are boards, the fullest first. What is pinned already stays. The rest is to be laid out around them.
 */
export function keepTo(was: LayoutResult, now: LayoutRequest): Pinned[] {
  const kept = [...now.pinned];
  const blanks = blanksByKey(now);
  const byName = new Map(now.blanks.map((b) => [b.name, b.of]));
  const names = new Map(was.request.blanks.map((b) => [pieceKey(b.of), b.name]));
  const area = (l: Pick<Layout, "strips">) => piecesOf(l).reduce((sum, p) => sum + p.length * p.width, 0);
  for (const { layout } of allLayouts(was).toSorted((a, b) => area(b.layout) - area(a.layout))) {
    const board = boardKey(was.request.stock[layout.stock]!);
    const stock = now.stock.findIndex((s) => boardKey(s) === board);
    const strips = layout.strips.map((strip) => ({ ...strip, sections: strip.sections.map((s) => ({ ...s, pieces: s.pieces.map((p) => ({ ...p, of: byName.get(names.get(pieceKey(p.of))!) ?? p.of })) })) })); // prettier-ignore
    const way: Pinned = { stock, repeat: 0, strips };
    if (stock < 0 || layoutTrouble(way, now, blanks)) continue;
    const already = kept.filter((p) => p.stock === stock && placesText(p) === placesText(way));
    const [given, gives] = [pinnedCounts(kept), pinnedCounts([{ ...way, repeat: 1 }])];
    const most = [...gives].map(([id, each]) => Math.floor((blanks.get(id)!.quantity - (given.get(id) ?? 0)) / each));
    const drawn = kept.reduce((n, p) => n + (p.stock === stock ? p.repeat : 0), 0);
    const repeat = Math.min(
      layout.repeat - boardsOf(already),
      (now.stock[stock]!.available ?? Infinity) - drawn,
      ...most,
    );
    if (repeat > 0) kept.push({ ...way, repeat });
  }
  return kept;
}

const boardsOf = (pins: Pinned[]) => pins.reduce((n, p) => n + p.repeat, 0);
