"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useMemo, useState } from "react";
import { STATIONS } from "@/core/feature/machine";
import type { Run } from "@/core/plan/runs";
import type { OpenDay, PutForward, RunPlan, ShownPlan } from "@/core/plan/shown";
import { Fresh } from "@/ui/parts/Fresh";
import { Key } from "@/ui/parts/Key";
import { capital, clockDay, clockTime, count, duration } from "@/ui/parts/words";
import { ShopTop } from "@/ui/top/ShopTop";
import { Aside, lateDays } from "./Aside";
import { Board, dayTime, type Names, runText } from "./Board";
import { DaySheet } from "./DaySheet";
import { Year } from "./Year";
import { lanesOf, type PlanRow, scaleOf } from "./places";
import { usePlan } from "./usePlan";

/** What is set at a station, or what it is limited by. */
const UNDER: Partial<Record<string, string>> = { "table saw": "fence or stop", planer: "take off", "band saw": "fence", drill: "from edge", clamps: "held while glue sets", finish: "dries at night" }; // prettier-ignore

const BY = ["stations", "jobs", "people", "the year"] as const;
type By = (typeof BY)[number];
/** So many days are seen at once: a week, or a month. */
const SPANS = [5, 20] as const;

const NO_DAYS: OpenDay[] = [];

function rowsBy(by: By, runs: Run[], { jobs, people }: ShownPlan): PlanRow[] {
  if (by === "jobs") return jobs.map((j) => ({ key: `j${j.id}`, name: j.name, under: j.customer ?? "", lanes: lanesOf(runs.filter((r) => r.job === j.id)) })); // prettier-ignore
  if (by === "people") return people.map((p, i) => ({ key: `p${i}`, name: capital(p.title), under: "", lanes: lanesOf(runs.filter((r) => r.who.includes(i))) })); // prettier-ignore
  return STATIONS.flatMap((s) => {
    const here = runs.filter((r) => r.station === s);
    const units = [...new Set(here.map((r) => r.unit))].toSorted((a, b) => a - b);
    return units.length === 0 ? [] : [{ key: s, name: capital(s), under: units.length > 1 ? `${units.length} of them` : (UNDER[s] ?? ""), lanes: units.map((u) => here.filter((r) => r.unit === u)) }]; // prettier-ignore
  });
}

/** Where a job is ready at another time than before, in words. */
function jobsMoved(forward: PutForward, was: RunPlan | null, name: (id: number) => string): string[] {
  return forward.plan.jobs.flatMap((j) => {
    const before = was?.jobs.find((o) => o.job === j.job);
    if (!before) return [`${name(j.job)} is new`];
    const by = j.ready - before.ready;
    if (by === 0) return [];
    const days = Math.round(Math.abs(by) / 1440);
    const far = days > 0 ? count(days, "day") : duration(Math.abs(by));
    const late = j.late > 0 ? `, ${count(lateDays(j.late), "day")} late` : before.late > 0 ? ", in time again" : "";
    return [`${name(j.job)} ${far} ${by > 0 ? "later" : "earlier"}${late}`];
  });
}

