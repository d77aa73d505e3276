"use client";
import { useMemo } from "react";
import { type Cost, costOf } from "@/core/order/cost";
import { useDesk, useLaid } from "@/ui/desk/useDesk";

/** What each line costs by the layout as it stands; nothing until there is one, or where no line can be made. */
export function useCost(): Cost | undefined {
  const { worked } = useDesk();
  const { order, layout } = useLaid();
  const { result } = layout;
  const cost = useMemo(() => (order && result ? costOf(worked, result, order) : undefined), [worked, result, order]);
  return cost && cost.items.length > 0 ? cost : undefined;
}
