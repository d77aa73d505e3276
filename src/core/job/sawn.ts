import { type Layout, piecesOf } from "@/core/boards/laid";
import type { BoardStock } from "@/core/boards/stock";
import { allLayouts, type LayoutResult } from "@/core/layout/layout";
import { type BoardLot, lotKey } from "@/core/yard/lot";
import type { Act } from "./acts";

type Sawn = Extract<Act, { do: "sawn" }>;

/** Layouts of boards that are not sawn yet, and have something on them. */
export const unsawn = (result: LayoutResult): Layout[] =>
  allLayouts(result)
    .map((l) => l.layout)
    .filter((l) => !result.request.stock[l.stock]!.sawn && piecesOf(l).length > 0);

/** How many of each lot of the yard layouts take. */
export function takesOf(layouts: Layout[], result: LayoutResult): Map<number, number> {
  const out = new Map<number, number>();
  for (const l of layouts) {
    const { lot, resawn } = result.request.stock[l.stock]!;
    if (lot !== undefined) out.set(lot, (out.get(lot) ?? 0) + Math.ceil(l.repeat / (resawn ?? 1)));
  }
  return out;
}

/** What is said when boards are sawn as they were laid out: which, how, and what offcuts of them go to the yard. */
export function sawnAct(layouts: Layout[], result: LayoutResult): Sawn {
  // What it was laid out on: the job may have other boards by now.
  const boards = result.request.stock;
  const stock = layouts.map((l): BoardStock => {
    const { struck: _struck, unpriced, ...board } = boards[l.stock]!;
    return { ...board, ...(unpriced ? { price: 0 } : {}), available: l.repeat };
  });
  const kept = new Map<string, { lot: BoardLot; count: number }>();
  for (const l of layouts) {
    const { form, material, thickness } = boards[l.stock]!;
    for (const { length, width } of l.offcuts.filter((o) => o.keep)) {
      const lot: BoardLot = { form: form === "board" ? "board" : "sheet", material, thickness, width, length, offcut: true }; // prettier-ignore
      const key = lotKey(lot);
      kept.set(key, { lot, count: (kept.get(key)?.count ?? 0) + l.repeat });
    }
  }
  return {
    do: "sawn",
    stock,
    layouts: layouts.map(({ repeat, strips }, i) => ({ stock: i, repeat, strips })),
    kept: [...kept.values()],
  };
}
