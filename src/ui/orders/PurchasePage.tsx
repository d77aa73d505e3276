"use client";
import Link from "next/link";
import { useCallback, useState } from "react";
import type { Units } from "@/core/length/length";
import {
  type Purchase,
  type PurchaseAct,
  purchaseActText,
  stateOf,
  type StoredPurchase,
} from "@/core/purchase/purchase";
import { Troubles } from "@/ui/desk/Troubles";
import { useKeeping } from "@/ui/desk/useKeeping";
import { askServer } from "@/ui/parts/askServer";
import { Fresh } from "@/ui/parts/Fresh";
import { dayText } from "@/ui/parts/words";
import { ShopTop } from "@/ui/top/ShopTop";
import { Undo } from "@/ui/top/Undo";
import { NextAct, type OverLine } from "./NextAct";
import { PurchaseLines } from "./PurchaseLines";
import { standsSo } from "./words";

const always = () => true;

/** One order: how it stands, the next thing to do about it, and its lines. */
export function PurchasePage({
  visit,
  stored,
  jobs,
  units,
  today,
}: {
  visit: string;
  stored: StoredPurchase;
  /** What jobs are called, by their numbers. */
  jobs: Record<number, string>;
  units: Units;
  today: string;
}) {
  const { id } = stored;
  const [p, setPurchase] = useState(stored.purchase);
  const adopt = useCallback((kept: StoredPurchase) => setPurchase(kept.purchase), []);
  const keeping = useKeeping<StoredPurchase, PurchaseAct>(`/api/orders/${id}`, stored, adopt, always, false);
  const act = (what: PurchaseAct) => keeping.send({ act: what });
  const [busy, setBusy] = useState<OverLine | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const over = async (what: OverLine) => {
    setBusy(what);
    setWrong(null);
    try {
      setPurchase(
        (await askServer<StoredPurchase>(`/api/orders/${id}/line`, { method: "POST", body: { do: what } })).purchase,
      );
    } catch (e) {
      setWrong((e as Error).message);
    }
    setBusy(null);
  };
  const stands = standsSo(p, today);
  const state = stateOf(p);
  return (
    <>
      <Fresh visit={visit} />
      <ShopTop here="/orders">
        <Undo keeping={keeping} />
        {["pdf", "csv", "xlsx", "txt"].map((kind) => (
          <a
            key={kind}
            className="quiet inline-flex min-h-[44px] items-center"
            href={`/api/orders/${id}/file/order.${kind}`}
            download={kind !== "pdf" && kind !== "txt"}
          >
            {kind === "txt" ? "as text" : kind.toUpperCase()}
          </a>
        ))}
      </ShopTop>
      <Troubles keeping={keeping} text={purchaseActText} act={act} mayAgain={() => false} />
      <main className="max-w-[72rem] px-5 pt-3 pb-10">
        <p className="no-print">
          <Link prefetch={false} href="/orders" className="quiet inline-flex min-h-[44px] items-center">
            all orders
          </Link>
        </p>
        <h1 className="text-[1.47rem] leading-tight font-semibold">
          Order {id} {p.seller === null ? "by hand" : `to ${p.name}`}
        </h1>
        <Stages p={p} />
        <p className={`text-[1.2rem] ${stands.wrong ? "font-semibold text-madder" : ""}`} role="status">
          {stands.text}
        </p>
        {wrong && (
          <p role="alert" className="border-l-8 border-madder bg-white px-3 py-2 font-semibold text-madder">
            {wrong}
          </p>
        )}
        <NextAct {...{ p, state, busy, today, act }} over={(what) => void over(what)} />
        <PurchaseLines {...{ p, units, jobs, act }} />
        {p.receipts.length > 0 && (
          <section aria-label="What came" className="mt-4">
            <h2 className="small-head">What came, as it was booked in</h2>
            <ul>
              {p.receipts.map((r) => (
                <li key={r.note}>
                  <b className="font-semibold">{r.note}</b>, {dayText(r.at.slice(0, 10))}:{" "}
                  {r.lines.map((l) => `${l.packs} × ${p.lines[l.line]!.thing.material}`).join(", ")}
                </li>
              ))}
            </ul>
          </section>
        )}
        <p className="mt-4 text-[.87rem] text-soft">
          Drawn up {dayText(p.drawnUp.slice(0, 10))}; the prices are of that day and stay. Our number: {p.key}
          {p.answer && p.answer.reference !== "none" && `; the supplier's: ${p.answer.reference}`}.
        </p>
      </main>
    </>
  );
}

const STAGES = ["drafted", "sent", "acknowledged", "part received", "received"];

/** How far it is, as marks along a stick. */
function Stages({ p }: { p: Purchase }) {
  const state = stateOf(p);
  if (state === "cancelled") return null;
  const at = { drafted: 0, "put off": 0, sent: 1, acknowledged: 2, "part received": 3, received: 4 }[state];
  return (
    <ol aria-label="How far it is" className="mt-5 mb-3 grid max-w-[46rem] grid-cols-5 border-t-4 border-straw-line">
      {STAGES.map((name, i) => (
        <li
          key={name}
          aria-current={i === at ? "step" : undefined}
          className={`relative border-l-2 pt-1 pl-2 text-[.87rem] ${i <= at ? "border-ink" : "border-rule text-soft"} ${i === at ? "font-semibold" : ""}`}
        >
          {i === at && (
            <svg aria-hidden width="16" height="12" className="absolute -top-4 -left-[9px]">
              <path d="M0 0 L16 0 L8 12 Z" fill="var(--color-spruce)" />
            </svg>
          )}
          {name}
        </li>
      ))}
    </ol>
  );
}
