"use client";
import Link from "next/link";
import type { PackStock } from "@/core/boards/stock";
import { otherPacks } from "@/core/order/order";
import { useDesk, useLaid, useMoney } from "@/ui/desk/useDesk";
import { Short } from "@/ui/parts/Short";
import { count } from "@/ui/parts/words";
import { AfterLayout } from "../AfterLayout";
import { Empty } from "../Empty";
import { CostOfPiece } from "./CostOfPiece";
import { Instead } from "./Instead";
import { MakeOrBuy } from "./MakeOrBuy";
import { ToOrder } from "@/ui/orders/ToOrder";
import { PageLink } from "@/ui/desk/PageLink";
import { useCost } from "./useCost";
import { Packs } from "./Packs";

const UNIT = { board: "", each: "", g: " g", m: " m", m2: " m²" };

/** What to order, in which packs, for how much, and what each item costs in materials. */
export function Buy() {
  const desk = useDesk();
  const { job, id } = desk;
  const { order, layout } = useLaid();
  const money = useMoney();
  const cost = useCost();
  if (job.lines.length === 0) return <Empty text="There is nothing to buy yet." next="ask" act="Say what to make" />;
  if (!order) return <AfterLayout what="The order stands" />;
  const unit = (l: (typeof order.lines)[number]) => `${l.quantity.toLocaleString("en-GB")}${UNIT[l.unit]}`;
  // One size of pack is chosen of a thing: another takes its place.
  const choose = (stock: PackStock) => {
    const at = job.stock.findIndex((x, i) => i < desk.own && x.form === "pack" && x.chosen && x.material === stock.material); // prettier-ignore
    desk.act(at < 0 ? { do: "add stock", stock } : { do: "change stock", at, stock }, `stock ${desk.keys.stock[at]}`);
  };
  return (
    <div className="grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
      <section aria-label="Order">
        <div className="no-print mb-4 border-b border-rule pb-2">
          <ToOrder
            only={[id]}
            units={job.units}
            currency={job.workshop.money.currency}
            brief
            goTo={(path) => location.assign(path)}
          />
          <Link prefetch={false} href="/orders" className="quiet inline-flex min-h-[44px] items-center">
            order it together with other jobs
          </Link>
        </div>
        <p className="mb-2">
          {(order.total > 0 || order.unpriced.length === 0) && (
            <>
              <b className="text-[1.2rem]">{money(order.total)}</b> for materials
              {order.unpriced.length > 0 && ", and "}
            </>
          )}
          {order.unpriced.length > 0 && (
            <span className="font-semibold text-madder">{count(order.unpriced.length, "thing")} without a price</span>
          )}
        </p>
        <Short result={layout.result} />
        <table className="cutting-list">
          <thead>
            <tr>
              <th className="text-right!">need</th>
              <th>what</th>
              <th>packs</th>
              <th className="text-right!">price</th>
            </tr>
          </thead>
          <tbody>
            {order.lines.map((l) => (
              <tr key={l.what}>
                <td className="w-24 text-right font-mono text-[1.13rem] font-semibold">{unit(l)}</td>
                <td>
                  <span className="block">{l.what}</span>
                  <span className="text-[.84rem] text-soft">
                    {l.for.join(", ")} · {l.working}
                    {l.from === "yard"
                      ? " · from the yard"
                      : l.unit !== "board" && l.bought < l.quantity
                        ? ` · ${(l.quantity - l.bought).toLocaleString("en-GB")} of it in the yard`
                        : ""}
                  </span>
                  {l.short !== undefined && (
                    <span className="block text-[.87rem] font-semibold text-madder">
                      {l.short} more than there are to buy
                    </span>
                  )}
                </td>
                <td className="font-mono whitespace-nowrap">
                  {l.unit === "board" ? "" : l.packs.map((p) => `${p.count} × ${p.size}`).join(" + ")}
                  {otherPacks(l, job.stock).map((o) => (
                    <span key={o.pack} className="block text-[.84rem] text-soft">
                      or {o.count} × {o.pack}, {money(o.price)}{" "}
                      <button
                        className="quiet font-sans"
                        aria-label={`Buy ${l.what} in packs of ${o.pack}`}
                        onClick={() => choose({ form: "pack", material: l.what, pack: o.pack, price: o.price / o.count, available: null, source: "buy", chosen: true })} // prettier-ignore
                      >
                        use it
                      </button>
                    </span>
                  ))}
                </td>
                <td className="text-right font-mono">
                  {l.price === null ? (
                    <span className="font-sans whitespace-nowrap text-madder">no price</span>
                  ) : (
                    money(l.price)
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <div className="no-print mt-6">
          <Packs />
        </div>
        <Instead />
      </section>
      <div className="print:break-before-page">
        {cost && (
          <>
            <CostOfPiece cost={cost} />
            <p className="no-print mt-2">
              <PageLink className="act" job={id} to="quote">
                {job.quote?.accepted === undefined ? "Quote it" : "The quote"}
              </PageLink>
            </p>
            <MakeOrBuy cost={cost} />
          </>
        )}
      </div>
    </div>
  );
}
