"use client";
import { useCallback, useEffect, useRef } from "react";
import type { CatalogueAct } from "@/core/catalogue/catalogue";
import type { ShopAct } from "@/core/shop/shop";
import { insist } from "@/ui/parts/askServer";
import { forget, leftBehind, nextKey, remember, type Waiting } from "./waiting";

/** By the field where a job's page says what is told, where that is kept. */
const KEPT_AT = { minutes: "/api/shop", catalogue: "/api/catalogue" } as const;
export type Told = keyof typeof KEPT_AT;

interface Problem {
  field: string;
  message: string;
}

/**
 * Tells the shop what a job's page says of it, one after another: of two that touch the same the one said last is to stand. Until it is
 * kept it waits in the browser's database, over a reload and a closed tab too: the next job that is opened, or the shop's or
 * catalogue's own page, sends it. `seen` is the revision it was said of; `say` is given what keeps it, and null when it is kept.
 */
export function useTelling(
  say: (change: (before: Problem | null) => Problem | null) => void,
): (field: Told, act: ShopAct | CatalogueAct, seen: number) => void {
  const told = useRef(Promise.resolve());
  const send = useCallback(
    (field: Told, { key, at, seen, what }: Waiting) => {
      const wrong = (message: string) => say(() => ({ field, message }));
      const body = { key, revision: seen, ...what };
      // Asked again by its key it is not done again. The job follows when the shop has it, as every other page does.
      told.current = told.current
        .then(() => insist(`${at}/act`, { method: "POST", body }, (why) => wrong(`not kept yet: ${why}`)))
        .then(
          () => say((p) => (p?.field === field ? null : p)),
          (e: Error) => wrong(e.message),
        )
        .then(() => forget(key));
    },
    [say],
  );
  useEffect(() => {
    for (const field of Object.keys(KEPT_AT) as Told[])
      void leftBehind(KEPT_AT[field]).then((left) => left.forEach((w) => send(field, w)));
  }, [send]);
  return useCallback(
    (field, act, seen) => {
      const one: Waiting = { key: nextKey(), at: KEPT_AT[field], seen, what: { act } };
      void remember(one);
      send(field, one);
    },
    [send],
  );
}
