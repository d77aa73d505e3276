"use client";
import Link from "next/link";
import type { Cost, ItemCost, Kind } from "@/core/order/cost";
import { fromMinor, moneyText } from "@/core/money/money";
import { useDesk } from "@/ui/desk/useDesk";
import { percent } from "@/ui/parts/words";

const CALLED: Record<Kind, string> = {
  wood: "wood",
  hardware: "hardware",
  finish: "finish",
  work: "work",
  setUps: "set-ups",
  overhead: "overhead",
};
/** Dark where hands are at it, light where something is bought. */
const FILL: Record<Kind, string> = {
  wood: "bg-straw border-straw-line",
  hardware: "bg-white border-ink",
  finish: "bg-bench border-soft",
  work: "bg-spruce border-spruce",
  setUps: "bg-blue border-blue",
  overhead: "bg-rule border-soft",
};

/** What one piece of each line costs, as a bar that shows where the money is; each part opens to how it came about. */
export function CostOfPiece({ cost }: { cost: Cost }) {
  const { job } = useDesk();
  const { currency, rate } = job.workshop.money;
  const say = (minor: number) => moneyText(fromMinor(minor, currency), currency);
  const dearest = Math.max(1, ...cost.items.map((i) => i.each));
  const used = (["wood", "hardware", "finish", "work", "setUps", "overhead"] as const).filter((k) => cost.items.some((i) => i.parts.some((p) => p.kind === k && p.minor > 0))); // prettier-ignore
  return (
    <section aria-label="Cost of a piece">
      <h2 className="small-head">Cost of a piece</h2>
      {rate === null && (
        <p className="mb-2 border-l-8 border-straw-line bg-straw-pale px-3 py-1.5">
          Materials only: what an hour costs is not said.{" "}
          <Link prefetch={false} href="/shop" className="quiet">
            say it at Shop
          </Link>
        </p>
      )}
      <p className="mb-1 flex flex-wrap gap-x-4 text-[.87rem]">
        {used.map((k) => (
          <span key={k} className="inline-flex items-center gap-1.5">
            <span aria-hidden className={`inline-block size-3 border ${FILL[k]}`} />
            {CALLED[k]}
          </span>
        ))}
      </p>
      {cost.items.map((i) => (
        <Item key={i.line} item={i} dearest={dearest} say={say} />
      ))}
      <p className="mt-2 text-[.87rem] text-soft">
        Of the wood {percent(cost.wood.parts)} becomes parts, {percent(cost.wood.kept)} is kept as offcuts and{" "}
        {percent(cost.wood.scrap)} is scrap; the job pays for all of it, each line by the area of its pieces.
        {cost.items.length > 1 && ` All lines together: ${say(cost.total)}.`}
      </p>
    </section>
  );
}

function Item({ item, dearest, say }: { item: ItemCost; dearest: number; say(minor: number): string }) {
  const parts = item.parts.filter((p) => p.minor > 0);
  return (
    <div className="border-t border-rule py-2">
      <p className="flex items-baseline justify-between gap-3">
        <span className="min-w-0">
          <b className="font-mono">{item.quantity}</b> {item.item}
        </span>
        <span className="whitespace-nowrap">
          {parts.length > 0 || item.unknown.length === 0 ? (
            <>
              <b className="font-mono text-[1.2rem]">{say(item.each)}</b> each
            </>
          ) : (
            <span className="text-madder">no price yet</span>
          )}
        </span>
      </p>
      {parts.length > 0 && (
        <div className="my-1 flex h-6" style={{ width: `${Math.max(4, (item.each / dearest) * 100)}%` }} aria-hidden>
          {parts.map((p) => (
            <span
              key={p.kind}
              className={`block h-full border-y border-r first:border-l ${FILL[p.kind]}`}
              style={{ width: `${(p.minor / item.total) * 100}%` }}
            />
          ))}
        </div>
      )}
      {item.unknown.length > 0 && (
        <p className="text-[.87rem] font-semibold text-madder">
          {parts.length > 0 && "more: "}
          {item.unknown.join(", ")} {item.unknown.length > 1 ? "have" : "has"} no price yet
        </p>
      )}
      {parts.length > 0 && (
        <details className="text-[.93rem]">
          <summary className="w-fit cursor-pointer py-1 underline underline-offset-4">where it goes</summary>
          <table className="cutting-list">
            <tbody>
              {parts.map((p) => (
                <tr key={p.kind}>
                  <td className="w-20">{CALLED[p.kind]}</td>
                  <td className="w-20 text-right font-mono">{say(Math.round(p.minor / item.quantity))}</td>
                  <td className="text-[.87rem] text-soft">
                    {say(p.minor)} for {item.quantity}: {p.working}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="py-1 text-[.87rem] text-soft">
            {say(item.total)} for {item.quantity}; a piece is rounded to the nearest coin, the whole is exact.
          </p>
        </details>
      )}
    </div>
  );
}
