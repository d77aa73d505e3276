"use client";
import { Fragment, lazy, Suspense, useMemo, useState } from "react";
import { BOUGHT_AS, type BoughtAs, askedFor } from "@/core/catalogue/catalogue";
import { fromMinor, moneyText } from "@/core/money/money";
import type { Cost } from "@/core/order/cost";
import { breakEven, compare, daysInShop, minutesOf, movesOfBreakEven, type Way, type WayCost, waysOf } from "@/core/order/makeorbuy"; // prettier-ignore
import { useDesk, useLaid } from "@/ui/desk/useDesk";
import { NumberField } from "@/ui/parts/NumberField";
import { duration } from "@/ui/parts/words";

const CALLED: Record<Way, string> = {
  "wood bought": "make it, wood bought",
  "own wood": "make it from rough wood of our own",
  "parts cut": "parts cut by a mill, put together here",
  kit: "a kit, put together here",
  "ready made": "bought ready made",
};
/** Charts come when they are shown: they weigh as much as all the rest of a job's pages. */
const Curve = lazy(() => import("./Curve"));
const isAsked = (way: Way): way is BoughtAs => (BOUGHT_AS as readonly string[]).includes(way);

/** Whether a line is worth making: what each way to come by it costs, from how many on, and what would move that. */
export function MakeOrBuy({ cost }: { cost: Cost }) {
  const desk = useDesk();
  const { layout } = useLaid();
  const { job, worked } = desk;
  const [chosen, choose] = useState(0);
  const item = cost.items.find((i) => i.line === chosen) ?? cost.items[0]!;
  const line = job.lines[item.line]!;
  const size = line.size ?? "";
  const listed = askedFor(desk.around.offers, { item: line.item, standard: line.standard, size });
  const prices = Object.fromEntries(Object.entries(listed).map(([as, l]) => [as, l.price])) as Partial<Record<BoughtAs, number | null>>; // prettier-ignore
  const { currency, rate, overhead } = job.workshop.money;
  const said = JSON.stringify(prices);
  const { ways, compared, moves } = useMemo(() => {
    const { minutes, own } = minutesOf(worked, layout.result!, item.line);
    const asked = { currency, rate, overhead, prices: JSON.parse(said) as typeof prices };
    const ways = waysOf(item, minutes, own, asked);
    const against = asked.prices["ready made"] ? "ready made" : asked.prices.kit ? "kit" : undefined;
    return {
      ways,
      compared: compare(ways, item.quantity),
      moves: against ? movesOfBreakEven(item, minutes, own, asked, against) : [],
    };
  }, [worked, layout.result, item, currency, rate, overhead, said]);
  const say = (minor: number) => moneyText(fromMinor(Math.round(minor), currency), currency);
  const made = ways[0]!;
  const put = (as: BoughtAs, said: { price: number | null; days?: number }) =>
    desk.catalogue({ do: "offer", offers: [{ form: "item", material: `${line.standard} ${item.item}`.slice(0, 60), item: line.item, standard: line.standard, size, as, ...said }] }); // prettier-ignore
  const known = compared.filter((c) => c.way.unknown.length === 0 || c.way.way === "wood bought");
  return (
    <section aria-label="Make or buy" className="mt-6">
      <h2 className="small-head">Make or buy</h2>
      {cost.items.length > 1 && (
        <p className="flex flex-wrap gap-x-3">
          {cost.items.map((i) => (
            <button key={i.line} className="quiet" aria-pressed={i === item} onClick={() => choose(i.line)}>
              {i === item ? <b>{i.item}</b> : i.item}
            </button>
          ))}
        </p>
      )}
      <Verdict made={made} ways={ways} quantity={item.quantity} say={say} />
      <table className="cutting-list">
        <thead>
          <tr>
            <th>way</th>
            <th className="text-right!">asked for one</th>
            <th className="text-right!">each</th>
            <th className="text-right!">for {item.quantity}</th>
            <th className="text-right!">hands</th>
            <th className="text-right!">days</th>
          </tr>
        </thead>
        <tbody>
          {compared.map(({ way, each, total, minutes }) => {
            const nothing = isAsked(way.way) && way.unknown.includes("its price");
            const lead = isAsked(way.way) ? listed[way.way]?.days : 0;
            return (
              <Fragment key={way.way}>
                <tr>
                  <td>{CALLED[way.way]}</td>
                  <td className="text-right">
                    {isAsked(way.way) && (
                      <NumberField
                        label={`Asked for one: ${way.way}`}
                        value={prices[way.way] ?? null}
                        empty="ask"
                        onSettle={(price) => put(way.way as BoughtAs, { price })}
                        className="w-20"
                      />
                    )}
                    {isAsked(way.way) && !nothing && (
                      <span className="block text-[.84rem] whitespace-nowrap text-soft">
                        here in{" "}
                        <NumberField
                          label={`Days until it is here: ${way.way}`}
                          value={lead ?? null}
                          empty="?"
                          onSettle={(days) => put(way.way as BoughtAs, { price: null, days })}
                          className="w-10"
                        />{" "}
                        days
                      </span>
                    )}
                  </td>
                  <td className="text-right font-mono font-semibold">{nothing ? "" : say(each)}</td>
                  <td className="text-right font-mono">{nothing ? "" : say(total)}</td>
                  <td className="text-right whitespace-nowrap">
                    {nothing ? "" : minutes > 0 ? duration(Math.round(minutes)) : "none"}
                  </td>
                  <td className="text-right font-mono">
                    {nothing || (minutes === 0 && !lead) ? "" : daysInShop(minutes, job.workshop) + (lead ?? 0)}
                  </td>
                </tr>
                {!nothing && (
                  <tr>
                    <td colSpan={6} className="border-t-0! pt-0! text-[.84rem] text-soft">
                      {way.working}
                      {way.unknown.length > 0 && (
                        <b className="font-semibold text-madder"> · more: {way.unknown.join(", ")} have no price yet</b>
                      )}
                    </td>
                  </tr>
                )}
              </Fragment>
            );
          })}
        </tbody>
      </table>
      {known.length > 1 && (
        <Suspense fallback={<div className="h-[190px]" />}>
          <Curve ways={known.map((k) => k.way)} quantity={item.quantity} currency={currency} />
        </Suspense>
      )}
      {moves.length > 0 && (
        <p className="text-[.93rem]">
          What would move it:{" "}
          {moves
            .map((m) => `${m.what}, ${m.from === null ? "never" : m.from === 1 ? "always" : `from ${m.from} on`}`)
            .join("; ")}
          .
        </p>
      )}
      <p className="mt-1 text-[.84rem] text-soft">
        A piece costs the same material whatever the number, by this layout’s share; set-ups come once a batch. Days in
        the shop are with all hands at it, and after the wood is there. Prices and days asked for are kept in the
        catalogue.
      </p>
    </section>
  );
}

/** The one thing first: make them or not, and from how many on. */
function Verdict({
  made,
  ways,
  quantity,
  say,
}: {
  made: WayCost;
  ways: WayCost[];
  quantity: number;
  say(minor: number): string;
}) {
  const against = ways.filter((w) => isAsked(w.way) && w.unknown.length === 0);
  if (against.length === 0)
    return <p className="my-1">Say what is asked for one, ready made or as a kit, and it is set against making it.</p>;
  const at = (w: WayCost) => w.once + w.each * quantity;
  const best = against.reduce((a, b) => (at(a) <= at(b) ? a : b));
  const from = breakEven(made, best);
  const less = at(best) - at(made);
  return (
    <p className="my-1 text-[1.13rem]">
      <b>{less >= 0 ? "Make them" : `Cheaper ${CALLED[best.way]}`}</b>: {say(Math.abs(less))} less for {quantity}.{" "}
      {from === null
        ? "Making never pays at this price: each one costs more than it is sold for."
        : from === 1
          ? "Making pays from the first."
          : `Making pays from ${from} on: ${say(made.once - best.once)} to set up, ${say(best.each - made.each)} saved on each.`}
    </p>
  );
}
