"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Minor } from "@/core/money/money";
import type { Proposal } from "@/core/purchase/proposal";
import type { StoredPurchase } from "@/core/purchase/purchase";
import { useFollow } from "@/ui/desk/useFollow";
import { askServer, NoAnswer, RETRY } from "@/ui/parts/askServer";

/** What to order for which jobs, as the server works it out. */
export interface ToOrder {
  proposal: Proposal;
  buyers: { id: number; name: string; wants: number; missing: number; fresh: boolean }[];
  jobs: number[];
  today: string;
  coming: StoredPurchase[];
  spent: Minor;
  old: number[];
}

/** After something changed it is asked again so much later, ms: several things change together. */
const SOON = 300;

/** What to order, always of now: it is asked again whenever jobs, orders or prices change. `only` is the jobs it is for; all without. */
export function useToOrder(only: number[] | undefined): {
  toOrder: ToOrder | null;
  problem: string | null;
  /** Draws the order to a supplier up as it is shown; answers with its number. */
  drawUp(seller: number | null, total: Minor): Promise<number | undefined>;
} {
  const [toOrder, setToOrder] = useState<ToOrder | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [round, setRound] = useState(0);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const jobs = only?.join(",");
  const again = useCallback((after = SOON) => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => setRound((n) => n + 1), after);
  }, []);
  useFollow(
    "/api/orders",
    useCallback(() => again(), [again]),
  );
  useEffect(() => {
    let gone = false;
    askServer<ToOrder>(jobs === undefined ? "/api/orders" : `/api/orders?jobs=${jobs}`)
      .then((told) => {
        if (gone) return;
        setToOrder(told);
        setProblem(null);
      })
      .catch((e: Error) => {
        if (gone) return;
        setProblem(e.message);
        if (e instanceof NoAnswer) again(RETRY);
      });
    return () => {
      gone = true;
    };
  }, [jobs, round, again]);
  useEffect(() => () => clearTimeout(timer.current), []);
  // One key for each order that is shown: pressed twice, or answered too late, it is drawn up once.
  const key = useRef<{ of: string; key: string }>(undefined);
  const drawUp = async (seller: number | null, total: Minor) => {
    const of = `${seller} ${total} ${toOrder!.jobs.join()}`;
    if (key.current?.of !== of) key.current = { of, key: crypto.randomUUID() };
    try {
      const body = { key: key.current.key, seller, jobs: toOrder!.jobs, total };
      return (await askServer<{ id: number }>("/api/orders", { method: "POST", body })).id;
    } catch (e) {
      setProblem((e as Error).message);
      again();
      return undefined;
    }
  };
  return { toOrder, problem, drawUp };
}
