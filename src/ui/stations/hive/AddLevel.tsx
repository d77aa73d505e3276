"use client";
import { useState } from "react";
import { recipeOf } from "@/core/designs/design";
import type { Hive, Level } from "@/core/hive/hive";
import { makeables } from "@/core/job/find";
import { inch } from "@/core/length/length";
import type { Desk } from "@/ui/desk/useDesk";

/** What is set on top next: an item of a standard, or a box that is there and has been measured. */
export function AddLevel({ hive, desk, onAdd }: { hive: Hive; desk: Desk; onAdd(l: Level): void }) {
  const lastItem = hive.levels.findLast((l) => "item" in l);
  const [standard, setStandard] = useState(lastItem && "item" in lastItem ? lastItem.standard : "langstroth-10");
  const s = desk.standards.find((x) => x.id === standard) ?? desk.standards[0]!;
  const all = makeables([s], desk.designs).filter((m) => {
    const recipe = recipeOf(m.item, s, desk.job) ?? desk.designs.find((d) => d.recipe.id === m.item)?.recipe;
    return recipe && (recipe.kind === "body" || recipe.stands);
  });
  const box = {
    name: "Box measured in",
    outsideLength: inch(19, 7, 8),
    outsideWidth: inch(16, 1, 4),
    insideLength: inch(18, 3, 8),
    insideWidth: inch(14, 3, 4),
    depth: inch(9, 5, 8),
    over: inch(0, 1, 4),
    under: inch(0, 1, 4),
  };
  return (
    <p className="no-print mt-2 flex flex-wrap items-baseline gap-x-2 text-[.9rem]">
      <select
        className="field"
        aria-label="Standard of what is set on"
        value={s.id}
        onChange={(e) => setStandard(e.target.value)}
      >
        {desk.standards.map((x) => (
          <option key={x.id} value={x.id}>
            {x.short}
          </option>
        ))}
      </select>
      <select
        className="field max-w-40 font-semibold"
        aria-label="Set on top"
        value=""
        onChange={(e) => {
          const m = all[Number(e.target.value)]!;
          onAdd({ item: m.item, standard: m.standard, size: m.size, options: {} });
        }}
      >
        <option value="">set on top …</option>
        {all.map((m, i) => (
          <option key={`${m.item} ${m.size}`} value={i}>
            {m.name}
          </option>
        ))}
      </select>
      <button className="quiet" onClick={() => onAdd({ measured: box })}>
        a box that is there
      </button>
    </p>
  );
}
