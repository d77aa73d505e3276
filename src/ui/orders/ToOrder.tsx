"use client";
import Link from "next/link";
import { useState } from "react";
import type { Units } from "@/core/length/length";
import type { Currency } from "@/core/money/money";
import { daysBetween, type ProposedLine, type ProposedOrder } from "@/core/purchase/proposal";
import { priceText } from "@/core/purchase/purchase";
import { count, dayText, percent } from "@/ui/parts/words";
import { ThingName } from "./Thing";
import { standsSo } from "./words";
import { type ToOrder as Asked, useToOrder } from "./useToOrder";

const UNIT: Record<ProposedLine["unit"], string> = { board: "", each: "", g: " g", m: " m", m2: " m²" };
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
      {proposal.orders.length === 0 && proposal.short.length === 0 && (
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
      <Short proposal={proposal} {...{ units, names }} />
      {proposal.orders.length > 0 && (
        <p className="mt-2 text-[.87rem] text-soft">
          {say(proposal.total)} with delivery.{" "}
          {proposal.proven
            ? "No purchase from these suppliers that comes as soon costs less."
            : `No purchase that comes as soon costs less than ${say(proposal.bound)}: this is within ${percent((proposal.total - proposal.bound) / Math.max(1, proposal.total))}.`}
        </p>
      )}
    </section>
  );
}

interface Showing {
  units: Units;
  say(minor: number): string;
  names: Map<number, string>;
}

/** One order that is proposed: the sentence to act on, and what is in it. */
function Proposed({
  order,
  first,
  units,
  say,
  names,
  today,
  going,
  brief,
  old,
  draw,
}: Showing & {
  order: ProposedOrder;
  first: boolean;
  today: string;
  going: boolean;
  brief: boolean;
  /** The prices it goes by were told long ago. */
  old: boolean;
  draw(): void;
}) {
  const { lines, name, by, comes, late, seller } = order;
  const when = by === undefined ? "" : late > 0 ? "today" : by === today ? "today" : `by ${dayText(by)}`;
  return (
    <section aria-label={seller === null ? "By hand" : name} className="mb-5">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <h2 className={`min-w-0 flex-1 font-semibold ${first ? "text-[1.47rem] leading-tight" : "text-[1.13rem]"}`}>
          {seller === null
            ? `Order ${count(lines.length, "thing")} by hand ${when}`
            : `Order ${count(lines.length, "thing")} from ${name} ${when}`}
        </h2>
        <button
          className={first ? "act min-h-[44px] text-[1.13rem]" : "quiet min-h-[44px]"}
          disabled={going}
          onClick={draw}
        >
          Draw it up · {say(order.total)}
        </button>
      </div>
      <p className={late > 0 ? "font-semibold text-madder" : "text-soft"}>
        {late > 0 && comes
          ? `${count(late, "day")} too late: ordered today it is here ${dayText(comes)}`
          : comes
            ? `here ${dayText(comes)} when it is ordered today`
            : "no supplier the shop asks lists these; prices are the catalogue's"}
        {old && <b className="font-semibold text-madder"> · its prices are old: ask for them again first</b>}
        {by === undefined && " · no job that wants it has a start, so there is no last day"}
      </p>
      {!brief && <OrderLines {...{ order, units, say, names }} />}
    </section>
  );
}

/** What is in an order that is proposed. */
function OrderLines({ order, units, say, names }: Showing & { order: ProposedOrder }) {
  return (
    <table className="cutting-list mt-1">
      <thead>
        <tr>
          <th className="w-16 text-right!">packs</th>
          <th>what</th>
          <th>for</th>
          <th>first used</th>
          <th className="text-right!">each</th>
          <th className="text-right!">price</th>
        </tr>
      </thead>
      <tbody>
        {order.lines.map((l, i) => (
          <tr key={i}>
            <td className="text-right font-mono text-[1.13rem] font-semibold">{l.packs.toLocaleString("en-GB")}</td>
            <td>
              <ThingName thing={l.thing} pack={l.pack} units={units} />
              {l.over > 0 && (
                <span className="block text-[.84rem] text-soft">
                  {l.over.toLocaleString("en-GB")}
                  {UNIT[l.unit]} left over
                </span>
              )}
            </td>
            <td className="text-[.87rem]">
              {l.for.map((s) => (
                <span key={s.job} className="block" title={s.working}>
                  <span className="font-mono">
                    {s.quantity.toLocaleString("en-GB")}
                    {UNIT[l.unit]}
                  </span>{" "}
                  · {names.get(s.job) ?? `job ${s.job}`}
                </span>
              ))}
            </td>
            <td className="text-[.93rem] whitespace-nowrap">{l.on ? dayText(l.on) : "not planned"}</td>
            <td className="text-right font-mono">{say(l.price)}</td>
            <td className="text-right font-mono">{say(l.price * l.packs)}</td>
          </tr>
        ))}
        {order.delivery > 0 && (
          <tr>
            <td colSpan={5} className="text-right text-soft">
              delivery
            </td>
            <td className="text-right font-mono">{say(order.delivery)}</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

/** What nobody has enough of, or nobody lists. */
function Short({ proposal, units, names }: Pick<Showing, "units" | "names"> & { proposal: Asked["proposal"] }) {
  if (proposal.short.length === 0) return null;
  return (
    <section aria-label="Short everywhere" className="mb-4 border-l-8 border-madder bg-white px-3 py-2">
      <h2 className="font-semibold text-madder">Short everywhere</h2>
      <ul>
        {proposal.short.map((s, i) => (
          <li key={i}>
            <b className="font-mono">
              {s.quantity.toLocaleString("en-GB")}
              {UNIT[s.unit]}
            </b>{" "}
            <ThingName thing={s.thing} pack={1} units={units} />{" "}
            <span className="text-soft">
              {s.listed ? "more than all suppliers have" : "no supplier lists it, and the catalogue has no price"} · for{" "}
              {s.for.map((f) => names.get(f.job) ?? `job ${f.job}`).join(", ")}
            </span>
          </li>
        ))}
      </ul>
      {proposal.short.some((s) => !s.listed) && (
        <p className="text-[.93rem]">
          Say at{" "}
          <Link prefetch={false} href="/catalogue" className="underline decoration-[#9aa39d] underline-offset-4">
            Catalogue
          </Link>{" "}
          in what packs they come and for how much, or ask a supplier that lists them.
        </p>
      )}
    </section>
  );
}
