"use client";
import { type OptionValue, isUnmakeable } from "@/core/shape/shape";
import { stand } from "@/core/hive/stand";
import { useMemo, useState } from "react";
import { boxFor } from "@/core/hive/fitted";
import {
  type Hive as HiveData,
  type Level,
  MOST_LEVELS,
  SEASONS,
  type Season,
  USUAL_BEGINNINGS,
} from "@/core/hive/hive";
import { linesOf, neededBy } from "@/core/hive/lines";
import { judgeStack } from "@/core/fit/stack";
import { STARTERS } from "@/core/hive/starters";
import { warmth } from "@/core/hive/warmth";
import { weigh } from "@/core/hive/weigh";
import type { Finding } from "@/core/fit/finding";
import { makeables } from "@/core/job/find";
import { inch } from "@/core/length/length";
import { recipeOf } from "@/core/designs/design";
import { HiveStack } from "@/ui/drawing/HiveStack";
import { type Desk, useDesk } from "@/ui/job/useDesk";
import { GapGauge } from "@/ui/parts/GapGauge";
import { LengthField } from "@/ui/parts/LengthField";
import { Measure } from "@/ui/parts/Measure";
import { NumberField } from "@/ui/parts/NumberField";
import { OptionList } from "@/ui/parts/OptionList";
import { dayText } from "@/ui/parts/words";

/** A whole hive built from the ground up: every place where two things meet is judged, and one act makes its lines. */
export function Hive() {
  const desk = useDesk();
  const { hives } = desk.job;
  const [at, setAt] = useState(0);
  const hive = hives[Math.min(at, hives.length - 1)];
  const put = (next: HiveData[]) => desk.act({ do: "hives", hives: next }, "hive");
  if (!hive) return <Start onStart={(h) => put([h])} />;
  const here = hives.indexOf(hive);
  return (
    <OneHive
      key={here}
      hive={hive}
      desk={desk}
      change={(to) => put(hives.map((h, i) => (i === here ? to : h)))}
      others={
        <p className="no-print mb-2 flex flex-wrap items-baseline gap-x-2">
          {hives.map((h, i) => (
            <button
              key={i}
              className={`quiet ${i === here ? "font-semibold no-underline" : ""}`}
              aria-pressed={i === here}
              onClick={() => setAt(i)}
            >
              {h.name}
            </button>
          ))}
          <select
            className="field ml-auto"
            aria-label="Begin another hive"
            value=""
            onChange={(e) => {
              put([...hives, STARTERS[Number(e.target.value)]!]);
              setAt(hives.length);
            }}
          >
            <option value="">another …</option>
            {STARTERS.map((s, i) => (
              <option key={s.name} value={i}>
                {s.name}
              </option>
            ))}
          </select>
          <button className="quiet" onClick={() => put(hives.filter((_, i) => i !== here))}>
            take out
          </button>
        </p>
      }
    />
  );
}

