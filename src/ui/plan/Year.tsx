"use client";
import { useEffect, useState } from "react";
import { dayStart } from "@/core/plan/calendar";
import { nextOf, type Occasion, OCCASIONS, REGIONS, type Region, type Week } from "@/core/plan/season";
import { count, dayText } from "@/ui/parts/words";
import type { RunPlan } from "@/core/plan/shown";

const BEFORE: Record<Occasion, string> = {
  swarms: "swarms and splits",
  flow: "the flow",
  feeding: "autumn feeding",
  winter: "winter",
};
const WHAT: Record<Occasion, string> = {
  swarms: "boxes, floors, covers",
  flow: "supers and their frames",
  feeding: "feeders and rims",
  winter: "what keeps warm",
};
/** Where the browser remembers which region it is. */
const KEPT = "rundik-region";

/** The year ahead: what is planned each week against the hours there are, and what has to be ready before when. */
export function Year({ year, jobs, plan, now }: { year: Week[]; jobs: { id: number; name: string; for: Occasion[] }[]; plan: RunPlan; now: number }) {
  const [region, setRegion] = useState<Region>("mild coast");
  useEffect(() => {
    const kept = localStorage.getItem(KEPT);
    if (kept && kept in REGIONS) setRegion(kept as Region);
  }, []);
  const most = Math.max(1, ...year.map((w) => Math.max(w.load, w.hours)));
  const first = dayStart(year[0]!.day);
  const at = (clock: number) => Math.min(100, Math.max(0, ((clock - first) / (year.length * 7 * 1440)) * 100));
  const months = year.filter((w, i) => i === 0 || w.day.slice(5, 7) !== year[i - 1]!.day.slice(5, 7));
  const rows = OCCASIONS.map((o) => {
    const day = nextOf(region, o, now);
    return { o, day, jobs: jobs.filter((j) => j.for.includes(o)).flatMap((j) => plan.jobs.filter((p) => p.job === j.id).map((p) => ({ ...j, ready: p.ready, late: p.ready > dayStart(day) }))) };
  });
  return (
    <div>
      <p className="flex flex-wrap items-center gap-x-3">
        <label>
          Region{" "}
          <select
            className="field min-h-[44px]"
            value={region}
            onChange={(e) => {
              setRegion(e.target.value as Region);
              localStorage.setItem(KEPT, e.target.value);
            }}
          >
            {Object.keys(REGIONS).map((r) => (
              <option key={r}>{r}</option>
            ))}
          </select>
        </label>
        <span className="text-[.87rem] text-soft">days are common practice, from memory: ask a beekeepers’ association nearby</span>
      </p>
      <div className="relative mt-12 h-44 border-b-2 border-ink" role="img" aria-label={`The year ahead by weeks: ${count(year.filter((w) => w.load > w.hours).length, "week")} with more work than hours`}>
        {rows.map(({ o, day }, i) => (
          <span key={o} className={`absolute ${i % 2 ? "-top-10" : "-top-6"} bottom-0 border-l-2 border-dashed border-blue pl-1 text-[.8rem] whitespace-nowrap text-blue`} style={{ left: `${at(dayStart(day))}%` }}>
            {BEFORE[o]}
          </span>
        ))}
        {year.map((w, i) => (
          <span key={w.day} className="absolute bottom-0 border-t-2 border-ink bg-bench" style={{ left: `${(100 * i) / year.length}%`, width: `${90 / year.length}%`, height: `${(100 * w.hours) / most}%` }}>
            <span className={`absolute inset-x-0 bottom-0 ${w.load > w.hours ? "bg-madder" : "bg-spruce"}`} style={{ height: `${(100 * w.load) / Math.max(1, w.hours)}%` }} />
          </span>
        ))}
      </div>
      <div className="relative h-6 text-[.84rem]" aria-hidden="true">
        {months.map((w) => (
          <span key={w.day} className="absolute" style={{ left: `${at(dayStart(w.day))}%` }}>
            {dayText(w.day).split(" ").at(-1)}
          </span>
        ))}
      </div>
      <p className="text-[.84rem] text-soft">grey: the hours of those who are in; green: planned</p>
      <ul className="mt-3">
        {rows.map(({ o, day, jobs: these }) => (
          <li key={o} className="border-t border-rule py-2">
            <b className="font-semibold">Before {BEFORE[o]}, {dayText(day)}</b>
            <span className="text-soft"> · {WHAT[o]}</span>
            {these.length === 0 && <span className="block text-[.93rem] text-soft">nothing is planned for it</span>}
            {these.map((j) => (
              <span key={j.id} className={`block text-[.93rem] ${j.late ? "font-semibold text-madder" : ""}`}>
                {j.name}: ready {dayText(new Date(j.ready * 60_000).toISOString().slice(0, 10))},{" "}
                {j.late ? `${count(Math.ceil((j.ready - dayStart(day)) / 10_080), "week")} too late` : `${count(Math.floor((dayStart(day) - j.ready) / 10_080), "week")} before`}
              </span>
            ))}
          </li>
        ))}
      </ul>
    </div>
  );
} // prettier-ignore
