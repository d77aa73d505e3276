"use client";
import Link from "next/link";
import type { Length } from "@/core/length/length";
import { otherwise, settingsText, type Workshop } from "@/core/shop/shop";
import { useDesk } from "@/ui/desk/useDesk";
import { LengthField } from "@/ui/parts/LengthField";
import { Measure } from "@/ui/parts/Measure";
import { NumberField } from "@/ui/parts/NumberField";
import { Said } from "../Said";

/** What has a field here; of the rest only what the job does otherwise is said. */
const SHOWN: (keyof Workshop)[] = ["kerf", "endTrim", "minHold", "keepOffcut", "panels", "people"];

/** What the saw takes and can hold, whether panels are glued up, and who is there: the shop's, or what this job does otherwise. */
export function AsTheShop() {
  const desk = useDesk();
  const { workshop: w, units } = desk.job;
  const own = otherwise(w, desk.shop);
  const back = (name: keyof Workshop, shown: React.ReactNode) =>
    name in own && (
      <span className="block text-[.84rem]">
        only in this job; the shop has {shown}{" "}
        <button
          className="quiet"
          aria-label={`${name}: as the shop has it`}
          onClick={() => desk.act({ do: "as the shop", name }, name)}
        >
          as the shop
        </button>
      </span>
    );
  const length = (name: "kerf" | "endTrim" | "minHold" | "keepOffcut", label: string, hint: string) => (
    <div className="flex items-baseline justify-between gap-3 py-0.5" title={hint}>
      <span className="text-soft">
        {label}
        {back(name, <Measure value={desk.shop[name] as Length} units={units} />)}
      </span>
      <LengthField
        value={w[name]}
        units={units}
        label={label}
        usual={!(name in own)}
        onSettle={(v) => desk.act({ do: "workshop", to: { [name]: v } }, name)}
        problem={desk.problem?.field === name ? desk.problem.message : undefined}
        className="w-20"
      />
    </div>
  );
  return (
    <div className="max-w-96">
      <h2 className="small-head flex items-baseline justify-between">
        As the shop has it
        <Link prefetch={false} href="/shop" className="underline decoration-[#9aa39d] underline-offset-2">
          change the shop
        </Link>
      </h2>
      {length("kerf", "Saw removes", "the kerf")}
      {length("endTrim", "Lost at each board end", "end trim, that cut's kerf and all")}
      {length("minHold", "Shortest piece held safely", "shorter parts are cut from longer blanks")}
      {length("keepOffcut", "Offcuts kept from", "shorter ones are scrap")}
      <div className="flex items-baseline justify-between gap-3 py-0.5">
        <span className="text-soft">
          <label htmlFor="panels">Glue up panels wider than any board</label>
          {back("panels", desk.shop.panels ? "it ticked" : "it not ticked")}
        </span>
        <input
          id="panels"
          type="checkbox"
          checked={w.panels}
          onChange={(e) => desk.act({ do: "workshop", to: { panels: e.target.checked } })}
        />
      </div>
      <div className="flex items-baseline justify-between gap-3 py-0.5">
        <span className="text-soft">
          People
          {back("people", desk.shop.people)}
        </span>
        <NumberField
          label="People"
          value={w.people}
          onSettle={(people) => desk.act({ do: "workshop", to: { people } }, "people")}
          className="w-20"
        />
      </div>
      <Said field="people" />
      {(Object.keys(own) as (keyof Workshop)[])
        .filter((name) => !SHOWN.includes(name))
        .map((name) => (
          <p key={name} className="py-0.5 text-[.84rem] text-soft">
            only in this job: {settingsText({ [name]: true })}{" "}
            <button
              className="quiet"
              aria-label={`${name}: as the shop has it`}
              onClick={() => desk.act({ do: "as the shop", name }, name)}
            >
              as the shop
            </button>
          </p>
        ))}
    </div>
  );
}