/** All jobs on the shop's people and stations, weeks ahead; what would break when something moves, before it stands. */
export function PlanPage({ visit, shown }: { visit: string; shown: ShownPlan }) {
  const router = useRouter();
  const changed = useCallback(() => router.refresh(), [router]);
  const plan = usePlan(shown.plan, shown.stale, changed);
  const { forward, working } = plan;
  const drawn = forward?.plan ?? plan.stands;
  const days = drawn?.days ?? NO_DAYS;
  const [by, setBy] = useState<By>("stations");
  const [span, setSpan] = useState<number>(SPANS[0]);
  const [chosen, setChosen] = useState<Run | null>(null);
  const runs = drawn?.runs;
  // The first day with something to do, from today on.
  const start = useMemo(() => {
    const first = runs?.find((r) => r.endsAt > shown.now)?.startsAt ?? shown.now;
    return Math.max(0, days.findIndex((d) => d.to > Math.max(first, shown.now)));
  }, [runs, days, shown.now]);
  const [from, setFrom] = useState<number | null>(null);
  const first = Math.min(from ?? start, Math.max(0, days.length - 1));
  const scale = useMemo(() => scaleOf(days.slice(first, first + span)), [days, first, span]);
  const byId = useMemo(() => new Map(shown.jobs.map((j) => [j.id, j])), [shown.jobs]);
  const names: Names = useMemo(() => ({ job: (id) => byId.get(id), person: (p) => shown.people[p]?.title ?? `person ${p + 1}` }), [byId, shown.people]); // prettier-ignore
  const name = (id: number) => byId.get(id)?.name ?? `job ${id}`;
  const rows = useMemo(() => rowsBy(by, runs ?? [], shown), [by, runs, shown]);
  const late = (drawn?.jobs ?? []).filter((j) => j.late > 0).toSorted((a, b) => b.late - a.late);
  const go = (by: number) => setFrom(Math.min(Math.max(0, first + by), days.length - 1));
  const { letStand, putBack, weigh, anew } = plan;
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLElement && e.target.closest("input, select, textarea")) return;
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === "Escape") {
        if (forward) putBack();
        else setChosen(null);
      } else if (e.key === "v") setBy((b) => BY[(BY.indexOf(b) + 1) % BY.length]!);
      else if (e.key === "[") go(-span);
      else if (e.key === "]") go(span);
      else if (e.key === "p") window.print();
      else if (e.key === "w" && drawn && !working) void weigh();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });
  const day = days[first];
  return (
    <>
      <Fresh visit={visit} />
      <ShopTop here="/plan">
        {drawn && (
          <>
            {shown.plan && (
              <Link prefetch={false} className="act inline-flex min-h-[44px] items-center no-underline" href="/bench">
                To the bench
              </Link>
            )}
            <button className="quiet min-h-[44px]" onClick={() => window.print()}>
              day sheet <Key k="p" />
            </button>
            <a className="quiet inline-flex min-h-[44px] items-center" href="/api/plan/file/plan.ics" download>
              calendar file
            </a>
          </>
        )}
      </ShopTop>
      <main className="no-print px-5 pt-3 pb-24">
        <h1 className="sr-only">Plan</h1>
        {plan.problem && (
          <p role="alert" className="mb-2 border-l-4 border-madder pl-2 font-semibold">
            {plan.problem}
          </p>
        )}
        {!drawn ? (
          <Begin shown={shown} working={working?.what === "plan" ? working : null} anew={anew} enough={plan.enough} />
        ) : (
          <>
            <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
              <p className="text-[1.2rem]">
                {drawn.jobs.length === 1 ? "The job is" : `All ${drawn.jobs.length} jobs are`} done by{" "}
                <b className="text-[1.6rem]">
                  {clockDay(drawn.finish)}, {clockTime(drawn.finish)}
                </b>
              </p>
              <p className="text-soft">
                {drawn.finish <= drawn.bound
                  ? "no plan can be sooner"
                  : `no plan can before ${clockDay(drawn.bound)}, ${clockTime(drawn.bound)}: ${drawn.boundBy}`}
              </p>
              {late.length > 0 && (
                <p className="text-[1.13rem] font-bold text-madder">
                  {late.length} late, the worst by {count(lateDays(late[0]!.late), "day")}
                </p>
              )}
              <span className="ml-auto">
                {working?.what === "plan" ? (
                  <span aria-live="polite">
                    {working.finish === undefined ? "looking …" : `so far ${clockDay(working.finish)}${working.late ? `, ${count(lateDays(working.late), "day")} late in all` : ""} …`}{" "}
                    <button className="quiet min-h-[44px]" onClick={plan.enough}>
                      enough
                    </button>
                  </span>
                ) : (
                  !forward && (
                    <button className="quiet min-h-[44px]" onClick={() => void anew()}>
                      plan anew
                    </button>
                  )
                )}
                {shown.hasEarlier && !forward && (
                  <button className="quiet min-h-[44px]" onClick={() => void plan.goBack()}>
                    the plan before
                  </button>
                )}
              </span>
            </div>
            <div className="mt-1 flex flex-wrap items-center gap-x-1">
              {BY.map((b) => (
                <button key={b} aria-pressed={b === by} onClick={() => setBy(b)} className={`min-h-[44px] border-0 border-b-2 bg-transparent px-2 ${b === by ? "border-spruce font-semibold" : "border-transparent"}`}>
                  {b === "the year" ? b : `by ${b}`}
                </button>
              ))}
              <Key k="v" />
              <span className="ml-4" />
              <button className="quiet min-h-[44px]" aria-label="earlier days" onClick={() => go(-span)} disabled={first === 0}>
                ← <Key k="[" />
              </button>
              <button className="quiet min-h-[44px]" onClick={() => setFrom(null)}>
                where work is
              </button>
              <button className="quiet min-h-[44px]" aria-label="later days" onClick={() => go(span)} disabled={first + span >= days.length}>
                → <Key k="]" />
              </button>
              <button className="quiet min-h-[44px]" onClick={() => setSpan((s) => (s === SPANS[0] ? SPANS[1] : SPANS[0]))}>
                {span === SPANS[0] ? "four weeks" : "one week"}
              </button>
              {shown.old.length > 0 && <span className="text-[.87rem] text-soft">{count(shown.old.length, "job")} being worked out …</span>}
            </div>
            <div className="mt-1 grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_270px]">
              <div>
                {forward && <Moves forward={forward} was={shown.plan} names={names} name={name} />}
                {by === "the year" ? (
                  <Year year={shown.year} jobs={shown.jobs} plan={drawn} now={shown.now} />
                ) : (
                <Board
                  scale={scale}
                  rows={rows}
                  names={names}
                  now={shown.now}
                  chosen={chosen}
                  moved={new Set(forward?.mended?.moved.map((m) => `${m.job} ${m.name}`))}
                  late={new Set(late.map((j) => j.job))}
                  coming={comingOf(shown)}
                  choose={setChosen}
                  move={(r, at) => void plan.put({ job: r.job, name: r.name, lot: r.lot, lots: r.lots, at })}
                />
                )}
              </div>
              <Aside gains={plan.gains} working={working?.what === "gains"} weigh={() => void weigh()} enough={plan.enough} late={late} runs={runs!} left={shown.left} name={name} />
            </div>
          </>
        )}
      </main>
      {day && drawn && <DaySheet day={day} runs={runs!} people={shown.people} names={names} />}
      {drawn && (forward || chosen) && (
        <div className="no-print fixed inset-x-0 bottom-0 z-30 flex flex-wrap items-center gap-x-5 gap-y-1 border-t-2 border-ink bg-white px-5 py-2">
          {forward ? (
            <>
              <b className="font-semibold">{saidOf(forward)}</b>
              <span className="min-w-0 flex-1 text-[.95rem]">{shown.plan ? jobsMoved(forward, shown.plan, name).slice(0, 4).join(" · ") || "no job is ready at another time" : `${count(forward.plan.jobs.length, "job")}, ${count(forward.plan.setUps, "set-up")}; it stands when you let it`}{setUpsText(forward, shown.plan)}</span>
              {shown.plan && (
                <button className="quiet min-h-[44px]" onClick={putBack}>
                  put it back <Key k="esc" />
                </button>
              )}
              <button className="act min-h-[48px]" onClick={() => void letStand()}>
                Let it stand
              </button>
            </>
          ) : (
            <Chosen run={chosen!} names={names} now={shown.now} move={(at) => void plan.put({ job: chosen!.job, name: chosen!.name, lot: chosen!.lot, lots: chosen!.lots, at })} close={() => setChosen(null)} />
          )}
        </div>
      )}
    </>
  );
} // prettier-ignore

