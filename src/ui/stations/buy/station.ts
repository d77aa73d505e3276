import dynamic from "next/dynamic";
import { moneyText } from "@/core/money/money";
import { stoodText } from "@/ui/desk/moves";
import { type Station, WORKING } from "@/ui/desk/station";

export const buy = {
  id: "buy",
  key: "4",
  name: "Buy",
  waits: "layout",
  state: ({ job }, { order, was }) => {
    if (!order) return WORKING;
    if (order.unpriced.length > 0) return { text: `${order.unpriced.length} without a price`, wrong: true };
    const money = (amount: number) => moneyText(amount, job.workshop.money.currency);
    const bought = order.lines.filter((l) => l.from === "buy").length;
    return {
      text: bought > 0 ? `${money(order.total)} · ${bought} to buy` : "nothing to buy",
      moved: stoodText.total(was, order.total, money),
    };
  },
  Page: dynamic(() => import("./Buy").then((m) => m.Buy)),
  load: () => import("./Buy"),
} as const satisfies Station;
