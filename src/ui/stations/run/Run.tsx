"use client";
import { settingWord } from "@/core/feature/machine";
import Link from "next/link";
import { Fragment } from "react";
import type { WorkedJob } from "@/core/job/worked";
import { partKey } from "@/core/line/line";
import { type Row, rowsOf } from "@/core/plan/fold";
import type { Planned } from "@/core/plan/plan";
import { handsOf } from "@/core/shop/shop";
import { Takes } from "./Takes";
import { ToFit } from "./ToFit";
import type { Taken } from "@/core/work/operation";
import type { Units } from "@/core/length/length";
import { useDesk, useLaid } from "@/ui/desk/useDesk";
import { Measure } from "@/ui/parts/Measure";
import { clockDay, clockTime, count, dayText, duration } from "@/ui/parts/words";
import { AfterLayout } from "../AfterLayout";
import { Empty } from "../Empty";
import { Short } from "@/ui/parts/Short";

/** The run sheet: what to do, in order, with every setting and caution, on screen and on paper. */
export function Run() {
  const { job, worked, id } = useDesk();
  const { layout, plan } = useLaid();
  if (job.lines.length === 0) return <Empty text="There is nothing to run yet." next="ask" act="Say what to make" />;
  if (!job.start) return <Empty text="The job has no start day." next="ask" act="Say when work starts" />;
  if (!plan) return <AfterLayout what="The plan stands" />;
  const rows = rowsOf(plan.operations);
  const guesses = rows.filter((r) => r.op.guess).length;
  const days = [...new Set(rows.map((r) => clockDay(r.startsAt)))];
  return (
    <div>
      <header className="mb-3">
        <h2 className="only-print text-[1.4rem] font-semibold">Run sheet: {job.name}</h2>
        <Short result={layout.result} />
        <p className="text-[1.13rem]">
          {layout.result?.missing.length ? "But for that, ready" : "Ready"}{" "}
          <b className="text-[1.5rem]">{clockDay(plan.finish)}</b>, {clockTime(plan.finish)}
          {!job.due ? (
            ". "
          ) : plan.late ? (
            <b className="text-madder">: late, it is due {dayText(job.due)}. </b>
          ) : (
            `, due ${dayText(job.due)}. `
          )}
          <span className="text-[.93rem] text-soft">
            {plan.finish === plan.bound
              ? "No plan in these hours can finish earlier."
              : `No plan in these hours can finish before ${clockDay(plan.bound)}, ${clockTime(plan.bound)}.`}{" "}
            This is the job with the shop to itself; among the others it stands in the{" "}
            <Link prefetch={false} className="quiet" href="/plan">
              plan
            </Link>
            . {count(handsOf(job.workshop), "person", "people")} (
            <Link prefetch={false} className="quiet" href="/shop">
              the shop
            </Link>
            ) ·{" "}
            <Link prefetch={false} className="quiet no-print" href={`/jobs/${id}/batch`}>
              print the batch
            </Link>{" "}
            ·{" "}
            <Link prefetch={false} className="quiet no-print" href={`/jobs/${id}/happened`}>
              what happened
            </Link>
            {guesses > 0 && ` · ${guesses === rows.length ? "all" : guesses} of the times are guesses`}
          </span>
        </p>
      </header>
      {days.map((day) => (
        <section key={day} aria-label={day} className="mb-4">
          <h3 className="border-b-2 border-ink pb-0.5 text-[1.07rem] font-semibold">{day}</h3>
          <ol>
            {rows
              .filter((r) => clockDay(r.startsAt) === day)
              .map((r) => (
                <Step key={r.op.id} row={r} units={job.units} worked={worked} />
              ))}
          </ol>
        </section>
      ))}
    </div>
  );
}

/** What several lots take, of one name together. */
function usedIn(lots: Planned[]): Taken[] {
  const found = new Map<string, Taken>();
  for (const u of lots.flatMap((l) => l.uses))
    if (u.quantity > 0) found.set(u.what, { ...u, quantity: u.quantity + (found.get(u.what)?.quantity ?? 0) });
  return [...found.values()];
}