const saidOf = ({ mended }: PutForward): string =>
  mended === null
    ? "A new plan"
    : mended.moved.length === 0
      ? `Nothing moves; ${count(mended.added, "lot is", "lots are")} new${mended.hands > 0 ? `, ${mended.hands} done by others` : ""}`
      : `${count(mended.moved.length, "operation moves", "operations move")}, ${count(mended.stayed, "lot stays", "lots stay")} where ${mended.stayed === 1 ? "it was" : "they were"}${mended.hands > 0 ? `, ${mended.hands} done by others` : ""}`;

function setUpsText({ plan }: PutForward, was: RunPlan | null): string {
  const more = was ? plan.setUps - was.setUps : 0;
  return more === 0 ? "" : ` · ${count(Math.abs(more), "set-up")} ${more > 0 ? "more" : "fewer"}`;
}

/** What comes in on which day; what a job that is late waits for stands out. */
function comingOf({ coming, plan }: ShownPlan): { at: number; what: string; late: boolean }[] {
  const days = new Map<string, { at: number; what: string[]; late: boolean }>();
  for (const { on, what, job } of coming) {
    if (!on) continue;
    const d = days.get(on) ?? { at: Date.parse(`${on}T00:00:00Z`) / 60_000, what: [], late: false };
    if (!d.what.includes(what)) d.what.push(what);
    d.late ||= plan?.jobs.some((j) => j.job === job && j.late > 0) ?? false;
    days.set(on, d);
  }
  return [...days.values()].map(({ what, ...d }) => ({ ...d, what: what.length > 2 ? `${what[0]} and ${what.length - 1} more` : what.join(", ") })); // prettier-ignore
}

