"use client";
import { NumberField } from "@/ui/parts/NumberField";
import type { StockEntry } from "@/core/boards/stock";

/** What one of a kind of board, sheet or pack costs; empty is not known. */
export function Price<S extends StockEntry>({
  of,
  stock,
  onChange,
}: {
  of: string;
  stock: S;
  onChange: (stock: S) => void;
}) {
  return (
    <NumberField
      label={`Price of ${of}`}
      value={stock.price || null}
      empty="none"
      onSettle={(price) => onChange({ ...stock, price })}
      onEmpty={() => onChange({ ...stock, price: 0 })}
      className="w-16"
    />
  );
}
