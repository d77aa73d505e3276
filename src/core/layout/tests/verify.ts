import { allLayouts, type LayoutResult } from "../layout";
import type { LayoutRequest } from "../request";

/** Checks a result from nothing but the request: what is inside, apart by a kerf, cuttable rip-first, and how many. */
export function verify(result: LayoutResult, request: LayoutRequest): void {
  const made = new Map<string, number>();
  const used = new Map<number, number>();
  for (const { layout } of allLayouts(result)) {
    const b = request.stock[layout.stock]!;
    used.set(layout.stock, (used.get(layout.stock) ?? 0) + layout.repeat);
    const pieces = layout.strips.flatMap((s) => s.pieces);
    for (const p of pieces) {
      const want = request.blanks.find((x) => x.id === p.blank)!;
      expect(p.length).toBe(want.length);
      expect([want.width, want.thickness]).toContain(p.width);
      expect(b.thickness).toBeGreaterThanOrEqual(p.width === want.width ? want.thickness : want.width);
      expect(p.x).toBeGreaterThanOrEqual(request.saw.endTrim);
      expect(p.x + p.length).toBeLessThanOrEqual(b.length - request.saw.endTrim);
      expect(p.y).toBeGreaterThanOrEqual(0);
      expect(p.y + p.width).toBeLessThanOrEqual(b.width);
      made.set(p.blank, (made.get(p.blank) ?? 0) + layout.repeat);
      for (const q of pieces) {
        if (p === q) continue;
        const sameRip = p.y === q.y && p.width === q.width;
        if (sameRip)
          expect(p.x + p.length + request.saw.kerf <= q.x || q.x + q.length + request.saw.kerf <= p.x).toBe(true);
        else expect(p.y + p.width + request.saw.kerf <= q.y || q.y + q.width + request.saw.kerf <= p.y).toBe(true);
      }
    }
  }
  for (const b of request.blanks) {
    const lost = result.missing.find((m) => m.blank.id === b.id);
    expect((made.get(b.id) ?? 0) + (lost ? (lost.short ?? b.quantity) : 0)).toBe(b.quantity);
  }
  request.stock.forEach((s, i) => expect(used.get(i) ?? 0).toBeLessThanOrEqual(s.available ?? Infinity));
  if (result.missing.length === 0) expect(result.cost).toBeGreaterThanOrEqual(result.boundCost - 1e-6);
}
