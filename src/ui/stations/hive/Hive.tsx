"use client";
import { judgingOf } from "@/core/job/worked";
import { useMemo, useState } from "react";
import { type Finding, RANK } from "@/core/fit/finding";
import { judgeStack } from "@/core/fit/stack";
import {
  type Hive as HiveData,
  type Level,
  MOST_LEVELS,
  SEASONS,
  type Season,
  USUAL_BEGINNINGS,
} from "@/core/hive/hive";
import { linesOf } from "@/core/hive/lines";
import { stand } from "@/core/hive/stand";
import { STARTERS } from "@/core/hive/starters";
import { isUnmakeable } from "@/core/shape/shape";
import { type Desk, useDesk } from "@/ui/desk/useDesk";
import { HiveStack } from "@/ui/drawing/HiveStack";
import { FindingRow } from "@/ui/parts/FindingRow";
import { NumberField } from "@/ui/parts/NumberField";
import { useKeys } from "@/ui/parts/useKeys";
import { AddLevel } from "./AddLevel";
import { Figures } from "./Figures";
import { LevelOptions } from "./LevelOptions";
import { LevelRow } from "./LevelRow";
import { Needed } from "./Needed";

/** A whole hive built from the ground up: every place where two things meet is judged, and one act makes its lines. */
export function Hive() {
  const desk = useDesk();
  const { hives } = desk.job;
  const keys = useKeys(hives);
  const [shown, show] = useState(0);
  const at = keys.indexOf(shown);
  const hive = hives[at === -1 ? hives.length - 1 : at];
  const put = (next: HiveData[]) => desk.act({ do: "hives", hives: next }, "hive");
  if (!hive) return <Start onStart={(h) => put([h])} />;
  const here = hives.indexOf(hive);
  if (at === -1) show(keys[here]!);
  return (
    <OneHive
      key={keys[here]}
      hive={hive}
      desk={desk}
      change={(to) => put(hives.map((h, i) => (i === here ? to : h)))}
      others={
        <p className="no-print mb-2 flex flex-wrap items-baseline gap-x-2">
          {hives.map((h, i) => (
            <button
              key={keys[i]}
              className={`quiet ${i === here ? "font-semibold no-underline" : ""}`}
              aria-pressed={i === here}
              onClick={() => show(keys[i]!)}
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
              show(-1);
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
  const keys = useKeys(hive.levels);
  const [chosenKey, choose] = useState<number | null>(null);
  const place = chosenKey === null ? -1 : keys.indexOf(chosenKey);
  const chosen = place === -1 ? null : place;
  const setChosen = (i: number | null) => choose(i === null ? null : keys[i]!);
  const [added, setAdded] = useState(false);
  const built = useMemo(() => {
    try {
      const standing = stand(hive, job, worked.lines, season);
      return { standing, findings: judgeStack(standing, judgingOf(job)) };
    } catch (e) {
      if (!isUnmakeable(e)) throw e;
      return { standing: [], findings: [], trouble: e.message };
    }
  }, [hive, job, worked.lines, season]);
  const stops = built.findings.filter((f) => f.state === "stop").length;
  const setLevel = (i: number, to: Level | null) =>
    change({ ...hive, levels: hive.levels.flatMap((l, k) => (k !== i ? [l] : to ? [to] : [])) });
  const move = (i: number, by: 1 | -1) => {
    const levels = [...hive.levels];
    const [taken] = levels.splice(i, 1);
    levels.splice(i + by, 0, taken!);
    setChosen(i);
    change({ ...hive, levels });
  };
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
            key={chosenKey}
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
        <Figures standing={built.standing} units={job.units} />
        <h2 className="small-head mt-3">Where things meet</h2>
        <ul>
          {[...built.findings]
            .sort((a, b) => RANK[b.state] - RANK[a.state])
            .map((f) => (
              <FindingRow
                key={`${f.rule} ${f.label} ${f.line}`}
                finding={f}
                units={job.units}
                onChoose={() => setChosen(f.line)}
              />
            ))}
        </ul>
        <Needed hive={hive} desk={desk} change={change} />
      </section>
    </div>
  );
}
const worstAt = (findings: Finding[], at: number) =>
  findings
    .filter((f) => f.line === at)
    .reduce<Finding["state"]>((w, f) => (RANK[f.state] > RANK[w] ? f.state : w), "ok");
