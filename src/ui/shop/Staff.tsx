"use client";
import { useState } from "react";
import { STATIONS } from "@/core/feature/machine";
import { canWork, type Person, type Workshop } from "@/core/shop/shop";
import { TextField } from "@/ui/parts/TextField";
import { useKeys } from "@/ui/parts/useKeys";
import { Dates } from "./Dates";
import { Days } from "./Days";
import { Hours } from "./Hours";

/** Who works, where they differ: a title is enough; days and hours that are not said are the shop's. */
export function Staff({ workshop, onSettle }: { workshop: Workshop; onSettle(staff: Person[]): void }) {
  const { staff, days, hours } = workshop;
  const keys = useKeys(staff);
  const [title, setTitle] = useState("");
  const unworked = staff.length > 0 ? STATIONS.filter((s) => !staff.some((p) => canWork(p, s))) : [];
  const put = (i: number, to: Partial<Person>) => onSettle(staff.map((p, k) => (k === i ? { ...p, ...to } : p)));
  const add = () => {
    if (title.trim() === "") return;
    onSettle([...staff, { title: title.trim().slice(0, 60) }]);
    setTitle("");
  };
  return (
    <div className="border-t border-rule py-1.5">
      {staff.map((p, i) => (
        <div
          key={keys[i]}
          className="mb-2 grid grid-cols-[5.5rem_minmax(0,1fr)] items-center justify-items-start gap-x-4 gap-y-1 border-b border-rule pb-2"
        >
          <span className="col-span-2 flex w-full items-baseline justify-between">
            <TextField
              label={`Title of person ${i + 1}`}
              className="w-48 font-semibold"
              value={p.title}
              onSettle={(t) => t.trim() && put(i, { title: t.trim() })}
            />{" "}
            {/* prettier-ignore */}
            <button className="quiet" aria-label={`Take out ${p.title}`} onClick={() => onSettle(staff.filter((_, k) => k !== i))}>
            take out
          </button>
          </span>
          <span className={p.days ? "font-semibold" : "text-soft"}>days</span>
          <Days of={p.title} value={p.days ?? days} onSettle={(d) => d.length > 0 && put(i, { days: d })} />
          <span className={p.hours ? "font-semibold" : "text-soft"}>hours</span>
          <Hours label={`Hours of ${p.title}`} value={p.hours ?? hours} onSettle={(h) => put(i, { hours: h })} />
          <span className="text-soft">days off</span>
          <Dates label={`Day off of ${p.title}`} value={p.off ?? []} onSettle={(off) => put(i, { off })} />
          <span className={p.works ? "font-semibold" : "text-soft"}>can work</span>
          <span className="flex flex-wrap gap-1">
            {STATIONS.map((s) => (
              <button
                key={s}
                aria-pressed={canWork(p, s)}
                aria-label={`${s}, ${p.title}`}
                className={`min-h-9 border px-2 ${canWork(p, s) ? "border-spruce bg-spruce text-white" : "border-rule bg-white"}`}
                onClick={() => {
                  const works = STATIONS.filter((x) => canWork(p, x) !== (x === s));
                  put(i, { works: works.length < STATIONS.length ? works : undefined });
                }}
              >
                {s}
              </button>
            ))}
          </span>
        </div>
      ))}
      {unworked.length > 0 && (
        <p role="note" className="mb-1 font-semibold text-madder">
          Nobody can work {unworked.join(", ")}: the plan gives it to whoever is in.
        </p>
      )}
      <span className="flex items-baseline gap-3">
        <input
          className="field w-48"
          aria-label="Title of somebody who works here"
          placeholder="sawyer, joiner, helper"
          value={title}
          onChange={(e) => setTitle(e.target.value)}
          onKeyDown={(e) => e.key === "Enter" && add()}
        />
        <button className="quiet" onClick={add}>
          add somebody with days of their own
        </button>
      </span>
    </div>
  );
}
