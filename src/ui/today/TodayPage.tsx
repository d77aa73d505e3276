"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef } from "react";
import type { MakersOwn } from "@/core/designs/design";
import type { Units } from "@/core/length/length";
import type { Listed, Next } from "@/core/today/todo";
import { useFollow } from "@/ui/desk/useFollow";
import { Fresh } from "@/ui/parts/Fresh";
import { clockDay, clockTime, count, dayText } from "@/ui/parts/words";
import { Measure } from "@/ui/parts/Measure";
import type { Setting } from "@/core/feature/machine";
import { settingWord } from "@/core/feature/machine";
import { ShopTop } from "@/ui/top/ShopTop";
import { Jobs } from "./Jobs";
import { StartField } from "./StartField";

/** After so many days without a count what the yard says is doubted. */
const COUNT_AFTER = 30;
const DAY_MS = 86_400_000;

/** The shop's day: what to do next and why, and all jobs. */
export function TodayPage({
  visit,
  day,
  jobs,
  more,
  counts,
  nexts,
  working,
  q,
  archived,
  shop,
  saw,
  now,
  yard,
  own,
  usual,
  copies,
  open,
}: {
  visit: string;
  day: string;
  jobs: Listed[];
  more: boolean;
  counts: { open: number; archived: number };
  nexts: Next[];
  /** So many jobs are being worked out anew. */
  working: number;
  q: string;
  archived: boolean;
  shop: { units: Units; people: number; days: number[] };
  /** What the saw stands at by the plan; nothing without one. */
  saw: AtTheSaw | null;
  /** Clock minutes. */
  now: number;
  yard: { empty: boolean; counted: string | null };
  own: MakersOwn;
  usual: string[];
  /** Days of copies that are kept. */
  copies: number;
  open: boolean;
}) {
  const router = useRouter();
  const said = useRef<number | null>(null);
  const soon = useRef<ReturnType<typeof setTimeout>>(undefined);
  // What others do, and what is worked out behind the page, shows here by itself.
  const heard = useCallback(
    (version: number) => {
      if (said.current !== null && version !== said.current) {
        clearTimeout(soon.current);
        soon.current = setTimeout(() => router.refresh(), 250);
      }
      said.current = version;
    },
    [router],
  );
  useFollow("/api/today", heard);
  useEffect(() => () => clearTimeout(soon.current), []);
  const none = counts.open + counts.archived === 0;
  const weekday = new Date(`${day}T00:00:00Z`).getUTCDay() || 7;
  const works = shop.days.includes(weekday);
  const since = yard.counted ? Math.floor((Date.parse(`${day}T00:00:00Z`) - Date.parse(yard.counted)) / DAY_MS) : undefined; // prettier-ignore
  return (
    <>
      <Fresh visit={visit} />
      <ShopTop here="/">
        <span>
          <b className="font-semibold">
            {dayText(day)} {day.slice(0, 4)}
          </b>{" "}
          <Link prefetch={false} href="/shop" className="text-soft underline decoration-[#9aa39d] underline-offset-4">
            {works ? `${shop.people} ${shop.people === 1 ? "person" : "people"} in` : "no work today"}
          </Link>
        </span>
      </ShopTop>
      <main className="px-5 pt-4 pb-10">
        <StartField day={day} own={own} usual={usual} big={none} />
        {saw && <Saw saw={saw} now={now} />}
        {!none && (
          <div className="mt-3 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.25fr)]">
            <section aria-label="Next, and why">
              <h2 className="small-head flex min-h-[44px] items-center">
                Next, and why
                {working > 0 && <span className="ml-3 font-normal">· {count(working, "job")} being worked out</span>}
              </h2>
              <ol>
                {nexts.map((n, i) => (
                  <li
                    key={n.job}
                    className="grid grid-cols-[2rem_minmax(0,1fr)_auto] items-center gap-x-2 border-t border-rule py-2.5"
                  >
                    <b className="font-mono text-[1.2rem] text-soft">{i + 1}</b>
                    <span>
                      <strong
                        className={`block leading-snug font-semibold ${i === 0 ? "text-[1.2rem]" : "text-[1.07rem]"} ${n.wrong ? "text-madder" : ""}`}
                      >
                        {n.what}
                      </strong>
                      <span className="block text-[.87rem] text-soft">{n.why}</span>
                    </span>
                    <Link
                      prefetch={false}
                      href={`/jobs/${n.job}/${n.at}`}
                      aria-label={`Open: ${n.what}`}
                      className={
                        i === 0
                          ? "act inline-flex min-h-[44px] items-center no-underline"
                          : "quiet inline-flex min-h-[44px] items-center"
                      }
                    >
                      {GO[n.at]}
                    </Link>
                  </li>
                ))}
                {(yard.empty || since === undefined || since >= COUNT_AFTER) && (
                  <li className="grid grid-cols-[2rem_minmax(0,1fr)_auto] items-center gap-x-2 border-t border-rule py-2.5">
                    <b className="font-mono text-[1.2rem] text-soft">{nexts.length + 1}</b>
                    <span>
                      <strong className="block text-[1.07rem] font-semibold">
                        {yard.empty ? "Say what is in the yard" : "Count the yard"}
                      </strong>
                      <span className="block text-[.87rem] text-soft">
                        {yard.empty
                          ? "jobs use it first; until then they are laid out on bought boards"
                          : since === undefined
                            ? "it was never counted, and jobs lean on it"
                            : `${count(since, "day")} since; jobs lean on it`}
                      </span>
                    </span>
                    <Link
                      prefetch={false}
                      href={yard.empty ? "/yard" : "/yard/count"}
                      className="quiet inline-flex min-h-[44px] items-center"
                    >
                      {yard.empty ? "to the yard" : "stock-take"}
                    </Link>
                  </li>
                )}
              </ol>
            </section>
            <Jobs key={String(archived)} jobs={jobs} more={more} counts={counts} q={q} archived={archived} />
          </div>
        )}
        <p className="mt-10 text-[.87rem] text-soft">
          A copy of everything is kept each day beside the database, the last {copies}.{" "}
          <a className="quiet" href="/api/copy" download>
            carry a copy off
          </a>
          {open && (
            <Link prefetch={false} className="quiet ml-4" href="/door">
              who is in
            </Link>
          )}
        </p>
      </main>
    </>
  );
}

