"use client";
import Link from "next/link";
import { type Run, tooFew } from "@/core/plan/runs";
import type { Gain, More } from "@/core/plan/whatif";
import type { JobPlanned } from "@/core/plan/whole";
import { Key } from "@/ui/parts/Key";
import { clockDay, count } from "@/ui/parts/words";

const moreText = (of: More): { what: string; how: string } => {
  switch (of.more) {
    case "person":
      return { what: "One more person", how: "in on the shop's days, able to do everything" };
    case "helper on Saturdays":
      return { what: "A helper on Saturdays", how: "at the bench, the clamps, the jig and the finish; no machine" };
    case "Saturdays":
      return { what: "Saturdays too", how: "everybody, the shop's hours" };
    case "station":
      return of.station === "clamps"
        ? { what: "A second set of clamps", how: "a lot is glued while another dries" }
        : { what: `One more ${of.station}`, how: "as it is, beside the one there is" };
  }
};

/** `−1 ½ days`: to half a day, of clock days. */
export function daysLess(minutes: number): string {
  const halves = Math.round(minutes / 720);
  if (halves <= 0) return "no sooner";
  const whole = Math.floor(halves / 2);
  return `−${whole > 0 ? whole : ""}${halves % 2 ? (whole > 0 ? " ½" : "½") : ""} ${halves > 2 ? "days" : "day"}`;
}

/** Whole days late, a begun one counts. */
export const lateDays = (minutes: number) => Math.ceil(minutes / 1440);

/** What would help, who is late, where the hours go, what is not planned. */
export function Aside({
  gains,
  working,
  weigh,
  enough,
  late,
  runs,
  left,
  name,
}: {
  gains: Gain[] | null;
  working: boolean;
  weigh(): void;
  enough(): void;
  late: JobPlanned[];
  runs: Run[];
  left: { id: number; name: string; why: string }[];
  name(job: number): string;
}) {
  const helps = (g: Gain) => g.gainedFinish >= 360 || g.gainedLate > 0;
  const idle = gains?.filter((g) => !helps(g)).map((g) => moreText(g.of).what.replace(/^(?:One|A)\b/, (w) => w.toLowerCase())) ?? []; // prettier-ignore
  const stations = [...new Set(runs.map((r) => r.station))];
  const hours = stations.map((s) => ({ what: s as string, minutes: runs.reduce((n, r) => n + (r.station === s ? r.minutes : 0), 0) })).toSorted((a, b) => b.minutes - a.minutes); // prettier-ignore
  const alone = [...new Map(runs.filter(tooFew).map((r) => [`${r.job} ${r.name}`, r])).values()];
  const most = Math.max(1, ...hours.map((h) => h.minutes));
  return (
    <aside className="no-print flex flex-col gap-5">
      <section aria-label="What would help most">
        <h2 className="small-head border-b border-rule pb-1">What would help most</h2>
        {gains
          ?.filter(helps)
          .slice(0, 6)
          .map(({ of, gainedFinish, gainedLate }) => {
            const { what, how } = moreText(of);
            return (
              <div
                key={what}
                className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-2 border-b border-rule py-2"
              >
                <b className="font-semibold">{what}</b>
                <b className="font-mono">{daysLess(gainedFinish)}</b>
                <span className="text-[.84rem] text-soft">
                  {how}
                  {gainedLate > 0 && `; ${count(lateDays(gainedLate), "day")} less late in all`}
                </span>
              </div>
            );
          })}
        {idle.length > 0 && <p className="py-2 text-[.87rem] text-soft">Would not help: {idle.join(", ")}.</p>}
        {working ? (
          <p className="py-2 text-[.9rem]">
            weighing …{" "}
            <button className="quiet min-h-[44px]" onClick={enough}>
              enough
            </button>
          </p>
        ) : (
          !gains && (
            <button className="quiet min-h-[44px]" onClick={weigh}>
              weigh up more people, days and stations <Key k="w" />
            </button>
          )
        )}
      </section>
      {late.length > 0 && (
        <section aria-label="Late">
          <h2 className="small-head border-b border-rule pb-1">Late</h2>
          {late.map((j) => (
            <p key={j.job} className="border-b border-rule py-1.5">
              <Link prefetch={false} href={`/jobs/${j.job}/run`} className="font-semibold text-madder">
                {name(j.job)}, {count(lateDays(j.late), "day")}
              </Link>{" "}
              <span className="block text-[.87rem] text-soft">
                ready {clockDay(j.ready)}, due {clockDay(j.due! - 1)};{" "}
                {j.bound > j.due!
                  ? `alone in the shop it is ready ${clockDay(j.bound)} at the earliest`
                  : "alone in the shop it would be in time"}
              </span>
            </p>
          ))}
        </section>
      )}
      {alone.length > 0 && (
        <section aria-label="Wants more people">
          <h2 className="small-head border-b border-rule pb-1">Wants more people</h2>
          {alone.map((r) => (
            <p key={r.name + r.job} className="border-b border-rule py-1.5 text-[.9rem]">
              <b className="font-semibold text-madder">{r.title}</b>, {name(r.job)}: {tooFew(r)}
            </p>
          ))}
        </section>
      )}
      <section aria-label="Where the hours go">
        <h2 className="small-head border-b border-rule pb-1">Where the hours go</h2>
        {hours.map((h) => (
          <p key={h.what} className="mt-1 grid grid-cols-[minmax(0,1fr)_auto] items-center gap-2 text-[.87rem]">
            <span
              aria-hidden="true"
              className={`h-4 ${h === hours[0] ? "bg-spruce" : "border border-ink bg-white"}`}
              style={{ width: `${Math.max(2, (100 * h.minutes) / most)}%` }}
            />
            <span>
              {h.what} {Math.round(h.minutes / 60)} h
            </span>
          </p>
        ))}
      </section>
      {left.length > 0 && (
        <section aria-label="Not planned">
          <h2 className="small-head border-b border-rule pb-1">Not planned</h2>
          <ul>
            {left.map((j) => (
              <li key={j.id} className="border-b border-rule py-1.5 text-[.9rem]">
                <Link prefetch={false} href={`/jobs/${j.id}/ask`}>
                  {j.name}
                </Link>
                : <span className="text-soft">{j.why}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </aside>
  );
}
