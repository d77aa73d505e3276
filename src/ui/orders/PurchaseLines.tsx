"use client";
import type { Units } from "@/core/length/length";
import { costOfPurchase, dueOf, missingOf, priceText, type Purchase, type PurchaseAct } from "@/core/purchase/purchase";
import { NumberField } from "@/ui/parts/NumberField";
import { useKeys } from "@/ui/parts/useKeys";
import { dayText } from "@/ui/parts/words";
import { ThingName } from "./Thing";

/** What was ordered, confirmed, came and is to come. */
export function PurchaseLines({
  p,
  units,
  jobs,
  act,
}: {
  p: Purchase;
  units: Units;
  jobs: Record<number, string>;
  act(act: PurchaseAct): void;
}) {
  const [due, missing] = [dueOf(p), missingOf(p)];
  const say = (minor: number) => priceText(minor, p.currency);
  const isDraft = !p.sent && !p.cancelled;
  const cost = costOfPurchase(p);
  const keys = useKeys(p.lines);
  return (
    <table className="cutting-list mt-2">
      <thead>
        <tr>
          <th className="text-right!">packs</th>
          <th>what</th>
          <th>for</th>
          {!isDraft && <th>how it stands</th>}
          <th className="text-right!">each</th>
          <th className="text-right!">price</th>
        </tr>
      </thead>
      <tbody>
        {p.lines.map((l, i) => (
          <tr key={keys[i]}>
            <td className="w-24 text-right font-mono text-[1.13rem] font-semibold">
              {isDraft ? (
                <NumberField
                  label={`Packs of ${l.thing.material}, line ${i + 1}`}
                  value={l.packs}
                  onSettle={(packs) => act({ do: "line", line: i, packs })}
                  className="min-h-[44px] w-20"
                />
              ) : (
                l.packs.toLocaleString("en-GB")
              )}
            </td>
            <td>
              <ThingName thing={l.thing} pack={l.pack} units={units} />
            </td>
            <td className="text-[.87rem]">
              {l.for.map((f) => (
                <span key={f.job} className="block">
                  <span className="font-mono">{f.quantity.toLocaleString("en-GB")}</span> ·{" "}
                  {jobs[f.job] ?? `job ${f.job}`}
                </span>
              ))}
            </td>
            {!isDraft && (
              <td className="text-[.93rem]">
                {missing[i]! > 0 && (
                  <span className="block font-semibold text-madder">
                    {missing[i]} not to be had: it is to be ordered again
                  </span>
                )}
                {l.packs - missing[i]! - due[i]! > 0 && !p.cancelled && (
                  <span className="block">{l.packs - missing[i]! - due[i]!} here</span>
                )}
                {due[i]! > 0 && (
                  <span className="block">
                    {due[i]} to come
                    {p.answer?.lines[i]?.comes
                      ? `, ${dayText(p.answer.lines[i].comes)}`
                      : p.answer
                        ? ""
                        : ", not acknowledged"}
                  </span>
                )}
              </td>
            )}
            <td className="text-right font-mono">{say(l.price)}</td>
            <td className="text-right font-mono">{say(l.price * (l.packs - missing[i]!))}</td>
          </tr>
        ))}
        <tr>
          <td colSpan={isDraft ? 4 : 5} className="text-right text-soft">
            delivery
          </td>
          <td className="text-right font-mono">{say(cost.delivery)}</td>
        </tr>
        <tr>
          <td colSpan={isDraft ? 4 : 5} className="text-right font-semibold">
            together
          </td>
          <td className="text-right font-mono font-semibold">{say(cost.total)}</td>
        </tr>
      </tbody>
    </table>
  );
}
