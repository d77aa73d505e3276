"use client";
import { fromMinor, moneyText, toMinor } from "@/core/money/money";
import type { Cost } from "@/core/order/cost";
import { changedBetween, type Given, NO_QUOTE, quoteLines, totalsOf } from "@/core/quote/quote";
import { useToOrder } from "@/ui/orders/useToOrder";
import { PageLink } from "@/ui/desk/PageLink";
import { useDesk, useLaid } from "@/ui/desk/useDesk";
import { NumberField } from "@/ui/parts/NumberField";
import { count, dayText } from "@/ui/parts/words";
import { AfterLayout } from "../AfterLayout";
import { useCost } from "../buy/useCost";
import { Empty } from "../Empty";
import { Said } from "../Said";

/** What is asked for the job: a price for one of each item, what was quoted before, and what became of it. */
export function QuotePage() {
  const { job } = useDesk();
  const { order } = useLaid();
  const cost = useCost();
  if (job.lines.length === 0) return <Empty text="There is nothing to quote yet." next="ask" act="Say what to make" />;
  return (
    <div className="grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
      {order && cost ? <Draft cost={cost} /> : <AfterLayout what="What it costs stands" />}
      <GivenList cost={cost} />
    </div>
  );
}

const today = () => new Date(Date.now()).toLocaleDateString("sv-SE");

/** Prices as they would be quoted now. */
function Draft({ cost }: { cost: Cost }) {
  const desk = useDesk();
  const { layout } = useLaid();
  const { currency, tax, rate } = desk.job.workshop.money;
  const quote = desk.job.quote ?? NO_QUOTE;
  const lines = quoteLines(quote, cost.items);
  const totals = totalsOf(lines, tax);
  const say = (minor: number) => moneyText(fromMinor(minor, currency), currency);
  const over = totals.net - cost.total;
  const unknown = [...new Set(cost.items.flatMap((i) => i.unknown))];
  const given: Given = {
    on: today(),
    ...(quote.until ? { until: quote.until } : {}),
    ...(quote.terms ? { terms: quote.terms } : {}),
    currency,
    tax,
    lines: lines.map(({ item, quantity, each, cost }) => ({ item, quantity, each, cost })),
  };
  const last = quote.given.at(-1);
  const same = last && changedBetween(last, given).length === 0;
  return (
    <section aria-label="Quote">
      <div className="mb-2 flex flex-wrap items-baseline gap-x-6 gap-y-2">
        <p className="text-[1.13rem]">
          <b className="text-[1.7rem]">{say(totals.total)}</b> to pay
          {desk.job.customer ? ` by ${desk.job.customer}` : ""}
        </p>
        <button
          className="act text-[1.07rem]"
          disabled={same}
          onClick={() => desk.act({ do: "give quote", given }, "quote")}
        >
          {same
            ? "Given as it stands"
            : quote.given.length > 0
              ? `Give it as revision ${quote.given.length + 1}`
              : "Give this quote"}
        </button>
        <PageLink className="quiet" job={desk.id} to="buy">
          back to Buy
        </PageLink>
      </div>
      <Said field="quote" />
      {layout.improving && (
        <p className="mb-2 text-[.93rem] text-soft">
          The layout is still being bettered: what it costs may fall a little.
        </p>
      )}
      {(unknown.length > 0 || rate === null) && (
        <p role="note" className="mb-2 border-l-8 border-madder bg-white px-3 py-1.5 font-semibold text-madder">
          It costs more than stands here: {[...unknown, ...(rate === null ? ["an hour of work"] : [])].join(", ")} have
          no price yet.
        </p>
      )}
      <table className="cutting-list">
        <thead>
          <tr>
            <th className="text-right!">how many</th>
            <th>item</th>
            <th className="text-right!">costs us</th>
            <th className="text-right!">margin</th>
            <th className="text-right!">asked for one</th>
            <th className="text-right!">amount</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((l) => (
            <tr key={l.line}>
              <td className="text-right font-mono">{l.quantity}</td>
              <td>{l.item}</td>
              <td className="text-right font-mono text-soft">{say(l.cost)}</td>
              <td
                className={`text-right font-mono whitespace-nowrap ${l.each < l.cost ? "font-semibold text-madder" : "text-soft"}`}
              >
                {l.margin === null ? "" : `${l.margin.toFixed(l.margin % 1 === 0 ? 0 : 1)} %`}
              </td>
              <td className="text-right">
                <NumberField
                  label={`Asked for one: ${l.item}, line ${l.line + 1}`}
                  value={fromMinor(l.each, currency)}
                  onSettle={(n) => desk.act({ do: "ask for", at: l.line, each: toMinor(n, currency) }, "quote")}
                  onEmpty={() => desk.act({ do: "ask for", at: l.line, each: null }, "quote")}
                  className={`w-24 ${l.own ? "font-semibold" : ""}`}
                />
              </td>
              <td className="text-right font-mono">{say(l.amount)}</td>
            </tr>
          ))}
          <Sum name="sum" amount={say(totals.net)} />
          <Sum name={`tax, ${tax} %`} amount={say(totals.tax)} />
          <Sum name="to pay" amount={say(totals.total)} bold />
        </tbody>
      </table>
      <p className="py-1 text-[.87rem] text-soft">
        {over >= 0 ? `${say(over)} over what it costs us` : `${say(-over)} less than it costs us`}. A price typed stands
        by itself; emptied it follows the margin again. Tax is worked out on the sum and rounded to the nearest coin.
      </p>
      <div className="mt-3 grid max-w-[40rem] grid-cols-[auto_minmax(0,1fr)] items-baseline gap-x-6 gap-y-2">
        <span>Margin on what it costs, %</span>
        <NumberField
          label="Margin on what it costs, %"
          value={quote.margin}
          onSettle={(margin) => desk.act({ do: "quote", to: { margin } }, "quote")}
          className="w-24"
        />{" "}
        {/* prettier-ignore */}
        <span>Valid until</span>
        <input
          type="date"
          className="field w-44"
          aria-label="Valid until"
          value={quote.until ?? ""}
          onChange={(e) => desk.act({ do: "quote", to: { until: e.target.value } }, "quote")}
        />
        <span>Terms</span>
        <textarea
          key={quote.terms ?? ""}
          className="field min-h-20 w-full"
          aria-label="Terms"
          maxLength={2000}
          placeholder="ready six weeks after the order; half when ordered"
          defaultValue={quote.terms ?? ""}
          onBlur={(e) => e.target.value.trim() !== (quote.terms ?? "") && desk.act({ do: "quote", to: { terms: e.target.value } }, "quote")} // prettier-ignore
        />
      </div>
    </section>
  );
}

