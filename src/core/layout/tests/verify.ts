import { pieceKey } from "@/core/line/line";
import { settingsOf } from "../cuts";
import { type LayoutResult, allLayouts } from "../layout";
import type { BoardStock } from "@/core/boards/stock";
import type { Layout } from "@/core/boards/laid";
import type { LayoutRequest } from "../request";

interface Rect {
  id: string;
  x: number;
  y: number;
  l: number;
  w: number;
}

/**
 * Checks a result from nothing but the request and the places of the pieces: inside the trims and off every bad
 * stretch, right sizes, a kerf apart, and cut apart by straight cuts in so many stages; and what it says it costs. Shares no code with
 * the solver but the list of settings the bench gets.
 */
export function verify(result: LayoutResult, request: LayoutRequest): void {
  const { saw } = request;
  const made = new Map<string, number>();
  const used = new Map<number, number>();
  for (const { layout } of allLayouts(result)) {
    const b = request.stock[layout.stock]!;
    used.set(layout.stock, (used.get(layout.stock) ?? 0) + layout.repeat);
    const end = b.form === "sheet" ? saw.sheetTrim : saw.endTrim;
    const edge = b.form === "sheet" ? saw.sheetTrim : saw.edgeTrim;
    const rects: Rect[] = [];
    // A board that is crosscut first is ripped after that.
    for (const s of b.form === "board" ? layout.strips : [])
      if (s.order === "crosscut") expect(s.length).toBeGreaterThanOrEqual(saw.minHold);
    for (const p of layout.strips.flatMap((s) => s.sections.flatMap((x) => x.pieces))) {
      const key = pieceKey(p.of);
      const want = request.blanks.find((x) => pieceKey(x.of) === key)!;
      made.set(key, (made.get(key) ?? 0) + layout.repeat);
      const flat = p.length === want.length && p.width === want.width && b.thickness >= want.thickness;
      const onEdge = p.length === want.length && p.width === want.thickness && b.thickness >= want.width;
      const turned = want.turn && p.length === want.width && p.width === want.length;
      expect([key, flat || onEdge || turned]).toEqual([key, true]);
      const inside = p.x >= end && p.x + p.length <= b.length - end && p.y >= edge && p.y + p.width <= b.width - edge;
      expect([key, inside]).toEqual([key, true]);
      for (const [from, to] of b.bad ?? []) expect(p.x + p.length <= from || p.x >= to).toBe(true);
      rects.push({ id: key, x: p.x, y: p.y, l: p.length, w: p.width });
    }
    const stages = b.form === "sheet" ? saw.sheetStages : 2;
    // Crosscuts at the bad stretches come first, and part the board; in each part either direction may begin.
    const parts = (b.bad ?? []).reduce<Rect[][]>(
      (groups, [from]) => groups.flatMap((g) => [g.filter((r) => r.x < from), g.filter((r) => r.x >= from)]),
      [rects],
    );
    for (const part of parts)
      expect(cuttable(part, "x", stages, saw.kerf) || cuttable(part, "y", stages, saw.kerf)).toBe(true);
  }
  for (const b of request.blanks) {
    const key = pieceKey(b.of);
    const lost = result.missing.find((m) => pieceKey(m.blank.of) === key);
    expect([key, (made.get(key) ?? 0) + (lost ? (lost.short ?? b.quantity) : 0)]).toEqual([key, b.quantity]);
  }
  request.stock.forEach((s, i) =>
    expect(used.get(i) ?? 0).toBeLessThanOrEqual((s.available ?? Infinity) - (s.struck ?? 0)),
  );
  const all = result.groups.map((g) => g.result.layouts);
  const sum = (f: (l: Layout, board: BoardStock) => number) => all.flat().reduce((n, l) => n + f(l, request.stock[l.stock]!), 0); // prettier-ignore
  const settings = all.reduce((n, of) => n + new Set(of.flatMap((l) => settingsOf(l.strips))).size, 0);
  expect(result).toMatchObject({
    cost: expect.closeTo(sum((l, b) => l.repeat * b.price), 6),
    patterns: all.flat().length,
    setUps: all.flat().length + settings,
    kept: expect.closeTo(sum((l, b) => l.offcuts.reduce((n, o) => n + (o.keep ? o.length * o.width * l.repeat : 0), 0) * (b.price / (b.length * b.width)) * request.weighing.offcut), 6),
  }); // prettier-ignore
  if (result.missing.length === 0) expect(result.cost).toBeGreaterThanOrEqual(result.boundCost - 1e-6);
}

/** True when cuts across one axis, then the other, and so on for so many stages, leave every piece on its own. */
export function cuttable(rects: Rect[], axis: "x" | "y", stages: number, kerf: number): boolean {
  if (rects.length <= 1) return true;
  if (stages === 0) return false;
  const from = (r: Rect) => (axis === "x" ? r.x : r.y);
  const to = (r: Rect) => (axis === "x" ? r.x + r.l : r.y + r.w);
  const groups: Rect[][] = [];
  let end = -Infinity;
  for (const r of [...rects].sort((a, b) => from(a) - from(b))) {
    if (from(r) >= end + kerf) groups.push([]);
    groups.at(-1)!.push(r);
    end = Math.max(end, to(r));
  }
  return groups.every((g) => cuttable(g, axis === "x" ? "y" : "x", stages - 1, kerf));
}
