"use client";
import Link from "next/link";
import { pieceKey } from "@/core/line/line";
import { useMemo } from "react";
import { aboveLeast, allLayouts, type LayoutResult, moneyOf, STYLES } from "@/core/layout/layout";
import { layoutRequest } from "@/core/job/ask";
import { groups } from "@/core/layout/request";
import { missingText } from "@/core/layout/missing";
import { spoiledOf } from "@/core/job/spoiled";
import { cutList, nameIn } from "@/core/line/cutlist";
import { inch } from "@/core/length/length";
import { weighed } from "@/core/layout/weighed";
import { useDesk, useLaid, useMoney } from "@/ui/desk/useDesk";
import { LayoutList } from "@/ui/stations/lay-out/LayoutList";
import { Reasons } from "@/ui/stations/lay-out/Reasons";
import { SetUpList } from "@/ui/stations/lay-out/SetUpList";
import { Weigh } from "@/ui/stations/lay-out/Weigh";
import { Measure } from "@/ui/parts/Measure";
import { useLate } from "@/ui/parts/useLate";
import { atMost, count } from "@/ui/parts/words";
import { standsAt } from "../AfterLayout";
import { Empty } from "../Empty";
import { AsTheShop } from "./AsTheShop";
import { Boards } from "./Boards";
import { Offers } from "./Offers";
import { Sawn } from "./Sawn";

/** Boards and how they are cut, with how good that is. */
export function LayOut() {
  const desk = useDesk();
  const { job } = desk;
  const { layout, was } = useLaid();
  // What no board can give is known before anything is solved.
  const never = useMemo(() => groups(layoutRequest(desk.worked)).missing, [desk.worked]);
  if (job.lines.length === 0)
    return <Empty text="There is nothing to lay out yet." next="ask" act="Say what to make" />;
  const { result } = layout;
  const missing = (layout.fresh && result?.missing) || never;
  const bare = !job.stock.some((s) => s.form !== "pack");
  return (
    <div className="grid grid-cols-1 gap-x-7 gap-y-5 lg:grid-cols-[minmax(0,1fr)_300px]">
      <section aria-label="Layouts">
        {bare ? (
          <p className="mb-2 text-[1.3rem]">
            {job.alone
              ? "The job has no boards of its own yet."
              : "Nothing is free in the yard, and nothing is in the catalogue."}{" "}
            Its parts want:
          </p>
        ) : (
          <Headline />
        )}
        {result && layout.fresh && !layout.improving && result.missing.length === 0 && !bare && (
          <Sawn result={result} />
        )}
        {result && layout.fresh && !layout.improving && <Reasons result={result} units={job.units} />}
        {(job.spoiled ?? []).length > 0 && <Again />}
        {!bare &&
          missing.map((m) => (
            <p
              key={pieceKey(m.blank.of)}
              role="alert"
              className="mb-2 border-l-8 border-madder bg-white px-3 py-2 font-semibold text-madder"
            >
              {missingText(m, job.units)}
            </p>
          ))}
        {never.length > 0 && (
          <p className="no-print mb-3 flex flex-wrap items-baseline gap-x-4">
            <Offers />
          </p>
        )}
        {result && !bare && (
          <LayoutList
            result={result}
            // What is still looked for changes again in a moment.
            was={layout.fresh && !layout.improving ? was?.result : undefined}
            units={job.units}
          />
        )}
        <div className="no-print mt-6">
          <Boards />
        </div>
      </section>
      {result && !bare && (
        <section aria-label="Set-ups">
          <SetUpList result={result} />
          <Figures result={result} />
          <div className="no-print">
            <Weigh result={result} />
            <details className="mt-4">
              <summary className="small-head cursor-pointer py-1">The saw and the panels, as the shop has them</summary>
              <AsTheShop />
            </details>
            <h2 className="small-head mt-4">On paper and in files</h2>
            <p className="flex flex-wrap gap-x-4">
              <a className="quiet" href={`/jobs/${desk.id}/boards`}>
                a sheet a pattern
              </a>
              {["svg", "dxf", "csv"].map((kind) => (
                <a key={kind} className="quiet" href={`/api/jobs/${desk.id}/layout/boards.${kind}`}>
                  {kind.toUpperCase()}
                </a>
              ))}
            </p>
          </div>
          <p className="mt-3 text-[.84rem] text-soft">
            saw removes <Measure value={job.workshop.kerf} units={job.units} /> · end trim{" "}
            <Measure value={job.workshop.endTrim} units={job.units} /> · nothing shorter than{" "}
            <Measure value={job.workshop.minHold} units={job.units} /> is ripped (
            <Link prefetch={false} className="quiet" href="/shop">
              the shop
            </Link>
            ) · guard and riving knife on for every rip; push stick under{" "}
            <Measure value={sixInches} units={job.units} />. Follow the machine’s manual and your local rules.
          </p>
        </section>
      )}
    </div>
  );
}
const sixInches = inch(6);

/** What was spoiled at the bench, and so is cut once more. */
function Again() {
  const { job, worked } = useDesk();
  const name = nameIn(worked.lines);
  const again = cutList(worked.lines).flatMap((cut) => {
    const pieces = spoiledOf(job.spoiled, cut.of);
    return pieces > 0 ? [`${pieces} ${name(cut)}`] : [];
  });
  return <p className="mb-2">Spoiled at the bench and cut again: {again.join(", ")}.</p>;
}

