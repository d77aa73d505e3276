"use client";
import Link from "next/link";
import { useState } from "react";
import type { Units } from "@/core/length/length";
import type { Currency } from "@/core/money/money";
import { daysBetween, type ProposedOrder } from "@/core/purchase/proposal";
import { priceText } from "@/core/purchase/purchase";
import { atMost, count, dayText } from "@/ui/parts/words";
import { Proposed, type Showing, UNIT } from "./Proposed";
import { ThingName } from "./Thing";
import { standsSo } from "./words";
import { type ToOrder as Asked, useToOrder } from "./useToOrder";

/** What has more days than this can wait for the next order. */
const CAN_WAIT = 7;

const canWait = (o: ProposedOrder, today: string) => o.by !== undefined && daysBetween(today, o.by) > CAN_WAIT;

/** The one thing to do about buying: what to order from whom by which day; then what can wait, and what nobody has. */
export function ToOrder({
  only,
  units,
  currency,
  brief = false,
  goTo,
}: {
  /** The jobs it is for; all that are open without. */
  only?: number[];
  units: Units;
  currency: Currency;
  /** Only the sentences to act on: what is in an order stands elsewhere on the page. */
  brief?: boolean;
  /** Opens another page: the order that was drawn up. */
  goTo(path: string): void;
}) {
  const [without, setWithout] = useState<number[]>([]);
  const [all, setAll] = useState<number[]>();
  const { toOrder, problem, drawUp } = useToOrder(only ?? (without.length > 0 ? all?.filter((id) => !without.includes(id)) : undefined)); // prettier-ignore
  const [going, setGoing] = useState(false);
  if (!toOrder) return <p role={problem ? "alert" : "status"}>{problem ?? "working out what to order …"}</p>;
  const { proposal, buyers, today } = toOrder;
  const names = new Map(buyers.map((b) => [b.id, b.name]));
  const working = buyers.filter((b) => !b.fresh && (!only || only.includes(b.id))).length;
  const say = (minor: number) => priceText(minor, currency);
  const draw = async (o: ProposedOrder) => {
    setGoing(true);
    const id = await drawUp(o.seller, o.total);
    if (id === undefined) setGoing(false);
    else goTo(`/orders/${id}`);
  };
  const now = proposal.orders.filter((o) => !canWait(o, today));
  const later = proposal.orders.filter((o) => canWait(o, today));
  const { coming } = toOrder;
  const asking = buyers.filter((b) => b.wants > 0);
  return (
    <section aria-label="To order">
      {!only && asking.length > 1 && (
        <fieldset className="no-print mb-1 flex flex-wrap items-baseline gap-x-4 text-[.93rem]">
          <legend className="sr-only">For which jobs</legend>
          <span className="text-soft">together for</span>
          {asking.map((b) => (
            <label key={b.id} className="inline-flex min-h-[44px] items-center gap-1.5">
              <input
                type="checkbox"
                checked={!without.includes(b.id)}
                onChange={(e) => {
                  setAll(buyers.map((x) => x.id));
                  setWithout(e.target.checked ? without.filter((id) => id !== b.id) : [...without, b.id]);
                }}
              />
              {b.name}
            </label>
          ))}
        </fieldset>
      )}
      {working > 0 && (
        <p role="status" className="text-soft">
          {count(working, "job")} being worked out; this may change
        </p>
      )}
      {problem && (
        <p role="alert" className="border-l-8 border-madder bg-white px-3 py-2 font-semibold text-madder">
          {problem}
        </p>
      )}
      {buyers
        .filter((b) => b.missing > 0 && toOrder.jobs.includes(b.id))
        .map((b) => (
          <p key={b.id} role="note" className="my-1 border-l-8 border-madder bg-white px-3 py-1.5">
            <b className="font-semibold text-madder">
              {b.name}: no board gives {count(b.missing, "part")}.
            </b>{" "}
            What they are cut from is not in these orders:{" "}
            <a href={`/jobs/${b.id}/lay-out`} className="underline decoration-[#9aa39d] underline-offset-4">
              say at Lay out what there is to buy
            </a>
          </p>
        ))}
      {only && coming.length > 0 && (
        <p>
          On order:{" "}
          {coming.map((o, i) => (
            <span key={o.id}>
              {i > 0 && ", "}
              <a href={`/orders/${o.id}`} className="underline decoration-[#9aa39d] underline-offset-4">
                {o.id} {o.purchase.name}
              </a>{" "}
              <span className={standsSo(o.purchase, today).wrong ? "font-semibold text-madder" : "text-soft"}>
                {standsSo(o.purchase, today).text}
              </span>
            </span>
          ))}
        </p>
      )}
      {working === 0 && proposal.orders.length === 0 && proposal.short.length === 0 && (
        <p className="py-2 text-[1.2rem]">
          {asking.some((b) => toOrder.jobs.includes(b.id))
            ? "Nothing has to be ordered: it is in the yard or on its way."
            : "No job wants anything bought."}
        </p>
      )}
      {now.map((o, i) => (
        <Proposed
          key={o.seller ?? 0}
          order={o}
          first={i === 0}
          {...{ units, say, names, today, going, brief }}
          old={o.seller !== null && toOrder.old.includes(o.seller)}
          draw={() => void draw(o)}
        />
      ))}
      {later.length > 0 &&
        (now.length > 0 ? (
          <h2 className="mt-4 text-[1.13rem] font-semibold">What can wait</h2>
        ) : (
          <p className="text-soft">Nothing has to be ordered before {dayText(later[0]!.by!)}. What comes next:</p>
        ))}
      {later.map((o) => (
        <Proposed
          key={o.seller ?? 0}
          order={o}
          first={now.length === 0 && o === later[0]}
          {...{ units, say, names, today, going, brief }}
          old={o.seller !== null && toOrder.old.includes(o.seller)}
          draw={() => void draw(o)}
        />
      ))}
      <Short proposal={proposal} units={units} {...(only ? {} : { names })} />
      {proposal.orders.length > 0 && (
        <p className="mt-2 text-[.87rem] text-soft">
          {say(proposal.total)} with delivery.{" "}
          {proposal.proven
            ? "No purchase from these suppliers that comes as soon costs less."
            : `No purchase that comes as soon costs less than ${say(proposal.bound)}: this is within ${atMost((proposal.total - proposal.bound) / Math.max(1, proposal.bound))}.`}
        </p>
      )}
    </section>
  );
}

