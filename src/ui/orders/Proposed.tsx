import type { Units } from "@/core/length/length";
import type { ProposedLine, ProposedOrder } from "@/core/purchase/proposal";
import { count, dayText } from "@/ui/parts/words";
import { ThingName } from "./Thing";

export const UNIT: Record<ProposedLine["unit"], string> = { board: "", each: "", g: " g", m: " m", m2: " m²" };

export interface Showing {
  units: Units;
  say(minor: number): string;
  names: Map<number, string>;
}

/** One order that is proposed: the sentence to act on, and what is in it. */
export function Proposed({
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
