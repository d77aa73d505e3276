"use client";
import { useState } from "react";
import { feeding, type Syrup, SYRUPS } from "@/core/weigh/feeding";
import type { FeederKind } from "@/core/weigh/feeders";
import { NumberField } from "@/ui/parts/NumberField";
import { count, duration } from "@/ui/parts/words";

/** A pound, kg. */
const PATTY = 0.45359237;
const FIELDS = [
  { id: "hives", label: "Hives", unit: "" },
  { id: "each", label: "Sugar a hive", unit: "kg" },
  { id: "feeder", label: "A feeder holds", unit: "l" },
] as const;

/** Sugar, water and litres for so many hives, and how often each feeder is filled. */
export function Feeding({ feeders }: { feeders: FeederKind[] }) {
  const [asked, setAsked] = useState({ hives: 20, each: 8, feeder: 4 });
  const [syrup, setSyrup] = useState<Syrup>("2:1");
  const all = feeding(asked.hives, asked.each, asked.feeder, syrup);
  return (
    <section aria-label="Feeding" className="mt-8">
      <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">Feeding</h2>
      <p className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
        {FIELDS.map(({ id, label, unit }) => (
          <label key={id} className="whitespace-nowrap">
            {label} <NumberField label={label} value={asked[id]} onSettle={(n) => n > 0 && setAsked({ ...asked, [id]: id === "hives" ? Math.max(1, Math.round(n)) : n })} className="w-16" /> {unit}
          </label>
        ))}
        <select className="field min-h-[44px]" aria-label="Kind of feeder" value={feeders.find((f) => f.litres === asked.feeder)?.name ?? ""} onChange={(e) => setAsked({ ...asked, feeder: feeders.find((f) => f.name === e.target.value)?.litres ?? asked.feeder })}>
          <option value="">another feeder</option>
          {feeders.map((f) => (
            <option key={f.name} value={f.name}>
              {f.name}, {f.litres} l
            </option>
          ))}
        </select>
        {(Object.keys(SYRUPS) as Syrup[]).map((s) => (
          <button key={s} aria-pressed={s === syrup} onClick={() => setSyrup(s)} className={`min-h-[44px] border-0 border-b-2 bg-transparent ${s === syrup ? "border-spruce font-semibold" : "border-transparent"}`}>
            {s} {s === "2:1" ? "for autumn" : "for spring"}
          </button>
        ))}
      </p>
      <p className="mt-2 text-[1.3rem]">
        <b className="font-mono">{all.sugarKg.toFixed(0)} kg</b> of sugar and <b className="font-mono">{all.waterKg.toFixed(0)} l</b> of water make{" "}
        <b className="font-mono">{all.litres.toFixed(0)} l</b> of syrup: <b className="font-mono">{count(all.fills, "fill")}</b> a hive, <b className="font-mono">{count(asked.hives, "feeder")}</b>.
      </p>
      <p className="text-soft">
        By weight: {asked.hives} × {asked.each} kg of sugar, {syrup === "2:1" ? "half as much" : "as much"} water; a litre weighs {((all.sugarKg + all.waterKg) / all.litres).toFixed(3)} kg at 20 °C.
        A strong young colony takes a fill in about {duration(Math.round(all.hoursAFill) * 60)}; every second day still stimulates.
      </p>
      <p className="text-soft">
        Patties while it is too cold for syrup, a pound a hive: {(asked.hives * PATTY).toFixed(1)} kg; a strong colony eats one in about ten days, from memory.
      </p>
      <p className="mt-1 border-l-4 border-madder pl-2 text-[.93rem]">
        Bees drown in an open feeder without a float. Spill nothing: it starts robbing. What may be fed when supers are on is a matter of local rules.
      </p>
    </section>
  );
} // prettier-ignore
