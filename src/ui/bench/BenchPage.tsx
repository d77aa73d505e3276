"use client";
import { settingWord } from "@/core/feature/machine";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { type ReactNode, useCallback, useEffect, useRef, useState } from "react";
import { type Advice, adviceOf, centredAt, driftOf, targetOf, toleranceOf } from "@/core/bench/check";
import { SPOILED, STOPPED, type Tally } from "@/core/bench/events";
import { settingText } from "@/core/feature/say";
import { lengthText, mmText } from "@/core/length/format";
import { type Length, mm, nm, type Units } from "@/core/length/length";
import type { PartId } from "@/core/line/line";
import { type Run, tooFew } from "@/core/plan/runs";
import type { Again } from "@/core/today/standing";
import { Fresh } from "@/ui/parts/Fresh";
import { Key } from "@/ui/parts/Key";
import { LengthField } from "@/ui/parts/LengthField";
import { Measure } from "@/ui/parts/Measure";
import { capital, clockDay, clockTime, count, duration } from "@/ui/parts/words";
import { Chart } from "./Chart";
import { useBench, useCalliper } from "./useBench";

/** A place to work, and what is planned there. */
export interface Place {
  /** `table saw`, or `bench 2` where there are several. */
  name: string;
  runs: Run[];
}
interface Job {
  id: number;
  name: string;
  units: Units;
  /** What is cut again because it was spoiled. */
  again: Again[];
}

/** So many are counted with one press. */
const STEPS = [1, 2, 4, 8, 10];

/** The bench: where to work, then one set-up after another. */
export function BenchPage({ visit, places, jobs, stale, tallies, version, at }: { visit: string; places: Place[]; jobs: Job[]; stale: boolean; tallies: Tally[]; version: number; at: string | null }) {
  const router = useRouter();
  const bench = useBench(tallies, version, useCallback(() => router.refresh(), [router])); // prettier-ignore
  const place = places.find((p) => p.name === at);
  const isDone = (r: Run) => bench.of(r).made >= r.begin + r.pieces;
  // What is on the screen stays there until somebody goes on: the last piece and one too many are not counted to what comes next.
  const [held, setHeld] = useState<string | null>(null);
  const job = (id: number) => jobs.find((j) => j.id === id) ?? { id, name: `job ${id}`, units: "in" as const, again: [] };
  const nextAt = (p: Place) => p.runs.find((r) => !isDone(r));
  const soonest = places.toSorted((a, b) => (nextAt(a)?.startsAt ?? Infinity) - (nextAt(b)?.startsAt ?? Infinity) || 0); // prettier-ignore
  const toDo = (r: Run) => `${r.settings.map((s) => settingText(s, job(r.job).units)).join(", ") || r.title.toLowerCase()}, ${clockDay(r.startsAt)} ${clockTime(r.startsAt)}`; // prettier-ignore
  const elsewhere = soonest.find((p) => nextAt(p));
  if (!place)
    return (
      <main className="bench min-h-dvh bg-white p-6">
        <Fresh visit={visit} />
        <h1 className="text-[2rem] font-bold">Where do you work?</h1>
        {places.length === 0 && (
          <p className="mt-3 text-[1.3rem]">
            No plan stands. <Link className="act ml-3 inline-block no-underline" href="/plan">Plan the shop</Link>
          </p>
        )}
        <ul className="mt-4 grid max-w-4xl grid-cols-1 gap-3 sm:grid-cols-2">
          {soonest.map((p, i) => {
            const next = nextAt(p);
            const isFirst = i === 0 && next !== undefined;
            return (
              <li key={p.name}>
                <Link prefetch={false} href={`/bench?at=${encodeURIComponent(p.name)}`} className={`block min-h-[84px] border-[3px] p-4 no-underline ${isFirst ? "border-spruce bg-spruce text-white" : next ? "border-ink" : "border-rule"}`}>
                  <b className="block text-[1.5rem]">{capital(p.name)}</b>
                  <span className={isFirst ? "" : "text-soft"}>{next ? toDo(next) : "nothing more is planned"}</span>
                </Link>
              </li>
            );
          })}
        </ul>
        <p className="mt-6">
          <Link prefetch={false} className="quiet inline-flex min-h-[44px] items-center" href="/plan">
            back to the plan
          </Link>
        </p>
      </main>
    );
  const left = place.runs.filter((r) => !isDone(r));
  const run = place.runs.find((r) => keyOf(r) === held) ?? left[0];
  return (
    <>
      <Fresh visit={visit} />
      {run ? (
        <SetUp key={keyOf(run)} run={run} next={left.filter((r) => r !== run).slice(0, 2)} place={place} done={place.runs.indexOf(run)} hold={() => setHeld(keyOf(run))} goOn={() => setHeld(null)} job={job} stale={stale} bench={bench} />
      ) : (
        <main className="bench min-h-dvh bg-white p-6">
          <h1 className="text-[2rem] font-bold">Nothing more is planned here.</h1>
          {elsewhere && (
            <p className="mt-4 text-[1.3rem]">
              <Link prefetch={false} className="act mr-3 inline-block no-underline" href={`/bench?at=${encodeURIComponent(elsewhere.name)}`}>
                On to the {elsewhere.name}
              </Link>
              {toDo(nextAt(elsewhere)!)}
            </p>
          )}
          <Link prefetch={false} className={elsewhere ? "quiet mt-4 inline-flex min-h-[44px] items-center" : "act mt-4 inline-block no-underline"} href="/plan">
            {elsewhere ? "back to the plan" : "Back to the plan"}
          </Link>
        </main>
      )}
    </>
  );
} // prettier-ignore

