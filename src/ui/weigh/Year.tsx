"use client";
import { useEffect, useState } from "react";
import { lengthWithUnit } from "@/core/length/format";
import type { Units } from "@/core/length/length";
import { weightText } from "@/core/hive/weigh";
import type { YearLevel, YearSeason } from "@/core/weigh/year";
import { askServer } from "@/ui/parts/askServer";
import { capital, dayText } from "@/ui/parts/words";

interface Answer {
  seasons: YearSeason[];
  madeBy: { season: string; date: string; titles: string[] }[];
}
const [WIDE, BOX, PAD] = [290, 96, 4];

/** A usual stack over its year: what stands, what it weighs, what each lift is for one and for two, and what to do instead. */
export function Year({ stacks, fill, units }: { stacks: string[]; fill: number; units: Units }) {
  const [starter, setStarter] = useState(0);
  const [year, setYear] = useState<Answer | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let wanted = true;
    askServer<Answer>("/api/weigh/year", { method: "POST", body: { starter, fill: fill / 100 } })
      .then((y) => {
        if (!wanted) return;
        setYear(y);
        setProblem(null);
      })
      .catch((e: Error) => wanted && setProblem(e.message));
    return () => void (wanted = false);
  }, [starter, fill]);
  const tallest = Math.max(1, ...(year?.seasons.map((s) => s.height) ?? []));
  const insteads = [...new Map(year?.seasons.flatMap((s) => s.levels.flatMap((l) => (l.lift?.instead ? [[l.title, l] as const] : []))) ?? []).values()];
  return (
    <section aria-label="Over the year" className="mt-8">
      <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">A stack over the year</h2>
      <p className="mt-2 flex flex-wrap items-center gap-x-5">
        <select className="field min-h-[44px]" aria-label="Which stack" value={starter} onChange={(e) => setStarter(Number(e.target.value))}>
          {stacks.map((s, i) => (
            <option key={s} value={i}>
              {s}
            </option>
          ))}
        </select>
        <span className="text-soft">combs {fill} % full; beside each box its weight and its lift index for one person, then for two: over 1 is more than most should lift</span>
      </p>
      {problem && <p role="alert" className="border-l-4 border-madder pl-2 font-semibold">{problem}</p>}
      {year && (
        <>
          <div className="mt-3 grid grid-cols-1 gap-5 sm:grid-cols-2 xl:grid-cols-4">
            {year.seasons.map((s) => (
              <Season key={s.season} of={s} scale={210 / tallest} units={units} />
            ))}
          </div>
          {insteads.length > 0 && (
            <p className="mt-3 border-l-4 border-madder pl-2">
              {insteads.map((l) => (
                <span key={l.title} className="block">
                  Instead of lifting the {l.title.toLowerCase()} full: {l.lift!.instead}.
                </span>
              ))}
            </p>
          )}
          <p className="mt-1 text-[.87rem] text-soft">
            For two: two thirds of what both may lift alone added up. The equation is for an even floor and a free grip, and for boxes that are not stuck down: break the propolis first. Follow local
            guidance on lifting.
          </p>
          <p className="mt-2">
            <b>To be made by</b>{" "}
            {year.madeBy.map((m) => (
              <span key={m.season} className="mr-4">
                <span className="font-mono">{dayText(m.date)}</span> {m.titles.map((t) => t.toLowerCase()).join(", ")}
              </span>
            ))}
          </p>
        </>
      )}
    </section>
  );
} // prettier-ignore

/** One season's stack as it stands, with the weight and the lifts of its boxes. */
function Season({ of, scale, units }: { of: YearSeason; scale: number; units: Units }) {
  const standing = of.levels.filter((l) => l.stands);
  const high = standing.reduce((n, l) => n + l.height * scale, 0);
  const foot = (l: YearLevel) => standing.slice(0, standing.indexOf(l)).reduce((n, o) => n + o.height * scale, 0);
  const top = 224;
  return (
    <figure>
      <figcaption>
        <b>{capital(of.season)}</b> <span className="text-soft">from {dayText(`2026-${of.begins}`).replace(/^\w+ /, "")}</span>
      </figcaption>
      <svg viewBox={`0 0 ${WIDE} ${top + PAD}`} className="w-full" role="img" aria-label={`${of.season}: ${standing.map((l) => `${l.title}${l.lift ? ` ${weightText(l.lift.kg, units)}, index ${l.lift.judged.index.toFixed(1)}, for two ${l.lift.indexForTwo.toFixed(1)}` : ""}`).join("; ")}`}>
        <line x1={0} x2={WIDE} y1={top} y2={top} className="stroke-ink" strokeWidth={2} />
        {standing.map((l) => {
          const y = top - foot(l) - l.height * scale;
          const tall = Math.max(2, l.height * scale - 1);
          const heavy = l.lift && l.lift.judged.index > 1;
          return (
            <g key={l.at}>
              <rect x={2} y={y} width={BOX} height={tall} className={`${l.body ? "fill-straw-pale" : "fill-white"} ${l.comes || l.moves ? "stroke-blue" : "stroke-ink"}`} strokeWidth={l.comes || l.moves ? 2.5 : 1} />
              {l.lift && (
                <text x={BOX + 12} y={y + tall / 2 + 1} fontSize="14" className={`font-mono ${heavy ? "fill-madder" : "fill-ink"}`}>
                  {weightText(l.lift.kg, units)} · {l.lift.judged.index.toFixed(1)} · {l.lift.indexForTwo.toFixed(1)}
                </text>
              )}
              {l.lift && (
                <text x={BOX + 12} y={y + tall / 2 + 15} fontSize="11.5" className="fill-soft">
                  {l.lift.what.toLowerCase()}
                  {l.comes ? ", comes on" : l.moves ? ", moves" : ""}
                </text>
              )}
            </g>
          );
        })}
        {of.before.map((b) => (
          <g key={b.title}>
            <path d={`M${BOX + 8} ${top - 22}v22`} className="stroke-blue" strokeWidth={3} />
            <text x={BOX + 14} y={top - 6} fontSize="11.5" className="fill-soft">
              {b.title.toLowerCase()}
            </text>
          </g>
        ))}
        <text x={2} y={Math.max(12, top - high - 6)} fontSize="12.5" className="fill-soft">
          {weightText(of.fullKg, units)} in all, {lengthWithUnit(of.height, units)} high
        </text>
      </svg>
      {of.levels.some((l) => l.comes && !l.body) && <p className="text-[.93rem]">on: {of.levels.filter((l) => l.comes && !l.body).map((l) => l.title.toLowerCase()).join(", ")}</p>}
      {of.goes.length > 0 && <p className="text-[.93rem]">off: {of.goes.map((t) => t.toLowerCase()).join(", ")}</p>}
      <ul className="mt-1 text-[.93rem] text-soft">
        {of.acts.map((a) => (
          <li key={a}>{a}</li>
        ))}
      </ul>
    </figure>
  );
} // prettier-ignore
