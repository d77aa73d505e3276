"use client";
import { useState } from "react";
import { recipeOf } from "@/core/designs/design";
import type { Hive } from "@/core/hive/hive";
import { neededBy } from "@/core/hive/lines";
import type { Desk } from "@/ui/desk/useDesk";
import { dayText } from "@/ui/parts/words";

/** What has to be built by when, from the job's start on. */
export function Needed({ hive, desk, change }: { hive: Hive; desk: Desk; change(h: Hive): void }) {
  const [today] = useState(() => new Date(Date.now()).toISOString().slice(0, 10));
  const from = desk.job.start ?? today;
  const name = (i: number) => {
    const l = hive.levels[i]!;
    return "measured" in l
      ? l.measured.name
      : (recipeOf(
          l.item,
          desk.standards.find((s) => s.id === l.standard),
          desk.job,
        )?.name ?? l.item);
  };
  return (
    <>
      <h2 className="small-head mt-3">To be built by</h2>
      <ul>
        {neededBy(hive, from).map((n) => (
          <li key={n.season} className="border-t border-rule py-1 text-[.9rem]">
            <span className="flex items-baseline justify-between">
              <b>{dayText(n.date)}</b>
              <label className="no-print text-soft">
                {n.season} begins{" "}
                <input
                  className="field w-14 font-mono"
                  aria-label={`${n.season} begins, month and day`}
                  key={hive.begins[n.season]}
                  defaultValue={hive.begins[n.season]}
                  onBlur={(e) =>
                    e.target.value !== hive.begins[n.season] &&
                    change({ ...hive, begins: { ...hive.begins, [n.season]: e.target.value } })
                  }
                />
              </label>
            </span>
            {hive.count} each of{" "}
            {n.levels
              .map(name)
              .map((x) => x.toLowerCase())
              .join(", ")}
          </li>
        ))}
      </ul>
    </>
  );
}