function Start({ onStart }: { onStart(h: HiveData): void }) {
  return (
    <div className="mx-auto max-w-[34rem] py-8">
      <p className="mb-3 text-center text-[1.3rem]">Which hive are you building?</p>
      <ul>
        {STARTERS.map((s) => (
          <li key={s.name} className="border-t border-rule">
            <button
              className="w-full border-0 bg-transparent px-2 py-2.5 text-left hover:bg-white"
              onClick={() => onStart(s)}
            >
              <strong className="font-semibold">{s.name}</strong>
              <span className="ml-2 text-soft">{s.levels.length} things from the ground up</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-3 text-center">
        <button
          className="quiet"
          onClick={() => onStart({ name: "Our hive", count: 1, levels: [], begins: USUAL_BEGINNINGS })}
        >
          begin with nothing
        </button>
      </p>
    </div>
  );
}

function OneHive({
  hive,
  desk,
  change,
  others,
}: {
  hive: HiveData;
  desk: Desk;
  change(h: HiveData): void;
  others: React.ReactNode;
}) {
  const { job, worked } = desk;
  const [season, setSeason] = useState<Season | undefined>("summer");
  const [chosen, setChosen] = useState<number | null>(null);
  const [fill, setFill] = useState(100);
  const [added, setAdded] = useState(false);
  const built = useMemo(() => {
    try {
      const standing = stand(hive, job, worked.lines, season);
      return { standing, findings: judgeStack(standing, job.units) };
    } catch (e) {
      if (!isUnmakeable(e)) throw e;
      return { standing: [], findings: [], trouble: e.message };
    }
  }, [hive, job, worked.lines, season]);
  const weights = useMemo(() => weigh(built.standing, fill / 100), [built.standing, fill]);
  const warm = useMemo(() => warmth(built.standing), [built.standing]);
  const stops = built.findings.filter((f) => f.state === "stop").length;
  const setLevel = (i: number, to: Level | null) =>
    change({ ...hive, levels: hive.levels.flatMap((l, k) => (k !== i ? [l] : to ? [to] : [])) });
  const move = (i: number, by: 1 | -1) => {
    const levels = [...hive.levels];
    const [taken] = levels.splice(i, 1);
    levels.splice(i + by, 0, taken!);
    change({ ...hive, levels });
    setChosen(i + by);
  };
  const kg = (n: number) => (job.units === "in" ? `${(n / 0.45359237).toFixed(0)} lb` : `${n.toFixed(1)} kg`);
  return (
    <div className="grid grid-cols-1 gap-x-5 gap-y-4 md:grid-cols-[300px_minmax(0,1fr)] xl:grid-cols-[300px_minmax(0,1fr)_300px] print:block">
      <section aria-label="Levels">
        {others}
        <label className="flex items-baseline gap-2">
          <NumberField
            label="Hives wanted"
            value={hive.count}
            onSettle={(count) => change({ ...hive, count })}
            className="w-14 text-[1.13rem] font-semibold"
          />
          <input
            className="field flex-1 text-[1.13rem] font-semibold"
            aria-label="Name of the hive"
            defaultValue={hive.name}
            key={hive.name}
            onBlur={(e) =>
              e.target.value.trim() && e.target.value !== hive.name && change({ ...hive, name: e.target.value.trim() })
            }
          />
        </label>
        <div className="no-print my-2 flex flex-wrap gap-1" role="group" aria-label="Season shown">
          {([undefined, ...SEASONS] as const).map((s) => (
            <button
              key={s ?? "all"}
              aria-pressed={season === s}
              onClick={() => setSeason(s)}
              className={`border-0 px-2 py-0.5 ${season === s ? "bg-spruce font-semibold text-white" : "bg-bench"}`}
            >
              {s ?? "all"}
            </button>
          ))}
        </div>
        <ol className="flex flex-col-reverse" aria-label="From the ground up">
          {hive.levels.map((level, i) => (
            <LevelRow
              key={i}
              level={level}
              i={i}
              last={hive.levels.length - 1}
              desk={desk}
              chosen={chosen === i}
              away={season !== undefined && level.seasons !== undefined && !level.seasons.includes(season)}
              state={worstAt(built.findings, i)}
              onChoose={() => setChosen(chosen === i ? null : i)}
              onChange={(to) => setLevel(i, to)}
              onMove={(by) => move(i, by)}
            />
          ))}
        </ol>
        {hive.levels.length < MOST_LEVELS && (
          <AddLevel hive={hive} desk={desk} onAdd={(l) => change({ ...hive, levels: [...hive.levels, l] })} />
        )}
        {chosen !== null && hive.levels[chosen] && (
          <LevelOptions
            level={hive.levels[chosen]}
            at={chosen}
            desk={desk}
            standing={built.standing}
            onChange={(to) => setLevel(chosen, to)}
          />
        )}
      </section>
      <section aria-label="The hive" className="min-w-0">
        {built.trouble && (
          <p role="alert" className="border-l-8 border-madder bg-white px-3 py-1.5">
            {built.trouble}
          </p>
        )}
        {built.standing.length > 0 && (
          <HiveStack standing={built.standing} units={job.units} chosen={chosen} onChoose={setChosen} />
        )}
      </section>
      <section aria-label="How it stands" className="md:col-start-2 xl:col-start-3">
        <button
          className="act no-print w-full"
          disabled={hive.levels.length === 0 || stops > 0}
          onClick={() => {
            desk.act({ do: "add lines", lines: linesOf(hive, job) }, "hive");
            setAdded(true);
          }}
        >
          Make {hive.count} of it: add the lines to the job
        </button>
        {stops > 0 && <p className="no-print text-[.87rem] text-madder">put right what will not fit first</p>}
        {desk.problem?.field === "hive" && (
          <p role="alert" className="text-[.87rem] text-madder">
            {desk.problem.message}
          </p>
        )}
        {added && (
          <p role="status" className="no-print border-l-4 border-spruce pl-2 text-[.9rem]">
            added; the job has {job.lines.length} lines
          </p>
        )}
        <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 text-[.95rem]">
          <dt className="border-t border-rule py-1">Height</dt>
          <dd className="border-t border-rule py-1 text-right">
            <Measure value={weights.height as Parameters<typeof Measure>[0]["value"]} units={job.units} />
          </dd>
          <dt className="border-t border-rule py-1">Room inside the boxes</dt>
          <dd className="border-t border-rule py-1 text-right font-mono">{weights.litres.toFixed(1)} l</dd>
          <dt className="border-t border-rule py-1">Empty, without bees</dt>
          <dd className="border-t border-rule py-1 text-right font-mono">{kg(weights.emptyKg)}</dd>
          <dt className="border-t border-rule py-1">
            Combs{" "}
            <NumberField
              label="Combs full, percent"
              value={fill}
              onSettle={(n) => setFill(Math.max(0, Math.min(100, n)))}
              className="w-12"
            />
            % full of honey
          </dt>
          <dd className="border-t border-rule py-1 text-right font-mono">{kg(weights.fullKg)}</dd>
          {heaviest(weights.levels, built.standing) && (
            <>
              <dt className="border-t border-rule py-1">
                Heaviest lift, {heaviest(weights.levels, built.standing)!.title.toLowerCase()}
              </dt>
              <dd className="border-t border-rule py-1 text-right font-mono">
                {kg(heaviest(weights.levels, built.standing)!.kg)}
              </dd>
            </>
          )}
          {warm && (
            <>
              {(["wall", "lid", "floor"] as const).flatMap((what) => {
                const r = warm[what];
                return r === undefined
                  ? []
                  : [
                      <dt
                        key={`${what} label`}
                        className="border-t border-rule py-1"
                        title="m²·K/W; in brackets ft²·°F·h/Btu"
                      >
                        R of the {what}, lowest box
                      </dt>,
                      <dd key={what} className="border-t border-rule py-1 text-right font-mono">
                        {r.toFixed(2)} ({(r * 5.678).toFixed(1)})
                      </dd>,
                    ];
              })}
              <dt className="border-t border-rule py-1" title="without what goes out with the air">
                It loses, a degree
              </dt>
              <dd className="border-t border-rule py-1 text-right font-mono">{warm.loss.toFixed(1)} W/K</dd>
            </>
          )}
        </dl>
        <p className="text-[.84rem] text-soft">
          A full box is a heavy lift: lift a frame at a time, or two people. Insulation keeps heat in and out; it makes
          none. Follow local guidance on lifting.
        </p>
        <h2 className="small-head mt-3">Where things meet</h2>
        <ul>
          {[...built.findings]
            .sort((a, b) => RANK[b.state] - RANK[a.state])
            .map((f, i) => (
              <li key={i} className="keep-together border-t border-rule py-1">
                <button
                  className="grid w-full grid-cols-[1fr_auto] border-0 bg-transparent p-0 text-left"
                  onClick={() => setChosen(f.line)}
                >
                  <span className="font-semibold">{f.label}</span>
                  {!f.rule.endsWith("-missing") && !f.rule.endsWith("-order") && (
                    <Measure value={f.value} units={job.units} />
                  )}
                  {f.bands && (
                    <span className="col-span-2">
                      <GapGauge value={f.value} bands={f.bands} />
                    </span>
                  )}
                  <span
                    className={`col-span-2 text-[.84rem] ${f.state === "ok" ? "text-soft" : "font-semibold text-madder"}`}
                  >
                    {f.text}
                    {f.advice && <span className="block font-normal text-ink">{f.advice}</span>}
                  </span>
                </button>
              </li>
            ))}
        </ul>
        <Needed hive={hive} desk={desk} change={change} />
      </section>
    </div>
  );
}
const RANK = { ok: 0, care: 1, stop: 2 };

const worstAt = (findings: Finding[], at: number) =>
  findings
    .filter((f) => f.line === at)
    .reduce<Finding["state"]>((w, f) => (RANK[f.state] > RANK[w] ? f.state : w), "ok");

function heaviest(levels: { at: number; fullKg: number }[], standing: ReturnType<typeof stand>) {
  const bodies = levels.filter((l) => standing.some((s) => s.at === l.at && s.as === "body"));
  const top = bodies.toSorted((a, b) => b.fullKg - a.fullKg)[0];
  return top && { title: standing.find((s) => s.at === top.at)!.title, kg: top.fullKg };
}

const SHORT: Record<Season, string> = { spring: "sp", summer: "su", autumn: "au", winter: "wi" };

function LevelRow({
  level,
  i,
  last,
  desk,
  chosen,
  away,
  state,
  onChoose,
  onChange,
  onMove,
}: {
  level: Level;
  i: number;
  last: number;
  desk: Desk;
  chosen: boolean;
  away: boolean;
  state: Finding["state"];
  onChoose(): void;
  onChange(to: Level | null): void;
  onMove(by: 1 | -1): void;
}) {
  const standard = "measured" in level ? undefined : desk.standards.find((s) => s.id === level.standard);
  const name =
    "measured" in level ? level.measured.name : (recipeOf(level.item, standard, desk.job)?.name ?? level.item);
  const size =
    "measured" in level
      ? "measured in"
      : `${standard?.short ?? level.standard}${recipeOf(level.item, standard, desk.job)?.kind === "body" ? `, ${standard?.sizes[level.size]?.name ?? level.size}` : ""}`;
  const inSeason = (s: Season) => level.seasons === undefined || level.seasons.includes(s);
  const toggle = (s: Season) => {
    const now = SEASONS.filter((x) => (x === s ? !inSeason(x) : inSeason(x)));
    const { seasons: _gone, ...plain } = level;
    if (now.length > 0) onChange(now.length === 4 ? plain : { ...plain, seasons: now });
  };
  return (
    <li
      className={`border-b border-rule ${chosen ? "bg-white shadow-[inset_4px_0_var(--color-spruce)]" : ""} ${away ? "no-print bg-bench" : ""}`}
    >
      <div className="flex items-baseline gap-2 py-1 pl-2">
        <button
          className="min-w-0 flex-1 border-0 bg-transparent p-0 text-left"
          aria-pressed={chosen}
          onClick={onChoose}
        >
          <strong
            title={name}
            className={`block truncate font-semibold ${state === "stop" ? "text-madder underline decoration-2" : state === "care" ? "underline decoration-madder decoration-dotted" : ""}`}
          >
            {name}
          </strong>
          <em className="text-[.8rem] text-soft not-italic">{away ? "not in this season" : size}</em>
        </button>
        <span className="no-print flex gap-0.5" role="group" aria-label={`${name}: when it stands`}>
          {SEASONS.map((s) => (
            <button
              key={s}
              aria-label={`${name} in ${s}`}
              aria-pressed={inSeason(s)}
              title={s}
              className={`border px-1 text-[.76rem] ${inSeason(s) ? "border-spruce bg-spruce text-white" : "border-rule bg-transparent text-soft"}`}
              onClick={() => toggle(s)}
            >
              {SHORT[s]}
            </button>
          ))}
        </span>
        <span className="no-print flex">
          <button className="quiet px-1" aria-label={`${name} up`} disabled={i === last} onClick={() => onMove(1)}>
            ↑
          </button>
          <button className="quiet px-1" aria-label={`${name} down`} disabled={i === 0} onClick={() => onMove(-1)}>
            ↓
          </button>
          <button className="quiet px-1" aria-label={`Take out ${name}`} onClick={() => onChange(null)}>
            ×
          </button>
        </span>
      </div>
    </li>
  );
}

function AddLevel({ hive, desk, onAdd }: { hive: HiveData; desk: Desk; onAdd(l: Level): void }) {
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

const MEASURES = [
  ["outsideLength", "outside, long"],
  ["outsideWidth", "outside, wide"],
  ["insideLength", "inside, long"],
  ["insideWidth", "inside, wide"],
  ["depth", "depth"],
  ["over", "over its frames"],
  ["under", "below its frames"],
] as const;

function LevelOptions({
  level,
  at,
  desk,
  standing,
  onChange,
}: {
  level: Level;
  at: number;
  desk: Desk;
  standing: ReturnType<typeof stand>;
  onChange(to: Level): void;
}) {
  const { units } = desk.job;
  if ("measured" in level) {
    const m = level.measured;
    return (
      <div className="no-print mt-3">
        <h2 className="small-head">As the tape reads it</h2>
        <input
          className="field w-full font-semibold"
          aria-label="Name of the box"
          key={m.name}
          defaultValue={m.name}
          onBlur={(e) =>
            e.target.value.trim() && onChange({ ...level, measured: { ...m, name: e.target.value.trim() } })
          }
        />
        {MEASURES.map(([name, label]) => (
          <label key={name} className="flex items-baseline justify-between py-0.5 text-[.9rem]">
            <span className="text-soft">{label}</span>
            <LengthField
              value={m[name]}
              units={units}
              label={`Box, ${label}`}
              className="w-20"
              onSettle={(v) => onChange({ ...level, measured: { ...m, [name]: v } })}
            />
          </label>
        ))}
      </div>
    );
  }
  const shape = standing.find((s) => s.at === at)?.shape;
  if (!shape) return <p className="no-print mt-3 text-soft">It does not stand in this season.</p>;
  const box = boxFor(standing, at);
  const canFit = box && shape.recipe.parameters.some((p) => p.name === "bodyOutsideWidth");
  const set = (name: string, value: OptionValue | null) => {
    const { [name]: _gone, ...others } = level.options;
    onChange({ ...level, options: value === null ? others : { ...others, [name]: value } });
  };
  return (
    <div className="no-print mt-3">
      {canFit && (
        <button
          className="quiet"
          onClick={() =>
            onChange({
              ...level,
              options: { ...level.options, bodyOutsideLength: box.length, bodyOutsideWidth: box.width },
            })
          }
        >
          make it to the box it meets, <Measure value={box.length} units={units} /> ×{" "}
          <Measure value={box.width} units={units} />
        </button>
      )}
      <OptionList shape={shape} asked={level.options} units={units} problem={() => undefined} set={set} />
    </div>
  );
}

/** What has to be built by when, from the job's start on. */
function Needed({ hive, desk, change }: { hive: HiveData; desk: Desk; change(h: HiveData): void }) {
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