const GO: Record<Next["at"], string> = {
  ask: "say it",
  shape: "look",
  "lay-out": "the boards",
  buy: "what to order",
  run: "to the bench",
  prove: "measure",
};

/** What the saw is set to, for which job. */
interface AtTheSaw {
  job: number;
  jobName: string;
  units: Units;
  title: string;
  of: string;
  pieces: number;
  settings: Setting[];
  startsAt: number;
  endsAt: number;
}

/** What the saw stands at now, or is set to next, with its setting to be read across the shop. */
function Saw({ saw, now }: { saw: AtTheSaw; now: number }) {
  const running = saw.startsAt <= now;
  return (
    <section aria-label="The saw" className="mt-3 flex flex-wrap items-center gap-x-6 gap-y-1 border-y-2 border-ink py-2">
      <span className="text-soft">{running ? "The saw stands at" : `The saw is next set to, ${clockDay(saw.startsAt)} ${clockTime(saw.startsAt)}`}</span>
      {saw.settings.map((s) => (
        <span key={s.kind} className="flex items-baseline gap-1.5">
          <span className="text-[.87rem] text-soft">{settingWord(s.kind)}</span>
          {s.kind === "angle" ? <b className="text-[1.6rem]">{s.degrees}°</b> : <Measure value={s.value} units={saw.units} className="text-[1.9rem] leading-none font-semibold" />}
        </span>
      ))}
      <span>
        {saw.title}, <span className="font-mono">{saw.pieces}</span> {saw.of} ·{" "}
        <Link prefetch={false} href={`/jobs/${saw.job}/run`}>
          {saw.jobName}
        </Link>
        {running && <span className="text-soft"> until {clockTime(saw.endsAt)}</span>}
      </span>
      <Link prefetch={false} href="/bench?at=table%20saw" className="act ml-auto inline-flex min-h-[44px] items-center no-underline">
        To the bench
      </Link>
    </section>
  );
} // prettier-ignore
