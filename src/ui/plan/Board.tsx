"use client";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { settingText } from "@/core/feature/say";
import type { Units } from "@/core/length/length";
import type { Run } from "@/core/plan/runs";
import { Measure } from "@/ui/parts/Measure";
import { clockTime, dayText } from "@/ui/parts/words";
import type { PlanRow, Scale } from "./places";

/** What the board knows of jobs and people. */
export interface Names {
  job(id: number): { name: string; units: Units } | undefined;
  person(p: number): string;
}

/** What a run is in words: `Rip to width, fence 9 5/8, 96 strips, Heath estate, Wed 10 Feb 08:00 to 09:10, sawyer`. */
export function runText(r: Run, names: Names): string {
  const job = names.job(r.job);
  const set = r.settings.map((s) => settingText(s, job?.units ?? "in")).join(", ");
  const who = r.who.map(names.person).join(" and ");
  return [r.title, set, `${r.pieces} ${r.of}`, job?.name, `${dayTime(r.startsAt)} to ${dayTime(r.endsAt)}`, who].filter(Boolean).join(", "); // prettier-ignore
}

/** `Wed 10 Feb 08:00`. */
export const dayTime = (clock: number) => `${dayText(new Date(clock * 60_000).toISOString().slice(0, 10))} ${clockTime(clock)}`; // prettier-ignore

const CUTTING = ["table saw", "planer", "jointer", "band saw", "drill"];
/** With more days than this only marks are drawn. */
const DENSE = 8;
/** A drag shorter than this many pixels is a click. */
const STILL = 6;
/** Keys move a run by so many minutes: an hour, with shift a day's work. */
const HOUR = 60;

interface Props {
  scale: Scale;
  rows: PlanRow[];
  names: Names;
  now: number;
  chosen: Run | null;
  /** Operations that moved, `job name`. */
  moved: ReadonlySet<string>;
  late: ReadonlySet<number>;
  coming: { at: number; what: string; late: boolean }[];
  choose(r: Run | null): void;
  move(r: Run, to: number): void;
}

/** All rows of the plan over the days that are shown. */
export function Board({ scale, rows, coming, ...rest }: Props) {
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const fold = (key: string) => setFolded((f) => new Set(f.has(key) ? [...f].filter((k) => k !== key) : [...f, key]));
  const now = scale.at(rest.now);
  const dense = scale.days.length > DENSE;
  return (
    <div className="grid grid-cols-[104px_minmax(0,1fr)] gap-x-3">
      <span />
      <div className="relative h-11" aria-hidden="true">
        {scale.days.map((d, i) => (
          <div
            key={d.day}
            className="absolute bottom-0"
            style={{ left: `${(100 * i) / scale.days.length}%`, width: `${93 / scale.days.length}%` }}
          >
            <b className="block overflow-hidden text-[.87rem] whitespace-nowrap">
              {dense ? d.day.slice(8) : dayText(d.day)}
            </b>
            <span className="flex h-2.5 border-t-[1.5px] border-r-[1.5px] border-blue">
              {Array.from(
                { length: 4 },
                (_, q) =>
                <span key={q} className={`flex-1 border-l-[1.5px] border-blue ${q % 2 ? "h-1.5" : q ? "h-2" : "h-2.5"}`} />, // prettier-ignore
              )}
            </span>
          </div>
        ))}
      </div>
      {rows.map((row) => (
        <Row key={row.key} row={row} scale={scale} folded={folded.has(row.key)} fold={() => fold(row.key)} {...rest} />
      ))}
      {coming.some(({ at }) => scale.at(at) !== undefined && at >= scale.days[0]!.from - 1440) && (
        <>
          <div className="py-2">
            <b className="block text-[.95rem]">Comes in</b>
          </div>
          <div className="relative my-1.5 min-h-11">
            <Days scale={scale} />
            {coming.flatMap(({ at, what, late }, i) => {
              const x = scale.at(at);
              return x === undefined
                ? []
                : [
                    <span
                      key={i}
                      className={`absolute top-1 flex items-center gap-1 text-[.8rem] whitespace-nowrap ${late ? "font-semibold text-madder" : ""}`}
                      style={{ left: `${100 * x}%` }}
                    >
                      <span aria-hidden="true" className="text-[1.5rem] leading-none">
                        ↓
                      </span>
                      {what}
                    </span>,
                  ];
            })}
          </div>
        </>
      )}
      {now !== undefined && scale.days[0]!.from <= rest.now && (
        <p className="col-start-2 mt-1 text-[.8rem] text-soft">
          <span className="relative block" style={{ marginLeft: `${100 * now}%` }}>
            ▲ now
          </span>
        </p>
      )}
    </div>
  );
}

function Days({ scale }: { scale: Scale }) {
  return scale.days.map((d, i) => (
    <span
      key={d.day}
      aria-hidden="true"
      className="absolute inset-y-0 bg-bench"
      style={{ left: `${(100 * i) / scale.days.length}%`, width: `${93 / scale.days.length}%` }}
    />
  ));
}

