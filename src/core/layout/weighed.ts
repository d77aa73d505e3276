import type { BoardStock } from "@/core/boards/stock";

/** A board as the layout weighs it; `unpriced` where its price is only a stand-in. */
export type WeighedStock = BoardStock & { unpriced?: true };

/**
 * Boards with a price to weigh them by: those that have none count by their area, at what the priced ones of their kind and
 * thickness cost, or so that the largest of them counts 1. Without this every layout on them would cost the same, nothing.
 * What lies in the yard is free and used before what is bought; where nothing of its kind is bought, it is weighed too, so that as
 * little of it is used as can be.
 */
export function weighed(stock: BoardStock[]): WeighedStock[] {
  const kind = (s: BoardStock) => `${s.form} ${s.thickness}`;
  const area = (s: BoardStock) => s.length * s.width;
  return stock.map((s): WeighedStock => {
    const alike = stock.filter((o) => kind(o) === kind(s));
    const bought = alike.filter((o) => o.source === "buy");
    const free = s.source === "buy" ? s.price === 0 : bought.length === 0;
    if (!free) return s;
    const priced = bought.filter((o) => o.price > 0);
    const perArea =
      priced.length > 0
        ? priced.reduce((n, o) => n + o.price, 0) / priced.reduce((n, o) => n + area(o), 0)
        : 1 / Math.max(...alike.map(area));
    return { ...s, price: Math.max(0.01, Math.round(area(s) * perArea * 100) / 100), unpriced: true };
  });
}
