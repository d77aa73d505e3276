"use client";
import { useDesk } from "@/ui/desk/useDesk";
import { LengthField } from "@/ui/parts/LengthField";
import { NumberField } from "@/ui/parts/NumberField";
import { Said } from "./Said";

/** What the saw takes and can hold, whether panels are glued up, and who is there. */
export function Shop() {
  const desk = useDesk();
  const { workshop: w, units } = desk.job;
  const length = (name: "kerf" | "endTrim" | "minHold" | "keepOffcut", label: string, hint: string) => (
    <label className="flex items-baseline justify-between gap-3 py-0.5" title={hint}>
      <span className="text-soft">{label}</span>
      <LengthField
        value={w[name]}
        units={units}
        label={label}
        onSettle={(v) => desk.act({ do: "workshop", to: { [name]: v } }, name)}
        problem={desk.problem?.field === name ? desk.problem.message : undefined}
        className="w-20"
      />
    </label>
  );
  return (
    <div className="mt-7 max-w-96">
      <h2 className="small-head">The shop</h2>
      {length("kerf", "Saw removes", "the kerf")}
      {length("endTrim", "Lost at each board end", "end trim, that cut's kerf and all")}
      {length("minHold", "Shortest piece held safely", "shorter parts are cut from longer blanks")}
      {length("keepOffcut", "Offcuts kept from", "shorter ones are scrap")}
      <label className="flex items-baseline justify-between gap-3 py-0.5">
        <span className="text-soft">Glue up panels wider than any board</span>
        <input
          type="checkbox"
          checked={w.panels}
          onChange={(e) => desk.act({ do: "workshop", to: { panels: e.target.checked } })}
        />
      </label>
      <label className="flex items-baseline justify-between gap-3 py-0.5">
        <span className="text-soft">People</span>
        <NumberField
          label="People"
          value={w.people}
          onSettle={(people) => desk.act({ do: "workshop", to: { people } }, "people")}
          className="w-20"
        />
      </label>
      <Said field="people" />
    </div>
  );
}
