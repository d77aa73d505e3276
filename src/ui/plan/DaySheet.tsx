import { settingWord } from "@/core/feature/machine";
import { type Run, tooFew } from "@/core/plan/runs";
import { Measure } from "@/ui/parts/Measure";
import { clockTime, dayText, duration } from "@/ui/parts/words";
import type { Names } from "./Board";
import type { OpenDay } from "@/core/plan/shown";

/** The day on paper: for each of those who are in, what they do when, at which setting, with its caution. */
export function DaySheet({ day, runs, people, names }: { day: OpenDay; runs: Run[]; people: { title: string }[]; names: Names }) { // prettier-ignore
  const today = runs.filter((r) => r.startsAt < day.to && r.endsAt > day.from);
  return (
    <section className="only-print" aria-label={`Day sheet, ${dayText(day.day)}`}>
      <h1 className="text-[1.5rem] font-semibold">Day sheet, {dayText(day.day)}</h1>
      {people.map(({ title }, p) => {
        const mine = today.filter((r) => r.who.includes(p)).toSorted((a, b) => a.startsAt - b.startsAt);
        return (
          <div key={p} className="mt-3">
            <h2 className="keep-with-next border-b-2 border-black text-[1.13rem] font-semibold">{title}</h2>
            {mine.length === 0 && <p>Nothing is planned.</p>}
            {mine.map((r) => {
              const job = names.job(r.job);
              const from = Math.max(r.startsAt, day.from);
              return (
                <div key={`${r.job} ${r.name} ${r.startsAt}`} className="keep-together grid grid-cols-[92px_150px_minmax(0,1fr)_20px] gap-x-3 border-b border-rule py-1.5">
                  <span className="font-mono">
                    {clockTime(from)}–{clockTime(Math.min(r.endsAt, day.to))}
                    {r.endsAt > day.to && <span className="block text-[.8rem]">goes on</span>}
                    {from > r.startsAt && <span className="block text-[.8rem]">goes on from before</span>}
                  </span>
                  <span>
                    {r.settings.map((s) => (
                      <span key={s.kind} className="block">
                        <span className="text-[.8rem]">{settingWord(s.kind)} </span>
                        {s.kind === "angle" ? `${s.degrees}°` : <Measure value={s.value} units={job?.units ?? "in"} className="text-[1.33rem]" />}
                      </span>
                    ))}
                    {r.settings.length === 0 && r.station}
                  </span>
                  <span>
                    <b className="font-semibold">{r.title}</b>, <span className="font-mono">{r.pieces}</span> {r.of}
                    <span className="block text-[.87rem]">
                      {job?.name} · {r.station} · {duration(r.minutes)}
                      {r.who.length > 1 && ` · with ${r.who.filter((x) => x !== p).map(names.person).join(" and ")}`}
                      {r.wait > 0 && ` · then leave it ${duration(r.wait)}`}
                    </span>
                    {tooFew(r) && <b className="block">{tooFew(r)}</b>}
                    {r.caution && <span className="block border-l-4 border-black pl-2 text-[.8rem]">{r.caution}</span>}
                  </span>
                  <span className="h-4 w-4 border border-black" />
                </div>
              );
            })}
          </div>
        );
      })}
    </section>
  );
} // prettier-ignore
