import dynamic from "next/dynamic";
import type { Station } from "@/ui/desk/station";

export const buy = {
  id: "buy",
  key: "4",
  name: "Buy",
  waits: "layout",
  state: (_desk, { order }) =>
    order && order.unpriced.length > 0
      ? { text: `${order.unpriced.length} without a price`, wrong: true }
      : { text: `${order?.lines.length ?? 0} to buy` },
  Page: dynamic(() => import("./Buy").then((m) => m.Buy)),
  load: () => import("./Buy"),
} as const satisfies Station;