function Row({
  row,
  scale,
  folded,
  fold,
  ...rest
}: { row: PlanRow; scale: Scale; folded: boolean; fold(): void } & Omit<Props, "scale" | "rows" | "coming">) {
  const lanes = Math.max(1, row.lanes.length);
  const seen = row.lanes.map((lane) => lane.filter((r) => scale.pieces(r.startsAt, r.endsAt + r.wait).length > 0));
  const high = folded ? 10 : Math.max(44, 30 * lanes);
  return (
    <>
      <button
        aria-expanded={!folded}
        onClick={fold}
        className="no-underline min-h-[44px] border-0 bg-transparent p-0 text-left leading-tight"
      >
        <b className="block overflow-hidden text-[.95rem] text-ellipsis">{row.name}</b>
        {!folded && <span className="block text-[.8rem] text-soft">{row.under}</span>}
      </button>
      <div className="relative my-1.5" style={{ height: high }} role="group" aria-label={row.name}>
        <Days scale={scale} />
        {!folded &&
          seen.map((lane, l) =>
            lane.map((r) => (
              <Bar
                key={`${r.job} ${r.name} ${r.startsAt} ${r.unit}`}
                run={r}
                scale={scale}
                top={(100 * l) / lanes}
                high={100 / lanes}
                {...rest}
              />
            )),
          )}
        {folded && seen.flat().flatMap((r) => scale.pieces(r.startsAt, r.endsAt).map((p, i) => <span key={`${r.job} ${r.name} ${r.startsAt} ${i}`} className="absolute inset-y-0 bg-soft" style={{ left: `${100 * p.left}%`, width: `${100 * p.width}%` }} />))}
      </div>
    </>
  ); // prettier-ignore
}

function Bar({ run: r, scale, top, high, names, now, chosen, moved, late, choose, move }: { run: Run; scale: Scale; top: number; high: number } & Omit<Props, "scale" | "rows" | "coming">) {
  const down = useRef<{ x: number; wide: number } | null>(null);
  const [by, setBy] = useState(0);
  const isChosen = chosen !== null && chosen.job === r.job && chosen.name === r.name && chosen.startsAt === r.startsAt;
  const job = names.job(r.job);
  const running = r.startsAt <= now && now < r.endsAt;
  const main = r.settings[0];
  const dense = scale.days.length > DENSE;
  const pieces = scale.pieces(r.startsAt, r.endsAt);
  const waits = r.wait > 0 ? scale.pieces(r.endsAt, r.endsAt + r.wait) : [];
  const back = running ? "bg-spruce text-white" : CUTTING.includes(r.station) ? "bg-straw" : "bg-white";
  const edge = isChosen ? "outline-3 outline-blue z-10" : moved.has(`${r.job} ${r.name}`) ? "outline-2 outline-dashed outline-blue" : ""; // prettier-ignore
  const press = (e: PointerEvent<HTMLButtonElement>) => {
    if (!e.isPrimary || r.startsAt < now) return;
    down.current = { x: e.clientX, wide: e.currentTarget.parentElement!.clientWidth };
    e.currentTarget.setPointerCapture(e.pointerId);
  };
  const drag = (e: PointerEvent) => down.current && setBy(e.clientX - down.current.x);
  const drop = (e: PointerEvent) => {
    const from = down.current;
    down.current = null;
    setBy(0);
    if (!from || Math.abs(e.clientX - from.x) < STILL) return;
    move(r, Math.max(now, scale.time((scale.at(r.startsAt) ?? 0) + (e.clientX - from.x) / from.wide)));
  };
  const key = (e: KeyboardEvent) => {
    if ((e.key !== "ArrowLeft" && e.key !== "ArrowRight") || r.startsAt < now) return;
    e.preventDefault();
    const step = e.shiftKey ? 24 * HOUR : HOUR;
    move(r, Math.max(now, r.startsAt + (e.key === "ArrowLeft" ? -step : step)));
  };
  const box = { top: `${top}%`, height: `calc(${high}% - 2px)` };
  return (
    <>
      {pieces.map((p, i) => (
        <button
          key={i}
          tabIndex={i === 0 ? 0 : -1}
          aria-hidden={i > 0}
          aria-label={runText(r, names)}
          aria-pressed={isChosen}
          title={runText(r, names)}
          onClick={() => choose(isChosen ? null : r)}
          onPointerDown={press}
          onPointerMove={drag}
          onPointerUp={drop}
          onKeyDown={key}
          className={`@container absolute flex touch-pan-y items-center justify-center overflow-hidden border-ink p-0 ${dense ? "border-l" : "border"} text-[.87rem] whitespace-nowrap ${back} ${edge} ${late.has(r.job) ? "border-b-[3px] border-b-madder" : ""}`}
          style={{ left: `${100 * p.left}%`, width: `${100 * p.width}%`, ...box, ...(by && { transform: `translateX(${by}px)`, zIndex: 20, opacity: 0.8 }) }}
        >
          <span className="hidden @min-[26px]:inline">
            {main && main.kind !== "angle" ? (
              <Measure value={main.value} units={job?.units ?? "in"} />
            ) : main?.kind === "angle" ? (
              `${main.degrees}°`
            ) : r.lots > 1 || r.pieces < r.all ? (
              r.pieces
            ) : (
              <span className="px-1 text-[.8rem]">{r.title.toLowerCase()}</span>
            )}
          </span>
        </button>
      ))}
      {waits.map((p, i) => (
        <span
          key={`w${i}`}
          aria-hidden="true"
          className="waits absolute border border-straw-line"
          style={{ left: `${100 * p.left}%`, width: `${100 * p.width}%`, ...box }}
        />
      ))}
    </>
  );
} // prettier-ignore