/** No plan yet: what there is to plan, and the one act. */
function Begin({ shown, working, anew, enough }: { shown: ShownPlan; working: ReturnType<typeof usePlan>["working"]; anew(): void; enough(): void }) {
  if (shown.jobs.length === 0)
    return (
      <div className="max-w-xl">
        <p className="text-[1.2rem]">
          {shown.old.length > 0 ? "What has to be done is being worked out …" : shown.left.length === 0 ? "There is no open job." : "No job can be planned yet."}
        </p>
        <ul className="mt-2">
          {shown.left.map((j) => (
            <li key={j.id}>
              <Link prefetch={false} href={`/jobs/${j.id}/ask`}>
                {j.name}
              </Link>
              : {j.why}
            </li>
          ))}
        </ul>
        {shown.left.length === 0 && (
          <Link prefetch={false} href="/" className="act mt-3 inline-block no-underline">
            Start a job
          </Link>
        )}
      </div>
    );
  return (
    <div className="max-w-xl">
      <p className="text-[1.2rem]">
        {count(shown.jobs.length, "job")} to plan on {count(shown.people.length, "person", "people")}. No plan stands yet.
      {shown.old.length > 0 && <span className="block text-[.95rem] text-soft">{count(shown.old.length, "job")} being worked out …</span>}
      </p>
      {working ? (
        <p className="mt-3" aria-live="polite">
          {working.finish === undefined ? "Looking …" : `So far: done by ${clockDay(working.finish)}${working.late ? `, ${count(lateDays(working.late), "day")} late in all` : ", nothing late"} …`}{" "}
          <button className="quiet min-h-[44px]" onClick={enough}>
            enough
          </button>
        </p>
      ) : (
        <button className="act mt-3 min-h-[48px]" onClick={anew}>
          {shown.jobs.length === 1 ? "Plan the job" : `Plan all ${shown.jobs.length} jobs`}
        </button>
      )}
    </div>
  );
} // prettier-ignore

/** What moves, from when to when. */
function Moves({ forward, was, names, name }: { forward: PutForward; was: RunPlan | null; names: Names; name(id: number): string }) {
  const moved = forward.mended?.moved ?? [];
  if (moved.length === 0 || !was) return null;
  return (
    <section aria-label="What moves" className="mb-2">
      <h2 className="small-head">What moves</h2>
      <ul className="max-h-44 overflow-y-auto">
        {moved.slice(0, 40).map((m) => {
          const run = forward.plan.runs.find((r) => r.job === m.job && r.name === m.name);
          const units = names.job(m.job)?.units;
          return (
            <li key={`${m.job} ${m.name}`} className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-t border-rule py-0.5 text-[.9rem]">
              <span>
                {run && units ? run.title : m.name}, {name(m.job)}
                {m.lots > 1 && <span className="text-soft">, {m.lots} lots</span>}
              </span>
              <span className="font-mono">
                {dayTime(m.from)} → {dayTime(m.to)}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
} // prettier-ignore

/** The run that is chosen, and how it is moved. */
function Chosen({ run, names, now, move, close }: { run: Run; names: Names; now: number; move(at: number): void; close(): void }) {
  return (
    <>
      <span className="min-w-0 flex-1">
        <b className="font-semibold">{runText(run, names)}</b>
        {run.wait > 0 && <span className="text-soft"> · then left {duration(run.wait)}</span>}
        {run.guess && <span className="text-soft"> · its {duration(run.minutes)} are a guess</span>}
        {run.caution && <span className="block border-l-4 border-madder pl-2 text-[.84rem]">{run.caution}</span>}
      </span>
      {run.startsAt >= now && (
        <>
          <button className="quiet min-h-[44px]" onClick={() => move(Math.max(now, run.startsAt - 60))}>
            an hour earlier <Key k="←" />
          </button>
          <button className="quiet min-h-[44px]" onClick={() => move(run.startsAt + 60)}>
            later <Key k="→" />
          </button>
          <button className="quiet min-h-[44px]" onClick={() => move(run.startsAt + 1440)}>
            a day later <Key k="shift →" />
          </button>
        </>
      )}
      <Link prefetch={false} className="quiet inline-flex min-h-[44px] items-center" href={`/jobs/${run.job}/run`}>
        the job
      </Link>
      <button className="quiet min-h-[44px]" onClick={close}>
        close <Key k="esc" />
      </button>
    </>
  );
} // prettier-ignore