function Sum({ name, amount, bold = false }: { name: string; amount: string; bold?: boolean }) {
  return (
    <tr className={bold ? "font-semibold" : ""}>
      <td colSpan={5} className="text-right">
        {name}
      </td>
      <td className="text-right font-mono">{amount}</td>
    </tr>
  );
}

/** What was quoted, the newest first, what it says otherwise than the one before, and what became of it. */
function GivenList({ cost }: { cost: Cost | undefined }) {
  const desk = useDesk();
  const { given, accepted } = desk.job.quote ?? NO_QUOTE;
  if (given.length === 0)
    return (
      <p className="text-soft">
        Nothing quoted yet. A quote that is given stays as it is; a later one is a revision of it.
      </p>
    );
  return (
    <section aria-label="Quotes given">
      <h2 className="small-head">{count(given.length, "quote")} given</h2>
      <ol>
        {given
          .map((g, i) => ({ g, i }))
          .toReversed()
          .map(({ g, i }) => {
            const { net, total } = totalsOf(g.lines, g.tax);
            const say = (minor: number) => moneyText(fromMinor(minor, g.currency), g.currency);
            const changes = i > 0 ? changedBetween(given[i - 1]!, g) : [];
            return (
              <li
                key={i}
                className={`border-b border-rule py-2 ${i === accepted ? "border-l-8 border-l-spruce bg-white pl-3" : ""}`}
              >
                <p className="flex flex-wrap items-baseline gap-x-4">
                  <b>{i === 0 ? "Quote" : `Revision ${i + 1}`}</b>
                  <span>{dayText(g.on)}</span>
                  <span className="font-mono font-semibold">{say(total)}</span>
                  {(["pdf", "csv", "xlsx"] as const).map((kind) => (
                    <a
                      key={kind}
                      className="quiet"
                      href={`/api/jobs/${desk.id}/quote/quote-${i + 1}.${kind}`}
                      target={kind === "pdf" ? "_blank" : undefined}
                    >
                      {kind.toUpperCase()}
                    </a>
                  ))}
                </p>
                {changes.length > 0 && <p className="text-[.87rem] text-soft">{changes.join("; ")}</p>}
                {i === accepted ? (
                  <>
                    <p className="font-semibold">
                      Accepted.{" "}
                      {cost && cost.currency === g.currency && <Outcome net={net} cost={cost.total} say={say} />}
                    </p>
                    {cost && <Since given={g} cost={cost} say={say} />}
                    <button className="quiet" onClick={() => desk.act({ do: "accept quote", given: null }, "quote")}>
                      not accepted after all
                    </button>
                  </>
                ) : (
                  <button className="quiet" onClick={() => desk.act({ do: "accept quote", given: i }, "quote")}>
                    it was accepted
                  </button>
                )}
              </li>
            );
          })}
      </ol>
    </section>
  );
}

/** The quoted price beside what the job costs as it stands now. */
function Outcome({ net, cost, say }: { net: number; cost: number; say(minor: number): string }) {
  const left = net - cost;
  return (
    <span className={left < 0 ? "text-madder" : ""}>
      {say(net)} before tax was quoted, it costs {say(cost)} as it stands: {say(Math.abs(left))}{" "}
      {left < 0 ? "lost" : "left"}.
    </span>
  );
}

/** What the job is now otherwise than it was quoted, and what was ordered for it at the prices of their days. */
function Since({ given, cost, say }: { given: Given; cost: Cost; say(minor: number): string }) {
  const { id } = useDesk();
  const { toOrder } = useToOrder([id]);
  const lines = cost.items.map(({ item, quantity, each }) => ({ item, quantity, each, cost: each }));
  const plain = { ...given, lines: given.lines.map((l) => ({ ...l, each: 0 })) };
  const changed = changedBetween(plain, { ...plain, lines: lines.map((l) => ({ ...l, each: 0 })) });
  return (
    <>
      <p className="text-[.93rem]">
        {toOrder && toOrder.spent > 0
          ? `${say(toOrder.spent)} of it is what was ordered for it so far, at the prices of those days.`
          : "Nothing has been ordered for it yet."}
      </p>
      {changed.length > 0 && (
        <p className="font-semibold text-madder">The job is not what was quoted any more: {changed.join("; ")}.</p>
      )}
    </>
  );
}
