import { fromMinor, toMinor } from "@/core/money/money";
import { type Cost, KINDS } from "./cost";
import type { Order } from "./order";

/** The order as the contract's document, with what each item costs. */
export function orderDocument(order: Order, cost: Cost) {
  const money = (n: number) => fromMinor(toMinor(n, cost.currency), cost.currency);
  return {
    lines: order.lines.map((l) => ({
      what: l.what,
      quantity: l.quantity,
      unit: l.unit,
      packs: l.packs,
      price: l.price === null ? null : money(l.price),
      for: l.for.join(", "),
      from: l.from,
      working: l.working,
      ...(l.short ? { short: l.short } : {}),
    })),
    total: money(order.total),
    unpriced: order.unpriced,
    perItem: cost.items.map(({ line, item, quantity, parts, total, each, minutes, unknown }) => ({
      line,
      item,
      quantity,
      ...Object.fromEntries(
        KINDS.map((k) => [k, fromMinor(parts.find((p) => p.kind === k)?.minor ?? 0, cost.currency)]),
      ),
      total: fromMinor(total, cost.currency),
      each: fromMinor(each, cost.currency),
      minutes: Math.round(minutes * 10) / 10,
      unknown,
    })),
  };
}