function Headline() {
  const { layout } = useLaid();
  // What is there again in a moment does not go away for it.
  const isLate = useLate(!layout.fresh);
  const money = useMoney();
  const { job } = useDesk();
  const { result, progress } = layout;
  // Nothing is said in money while boards have no price.
  const bare = weighed(job.stock.filter((s) => s.form !== "pack")).some((s) => s.unpriced);
  const forMoney = (amount: number) => (bare ? "" : ` for ${money(amount)}`);
  const atLeast = (bound: number) => (bare ? "" : `, at least ${money(bound)}`);
  if (layout.state === "failed")
    return (
      <p role="alert" className="mb-3">
        {standsAt(layout)}{" "}
        <button className="act" onClick={layout.again}>
          Try again
        </button>
      </p>
    );
  if (!layout.fresh && (isLate || !result || layout.state === "stopped"))
    return (
      <p aria-live="polite" className="mb-3 flex items-center gap-4 text-[1.2rem]">
        {layout.state !== "stopped" && progress
          ? `Laying out: ${count(progress.count, "board")}${forMoney(progress.cost)} so far${atLeast(progress.bound)}; thickness ${progress.done + 1} of ${progress.of}`
          : standsAt(layout)}
        {layout.state === "stopped" ? (
          <button className="act text-[1rem]" onClick={layout.again}>
            Lay out
          </button>
        ) : (
          <>
            <progress max={progress?.of ?? 1} value={progress?.done ?? 0} className="w-48" />
            <button className="quiet text-[1rem]" onClick={layout.stop}>
              stop
            </button>
          </>
        )}
      </p>
    );
  if (!result) return null;
  if (layout.improving && result.missing.length === 0)
    return (
      <p aria-live="polite" className="mb-2 flex flex-wrap items-baseline gap-x-4 text-[1.13rem]">
        <span>
          <b className="text-[1.7rem]">{result.count}</b> boards
          {!bare && (
            <>
              {" "}
              for <b className="text-[1.7rem]">{money(result.cost)}</b>
            </>
          )}
          {result.proven
            ? `; none of its kind ${bare ? "does with less" : "is cheaper"}, looking for one with fewer set-ups`
            : ` so far; looking for a ${bare ? "better" : "cheaper"} layout${progress ? atLeast(progress.bound) : ""}`}
        </span>
        <progress max={progress?.of ?? 1} value={progress?.done ?? 0} className="w-32" />
        <button className="quiet" onClick={layout.stop}>
          this will do
        </button>
      </p>
    );
  // What is pinned is not asked about: nothing is said of a layout without it.
  const isPinned = result.request.pinned.length > 0;
  const style = isPinned ? `${STYLES[result.boundStyle]}, with what is pinned,` : STYLES[result.boundStyle];
  const paid = moneyOf(result);
  const byWood = paid === undefined && result.boundCount !== result.count;
  const lost = result.stockArea > 0 ? 1 - result.partsArea / result.stockArea : 0;
  return (
    <p className="mb-2 text-[1.13rem]">
      <b className="text-[1.7rem]">{result.count}</b> {result.count === 1 ? "board" : "boards"}
      {result.missing.length > 0 && " for what can be laid out. "}
      {result.missing.length === 0 && byWood && (
        <>
          {result.proven ? ", the least wood " : `, within ${atMost(aboveLeast(result))} of the least wood `}
          {style} could take.{" "}
        </>
      )}
      {result.missing.length === 0 && result.proven && !byWood && (
        <>
          {result.boundCount === result.count ? ", and " : " for "}
          <b className="text-[1.7rem]">{result.boundCount === result.count ? result.boundCount : money(paid!.cost)}</b>
          {result.boundCount === result.count
            ? ` is the least ${style} could use. `
            : `, the least ${style} could cost. `}
        </>
      )}
      {result.missing.length === 0 && !result.proven && paid && (
        <>
          {" "}
          for <b className="text-[1.7rem]">{money(paid.cost)}</b>, within {atMost(aboveLeast(result))} of the least{" "}
          {style} could cost ({money(paid.bound)}).{" "}
        </>
      )}
      {layout.early && (
        <>
          Stopped early.{" "}
          <button className="quiet" onClick={layout.again}>
            look further
          </button>{" "}
        </>
      )}
      <span className="text-[.93rem] text-soft">
        {result.seconds < 0.005 ? "known from before" : `${result.seconds.toFixed(2)} s`} · {(lost * 100).toFixed(1)} %
        of the wood is not parts
        {result.keptArea > 0 ? `, ${((result.keptArea / result.stockArea) * 100).toFixed(1)} % is kept` : ""}
        {paid === undefined && " · boards without a price count by their size"}
      </span>
    </p>
  );
}

function Figures({ result }: { result: LayoutResult }) {
  const money = useMoney();
  const stock = result.request.stock;
  const boards = (source: "yard" | "buy") =>
    allLayouts(result).reduce((s, { layout }) => s + (stock[layout.stock]!.source === source ? layout.repeat : 0), 0);
  const paid = moneyOf(result);
  const kept = allLayouts(result).reduce(
    (s, { layout }) => s + layout.repeat * layout.offcuts.filter((o) => o.keep).length,
    0,
  );
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-y-1 [&>dd]:text-right [&>dd]:font-mono [&>dd]:font-semibold">
      <dt>Bought boards</dt>
      <dd>{boards("buy")}</dd>
      <dt>From the yard</dt>
      <dd>{boards("yard")}</dd>
      <dt>Kept for later</dt>
      <dd>{count(kept, "piece")}</dd>
      <dt>{result.missing.length > 0 ? "Wood cost, without what is missing" : "Wood cost"}</dt>
      <dd>{paid ? money(paid.cost) : boards("buy") > 0 ? "not all priced" : "none bought"}</dd>
      {paid && result.missing.length === 0 && (
        <>
          <dt>Least possible</dt>
          <dd>{money(paid.bound)}</dd>
        </>
      )}
    </dl>
  );
}
