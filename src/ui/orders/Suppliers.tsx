"use client";
import { useRouter } from "next/navigation";
import { lazy, Suspense, useState } from "react";
import type { Units } from "@/core/length/length";
import type { Currency, Minor } from "@/core/money/money";
import { OLD_AFTER } from "@/core/purchase/pricelist";
import { priceText } from "@/core/purchase/purchase";
import type { Thing } from "@/core/purchase/thing";
import { askServer } from "@/ui/parts/askServer";
import { agoText, count, percent } from "@/ui/parts/words";
import { ThingName } from "./Thing";

/** A supplier as the page of orders shows it. */
export interface KnownSupplier {
  id: number;
  address: string;
  name: string | null;
  currency: Currency;
  offers: number;
  toldAt: string | null;
  problem: string | null;
  /** Prices that are other than they were before; a pack, coins. */
  repriced: { thing: Thing; key: string; pack: number; from: Minor; to: Minor }[];
}

const PriceHistory = lazy(() => import("./PriceHistory"));

/** From whom things are bought: how old their prices are, and what has another price than before. */
export function Suppliers({
  suppliers,
  units,
  currency,
  now,
}: {
  suppliers: KnownSupplier[];
  units: Units;
  currency: Currency;
  /** ms */
  now: number;
}) {
  const router = useRouter();
  const [busy, setBusy] = useState<number | "new" | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [address, setAddress] = useState("");
  const ask = async (who: number | "new", path: string, body: object) => {
    setBusy(who);
    setWrong(null);
    try {
      await askServer(path, { method: "POST", body });
      if (who === "new") setAddress("");
      router.refresh();
    } catch (e) {
      setWrong((e as Error).message);
    }
    setBusy(null);
  };
  return (
    <section aria-label="Suppliers" className="mt-6">
      <h2 className="small-head">Suppliers, and their prices</h2>
      <ul>
        {suppliers.map((s) => (
          <li key={s.id} className="border-t border-rule py-1.5">
            <div className="flex flex-wrap items-baseline gap-x-3">
              <b className="min-w-0 flex-1 font-semibold">{s.name ?? s.address}</b>
              <button
                className="quiet min-h-[44px]"
                disabled={busy !== null}
                onClick={() => void ask(s.id, `/api/suppliers/${s.id}`, { do: "ask" })}
              >
                {busy === s.id ? "asking …" : "ask for prices"}
              </button>
              <button
                className="quiet min-h-[44px]"
                aria-label={`Leave out ${s.name ?? s.address}`}
                disabled={busy !== null}
                onClick={() => void ask(s.id, `/api/suppliers/${s.id}`, { do: "leave out" })}
              >
                leave out
              </button>
            </div>
            <p className="text-[.87rem] text-soft">
              {s.toldAt ? `${count(s.offers, "price")}, ${agoText(now - Date.parse(s.toldAt))}` : "no prices yet"}
              {s.toldAt && now - Date.parse(s.toldAt) > OLD_AFTER && (
                <b className="font-semibold text-madder"> · old: ask again before ordering</b>
              )}
              {s.currency && currency && s.currency !== currency && (
                <b className="block font-semibold text-madder">
                  its prices are in {s.currency}, the shop reckons in {currency}: nothing is ordered there
                </b>
              )}
              {s.problem && <span className="block font-semibold text-madder">asked in vain: {s.problem}</span>}
            </p>
            {s.repriced.map((r) => (
              <Repriced key={`${r.key} ${r.pack}`} of={r} currency={s.currency} {...{ suppliers, units, now }} />
            ))}
          </li>
        ))}
      </ul>
      <form
        className="no-print flex gap-2 border-t border-rule pt-2"
        onSubmit={(e) => {
          e.preventDefault();
          void ask("new", "/api/suppliers", { address });
        }}
      >
        <input
          className="min-h-[44px] min-w-0 flex-1 border-2 border-ink bg-white px-2"
          aria-label="Address a supplier answers at"
          placeholder="address a supplier answers at"
          value={address}
          onChange={(e) => setAddress(e.target.value)}
        />
        <button className="act" disabled={busy !== null || address.trim() === ""}>
          {busy === "new" ? "asking …" : "Ask it"}
        </button>
      </form>
      {wrong && (
        <p role="alert" className="font-semibold text-madder">
          {wrong}
        </p>
      )}
      {suppliers.length === 0 && (
        <p className="text-[.87rem] text-soft">
          None yet: what is ordered is by hand, at the catalogue's prices. How a supplier answers is written down in
          docs/supplier.md.
        </p>
      )}
    </section>
  );
}

/** A price that is another than before; opened, what the thing cost over time, which is asked for then. */
function Repriced({
  of: { thing, key, pack, from, to },
  currency,
  suppliers,
  units,
  now,
}: {
  of: KnownSupplier["repriced"][number];
  currency: Currency;
  suppliers: KnownSupplier[];
  units: Units;
  now: number;
}) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="min-h-[44px] py-2 text-[.93rem]">
        <b className={`font-semibold ${to > from ? "text-madder" : ""}`}>
          {to > from ? "▲ dearer by" : "▽ cheaper by"} {percent(Math.abs(to - from) / from)}
        </b>{" "}
        <ThingName thing={thing} pack={pack} units={units} />:{" "}
        <span className="font-mono whitespace-nowrap">
          {priceText(from, currency)} → {priceText(to, currency)}
        </span>
      </summary>
      {open && (
        <Suspense fallback={<p className="text-soft">drawing …</p>}>
          <PriceHistory thing={key} suppliers={suppliers} now={now} />
        </Suspense>
      )}
    </details>
  );
}