/** Nearer to nought than this the calliper is closed; and further off its nought has slipped. */
const [CLOSED, NOUGHT] = [mm(1), mm(0.03)];

const keyOf = (r: Run) => `${r.job} ${r.name} ${r.begin}`;

/** What is asked on the set-up just now. */
type Asks = "spoiled" | "measure" | "stop" | "all made" | null;

function SetUp({ run, next, place, done, job, stale, bench, hold, goOn }: { stale: boolean; hold(): void; goOn(): void; run: Run; next: Run[]; place: Place; done: number; job(id: number): Job; bench: ReturnType<typeof useBench> }) {
  const router = useRouter();
  const { units, name, again } = job(run.job);
  const large = useLarge();
  /** Which part was spoiled, where several go through. */
  const [which, setWhich] = useState<PartId[] | null>(null);
  /** What was measured on the fence's side of a cut in the middle. */
  const [fence, setFence] = useState<Length | null>(null);
  const t = bench.of(run);
  const [step, setStep] = useState(1);
  const [asks, setAsks] = useState<Asks>(null);
  const ask = (a: Asks) => {
    setFence(null);
    setWhich(null);
    setAsks(a);
  };
  const began = useRef(false);
  const here = Math.max(0, Math.min(run.pieces, t.made - run.begin));
  const { happened } = bench;
  const tell = useCallback((what: Parameters<typeof happened>[1]) => {
    if (!began.current) happened(run, { do: "begin", ...(run.kind ? { of: { kind: run.kind, all: run.all, setup: run.setup, each: run.each } } : {}) });
    began.current = true;
    hold();
    happened(run, what);
  }, [happened, run, hold]); // prettier-ignore
  const left = run.pieces - here;
  const more = () => {
    if (left === 0) return;
    if (t.stopped && began.current) happened(run, { do: "go on" });
    tell({ do: "count", n: Math.min(step, left) });
  };
  /** Leaves it for the next; what was not counted is asked about. */
  const leave = () => {
    if (left > 0 && asks !== "all made") return ask("all made");
    if (left > 0) tell({ do: "count", n: left });
    happened(run, { do: "leave" });
    goOn();
  };
  const spoil = (why: (typeof SPOILED)[number]): Parameters<typeof happened>[1] => {
    const of = which ?? (run.ofParts.length === 1 ? [run.ofParts[0]!.of] : undefined);
    return { do: "spoil", n: 1, why, ...(of ? { of } : {}) };
  };
  const resume = () => happened(run, { do: "go on" });
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === "Escape") return asks ? ask(null) : router.push("/plan");
      if (asks === "all made" && e.key === "Enter") return leave();
      if (asks || (e.target instanceof HTMLElement && e.target.closest("input, a"))) return;
      // A foot switch is a keyboard with one key: most send Page Down.
      if (e.key === " " || e.key === "PageDown") more();
      else if (e.key === "Backspace") tell({ do: "count", n: -1 });
      else if (e.key === "s") ask("spoiled");
      else if (e.key === "m") ask("measure");
      else if (e.key === "p") ask("stop");
      else if (e.key === "Enter") leave();
      else if (e.key === "ArrowUp" || e.key === "ArrowDown") setStep((n) => STEPS[Math.min(STEPS.length - 1, Math.max(0, STEPS.indexOf(n) + (e.key === "ArrowUp" ? 1 : -1)))]!);
      else return;
      e.preventDefault();
    };
    // The whole screen is the button.
    const touch = (e: MouseEvent) => {
      if (!asks && e.target instanceof HTMLElement && e.target.closest("main") && !e.target.closest("button, a, input")) more(); // prettier-ignore
    };
    window.addEventListener("keydown", press);
    window.addEventListener("click", touch);
    return () => {
      window.removeEventListener("keydown", press);
      window.removeEventListener("click", touch);
    };
  });
  /** What the calliper read when it was closed. */
  const [closed, setClosed] = useState<Length | null>(null);
  const measured = (value: Length) => {
    if (run.centred && fence === null) return setFence(value);
    keepMeasured(run.centred && fence !== null ? centredAt(target!.value, fence, value) : value);
  };
  const keepMeasured = (value: Length) => {
    tell({ do: "measure", target: target!.value, value, tolerance: tolerance! });
    ask(null);
  };
  const line = useCalliper(asks === "measure", (value) => (Math.abs(value) < CLOSED ? setClosed(value) : measured(value)));
  const target = targetOf(run.settings, run.centred);
  const tolerance = target && toleranceOf(target);
  const values = t.measured.filter((m) => m.target === target?.value).map((m) => m.value);
  return (
    <div className="bench flex min-h-dvh flex-col bg-white">
      <header className="flex flex-wrap items-baseline gap-x-6 border-b-[3px] border-ink px-7 py-3 text-[1.27rem]">
        <span>
          <b>Set-up {done + 1} of {place.runs.length}</b> {place.name}
        </span>
        <span className="ml-auto">{name}</span>
        <button aria-pressed={large.on} onClick={large.turn} className="min-h-[44px] border-2 border-ink px-3 font-bold">
          Larger
        </button>
        <span className="text-soft">{duration(Math.round(bench.minutes(run)))} at it, planned {duration(run.minutes)}</span>
      </header>
      <main
        className="grid flex-1 cursor-pointer grid-cols-1 gap-x-10 gap-y-4 px-7 py-5 lg:grid-cols-[minmax(0,1fr)_380px]"
      >
        <div>
          <Settings run={run} units={units} />
          <p className="mt-2 text-[1.73rem]">
            {run.title}: <span className="font-mono">{run.pieces}</span> {run.of}
          </p>
          {run.from.length > 0 && <p className="mt-1 text-[1.3rem]">From {run.from.join("; ")}</p>}
          {tooFew(run) && <p className="mt-4 text-[1.4rem] font-bold text-madder">{tooFew(run)}</p>}
          {run.caution && (
            <p className="mt-4 border-l-[10px] border-madder pl-4 text-[1.2rem]">{run.caution}</p>
          )}
          {target && tolerance !== undefined && (
            <FirstPiece target={target.value} tolerance={tolerance} values={values} units={units} centred={run.centred ?? false} />
          )}
          {again.map((a) => (
            <p key={a.name} className={`mt-4 border-l-[10px] pl-4 text-[1.2rem] ${a.from ? "border-spruce" : "border-madder"}`}>
              {count(a.pieces, `${a.name} again`, `${a.name} again`)}: {a.from ? `from ${a.from}` : "no board gives it. Ask for wood"}{" "}
              {!a.from && <Link prefetch={false} className="quiet inline-flex min-h-[44px] items-center" href={`/jobs/${run.job}/lay-out`}>the job's boards</Link>}
            </p>
          ))}
          {again.length > 0 && stale && (
            <Link prefetch={false} href="/plan" className="mt-3 inline-flex min-h-[60px] items-center border-[3px] border-ink bg-white px-5 text-[1.3rem] font-bold no-underline">
              Put it in the plan
            </Link>
          )}
        </div>
        <div className="flex flex-col gap-3">
          <p aria-live="polite" className="flex items-baseline gap-5 font-mono">
            <b data-testid="counted" className="text-[5.6rem] leading-none font-normal">{here}</b>
            <span className="text-[1.6rem] text-soft">of {run.pieces}</span>
          </p>
          <div aria-hidden="true" className="h-6 bg-bench">
            <div className="h-6 bg-spruce" style={{ width: `${(100 * here) / Math.max(1, run.pieces)}%` }} />
          </div>
          {t.spoiled > 0 && <p className="text-[1.13rem] font-semibold text-madder">{count(t.spoiled, "spoiled piece")}: as many more are wanted</p>}
          {asks === null && t.stopped && began.current ? (
            <Big act onClick={resume} k="space">Go on</Big>
          ) : asks === null ? (
            <>
              {left === 0 ? <Big act onClick={leave} k="enter">All made: the next set-up</Big> : <Big act onClick={more} k="space">{step} more</Big>}
              <div className="flex gap-2">
                {STEPS.map((n) => (
                  <button key={n} aria-pressed={n === step} onClick={() => setStep(n)} className={`min-h-[52px] flex-1 border-2 border-ink font-mono text-[1.2rem] ${n === step ? "bg-ink text-white" : "bg-white"}`}>
                    {n}
                  </button>
                ))}
                <button aria-label="one less" onClick={() => tell({ do: "count", n: -1 })} className="min-h-[52px] flex-1 border-2 border-ink bg-white font-mono text-[1.2rem]">
                  −1
                </button>
              </div>
              <Big onClick={() => ask("spoiled")} k="s">One spoiled</Big>
              {target && <Big onClick={() => ask("measure")} k="m">{run.centred ? "Measure both sides" : "Measure"}</Big>}
              <Big onClick={() => ask("stop")} k="p">Stand still</Big>
              {left > 0 && <Big onClick={leave} k="enter">Set-up done</Big>}
            </>
          ) : asks === "all made" ? (
            <>
              <p className="text-[1.4rem]">{count(left, "piece is", "pieces are")} not counted.</p>
              <Big act onClick={leave} k="enter">All {run.pieces} are made</Big>
              <Big onClick={() => ask(null)} k="esc">Back</Big>
              <Big onClick={() => { happened(run, { do: "leave" }); goOn(); router.push("/bench"); }}>Leave it for later</Big>
            </>
          ) : asks === "measure" ? (
            <label className="block text-[1.4rem]">
              <span className="block">{!run.centred ? "What it measures" : fence === null ? "From the fence's edge to the cut" : "From the other edge to the cut"}</span>
              <span className="block border-[3px] border-ink p-3 text-[2.4rem]" ref={(el) => el?.querySelector("input")?.focus()}>
                <LengthField key={fence} value={null} units={units} label="What it measures" onSettle={measured} />
              </span>
              <span className="text-[1rem] text-soft">enter keeps it, esc goes back; {line === "open" ? "a reading of the calliper lands here" : line === "lost" ? "the calliper is not heard: type what it shows" : "looking for the calliper …"}</span>
            {closed !== null && (
                <span className={`block text-[1.13rem] font-semibold ${Math.abs(closed) > NOUGHT ? "text-madder" : "text-spruce"}`}>
                  {Math.abs(closed) > NOUGHT ? `Closed it reads ${closed < 0 ? "−" : ""}${mmText(nm(Math.abs(closed)))} mm: set it to nought, then measure` : "Closed it reads nought: measure"}
                </span>
              )}
            </label>
          ) : asks === "spoiled" && run.ofParts.length > 1 && !which ? (
            <>
              <p className="text-[1.4rem]">Which one?</p>
              {run.ofParts.map(({ of, name }) => (
                <Big key={name} onClick={() => setWhich([of])}>{name}</Big>
              ))}
              {run.settings.length > 0 && <Big onClick={() => setWhich(run.ofParts.map(({ of }) => of))}>all that is in it</Big>}
              <button className="quiet min-h-[52px] text-[1.2rem]" onClick={() => ask(null)}>
                back <Key k="esc" />
              </button>
            </>
          ) : (
            <>
              <p className="text-[1.4rem]">{asks === "spoiled" ? "Why?" : "Why does it stand still?"}</p>
              {(asks === "spoiled" ? SPOILED : STOPPED).map((why) => (
                <Big key={why} onClick={() => { tell(asks === "spoiled" ? spoil(why as never) : { do: "stop", why: why as never }); ask(null); }}>{why}</Big>
              ))}
              <button className="quiet min-h-[52px] text-[1.2rem]" onClick={() => ask(null)}>
                back <Key k="esc" />
              </button>
            </>
          )}
        </div>
      </main>
      <footer className="flex flex-wrap items-baseline gap-x-7 bg-bench px-7 py-4 text-[1.2rem]">
        <b>Next</b>
        {next.length === 0 && <span>nothing more here</span>}
        {next.map((r) => (
          <span key={`${r.job} ${r.name} ${r.begin}`}>
            {r.settings.map((s) => settingText(s, job(r.job).units)).join(", ") || r.title.toLowerCase()}, {r.pieces} {r.of}
          </span>
        ))}
        <span className="ml-auto flex flex-wrap gap-x-4">
          {bench.waiting > 0 && <span role="status" className={bench.lost ? "font-semibold text-madder" : "text-soft"}>{bench.lost ? `${bench.lost}; ${count(bench.waiting, "count")} kept here` : "keeping …"}</span>}
          <Link prefetch={false} href="/plan" className="quiet inline-flex min-h-[44px] items-center">
            back to the plan <Key k="esc" />
          </Link>
        </span>
      </footer>
    </div>
  );
} // prettier-ignore

