"use client";
import { digitsOf, type Money, moneyText } from "@/core/money/money";
import { NumberField } from "@/ui/parts/NumberField";
import { TextField } from "@/ui/parts/TextField";

/** What prices are in, what an hour costs, what is laid on top: what a piece costs and a customer pays follows from it. */
export function MoneyRows({ money, onSettle }: { money: Money; onSettle(money: Money): void }) {
  const set = (to: Partial<Money>) => onSettle({ ...money, ...to });
  const said = (holds: boolean) => (holds ? "font-semibold" : "");
  const row = (label: string, what: string, field: React.ReactNode) => (
    <div className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-4 border-t border-rule py-1.5">
      <span>
        {label}
        <span className="block text-[.87rem] text-soft">{what}</span>
      </span>
      <span className="text-right">{field}</span>
    </div>
  );
  return (
    <>
      {row(
        "Currency",
        money.currency
          ? `amounts look like ${moneyText(1234.5, money.currency)}; sums are made in ${digitsOf(money.currency) === 0 ? "whole ones" : `steps of ${(10 ** -digitsOf(money.currency)).toFixed(digitsOf(money.currency))}`}`
          : "three letters, like EUR; until then prices are bare numbers",
        <TextField
          label="Currency"
          value={money.currency ?? ""}
          empty="none said"
          onSettle={(t) => set({ currency: t.trim() === "" ? null : t.trim().toUpperCase() })}
          className={`w-24 text-right font-mono ${said(money.currency !== null)}`}
        />,
      )}
      {row(
        "An hour of work costs",
        "wages and what goes with them, or what your own hour is worth to you; without it a piece costs its materials only",
        <NumberField
          label="An hour of work costs"
          value={money.rate}
          empty="not said"
          onSettle={(rate) => set({ rate })}
          onEmpty={() => set({ rate: null })}
          className={`w-24 ${said(money.rate !== null)}`}
        />,
      )}
      {row(
        "Overhead, %",
        "on materials and work: rent, power, blades, what no piece shows",
        <NumberField
          label="Overhead, %"
          value={money.overhead}
          onSettle={(overhead) => set({ overhead })}
          className={`w-24 ${said(money.overhead > 0)}`}
        />,
      )}
      {row(
        "Tax, %",
        "on what is sold; ask whoever does your books which rate is yours",
        <NumberField
          label="Tax, %"
          value={money.tax}
          onSettle={(tax) => set({ tax })}
          className={`w-24 ${said(money.tax > 0)}`}
        />,
      )}
    </>
  );
}
