"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useCallback, useRef } from "react";
import type { Units } from "@/core/length/length";
import type { Currency } from "@/core/money/money";
import { costOfPurchase, priceText, stateOf, type StoredPurchase } from "@/core/purchase/purchase";
import { useFollow } from "@/ui/desk/useFollow";
import { Fresh } from "@/ui/parts/Fresh";
import { dayText } from "@/ui/parts/words";
import { ShopTop } from "@/ui/top/ShopTop";
import { type KnownSupplier, Suppliers } from "./Suppliers";
import { ToOrder } from "./ToOrder";
import { standsSo } from "./words";

/** What to order now, what is on its way, and from whom things are bought. */
export function OrdersPage({
  visit,
  open,
  ended,
  suppliers,
  units,
  currency,
  today,
  now,
}: {
  visit: string;
  open: StoredPurchase[];
  ended: StoredPurchase[];
  suppliers: KnownSupplier[];
  units: Units;
  currency: Currency;
  today: string;
  /** ms */
  now: number;
}) {
  const router = useRouter();
  const said = useRef<number | null>(null);
  const heard = useCallback(
    (version: number) => {
      if (said.current !== null && version !== said.current) router.refresh();
      said.current = version;
    },
    [router],
  );
  useFollow("/api/orders", heard);
  return (
    <>
      <Fresh visit={visit} />
      <ShopTop here="/orders" />
      <main className="grid grid-cols-1 gap-x-10 gap-y-6 px-5 pt-3 pb-10 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
        <h1 className="sr-only">Orders</h1>
        <ToOrder units={units} currency={currency} goTo={(path) => router.push(path)} />
        <div>
          <section aria-label="Ordered">
            <h2 className="small-head">Ordered</h2>
            {open.length === 0 && <p>Nothing is on order.</p>}
            <ul>
              {open.map((o) => (
                <Ordered key={o.id} order={o} today={today} />
              ))}
            </ul>
            {ended.length > 0 && (
              <details className="mt-1">
                <summary className="flex min-h-[44px] items-center text-soft">
                  the last that are done with: {ended.length}
                </summary>
                <ul>
                  {ended.map((o) => (
                    <Ordered key={o.id} order={o} today={today} />
                  ))}
                </ul>
              </details>
            )}
          </section>
          <Suppliers {...{ suppliers, units, currency, now }} />
        </div>
      </main>
    </>
  );
}

function Ordered({ order: { id, purchase }, today }: { order: StoredPurchase; today: string }) {
  const { text, wrong } = standsSo(purchase, today);
  return (
    <li className="border-t border-rule">
      <Link
        prefetch={false}
        href={`/orders/${id}`}
        className="grid min-h-[44px] grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-3 py-1.5 no-underline"
      >
        <span>
          <b className="font-semibold underline decoration-[#9aa39d] underline-offset-4">
            {id} {purchase.seller === null ? "by hand" : purchase.name}
          </b>{" "}
          <span className="text-[.87rem] text-soft">
            {dayText((purchase.sent?.at ?? purchase.drawnUp).slice(0, 10))}
          </span>
          <span className={`block text-[.93rem] ${wrong ? "font-semibold text-madder" : ""}`}>{text}</span>
        </span>
        <span className="text-right">
          <span className="block font-mono">{priceText(costOfPurchase(purchase).total, purchase.currency)}</span>
          <span className="text-[.84rem] text-soft">{stateOf(purchase)}</span>
        </span>
      </Link>
    </li>
  );
}