/** Why something is short, and what can be done about it. */
const WHY_SHORT = [
  { listed: false, why: "No supplier lists these, and the catalogue has no price" },
  { listed: true, why: "More than all suppliers have" },
];

/** What nobody has enough of, or nobody lists; for which jobs, where it is asked for several. */
function Short({
  proposal,
  units,
  names,
}: Pick<Showing, "units"> & { proposal: Asked["proposal"]; names?: Map<number, string> }) {
  if (proposal.short.length === 0) return null;
  return (
    <section aria-label="Short everywhere" className="mb-4 border-l-8 border-madder bg-white px-3 py-2">
      <h2 className="font-semibold text-madder">Short everywhere</h2>
      {WHY_SHORT.map(({ listed, why }) => ({ listed, why, short: proposal.short.filter((s) => s.listed === listed) }))
        .filter(({ short }) => short.length > 0)
        .map(({ listed, why, short }) => (
          <div key={why} className="mt-1">
            <p>
              {why}.{" "}
              {!listed && (
                <>
                  Say at{" "}
                  <Link
                    prefetch={false}
                    href="/catalogue"
                    className="underline decoration-[#9aa39d] underline-offset-4"
                  >
                    Catalogue
                  </Link>{" "}
                  in what packs they come and for how much, or ask a supplier that lists them.
                </>
              )}
            </p>
            <ul>
              {short.map((s, i) => (
                <li key={i}>
                  <b className="font-mono">
                    {s.quantity.toLocaleString("en-GB")}
                    {UNIT[s.unit]}
                  </b>{" "}
                  <ThingName thing={s.thing} pack={1} units={units} />
                  {names && (
                    <span className="text-soft">
                      {" "}
                      · for {s.for.map((f) => names.get(f.job) ?? `job ${f.job}`).join(", ")}
                    </span>
                  )}
                </li>
              ))}
            </ul>
          </div>
        ))}
    </section>
  );
}