const LARGE = "rundik bench larger";

/** Larger type and more contrast at this bench, also the next time. */
function useLarge(): { on: boolean; turn(): void } {
  const [on, setOn] = useState(false);
  useEffect(() => setOn(localStorage.getItem(LARGE) === "yes"), []);
  useEffect(() => {
    document.documentElement.classList.toggle("larger", on);
    return () => document.documentElement.classList.remove("larger");
  }, [on]);
  const turn = () => {
    localStorage.setItem(LARGE, on ? "no" : "yes");
    setOn(!on);
  };
  return { on, turn };
}

function Big({ children, onClick, k, act = false }: { children: ReactNode; onClick(): void; k?: string; act?: boolean }) {
  return (
    <button onClick={onClick} className={`flex items-center justify-between px-5 text-left text-[1.5rem] font-bold ${act ? "min-h-[110px] bg-spruce text-[2.1rem] text-white" : "min-h-[60px] border-[3px] border-ink bg-white"}`}>
      {children}
      {k && <Key k={k} />}
    </button>
  );
} // prettier-ignore

/** Every setting, as large as there is room: the first fills the screen. */
function Settings({ run, units }: { run: Run; units: Units }) {
  const [first, ...rest] = run.settings;
  if (!first) return <p className="text-[3.4rem] leading-tight font-bold">{run.title}</p>;
  const said = (s: typeof first, size: string) => (s.kind === "angle" ? <span className={size}>{s.degrees}°</span> : <Measure value={s.value} units={units} className={size} />);
  return (
    <>
      <p className="text-[1.73rem]">{first.kind === "stop" ? "Stop at" : first.kind === "fence" ? "Fence at" : first.kind}</p>
      <p className="my-2 text-[clamp(8rem,32vw,20rem)] lg:text-[clamp(7rem,22vw,15rem)] leading-[.95]">{said(first, "")}</p>
      <p className="flex flex-wrap gap-x-8">
        {rest.map((s) => (
          <span key={s.kind}>
            <span className="block text-[1.2rem] text-soft">{settingWord(s.kind)}</span>
            {said(s, "text-[3rem] leading-tight")}
          </span>
        ))}
      </p>
    </>
  );
} // prettier-ignore

