"use client";
import Link from "next/link";
import { usePathname } from "next/navigation";
import { type ComponentType, memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { Troubles } from "@/ui/desk/Troubles";
import { actText } from "@/core/job/acts";
import type { StoredJob } from "@/core/job/stored";
import type { MakersOwn } from "@/core/designs/design";
import { Guarded } from "@/ui/parts/Guarded";
import { Key } from "@/ui/parts/Key";
import { later } from "@/ui/parts/later";
import { dayText } from "@/ui/parts/words";

import { PageLink } from "@/ui/desk/PageLink";
import { type PageId, turnTo } from "@/ui/desk/pages";
import { type Station, type StationState, stationState } from "@/ui/desk/station";
import { PAGES, STATIONS } from "@/ui/stations";
import { type Desk, DeskProvider, type Laid, LaidProvider, useOpenJob } from "@/ui/desk/useDesk";
import { WorkingStrip } from "./WorkingStrip";

/** Each page is drawn anew only when something it shows has changed. */
const DRAWN = Object.fromEntries(Object.values(PAGES).map(({ id, Page }) => [id, memo(Page)])) as unknown as Record<
  PageId,
  ComponentType
>;

/** The open job: its six stations, keys 1–6, and what goes with every station. */
export function JobDesk({ stored, own }: { stored: StoredJob; own: MakersOwn }) {
  const { desk, laid } = useOpenJob(stored, own);
  const path = usePathname().split("/").at(-1)!;
  const here: PageId = path in PAGES ? (path as PageId) : "shape";
  const [showing, setShowing] = useState(false);
  const go = useCallback((station: PageId) => turnTo(stored.id, station), [stored.id]);
  useKeys(desk, go, () => setShowing((s) => !s));
  // The other pages' scripts come when this one is there: turning to one then waits for nothing.
  useEffect(() => later(() => Object.values(PAGES).forEach((p: Station) => void p.load())), []);
  const Page = DRAWN[here];
  const beside = (PAGES[here] as Station).beside;
  return (
    <DeskProvider value={desk}>
      <LaidProvider value={laid}>
        <div className="flex h-dvh min-h-0 flex-col print:block print:h-auto">
          <Top desk={desk} laid={laid} find={() => find(go)} />
          <nav aria-label="Stations" className="no-print grid grid-cols-3 gap-[3px] px-5 sm:grid-cols-6">
            {STATIONS.map((s) => (
              <StationTab key={s.id} station={s} on={s.id === here || s.id === beside} desk={desk} laid={laid} />
            ))}
          </nav>
          <Troubles
            keeping={desk.keeping}
            text={(act) => actText(act, desk.job)}
            // What names a line by its place may mean another by now: that is said, and left to be done anew.
            mayAgain={(act) => !("at" in act)}
            act={(act) => desk.act(act)}
          />
          <main
            tabIndex={0}
            className="print-plain relative outline-offset-[-3px] min-h-0 flex-1 overflow-auto px-5 pt-3 pb-4"
          >
            <Guarded key={here} on={desk.job}>
              <Page />
            </Guarded>
          </main>
          {here === "shape" && <WorkingStrip open={showing} setOpen={setShowing} />}
        </div>
      </LaidProvider>
    </DeskProvider>
  );
}

function Top({ desk, laid, find }: { desk: Desk; laid: Laid; find(): void }) {
  const { job } = desk;
  const { plan } = laid;
  const hand =
    plan && job.due ? Math.floor((Date.parse(`${job.due}T00:00:00Z`) / 60_000 + 1440 - plan.finish) / 1440) : undefined;
  return (
    <header className="no-print flex flex-wrap items-baseline gap-x-4 px-5 pt-2 pb-2">
      <Link href="/" prefetch={false} className="text-[1.33rem] font-bold tracking-tight no-underline">
        Rundik
      </Link>
      <h1 className="max-w-[34rem] truncate text-[1.13rem]" title={job.name}>
        {job.name}
      </h1>
      <span className={hand !== undefined && hand < 0 ? "font-semibold text-madder" : "text-soft"}>
        {job.due ? `due ${dayText(job.due)}` : "no due day"}
        {hand !== undefined &&
          (hand < 0
            ? `, ${-hand} ${hand === -1 ? "day" : "days"} late`
            : `, ${hand} ${hand === 1 ? "day" : "days"} in hand`)}
      </span>
      <span className="ml-auto flex items-baseline gap-3.5">
        <span aria-live="polite" className="text-[.85rem] text-soft">
          {desk.keeping.waiting > 0 && desk.keeping.held === null ? "keeping …" : ""}
        </span>
        <button
          className="border-0 bg-transparent p-0"
          onClick={() => desk.act({ do: "units", units: job.units === "in" ? "mm" : "in" })}
        >
          {job.units === "in" ? "inches" : "mm"} <Key k="u" />
        </button>
        <button
          className="border-0 bg-transparent p-0 disabled:opacity-50"
          disabled={!desk.undoes}
          title={desk.undoes ? `take back: ${desk.undoes}` : "nothing to take back"}
          onClick={desk.undo}
        >
          undo <Key k="z" />
        </button>
        <button className="border-0 bg-transparent p-0" onClick={find}>
          find <Key k="/" />
        </button>
        <button className="border-0 bg-transparent p-0" onClick={() => window.print()}>
          print <Key k="p" />
        </button>
        <a href={`/api/jobs/${desk.id}/file`} className="underline decoration-[#9aa39d] underline-offset-2">
          file
        </a>
      </span>
    </header>
  );
}

/**
 * A station and how things stand there. What is found of a long job takes a while: it follows when the page has been drawn, and until
 * then what the server wrote stands.
 */
function StationTab({ station, on, desk, laid }: { station: Station; on: boolean; desk: Desk; laid: Laid }) {
  const settled = useDeferredValue(desk, typeof window === "undefined" ? desk : null);
  const state = useMemo(
    (): StationState => (settled ? stationState(station, settled, laid) : { text: "" }),
    [station, settled, laid],
  );
  // While it is worked out anew the tab says how it stood, so that nothing flickers under whoever types.
  const last = useRef<StationState>(undefined);
  useEffect(() => {
    if (!state.waits && state.text) last.current = state;
  });
  const before = state.waits ? last.current : undefined;
  const { text, wrong = false } = before ?? state;
  return <Tab job={desk.id} station={station} on={on} text={text} wrong={wrong} waits={!!before} moved={state.moved} />;
}

/** Drawn anew only when it says something else: there are six, at every key that is pressed. */
const Tab = memo(function Tab({
  job,
  station,
  on,
  text,
  wrong,
  waits,
  moved,
}: { job: number; station: Station; on: boolean } & Required<Pick<StationState, "text" | "wrong" | "waits">> &
  Pick<StationState, "moved">) {
  return (
    <PageLink
      job={job}
      to={station.id}
      aria-current={on ? "page" : undefined}
      className={`flex h-[54px] min-w-0 items-center gap-2.5 px-3 no-underline ${on ? "bg-spruce text-white" : "bg-bench"}`}
    >
      <b className={`font-mono text-[1.3rem] font-semibold ${on ? "text-[#cfe0da]" : "text-soft"}`}>{station.key}</b>
      <span className="min-w-0">
        <strong className="block font-semibold">{station.name}</strong>
        <em
          suppressHydrationWarning
          className={`flex gap-1.5 text-[.84rem] not-italic ${on ? "text-[#dcebe5]" : wrong ? "font-semibold text-madder" : "text-soft"}`}
        >
          <span suppressHydrationWarning className="min-w-0 truncate">
            {text}
          </span>
          {waits && <span aria-label="working">…</span>}
          {moved && (
            <span className={`hidden shrink-0 font-semibold lg:inline ${on ? "text-white" : "text-blue"}`}>
              {moved}
            </span>
          )}
        </em>
      </span>
    </PageLink>
  );
});

/** To the box where a few letters say what to make. */
function find(go: (id: PageId) => void): void {
  go("ask");
  setTimeout(() => document.getElementById("finder")?.focus(), 50);
}

/** Single keys, when nobody is typing. */
function useKeys(desk: Desk, go: (id: PageId) => void, toggleWorking: () => void): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.closest("input, select, textarea, [role=dialog]");
      if (typing || e.metaKey || e.ctrlKey || e.altKey) return;
      const station = STATIONS.find((s) => s.key === e.key);
      if (station) go(station.id);
      else if (e.key === "u") desk.act({ do: "units", units: desk.job.units === "in" ? "mm" : "in" });
      else if (e.key === "z") desk.undo();
      else if (e.key === "p") window.print();
      else if (e.key === "/") find(go);
      else if (e.key === "w") toggleWorking();
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
}
