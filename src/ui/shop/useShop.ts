"use client";
import { useCallback, useMemo, useState } from "react";
import { meet } from "@/core/keeping/kept";
import { changeShop, type Shop, type ShopAct, shopActSchema, type StoredShop, touchesShop } from "@/core/shop/shop";
import { problemsOf } from "@/core/problem/explain";
import { type Keeping, useKeeping } from "@/ui/desk/useKeeping";

const dependsOn = (later: ShopAct, earlier: ShopAct) => meet(touchesShop(later), touchesShop(earlier));

/** The shop on a page: what is done shows at once and is kept as on a job. */
export function useShop(stored: StoredShop): {
  shop: Shop;
  keeping: Keeping<ShopAct>;
  /** Where a value was refused, and why. */
  problem: { field: string; message: string } | null;
  act(act: ShopAct, field?: string): void;
} {
  const [shop, setShop] = useState(stored.shop);
  const [problem, setProblem] = useState<{ field: string; message: string } | null>(null);
  const adopt = useCallback((kept: StoredShop) => setShop(kept.shop), []);
  const keeping = useKeeping<StoredShop, ShopAct>("/api/shop", stored, adopt, dependsOn);
  const { send } = keeping;
  const act = useCallback(
    (what: ShopAct, field = "") => {
      const read = shopActSchema.safeParse(what, { reportInput: true });
      if (!read.success)
        return setProblem({
          field,
          message: problemsOf(read.error)
            .map((p) => p.message)
            .join("; "),
        });
      setProblem(null);
      setShop((now) => changeShop(now, read.data));
      send({ act: read.data });
    },
    [send],
  );
  return useMemo(() => ({ shop, keeping, problem, act }), [shop, keeping, problem, act]);
}