/** `28 exterior screw, no. 8 × 2`; what is weighed or measured with its unit. */
const takenText = ({ what, quantity, unit }: Taken): string =>
  unit === "each"
    ? `${Math.round(quantity * 100) / 100} ${what}`
    : `${unit === "g" ? Math.ceil(quantity) : quantity.toFixed(2)} ${unit === "m2" ? "m²" : unit} ${what}`;

function Step({ row, units, worked }: { row: Row; units: Units; worked: WorkedJob }) {
  const { op: o, lots } = row;
  const laterDay = clockDay(row.endsAt) !== clockDay(row.startsAt);
  const uses = usedIn(lots);
  return (
    <li className="keep-together grid grid-cols-[104px_minmax(0,15rem)_minmax(0,1fr)] items-start gap-x-4 border-b border-rule py-2.5">
      <div className="font-mono text-[.93rem]">
        <span className="block">
          {clockTime(row.startsAt)}–{clockTime(row.endsAt)}
        </span>
        {laterDay && <span className="block text-[.82rem] text-soft">to {clockDay(row.endsAt)}</span>}
        <span className="block text-[.82rem] text-soft">{o.station}</span>
      </div>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        {o.settings.length === 0 && <span className="text-soft">no setting</span>}
        {o.settings.map((s) => (
          <span key={s.kind} className="whitespace-nowrap">
            <span className="block text-[.82rem] text-soft">{settingWord(s.kind)}</span>
            {s.kind === "angle" ? (
              <span className="text-[1.7rem] leading-tight">{s.degrees}°</span>
            ) : (
              <Measure value={s.value} units={units} className="text-[1.7rem] leading-tight" />
            )}
          </span>
        ))}
      </div>
      <div>
        <p>
          <strong className="font-semibold">{o.name}</strong>, <span className="font-mono">{row.pieces}</span> {o.of}
          {lots.length > 1
            ? `, ${lots.length} lots of ${[...new Set(lots.map((l) => l.pieces))].join(" and ")}, begun at ${lots.map((l) => clockTime(l.startsAt)).join(", ")}`
            : o.lot !== "all" && `, ${o.lot}`}
          <span className="text-soft"> · {duration(row.minutes)}</span>
          <Takes op={o} />
          {o.wait > 0 && <span className="text-soft"> · then leave it {duration(o.wait)}</span>}
        </p>
        {o.how.map((h) => (
          <p key={h} className="text-[.93rem]">
            {h}
          </p>
        ))}
        {uses.length > 0 && <p className="text-[.87rem]">Takes {uses.map(takenText).join(", ")}.</p>}
        {o.measure.map((m) => (
          <ToFit key={partKey(m.part)} of={m} worked={worked} units={units} />
        ))}
        {o.people > 1 && <p className="text-[.87rem] font-semibold">Wants {o.people} people.</p>}
        {o.check && <p className="text-[.87rem]">First piece: {o.check}.</p>}
        {o.caution && <p className="mt-1 border-l-4 border-madder pl-2 text-[.87rem]">{o.caution}</p>}
        <Boxes n={row.pieces} />
      </div>
    </li>
  );
}

/** Boxes to tick by hand: one a piece up to ten, otherwise one for each tenth. */
function Boxes({ n }: { n: number }) {
  const each = Math.ceil(n / 10);
  const boxes = Math.ceil(n / each);
  return (
    <p className="only-print mt-1 text-[.82rem]">
      {Array.from({ length: boxes }, (_, i) => (
        <Fragment key={i}>
          <span className="only-print mr-1 h-3.5 w-3.5 border border-black align-middle" />
          <span className="mr-2">{Math.min(n, (i + 1) * each)}</span>
        </Fragment>
      ))}
      spoiled: ______
    </p>
  );
}