/** What the measured pieces say: go on, set it by so much, or stop; and how they run. */
function FirstPiece({ target, tolerance, values, units, centred }: { centred: boolean; target: Length; tolerance: Length; values: Length[]; units: Units }) {
  const last = values.at(-1);
  const either = `${lengthText(tolerance, units)} either way`;
  if (last === undefined) return <p className="mt-3 text-[1.4rem]">Measure the first piece: {lengthText(target, units)}{centred ? " on both sides of the cut" : ""}, {either}.</p>;
  const drift = driftOf(values, target, tolerance);
  return (
    <div className="mt-3">
      <p className="text-[1.4rem]">
        {values.length === 1 ? "First piece" : `Piece ${values.length}`} <span className="font-mono text-[1.9rem]">{lengthText(last, units)}</span>, {either}:{" "}
        <b className={adviceOf(target, tolerance, last).say === "good" ? "text-spruce" : "text-madder"}>{adviceText(adviceOf(target, tolerance, last), units)}</b>
      </p>
      {drift.say === "drifts" && (
        <p className="text-[1.27rem] font-semibold text-madder">
          They grow {drift.way > 0 ? "longer" : "shorter"}: off in {count(drift.left, "more piece")} like these. Look at the fence and the stop before the next.
        </p>
      )}
      {values.length > 1 && <Chart values={values} target={target} tolerance={tolerance} />}
    </div>
  );
} // prettier-ignore

export const adviceText = (a: Advice, units: Units): string =>
  a.say === "good"
    ? "good, carry on"
    : a.say === "stop"
      ? "stop: read the setting again, something is wrong"
      : `set it ${lengthText(nm(Math.abs(a.by)), units)} ${a.by > 0 ? "more" : "less"}, then measure the next`;
